/** Bodies sold for through-hole work, by what they may turn into heat; lengths and diameters in millimetres. */
export const resistorBodies = [
  { watts: 0.125, name: '1/8 W', lengthMillimetres: 3.5, diameterMillimetres: 1.8 },
  { watts: 0.25, name: '1/4 W', lengthMillimetres: 6.3, diameterMillimetres: 2.4 },
  { watts: 0.5, name: '1/2 W', lengthMillimetres: 9, diameterMillimetres: 3.2 },
  { watts: 1, name: '1 W', lengthMillimetres: 11, diameterMillimetres: 4.5 },
  { watts: 2, name: '2 W', lengthMillimetres: 15, diameterMillimetres: 5.5 },
  { watts: 5, name: '5 W', lengthMillimetres: 24, diameterMillimetres: 8 },
] as const;

/** Share of its rating a resistor body may be used to before it is worth a word. */
export const RESISTOR_MARGIN = 0.9;

/** The name a rating is sold under: 0.125 W is "1/8 W". */
export function wattsName(watts: number): string {
  return resistorBodies.find((b) => b.watts === watts)?.name ?? `${watts} W`;
}

/** The smallest body that takes a power within the margin; null when none does. */
export function bodyFor(watts: number): (typeof resistorBodies)[number] | null {
  return resistorBodies.find((b) => b.watts * RESISTOR_MARGIN >= watts) ?? null;
}
