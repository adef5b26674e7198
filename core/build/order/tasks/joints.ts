import type { Part } from '../../../assembly/assembly';
import { isOnRails } from '../../../document/job-record';
import { formatQuantity, inSentence, shortOhms } from '../../../quantity/format';
import { bandWords } from '../../../part/colour-bands';
import { wattsName } from '../../../part/resistor';
import { supplyKind } from '../../../supply';
import { boardsOf } from '../../../assembly/on-board';
import { boardSort, plugSort, usesOf } from '../../../study/stock';
import { isFeedPart } from '../../../study/wired/feed-parts';
import { groupOf, type Ends } from '../ends';
import { formerlyOf } from '../like-places';
import { counted as count, times, type Making } from '../making';
import { after, fact, notYet, type Condition } from '../fact';
import { hasMotor } from './driver';
import { act, type Act, type JoinedEnd } from '../task';
import { cellsOf } from '../../../study/cell-life';
import { cellNeeds } from '../../../study/cell-needs';
import { pickupNeeds } from '../../../study/pickup-needs';
import { joinNeeds } from '../../../study/join-needs';
import { soldUses } from '../wire-use';
import { cutTask, ON_BENCH, shrunk, sleeved } from './sleeves';
import type { SoldNeed } from '../../../part/sold-need';
import type { DriverNeed } from '../../../supply/drivers/driver-kind';

/** Minutes for a joint (common practice, no source). */
const JOINT = 1.5;

/** What a joint is made of. */
interface JointOf {
  readonly making: Making;
  readonly ends: Ends;
  /** What the id of the task is about: a place, a circuit, a line. */
  readonly name: string;
  readonly task: string;
  readonly joins: readonly JoinedEnd[];
  readonly parts: readonly Part[];
}

/** What a task of joints says beside what follows from its ends. */
type Said = Pick<Act, 'does' | 'says'> &
  Partial<Pick<Act, 'tool' | 'position' | 'caution' | 'uses' | 'asks' | 'makes'>>;

/** "3 × 1k 1/4 W (brown black red gold)", for every value among some parts. */
function resistorWords(parts: readonly Part[], count: number): string {
  const values = new Map<string, { ohms: number; ratedWatts: number; many: number }>();
  for (const part of parts) {
    if (part.kind !== 'resistor') continue;
    const { ohms, ratedWatts } = part;
    const key = `${ohms} ${ratedWatts}`;
    values.set(key, { ohms, ratedWatts, many: (values.get(key)?.many ?? 0) + count });
  }
  return [...values.values()]
    .map((v) => `${times(v.many)}${shortOhms(v.ohms)} ${wattsName(v.ratedWatts)} (${bandWords(v.ohms)})`)
    .join(', ');
}

/** "the resistor of Lantern 1", "the resistors of Head lamps A, Head lamps B". */
function itsResistors(parts: readonly Part[], { bench, count: many }: Making): string {
  if (parts.length === 1 && many === 1) return `the ${inSentence(parts[0].label)}`;
  const circuits = [...new Set(parts.flatMap((p) => p.circuit ?? []))].map((c) => bench.job.circuits[c].name);
  return `the resistors of ${circuits.join(', ')}`;
}

/** A part as it is called on the sheet, with its figure. */
function partWords(part: Part): string {
  switch (part.kind) {
    case 'resistor':
      return `${part.label} ${shortOhms(part.ohms)} ${wattsName(part.ratedWatts)} (${bandWords(part.ohms)})`;
    case 'electrolytic':
      return `${part.label} ${formatQuantity(part.farads, 'farad')} ${formatQuantity(part.ratedVolts, 'volt')}`;
    case 'fuse':
    case 'limiter':
      return `${part.label} ${formatQuantity(part.amps, 'amp')}`;
    case 'regulator':
      // What feeds a driver has its volts in its name.
      if (isFeedPart(part)) return part.label;
      return `${part.label} ${formatQuantity(part.outVolts, 'volt')}`;
    default:
      return part.label;
  }
}

