import { candelaAhead, lampLightness } from '../../light/lamp-light';
import { acrossOf } from './string';
import type { LampView } from '../../study/readings';
import type { CanopyRecord } from './record';

/** A filament shines all round. */
const BULB_BEAM = 120;

/** Lamps of a string shine whenever they are fed; they face down on the platform, or out where they were not twisted. */
export const canopyShines: LampView<CanopyRecord> = {
  shines: (_, __, ___, second) => !second,
  lightness: (_, { led, lumens }) => lampLightness(candelaAhead(lumens, led?.beamDegrees ?? BULB_BEAM, 0, 1)),
  pool: ({ roof, lamps }) =>
    Object.entries(lamps).map(([lampId, l]) => ({
      lampId,
      along: l.alongMillimetres,
      across: acrossOf(roof, l.side),
      heightMillimetres: roof.heightMillimetres,
      aimDegrees: roof.twisted ? 0 : 90,
      hood: null,
    })),
};
