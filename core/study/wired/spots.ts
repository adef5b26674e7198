import { isFeedPart } from './feed-parts';
import { isScenery } from '../../document/scenery-record';
import { wiringOf } from '../../kinds/wirings';
import type { AnyJob } from '../../document/layout';
import type { Part } from '../../assembly/assembly';
import type { Spot } from '../../assembly/spot';

/** Where a part sits, and whether that was said or follows from where its lamp is; millimetres of the job. */
export interface Seated {
  readonly spot: Spot;
  readonly known: boolean;
}

/** What stands together with others where nothing else was said: one seat for all that feeds a driver. */
export const seatOf = (part: Pick<Part, 'id'>): string => (isFeedPart(part) ? 'feed' : part.id);

/**
 * Where a part of a job sits: at its lamp, where the person said, else where the kind has the rest of its
 * wiring; what feeds it from below, on the ground.
 */
export function seatedAt(job: AnyJob, part: Part): Seated {
  const wiring = wiringOf(job.kind);
  if (part.place !== null && part.lamp !== null) return { spot: wiring.spotOf(job, part.lamp), known: true };
  if (part.kind === 'junction' && part.form === 'pickups' && part.taps)
    return { spot: part.taps[0], known: true };
  const own = job.seats?.[seatOf(part)];
  if (own)
    return {
      spot: { along: own.alongMillimetres, across: own.acrossMillimetres, height: own.heightMillimetres },
      known: true,
    };
  const hub = wiring.hubOf(job);
  // What a lamp has of its own at a rail is soldered to it where the lamp stands.
  if (part.lamp !== null && isScenery(job) && job.hookUp === 'rail')
    return { spot: { ...hub, along: wiring.spotOf(job, part.lamp).along }, known: true };
  return { spot: part.kind === 'rails' ? { ...hub, height: 0 } : hub, known: false };
}

/** A way led along edges: the sum of its three directions. */
export const wayBetween = (a: Spot, b: Spot): number =>
  Math.abs(a.along - b.along) + Math.abs(a.across - b.across) + Math.abs(a.height - b.height);

const clamped = (x: number, a: number, b: number): number =>
  Math.min(Math.max(x, Math.min(a, b)), Math.max(a, b));

/** The spot of a tapped length that is nearest to another. */
export const nearestTap = ([a, b]: readonly [Spot, Spot], to: Spot): Spot => ({
  along: clamped(to.along, a.along, b.along),
  across: clamped(to.across, a.across, b.across),
  height: clamped(to.height, a.height, b.height),
});

/** How long a unit of strip is from its first pad to its last; nothing for what is joined at a point. Millimetres. */
export const unitOf = (part: Part): number =>
  part.kind === 'lamp' && part.led.form === 'strip' ? (part.led.unitMillimetres ?? 0) : 0;
