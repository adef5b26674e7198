import { planckianXy, screenColour } from '../../../core/light/colour';
import { mixedXy } from '../../../core/light/tinted';
import type { SteadyStudy } from '../../../core/study/steady';

/** Warm white, for a coach that is dark. */
const DARK_KELVIN = 2700;

/** The screen colour of the light of a coach: all its lamps together, behind their tints. */
export function mixedColour(steady: SteadyStudy | null): string {
  const lights = (steady?.lamps ?? []).map((l) => ({ lumens: l.lumens, ...l.xy }));
  return screenColour(mixedXy(lights) ?? planckianXy(DARK_KELVIN));
}
