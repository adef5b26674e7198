import { candelaAhead, lampLightness } from '../../light/lamp-light';
import { fittingSorts } from '../../part/lamp-fitting';
import type { LampView } from '../../study/readings';
import type { LampRecord } from './record';

/** A filament shines all round. */
const BULB_BEAM = 120;

/** Lamps of a row shine whenever they are fed; one is looked at along its own axis. */
export const lampShines: LampView<LampRecord> = {
  shines: (_, __, ___, second) => !second,
  lightness: (_, { led, lumens }) => lampLightness(candelaAhead(lumens, led?.beamDegrees ?? BULB_BEAM, 0, 1)),
  pool({ fitting, lamps }) {
    if (fittingSorts[fitting.sort].toBeSeen) return [];
    const { heightMillimetres, outreachMillimetres, headMillimetres, hoodMillimetres, aimDegrees } = fitting;
    return Object.entries(lamps).map(([lampId, l]) => ({
      lampId,
      along: l.alongMillimetres,
      across: -outreachMillimetres,
      heightMillimetres,
      aimDegrees,
      hood:
        hoodMillimetres > 0 ? { depthMillimetres: hoodMillimetres, mouthMillimetres: headMillimetres } : null,
    }));
  },
};
