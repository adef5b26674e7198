import { resistorDiameter, type Passage } from '../../../assembly/passages';
import { wireOfLead } from '../../../assembly/passing';
import { passageKinds } from '../../../document/passage-record';
import { formatQuantity, inSentence } from '../../../quantity/format';
import { nearAndFar, type Ends } from '../ends';
import { times, type Making } from '../making';
import { need, once, task, type Need, type Task } from '../task';
import type { Lead, Part } from '../../../assembly/assembly';

/** Minutes to thread a lead, and to put on a base (common practice, no source). */
const THREAD = 1;
const BASE = 1;

const mm = (figure: number): string => formatQuantity(figure, 'millimetre', { significant: 2 });

/** A task, and the sleeves that come before it, have to wait. */
interface Wait {
  readonly task: string;
  readonly need: Need;
}

/** Why what a lead is joined to at its far end waits until the lead is through. */
function because(passage: Passage, far: Part): string {
  const bore = mm(passage.boreMillimetres);
  if (far.kind !== 'resistor') return `bare wire goes through ${bore}; what it is joined to does not`;
  const wide = resistorDiameter(far.ratedWatts);
  return `bare wire goes through ${bore}; ${mm(wide)} ${wide > passage.boreMillimetres ? 'does not' : 'would have to as well'}`;
}

/** What has to be done before leads are threaded through a passage. */
function before(
  making: Making,
  ends: Ends,
  passage: Passage,
  leads: readonly Lead[],
  lamps: ReadonlySet<string>,
): Need[] {
  const { bench, facts, lots } = making;
  const needs: Need[] = facts.opening(bench.job) ? [need('open', 'the way is inside the body')] : [];
  for (const lead of leads) {
    const first = ends.taskOf(lead.id, nearAndFar(making, lead).near);
    if (first) needs.push(need(first, 'the lead has its near end joined before it is threaded'));
    // Ways one after another: the first from the near end.
    const at = lead.through.indexOf(passage.id);
    if (at > 0) needs.push(need(`thread ${lead.through[at - 1]}`, 'the lead comes from there'));
  }
  for (const lot of lots)
    if (ends.tasks.has(`leads ${lot.id}`) && lot.lamps.some((l) => lamps.has(l.id)))
      needs.push(need(`retest ${lot.id}`, 'a lamp that died under the iron is changed on the bench'));
  for (const work of facts.works(bench.layout, bench.job))
    if (work.before === 'threading' && work.lamps.some((l) => lamps.has(l)))
      needs.push(need(`work ${work.id}`, 'the lamp sits in it while its leads are threaded'));
  return needs;
}

/**
 * Leads are threaded when their near ends are joined and their far ends are bare; what is joined at
 * the far ends waits, and so do its sleeves. What closes a tube goes over bare wires too.
 * @returns the joints with what they wait for, and the threading
 */
export function threadedTasks(making: Making, ends: Ends, joints: readonly Task[]): Task[] {
  const { bench, byId, count } = making;
  const made: Task[] = [];
  const waits: Wait[] = [];
  for (const passage of making.passages) {
    const leads = making.through(passage.id);
    if (leads.length === 0) continue;
    const lamps = new Set(leads.flatMap((l) => [l.from, l.to].flatMap((t) => byId.get(t.part)!.lamp ?? [])));
    const id = `thread ${passage.id}`;
    const base = passage.kind === 'tube' ? `base ${passage.id}` : null;
    for (const lead of leads) {
      const { far } = nearAndFar(making, lead);
      const late = ends.taskOf(lead.id, far);
      if (!late) continue;
      waits.push({ task: late, need: need(id, because(passage, byId.get(far)!)) });
      if (base) waits.push({ task: late, need: need(base, 'the base does not go over what is joined') });
    }
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
        needs: once(before(making, ends, passage, leads, lamps)),
      }),
    );
    if (base)
      made.push(
        task({
          id: base,
          does: `Put the base on: ${inSentence(passage.name)}`,
          says: 'Over the wires, before anything is joined below it.',
          tool: 'hands',
          position: 'inside',
          minutes: BASE * count,
          lamps: [...lamps],
          needs: [need(id, 'the wires come out of its lower end first')],
        }),
      );
  }
  return [
    ...joints.map((t) => {
      const own = waits.filter((w) => w.task === t.id || t.id === `sleeve ${w.task}`).map((w) => w.need);
      return { ...t, needs: once([...t.needs, ...own]) };
    }),
    ...made,
  ];
}
