import { shines, type Part } from '../../../assembly/assembly';
import { formatQuantity, inSentence, shortOhms } from '../../../quantity/format';
import { bandWords } from '../../../part/colour-bands';
import { wattsName } from '../../../part/resistor';
import { supplyKind } from '../../../supply';
import { boardsOf } from '../../../assembly/on-board';
import { boardSort, plugSort, usesOf } from '../../../study/stock';
import { groupOf, type Ends } from '../ends';
import { times, type Making } from '../making';
import { sleeveUse } from '../wire-use';
import { need, task, type JoinedEnd, type Need, type Task } from '../task';

/** Minutes for a joint, and to slide on a sleeve (common practice, no source). */
const JOINT = 1.5;
const SLEEVE = 0.3;
/** The task that slides on the sleeves of all that is joined before anything is threaded. */
const SLEEVES_ON_BENCH = 'sleeve bench';

/** What a joint is made of. */
interface JointOf {
  readonly making: Making;
  readonly ends: Ends;
  /** What the id of the task is about: a place, a circuit, a line. */
  readonly name: string;
  readonly joins: readonly JoinedEnd[];
  readonly parts: readonly Part[];
}

/** What a task of joints says beside what follows from its ends. */
type Said = Pick<Task, 'does' | 'says'> & Partial<Pick<Task, 'position' | 'caution' | 'uses' | 'needs'>>;

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
      return `${part.label} ${formatQuantity(part.outVolts, 'volt')}`;
    default:
      return part.label;
  }
}

/** Lots that have lamps among some parts, once their leads are on. */
const lotsOf = ({ making, ends, parts }: JointOf): Need[] =>
  making.lots
    .filter(
      (l) => l.parts.some((p) => parts.some((q) => q.lamp === p.lamp)) && ends.tasks.has(`leads ${l.id}`),
    )
    .map((l) => need(`leads ${l.id}`, 'its leads are on first'));

/** Each sort of joint, by how the id of its task begins. */
const joints: Readonly<Record<string, (of: JointOf) => Said>> = {
  'at-lamp': (of) => {
    const own = of.parts.filter((p) => p.kind === 'resistor');
    return {
      does: `Solder the resistors of ${of.making.bench.job.circuits[of.name].name} to their lamps`,
      says: `${resistorWords(own, of.making.count)}. Tin both first.`,
      uses: usesOf(own, of.making.count),
      needs: lotsOf(of),
    };
  },
  resistors({ making, name, parts }) {
    const own = parts.filter((p) => p.kind === 'resistor' && p.circuit === name && p.lamp !== null);
    return {
      does: `Solder the resistors of ${making.bench.job.circuits[name].name} at the far ends`,
      says: `${resistorWords(own, making.count)}. Their bodies do not go through; either lead will do.`,
      position: 'inside',
      uses: usesOf(own, making.count),
    };
  },
  along: (of) => ({
    does: `Join the lamps of ${of.making.facts.placeName(of.name)} from one to the next`,
    says: `${of.joins.length / 2} wires. Lay all the same way round before you join them.`,
    needs: lotsOf(of),
  }),
  'make-up'({ making, name, parts }) {
    const own = parts.filter((p) => groupOf(p) === name);
    const electrolytic = own.some((p) => p.kind === 'electrolytic');
    return {
      does: `Make up ${own.map((p) => inSentence(p.label)).join(', ')}`,
      says: `${own.map(partWords).join('; ')}. Tin both first${electrolytic ? '; stripe to minus' : ''}.`,
      caution: electrolytic ? 'polarity' : 'fumes',
      uses: usesOf(own, making.count),
    };
  },
  join({ making, ends, name, joins, parts }) {
    const to = [...new Set(parts.filter((p) => !shines(p)).map((p) => inSentence(p.label)))];
    return {
      does: `Join the leads of ${making.facts.placeName(name)}`,
      says: `${joins.length} ends, to ${to.join(', ') || 'its lamps'}.`,
      position: 'inside',
      needs: [...new Set(parts.filter((p) => p.place === null).map(groupOf))]
        .filter((g) => ends.tasks.has(`make-up ${g}`))
        .map((g) => need(`make-up ${g}`, 'it is made up before leads are joined to it')),
    };
  },
  plug({ making, name, joins }) {
    const boards = boardsOf(making.assembly).filter((b) => b.id === name);
    const [{ word, plugs }] = boards;
    return {
      does: `Solder plugs to the leads and plug them into ${word}`,
      says: `${plugs * making.count} plugs, ${joins.length * making.count} ends; plus and minus by the marks on it. Its own parts come soldered.`,
      position: 'inside',
      uses: boards.flatMap((b) => [
        { key: boardSort(b).key, count: making.count * b.count },
        { key: plugSort(b).key, count: making.count * b.plugs },
      ]),
    };
  },
  'connect rails': ({ making: { bench, byId }, joins }) => ({
    does: 'Join the feed',
    says: `${joins.length} ends, at ${supplyKind(bench.supply).onTrack ? 'the pickups' : inSentence(byId.get('rails')!.label)}. The resistor is in circuit before power is.`,
    position: 'inside',
  }),
  'connect decoder': ({ joins }) => ({
    does: 'Solder the wires to plug or decoder',
    says: `${joins.length} ends. From the solder side the pins are mirrored.`,
    position: 'inside',
  }),
  'connect driver': ({ making: { byId }, joins }) => ({
    does: `Join the leads to ${inSentence(byId.get('driver')!.label)}`,
    says: `${joins.length} ends: the common first, then each output by its label.`,
    position: 'inside',
  }),
  socket: ({ making: { facts, bench, byId } }) => ({
    ...(byId.has('driver')
      ? {
          does: `Feed ${inSentence(byId.get('driver')!.label)}`,
          says: 'Look at its terminals twice: plus and minus changed over can end it.',
        }
      : {
          does: 'Rails to the decoder',
          says: 'Red to the right rail, black to the left (NMRA S-9.1.1). Where a socket is built in, look that it is so.',
        }),
    position: 'inside',
    needs: facts.opening(bench.job) ? [need('open', 'the socket is inside')] : [],
  }),
};

