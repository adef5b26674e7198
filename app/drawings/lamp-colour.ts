import { planckianXy, screenColour } from '../../core/light/colour';

/** Warm white, for what is dark. */
const DARK_KELVIN = 2700;
export const DARK_COLOUR = screenColour(planckianXy(DARK_KELVIN));
