import { movingEffects, type MovingEffectName } from '.';
import { workedOut, type Given } from './whole';

const sums = new Map<MovingEffectName, (of: Given) => number>();

/** What an effect gives at a moment, 0 to 255: a pure function of what is given. */
export function levelOf(name: MovingEffectName): (of: Given) => number {
  let sum = sums.get(name);
  if (!sum) sums.set(name, (sum = workedOut(movingEffects[name].level)));
  return sum;
}
