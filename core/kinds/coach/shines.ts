import { lightness } from '../../light/lightness';
import { TAIL_LAMP_AMPS } from './tail-lamp';
import type { LampView } from '../../study/readings';
import type { CoachRecord } from './record';

/** Lamps of a coach shine whenever they are fed. */
export const coachShines: LampView<CoachRecord> = {
  shines: (_, __, ___, second) => !second,
  lightness: (_, { litAmps }) => lightness(litAmps / TAIL_LAMP_AMPS),
};
