import { resistorDiameter } from '../../../assembly/passages';
import { wireOfLead } from '../../../assembly/passing';
import { shines, type Part } from '../../../assembly/assembly';
import { passageKinds } from '../../../document/passage-record';
import { formatQuantity, inSentence, shortOhms } from '../../../quantity/format';
import { wattsName } from '../../../part/resistor';
import { supplyKind } from '../../../supply';
import { bandWords } from '../../../part/colour-bands';
import { usesOf } from '../../lists/stock';
import { groupOf, nearAndFar, type Ends } from '../ends';
import { times, type Making } from '../making';
import { need, task, type Need, type Task } from '../task';

/** Minutes for a joint, to slide on a sleeve, to thread a lead (common practice, no source). */
const JOINT = 1.5;
const SLEEVE = 0.3;
const THREAD = 1;
/** The task that slides on the sleeves of all that is joined before anything is threaded. */
const SLEEVES_ON_BENCH = 'sleeve bench';

const mm = (figure: number): string => formatQuantity(figure, 'millimetre', { significant: 2 });

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

/** What an id of a task is about. */
const after = (id: string): string => id.slice(id.indexOf(' ') + 1);

/** Leads are joined at the lamps, threaded, and joined at their far ends; each joint with its sleeve slid on before. */
export function wiringTasks(making: Making, ends: Ends): Task[] {
  const { byId, count, facts, bench } = making;
  const plastic = facts.thinShell(bench.job) ? ('plastic' as const) : ('fumes' as const);
  const opening = facts.opening(bench.job) !== null;
  const made: Task[] = [];
  const partsIn = (id: string): Part[] => [...new Set(ends.of(id).map((e) => byId.get(e.part)!))];
  const lotsOf = (parts: readonly Part[]): Need[] =>
    making.lots
      .filter(
        (l) => l.parts.some((p) => parts.some((q) => q.lamp === p.lamp)) && ends.tasks.has(`leads ${l.id}`),
      )
      .map((l) => need(`leads ${l.id}`, 'its leads are on first'));
  const joint = (id: string, of: Pick<Task, 'does' | 'says'> & Partial<Task>): void => {
    const joins = ends.of(id);
    if (joins.length === 0) return;
    const parts = partsIn(id);
    const about = {
      parts: parts.map((p) => p.id),
      lamps: [...new Set(parts.flatMap((p) => (p.lamp === null ? [] : [p.lamp])))],
    };
    // Sleeves of what is joined on the bench go on together; inside the body each when its leads are through.
    const bench = of.position === undefined || of.position === 'bench';
    const sleeve = bench ? SLEEVES_ON_BENCH : `sleeve ${id}`;
    const earlier = made.findIndex((t) => t.id === sleeve);
    const pieces = joins.length * count;
    const sleeved = task({
      id: sleeve,
      does: bench
        ? 'Slide heat-shrink on, before the bench joints'
        : `Slide heat-shrink on, before you ${inSentence(of.does)}`,
      says: '',
      tool: 'hands',
      position: of.position ?? 'bench',
      ...about,
      minutes: SLEEVE * pieces,
      needs: of.needs ?? [],
    });
    if (earlier < 0) made.push(sleeved);
    else {
      const known = made[earlier];
      made[earlier] = {
        ...known,
        parts: [...new Set([...known.parts, ...sleeved.parts])],
        lamps: [...new Set([...known.lamps, ...sleeved.lamps])],
        minutes: known.minutes + sleeved.minutes,
        needs: [...known.needs, ...sleeved.needs.filter((n) => !n.task.startsWith('make-up '))],
      };
    }
    made.push(
      task({
        id,
        ...about,
        ...of,
        tool: 'iron',
        minutes: JOINT * joins.length * count,
        joins,
        caution: of.caution ?? (of.position && of.position !== 'bench' ? plastic : 'fumes'),
        needs: [...(of.needs ?? []), need(sleeve, 'the sleeve does not go over a joint')],
      }),
    );
  };

  for (const id of ends.tasks) {
    const parts = partsIn(id);
    const name = after(id);
    if (id.startsWith('at-lamp ')) {
      const own = parts.filter((p) => p.kind === 'resistor');
      joint(id, {
        does: `Solder the resistors of ${bench.job.circuits[name].name} to their lamps`,
        says: `${resistorWords(own, count)}. Tin both first.`,
        uses: usesOf(own, count),
        needs: lotsOf(parts),
      });
    } else if (id.startsWith('resistors ')) {
      const own = parts.filter((p) => p.kind === 'resistor' && p.circuit === name && p.lamp !== null);
      joint(id, {
        does: `Solder the resistors of ${bench.job.circuits[name].name} at the far ends`,
        says: `${resistorWords(own, count)}. Their bodies do not go through; either lead will do.`,
        position: 'inside',
        uses: usesOf(own, count),
      });
    } else if (id.startsWith('along '))
      joint(id, {
        does: `Join the lamps of ${facts.placeName(name)} from one to the next`,
        says: `${ends.of(id).length / 2} wires. Lay all the same way round before you join them.`,
        needs: lotsOf(parts),
      });
    else if (id.startsWith('make-up ')) {
      const electrolytic = parts.some((p) => p.kind === 'electrolytic');
      const own = parts.filter((p) => groupOf(p) === name);
      joint(id, {
        does: `Make up ${own.map((p) => inSentence(p.label)).join(', ')}`,
        says: `${own.map(partWords).join('; ')}. Tin both first${electrolytic ? '; stripe to minus' : ''}.`,
        caution: electrolytic ? 'polarity' : 'fumes',
        uses: usesOf(own, count),
      });
    } else if (id.startsWith('join '))
      joint(id, {
        does: `Join the leads of ${facts.placeName(name)}`,
        says: `${ends.of(id).length} ends, to ${[...new Set(parts.filter((p) => !shines(p)).map((p) => inSentence(p.label)))].join(', ') || 'its lamps'}.`,
        position: 'inside',
        needs: [...new Set(parts.filter((p) => p.place === null).map(groupOf))]
          .filter((g) => ends.tasks.has(`make-up ${g}`))
          .map((g) => need(`make-up ${g}`, 'it is made up before leads are joined to it')),
      });
    else if (id === 'connect rails')
      joint(id, {
        does: 'Join the feed',
        says: `${ends.of(id).length} ends, at ${supplyKind(bench.supply).onTrack ? 'the pickups' : inSentence(byId.get('rails')!.label)}. The resistor is in circuit before power is.`,
        position: 'inside',
      });
    else if (id === 'connect decoder')
      joint(id, {
        does: 'Solder the wires to plug or decoder',
        says: `${ends.of(id).length} ends. From the solder side the pins are mirrored.`,
        position: 'inside',
      });
    else if (id === 'socket')
      joint(id, {
        does: 'Rails to the decoder',
        says: 'Red to the right rail, black to the left (NMRA S-9.1.1). Where a socket is built in, look that it is so.',
        position: 'inside',
        ...(opening ? { needs: [need('open', 'the socket is inside')] } : {}),
      });
  }

  for (const passage of making.passages) {
    const leads = making.through(passage.id);
    if (leads.length === 0) continue;
    const id = `thread ${passage.id}`;
    const lamps = new Set(leads.flatMap((l) => [l.from, l.to].flatMap((t) => byId.get(t.part)!.lamp ?? [])));
    const needs: Need[] = opening ? [need('open', 'the way is inside the body')] : [];
    for (const lead of leads) {
      const { near, far } = nearAndFar(making, lead);
      const first = taskFor(ends, lead.id, near);
      if (first) needs.push(need(first, 'the lead has its near end joined before it is threaded'));
      const then = made.find((t) => t.joins.some((e) => e.lead === lead.id && e.part === far));
      const wide = widthOf(byId.get(far)!);
      if (then)
        wait(
          then,
          id,
          `bare wire goes through ${mm(passage.boreMillimetres)}; ${wide === null ? 'what it is joined to does not' : `${mm(wide)} ${wide > passage.boreMillimetres ? 'does not' : 'would have to as well'}`}`,
        );
      // Ways one after another: the first from the near end.
      const at = lead.through.indexOf(passage.id);
      if (at > 0) needs.push(need(`thread ${lead.through[at - 1]}`, 'the lead comes from there'));
    }
    for (const lot of making.lots)
      if (ends.tasks.has(`leads ${lot.id}`) && lot.lamps.some((l) => lamps.has(l.id)))
        needs.push(need(`retest ${lot.id}`, 'a lamp that died under the iron is changed on the bench'));
    for (const work of facts.works(bench.layout, bench.job))
      if (work.before === 'threading' && work.lamps.some((l) => lamps.has(l)))
        needs.push(need(`work ${work.id}`, 'the lamp sits in it while its leads are threaded'));
    made.push(
      task({
        id,
        does: `Thread ${times(leads.length * count)}${leads.length * count === 1 ? 'the lead' : 'leads'} through: ${inSentence(passage.name)}`,
        says: `${passageKinds[passage.kind]} of ${mm(passage.boreMillimetres)}: bare wire only, nothing joined to the far ends yet. ${wireOfLead(bench.job, leads[0]).name}.`,
        tool: 'hands',
        position: 'inside',
        minutes: THREAD * leads.length * count,
        // The far ends hang free: what they go to may still be in the post.
        parts: [...new Set(leads.map((l) => nearAndFar(making, l).near))],
        lamps: [...lamps],
        threads: passage.id,
        needs,
      }),
    );
    if (passage.kind === 'tube')
      made.push(
        task({
          id: `base ${passage.id}`,
          does: `Put the base on: ${inSentence(passage.name)}`,
          says: 'Over the wires, before anything is joined below it.',
          tool: 'hands',
          position: 'inside',
          minutes: 1 * count,
          lamps: [...lamps],
          needs: [need(id, 'the wires come out of its lower end first')],
        }),
      );
  }
  // What closes a tube goes over bare wires too.
  for (const { id: base, needs } of made.filter((t) => t.id.startsWith('base '))) {
    const thread = needs[0].task;
    for (const t of made)
      if (t.joins.length > 0 && t.needs.some((n) => n.task === thread))
        wait(t, base, 'the base does not go over what is joined');
  }
  return made.map((t) => ({
    ...t,
    says: t.id.startsWith('sleeve ')
      ? `${Math.round(t.minutes / SLEEVE)} pieces, pushed well away from the iron. Once it is joined they no longer go on.`
      : t.says,
    needs: once(t.needs),
  }));

  /** Lets a task, and the sleeve that comes before it, wait. */
  function wait(late: Task, on: string, because: string): void {
    for (const t of [late, made.find((m) => m.id === `sleeve ${late.id}`)])
      if (t) made[made.indexOf(t)] = { ...t, needs: [...t.needs, need(on, because)] };
  }
  function taskFor(of: Ends, lead: string, part: string): string | null {
    for (const id of of.tasks) if (of.of(id).some((e) => e.lead === lead && e.part === part)) return id;
    return null;
  }
}

/** Each need once, with the first of its reasons. */
export const once = (needs: readonly Need[]): Need[] =>
  needs.filter((n, i) => needs.findIndex((m) => m.task === n.task) === i);

/** How wide a part is that may have to go through a hole; null for what stays where it is. */
function widthOf(part: Part): number | null {
  return part.kind === 'resistor' ? resistorDiameter(part.ratedWatts) : null;
}