/** Whether what some lamps are soldered to has lacquer for its insulation. */
const lacquered = ({ making, joins }: JointOf): boolean =>
  making.wires.some((w) => w.wire.id.startsWith('magnet') && joins.some((e) => e.lead === w.lead));

/** What is on before lamps among some parts are joined further: their leads, where they get some; else that they light. */
const lotsOf = ({ making, ends, parts }: JointOf): Condition[] =>
  making.lots
    .filter((l) => l.parts.some((p) => parts.some((q) => q.lamp === p.lamp)))
    .flatMap((l) => {
      const leads = ends.of(`leads ${l.id}`);
      return leads.length > 0
        ? leads.map((e) => after(fact.joined(e.lead, e.part), 'its leads are on first'))
        : [after(fact.tested(l.id), 'a dead lamp is found before it is soldered')];
    });

/** Each sort of joint, by how the id of its task begins. */
const joints: Readonly<Record<string, (of: JointOf) => Said>> = {
  'at-lamp': (of) => {
    const own = of.parts.filter((p) => p.kind === 'resistor');
    return {
      does: `Solder ${itsResistors(own, of.making)} at ${own.length * of.making.count === 1 ? 'its lamp' : 'their lamps'}`,
      says: `${resistorWords(own, of.making.count)}. Tin both first.`,
      uses: usesOf(own, of.making.count),
      asks: lotsOf(of),
    };
  },
  resistors({ making, parts }) {
    const own = parts.filter((p) => p.kind === 'resistor' && p.lamp !== null && p.place === null);
    // Some stand there though they would go through, because the person wants them so.
    const wanted = own.some((p) => p.circuit !== null && making.bench.job.circuits[p.circuit].resistorsFar);
    return {
      does: `Solder ${itsResistors(own, making)} at the far ${own.length * making.count === 1 ? 'end' : 'ends'}`,
      says: `${resistorWords(own, making.count)}. ${wanted ? 'Either lead will do.' : `${own.length * making.count === 1 ? 'Its body does' : 'Their bodies do'} not go through; either lead will do.`}`,
      position: 'inside',
      uses: usesOf(own, making.count),
    };
  },
  along: (of) => {
    const wires = of.parts.filter((p) => p.kind === 'junction' && p.form === 'wire').length;
    const place = of.making.placeNames(of.name);
    return {
      ...(wires > 0
        ? {
            does: `Solder the lamps of ${place} to their ${wires === 1 ? 'long wire' : 'long wires'}`,
            says: `${count(of.ends.joints(of.task), 'joint')}. ${lacquered(of) ? 'Lacquer burnt off' : 'Insulation pushed back'} for 3 mm at each lamp, the wire not cut; ${wires > 1 ? 'bare places of one never beside those of the other, ' : ''}tape over each when it is tested.`,
          }
        : {
            does: `Join the lamps of ${place} from one to the next`,
            says: `${count(of.joins.length / 2, 'wire')}. Lay all the same way round before you join them.`,
          }),
      asks: lotsOf(of),
    };
  },
  strip: ({ making, joins }) => ({
    does: 'Screw the leads into the terminal strip',
    says: `${count(joins.length * making.count, 'end')}, one side of the strip for plus, the other for minus; ways of a side bridged with bare wire. Ends twisted, not tinned: solder creeps under a screw.`,
    tool: 'screwdriver',
    position: 'inside',
    uses: soldUses(joinNeeds(making.bench), making.count),
  }),
  rail: ({ making, joins }) => ({
    does: 'Lay the two copper rails and solder the leads to them',
    says: `${count(joins.length * making.count, 'end')}. Pinned under the board, 20 mm apart, marked at both ends.`,
    position: 'inside',
    uses: soldUses(joinNeeds(making.bench), making.count),
  }),
  'make-up'({ making, name, parts }) {
    const own = parts.filter((p) => groupOf(p) === name);
    const electrolytic = own.some((p) => p.kind === 'electrolytic');
    const converter = own.find(
      (p): p is Extract<Part, { kind: 'regulator' }> => isFeedPart(p) && p.kind === 'regulator',
    );
    return {
      does:
        own.length > 1 && own.every((p) => p.kind === 'junction')
          ? `Solder the leads to ${own.length * making.count} common pads`
          : own.length === 1
            ? `Solder the leads to the ${inSentence(own[0].label)}`
            : `Solder together ${own.map((p) => inSentence(p.label)).join(', ')}`,
      says: `${[
        ...own.filter((p) => partWords(p) !== p.label).map(partWords),
        ...(own.length > 1 && own.every((p) => p.kind === 'junction')
          ? [`${own.map((p) => p.label.slice(p.label.indexOf('(') + 1, -1)).join(', ')}; each with its label`]
          : []),
        `Tin both first${electrolytic ? '; stripe to minus' : ''}`,
        ...(converter
          ? [
              `Set the converter to ${formatQuantity(converter.outVolts, 'volt')} on its supply and measure it, before the board is on it`,
            ]
          : []),
      ].join('. ')}.`,
      caution: electrolytic ? 'polarity' : 'fumes',
      uses: usesOf(own, making.count),
      makes: [fact.madeUp(name)],
    };
  },
  join({ making, ends, name, joins, parts }) {
    const to = [...new Set(parts.filter((p) => p.place === null).map((p) => inSentence(p.label)))];
    return {
      does: `Join the leads of ${making.placeNames(name)}`,
      says: `${count(joins.length, 'end')}, to ${to.join(', ') || 'its lamps'}. Shorten each to reach with a loop to spare, first.`,
      position: 'inside',
      asks: [...new Set(parts.filter((p) => p.place === null).map(groupOf))]
        .filter((g) => ends.tasks.has(`make-up ${g}`))
        .map((g) => after(fact.madeUp(g), 'it is made up before leads are joined to it')),
    };
  },
  plug({ making, name, joins }) {
    const boards = boardsOf(making.assembly).filter((b) => b.id === name);
    const [{ word, plugs }] = boards;
    return {
      does: plugs > 0 ? `Solder plugs to the leads and plug them into ${word}` : `Join the feed to ${word}`,
      says: `${plugs > 0 ? `${count(plugs * making.count, 'plug')}, ` : ''}${count(joins.length * making.count, 'end')}; plus and minus by the marks on it. Its own parts come soldered.`,
      position: 'inside',
      uses: boards.flatMap((b) => [
        { key: boardSort(b).key, count: making.count * b.count },
        { key: plugSort(b).key, count: making.count * b.plugs },
      ]),
    };
  },
  'connect rails'({ making, joins, parts }) {
    const { bench, byId } = making;
    const { supply } = bench;
    const at = supplyKind(supply).onTrack
      ? isOnRails(bench.job)
        ? 'the pickups'
        : 'the droppers of the track'
      : supply.kind === 'cell'
        ? 'the tags of its holder, the cell out of it'
        : inSentence(byId.get('rails')!.label);
    const resistor = parts.some((p) => p.kind === 'resistor')
      ? ' The resistor is in circuit before power is.'
      : '';
    return {
      does: 'Join the feed',
      says: `${count(joins.length, 'end')}, at ${at}.${resistor}`,
      position: 'inside',
      uses: soldUses(cellNeeds(bench).holders, making.count),
      asks: [
        ...(cellsOf(bench).length > 0 ? [notYet(fact.powered, 'no iron comes near a cell')] : []),
        ...(pickupNeeds(bench).length > 0
          ? [after(fact.worked('pickups'), 'they are what the feed is joined to')]
          : []),
      ],
    };
  },
  'connect decoder': ({ making, ends, joins, parts }) => ({
    does: 'Solder the wires to plug or decoder',
    says: `${count(joins.length, 'end')}. From the solder side the pins are mirrored.`,
    position: 'inside',
    uses: usesOf(
      parts.filter((p) => p.kind === 'decoder'),
      making.count,
    ),
    asks: [...parted(making), ...provenFirst(ends)],
  }),
  'connect driver': ({ making: { byId, count: many }, ends, joins, parts }) => ({
    does: `Join the leads to ${inSentence(byId.get('driver')!.label)}`,
    says: `${count(joins.length, 'end')}: the common first, then each output by its label.`,
    position: 'inside',
    uses: parts.flatMap((p) => (p.kind === 'driver' ? soldUses(p.needs.map(sold), many) : [])),
    asks: provenFirst(ends),
  }),
  socket: ({ making, making: { facts, bench, byId } }) => ({
    ...(byId.has('driver')
      ? {
          does: `Feed ${inSentence(byId.get('driver')!.label)}`,
          says: 'Look at its terminals twice: plus and minus changed over can destroy it.',
        }
      : {
          does: 'Rails to the decoder',
          says: 'Red to the right rail, black to the left (NMRA S-9.1.1). Where a socket is built in, look that it is so.',
        }),
    position: 'inside',
    asks: [
      ...(facts.opening(bench.job) ? [after(fact.open, 'the socket is inside')] : []),
      ...(byId.has('driver') ? [] : parted(making)),
    ],
  }),
};

