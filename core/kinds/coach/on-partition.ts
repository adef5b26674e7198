import { lampDrop } from './room-kinds';
import { coachInterior } from './interior';
import { lampSources, LAMP_HALF_MILLIMETRES } from './light';
import type { CoachRecord } from './record';
import type { LedPart } from '../../part/led';
import type { LampPlace } from './places';

/** Whether a lamp there stands on a partition that reaches up to it. */
export function onPartition(
  job: Pick<CoachRecord, 'interior' | 'dimensions'>,
  wish: { readonly led: LedPart },
  place: LampPlace,
): boolean {
  const { interior } = job;
  const z = interior.seatMillimetres + lampDrop(interior);
  const y = interior.widthMillimetres / 2 + place.acrossMillimetres;
  const { screens } = coachInterior(job).light;
  const bodies =
    wish.led.form === 'bar'
      ? [place.placeMillimetres]
      : lampSources(job, { ...place, tint: 'none', aimDegrees: 0 }, wish.led).map((s) => s.source.x);
  return screens.some(
    (s) =>
      s.lies === 'across' &&
      s.top >= z - 0.5 &&
      y > s.from - LAMP_HALF_MILLIMETRES &&
      y < s.to + LAMP_HALF_MILLIMETRES &&
      bodies.some((x) => Math.abs(x - s.at) <= LAMP_HALF_MILLIMETRES),
  );
}
