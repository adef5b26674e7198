import { candelaAhead, lampLightness } from '../../light/lamp-light';
import type { LampView } from '../../study/readings';
import type { SceneRecord } from './record';

/** A filament shines all round. */
const BULB_BEAM = 120;

/** Lamps of a scene shine while their channel conducts, and are looked at bare. */
export const sceneShines: LampView<SceneRecord> = {
  shines: (_, __, ___, second) => !second,
  lightness: (_, { led, lumens }) => lampLightness(candelaAhead(lumens, led?.beamDegrees ?? BULB_BEAM, 0, 1)),
};
