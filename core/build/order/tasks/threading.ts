import { resistorDiameter, type Passage } from '../../../assembly/passages';
import { wireOfLead } from '../../../assembly/passing';
import { passageKinds } from '../../../document/passage-record';
import { formatQuantity, inSentence } from '../../../quantity/format';
import { after, fact, notYet, once, type Condition } from '../fact';
import { nearAndFar, type Ends } from '../ends';
import { times, type Making } from '../making';
import { act, type Act } from '../task';
import { each, formerlyOf, namesOf } from '../like-places';
import { isMade } from './body';
import type { Lead, Part } from '../../../assembly/assembly';

/** Minutes to thread a lead, and to put on a base (common practice, no source). */
const THREAD = 1;
const BASE = 1;

const mm = (figure: number): string => formatQuantity(figure, 'millimetre', { significant: 3 });

/** Why what a lead is joined to at its far end waits until the lead is through. */
function because(passage: Passage, far: Part): string {
  const bore = mm(passage.boreMillimetres);
  if (far.kind !== 'resistor') return `the wire alone goes through ${bore}; what it is joined to does not`;
  const wide = resistorDiameter(far.ratedWatts);
  return `the wire alone goes through ${bore}; ${mm(wide)} ${wide > passage.boreMillimetres ? 'does not' : 'would have to as well'}`;
}

/** What leads ask for before they are threaded through a passage. */
function asked(
  making: Making,
  ends: Ends,
  passage: Passage,
  leads: readonly Lead[],
  lamps: ReadonlySet<string>,
): Condition[] {
  const { bench, facts, lots, byId } = making;
  const asks: Condition[] = facts.opening(bench.job) ? [after(fact.open, 'the way is inside the body')] : [];
  if (isMade(passage)) asks.push(after(fact.hole(passage.id), 'there is no hole before it is drilled'));
  asks.push(...making.cut(leads.map((l) => ({ lead: l.id, part: '' }))));
  for (const lead of leads) {
    const { near, far } = nearAndFar(making, lead);
    const first = ends.taskOf(lead.id, near);
    if (first) {
      asks.push(after(fact.joined(lead.id, near), 'the lead has its near end joined before it is threaded'));
      if (
        ends.sleeves(first).some((e) => e.lead === lead.id && e.part === near) &&
        first.startsWith('at-lamp')
      )
        asks.push(after(fact.shrunk(lead.id, near), 'the sleeve goes through with it'));
    }
    if (ends.taskOf(lead.id, far))
      asks.push(notYet(fact.joined(lead.id, far), because(passage, byId.get(far)!)));
    // Ways one after another: the first from the near end.
    const at = lead.through.indexOf(passage.id);
    if (at > 0) asks.push(after(fact.through(lead.id, lead.through[at - 1]), 'the lead comes from there'));
  }
  for (const lot of lots)
    if (ends.tasks.has(`leads ${lot.id}`) && lot.lamps.some((l) => lamps.has(l.id)))
      asks.push(after(fact.sound(lot.id), 'a lamp that died under the iron is changed on the bench'));
  for (const work of making.works)
    if (work.before === 'threading' && (work.lamps.length === 0 || work.lamps.some((l) => lamps.has(l))))
      asks.push(
        after(
          fact.worked(work.id),
          work.tool === 'brush'
            ? 'leads are not drawn through wet paint, nor painted'
            : 'the lamp sits in it while its leads are threaded',
        ),
      );
  return asks;
}

/**
 * Leads are threaded when their near ends are joined and their far ends are free; what closes a tube goes
 * over the wires alone too.
 */
export function threadingTasks(making: Making, ends: Ends): Act[] {
  const { bench, byId, count } = making;
  const made: Act[] = [];
  for (const group of making.passageGroups) {
    const own = making.passages.filter((p) => each(group).includes(p.id));
    const led = own.map((passage) => ({ passage, leads: making.through(passage.id) }));
    const leads = led.flatMap((l) => l.leads);
    if (leads.length === 0) continue;
    const [passage] = own;
    const lampsOf = (of: readonly Lead[]): Set<string> =>
      new Set(of.flatMap((l) => [l.from, l.to].flatMap((t) => byId.get(t.part)!.lamp ?? [])));
    const lamps = lampsOf(leads);
    const many = leads.length * count;
    const name = namesOf(own.map((p) => inSentence(p.name)));
    made.push(
      act({
        id: `thread ${group}`,
        formerly: formerlyOf('thread', group),
        does: `Thread ${times(many)}${many === 1 ? 'the lead' : 'leads'} through: ${name}`,
        says: `${passageKinds[passage.kind]} of ${mm(passage.boreMillimetres)}: the insulated wire alone, its far end free. ${wireOfLead(bench.job, leads[0]).name}.`,
        tool: 'hands',
        position: 'inside',
        minutes: THREAD * many,
        // The far ends hang free: what they go to may still be in the post.
        parts: [...new Set(leads.map((l) => nearAndFar(making, l).near))],
        lamps: [...lamps],
        threads: own.map((p) => p.id),
        makes: led.flatMap((l) => l.leads.map((lead) => fact.through(lead.id, l.passage.id))),
        asks: once(led.flatMap((l) => asked(making, ends, l.passage, l.leads, lampsOf(l.leads)))),
      }),
    );
    if (passage.kind !== 'tube') continue;
    made.push(
      act({
        id: `base ${group}`,
        formerly: formerlyOf('base', group),
        does: `Put the base on: ${name}`,
        says: 'Over the wires, before anything is joined below it.',
        tool: 'hands',
        position: 'inside',
        minutes: BASE * own.length * count,
        lamps: [...lamps],
        makes: own.map((p) => fact.based(p.id)),
        asks: once([
          ...led.flatMap((of) =>
            of.leads.map((l) =>
              after(fact.through(l.id, of.passage.id), 'the wires come out of its lower end first'),
            ),
          ),
          ...leads.flatMap((l) => {
            const { far } = nearAndFar(making, l);
            return ends.taskOf(l.id, far)
              ? [notYet(fact.joined(l.id, far), 'the base does not go over what is joined')]
              : [];
          }),
        ]),
      }),
    );
  }
  return made;
}
