import { candelaAhead, lampLightness } from '../../light/lamp-light';
import type { LampView } from '../../study/readings';
import type { DisplayModelRecord } from './record';

/** A filament shines all round. */
const BULB_BEAM = 120;

/** Lamps of a display model shine whenever they are fed; one is looked at straight, with nothing before it. */
export const displayModelShines: LampView<DisplayModelRecord> = {
  shines: (_, __, ___, second) => !second,
  lightness: (_, { led, lumens }) => lampLightness(candelaAhead(lumens, led?.beamDegrees ?? BULB_BEAM, 0, 1)),
};
