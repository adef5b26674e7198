/** Preferred values of one decade (IEC 60063). */
const decades = {
  E6: [10, 15, 22, 33, 47, 68],
  E12: [10, 12, 15, 18, 22, 27, 33, 39, 47, 56, 68, 82],
  E24: [10, 11, 12, 13, 15, 16, 18, 20, 22, 24, 27, 30, 33, 36, 39, 43, 47, 51, 56, 62, 68, 75, 82, 91],
} as const;

export type SeriesName = keyof typeof decades;

/**
 * The preferred values from one decade below to one above a value, ascending.
 * @throws RangeError unless the value is above zero
 */
function around(value: number, series: SeriesName): number[] {
  if (!(value > 0) || !Number.isFinite(value)) throw new RangeError(`no preferred value near ${value}`);
  const power = Math.floor(Math.log10(value)) - 1;
  return [power - 1, power, power + 1].flatMap((p) => decades[series].map((d) => Number(`${d}e${p}`)));
}

/** The preferred value nearest to a value, by ratio. */
export function nearestPreferred(value: number, series: SeriesName): number {
  const distance = (v: number): number => Math.abs(Math.log(v / value));
  return around(value, series).reduce((best, v) => (distance(v) < distance(best) ? v : best));
}

/** The smallest preferred value that is not below a value. */
export function nextPreferred(value: number, series: SeriesName): number {
  return around(value, series).find((v) => v >= value * (1 - 1e-9))!;
}
