import { after, fact } from '../fact';
import { act, type Act } from '../task';
import { each, formerlyOf } from '../like-places';
import { heldAlike, inPlaces } from './proof';
import type { Making } from '../making';

const FIX = 1;
const CLOSE = 3;
const TIE = 2;
/** Glue that bears handling (common practice, no source). */
const GLUE_DRIES = 20;

/** What cannot be undone comes last: lamps glued, leads tied down, the body closed. */
export function closingTasks(making: Making): Act[] {
  const { bench, facts, places, count } = making;
  const { job } = bench;
  const opening = facts.opening(job);
  const last = opening ? fact.dark : fact.tried;
  const made: Act[] = [];
  for (const group of heldAlike(making)) {
    const own = each(group);
    const fixing = facts.fixing(job, own[0]);
    if (fixing.by !== 'glue') continue;
    const { parts, lamps } = inPlaces(making, own);
    made.push(
      act({
        id: `fix ${group}`,
        formerly: formerlyOf('fix', group),
        does: fixing.does,
        says: fixing.says,
        tool: 'glue',
        position: 'inside',
        minutes: FIX * lamps.length * count,
        dryMinutes: GLUE_DRIES,
        undone: 'cannot',
        parts,
        lamps,
        makes: own.map((p) => fact.fixed(p)),
        asks: [
          after(last, 'glue is for good'),
          ...own.map((p) => after(fact.placed(p), 'it is glued as it was seen')),
        ],
      }),
    );
  }
  const fixed = places.map((p) => after(fact.fixed(p), 'lamps are out of reach once it is closed'));
  made.push(
    act({
      id: 'tie',
      does: 'Tie the leads down',
      says: facts.slack(job) ?? 'Leave a loop where anything opens.',
      tool: 'hands',
      position: 'inside',
      minutes: TIE * count,
      makes: [fact.tied],
      asks: [
        after(last, 'a wire that is tied cannot be led another way'),
        ...places.map((p) => after(fact.fixed(p), 'it pulls at a lamp that is loose')),
      ],
    }),
  );
  if (opening)
    made.push(
      act({
        id: 'close',
        does: opening.closes,
        says: 'Slowly: a wire under the edge is a wire cut.',
        tool: 'hands',
        position: 'closed',
        minutes: CLOSE * count,
        makes: [fact.closed],
        asks: [...fixed, after(fact.tied, 'loose wire is pinched')],
      }),
    );
  made.push(
    act({
      id: 'label',
      does: `Label ${facts.label}`,
      says: 'What is inside, with its resistors, and this sheet kept with it.',
      tool: 'hands',
      position: 'closed',
      minutes: 1 * count,
      asks: [after(opening ? fact.closed : fact.tied, 'what is on the label is what was built')],
    }),
  );
  return made;
}
