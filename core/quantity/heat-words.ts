import { formatQuantity } from './format';

/** Below this no finger and no meter of a bench tells heat, in watts. */
const LEAST_WATTS = 1e-4;

/** Heat as it is said at the bench: with its unit, or that there is none to speak of. Watts. */
export const heatWords = (watts: number): string =>
  Math.abs(watts) < LEAST_WATTS ? 'no heat' : `${formatQuantity(watts, 'watt', { significant: 2 })} heat`;
