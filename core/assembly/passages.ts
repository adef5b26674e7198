import { resistorBodies } from '../part/resistor';
import { inOrder } from '../document/in-order';
import { EACH_PLACE } from '../document/passage-record';
import type { JobCore } from '../document/job-record';
import type { PassageRecord } from '../document/passage-record';
import type { Lead, Part } from './assembly';

export type Passage = PassageRecord & { readonly id: string };

/** The passages of a job in the order the person put them. */
export const passagesOf = (job: Pick<JobCore, 'passages'>): Passage[] => inOrder(job.passages);

/** Serves the lamps of every place: all through one, or each place through its own alike. */
const servesAny = (serves: string): boolean => serves === 'all' || serves === EACH_PLACE;

/** The passages that leads between the lamps of a place and the rest of the job go through. */
export const passagesOfPlace = (job: Pick<JobCore, 'passages'>, place: string): Passage[] =>
  passagesOf(job).filter((p) => p.serves === place || servesAny(p.serves));

/** Diameter of a resistor's body, by what it may turn into heat. Millimetres; the largest for what is not sold. */
export const resistorDiameter = (ratedWatts: number): number =>
  (resistorBodies.find((b) => b.watts >= ratedWatts) ?? resistorBodies[resistorBodies.length - 1])
    .diameterMillimetres;

/**
 * Puts the resistors that lamps have of their own where they can be: at the lamp where their body
 * goes through all that the lamp's leads go through; else, or where the person wants it so, at the far end.
 */
export function seated(
  parts: readonly Part[],
  job: Pick<JobCore, 'passages' | 'circuits'>,
  placeOf: (lampId: string) => string,
): Part[] {
  return parts.map((part) => {
    if (part.kind !== 'resistor' || part.lamp === null || part.board !== null) return part;
    if (part.circuit !== null && job.circuits[part.circuit].resistorsFar) return part;
    const place = placeOf(part.lamp);
    const passes = passagesOfPlace(job, place).every(
      (p) => resistorDiameter(part.ratedWatts) <= p.boreMillimetres,
    );
    return passes ? { ...part, place } : part;
  });
}

/** Whether a part is beneath the floor: the supply, or what collects from it at another bogie. */
const isBelow = (part: Part): boolean =>
  part.kind === 'rails' || (part.kind === 'junction' && part.form === 'pickups');

/**
 * What each lead goes through: the passages of a place where one of its ends is there and the other
 * is not, the feed's where one end is at the supply.
 */
export function threaded(
  leads: readonly Lead[],
  parts: readonly Part[],
  job: Pick<JobCore, 'passages'>,
): Lead[] {
  const byId = new Map(parts.map((p) => [p.id, p]));
  const passages = passagesOf(job);
  return leads.map((lead) => {
    const ends = [byId.get(lead.from.part)!, byId.get(lead.to.part)!];
    const fed = isBelow(ends[0]) !== isBelow(ends[1]);
    const through = passages.filter(({ serves }) => {
      if (serves === 'feed') return fed;
      const there = ends.map(({ place }) => (servesAny(serves) ? place !== null : place === serves));
      return there[0] !== there[1];
    });
    return through.length === 0 ? lead : { ...lead, through: through.map((p) => p.id) };
  });
}