/** Joints of leads at the lamps, on the bench and at their far ends, each with its sleeve slid on before. */
export function jointTasks(making: Making, ends: Ends): Task[] {
  const { byId, count, facts, bench } = making;
  const inside = facts.thinShell(bench.job) ? 'plastic' : 'fumes';
  const made: Task[] = [];
  const sleeves = new Map<string, Task>();
  for (const id of ends.tasks) {
    const sort = Object.hasOwn(joints, id) ? id : id.split(' ')[0];
    // Leads of lamps are made ready with the lamps.
    if (!Object.hasOwn(joints, sort)) continue;
    const joins = ends.of(id);
    const parts = [...new Set(joins.map((e) => byId.get(e.part)!))];
    const said = joints[sort]({ making, ends, name: id.slice(sort.length + 1), joins, parts });
    const { position = 'bench', needs = [] } = said;
    const about = {
      parts: parts.map((p) => p.id),
      lamps: [...new Set(parts.flatMap((p) => p.lamp ?? []))],
    };
    // Sleeves of what is joined on the bench go on together; inside the body each when its leads are through.
    const sleeve = position === 'bench' ? SLEEVES_ON_BENCH : `sleeve ${id}`;
    sleeves.set(
      sleeve,
      sleeved(sleeves.get(sleeve), { sleeve, position, about, needs, said, pieces: joins.length * count }),
    );
    made.push(
      task({
        id,
        ...about,
        ...said,
        tool: 'iron',
        minutes: JOINT * joins.length * count,
        joins,
        caution: said.caution ?? (position === 'bench' ? 'fumes' : inside),
        needs: [...needs, need(sleeve, 'the sleeve does not go over a joint')],
      }),
    );
  }
  return [...sleeves.values(), ...made];
}

/** The sleeves for joints, with those of others that go on together with them. */
function sleeved(
  known: Task | undefined,
  of: {
    readonly sleeve: string;
    readonly position: Task['position'];
    readonly about: Pick<Task, 'parts' | 'lamps'>;
    readonly needs: readonly Need[];
    readonly said: Said;
    readonly pieces: number;
  },
): Task {
  const minutes = SLEEVE * of.pieces + (known?.minutes ?? 0);
  const pieces = Math.round(minutes / SLEEVE);
  return task({
    id: of.sleeve,
    does:
      of.sleeve === SLEEVES_ON_BENCH
        ? 'Slide heat-shrink on, before the bench joints'
        : `Slide heat-shrink on, before you ${inSentence(of.said.does)}`,
    says: `${pieces} pieces, pushed well away from the iron. Once it is joined they no longer go on.`,
    tool: 'hands',
    position: of.position,
    parts: [...new Set([...(known?.parts ?? []), ...of.about.parts])],
    lamps: [...new Set([...(known?.lamps ?? []), ...of.about.lamps])],
    minutes,
    uses: [sleeveUse(pieces)],
    needs: [...(known?.needs ?? []), ...of.needs],
  });
}
