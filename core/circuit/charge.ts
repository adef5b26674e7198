import type { StateTable } from './plan';

const found = new Float64Array(2);

/** What state `s` of a plan stores at a level: volts of a capacitor, amperes of an inductor. In C or Vs. */
export function storedAt(states: StateTable, s: number, level: number): number {
  const law = states.laws[s];
  if (law === null) return states.capacity[s] * level;
  law.at(level, found);
  return found[0];
}