/** What a driver is put together from, as it is sold. */
const sold = ({ price, ...need }: DriverNeed): SoldNeed => ({ ...need, priceEach: price });

/** That the motor is parted from the rails, where there is one. */
const parted = (making: Making): Condition[] =>
  hasMotor(making) ? [after(fact.isolated, 'a brush that still touches a rail destroys the decoder')] : [];

/** The proof wants the leads off what drives them, so it goes before they are soldered on. */
const provenFirst = (ends: Ends): Condition[] =>
  ends.tasks.has('connect driver') || ends.tasks.has('connect decoder')
    ? [after(fact.proved, 'the tester wants the leads free')]
    : [];

/**
 * The wires, cut; joints of leads at the lamps, on the bench and at their far ends, each with its sleeve
 * slid on before and shrunk after.
 */
export function jointTasks(making: Making, ends: Ends): Act[] {
  const { byId, count: many, facts, bench } = making;
  const inside = facts.thinShell(bench.job) ? 'plastic' : 'fumes';
  const made: Act[] = cutTask(making);
  const sleeves = new Map<string, Act[]>();
  for (const id of ends.tasks) {
    const sort = Object.hasOwn(joints, id) ? id : id.split(' ')[0];
    // Leads of lamps are made ready with the lamps.
    if (!Object.hasOwn(joints, sort)) continue;
    const joins = ends.of(id);
    const parts = [...new Set(joins.map((e) => byId.get(e.part)!))];
    const name = id.slice(sort.length + 1);
    const said = joints[sort]({ making, ends, task: id, name, joins, parts });
    const { position = 'bench', asks = [], makes = [] } = said;
    const about = {
      parts: parts.map((p) => p.id),
      lamps: [...new Set(parts.flatMap((p) => p.lamp ?? []))],
    };
    const joint = act({
      id,
      formerly: formerlyOf(sort, name),
      ...about,
      tool: 'iron',
      ...said,
      position,
      minutes: JOINT * ends.joints(id) * many,
      joins,
      caution: said.tool ? null : (said.caution ?? (position === 'bench' ? 'fumes' : inside)),
      makes: [...makes, ...joins.map((e) => fact.joined(e.lead, e.part))],
      asks: [
        ...asks,
        ...making.cut(joins),
        ...ends
          .sleeves(id)
          .map((e) => after(fact.sleeved(e.lead, e.part), 'the sleeve does not go over a joint')),
        ...(position === 'inside' && facts.opening(bench.job) ? [after(fact.open, 'it is inside')] : []),
      ],
    });
    made.push(joint);
    if (ends.sleeves(id).length === 0) continue;
    // Sleeves of what is joined on the bench go on together; inside the body each when its leads are through.
    const group = position === 'bench' ? ON_BENCH : id;
    sleeves.set(group, [...(sleeves.get(group) ?? []), joint]);
  }
  return [
    ...[...sleeves].map(([group, own]) => sleeved(group, own, making, ends)),
    ...made,
    ...shrunk(sleeves, making, ends),
  ];
}
