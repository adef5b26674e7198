/** Preferred values of one decade (IEC 60063). */
const decades = {
  E6: [10, 15, 22, 33, 47, 68],
  E12: [10, 12, 15, 18, 22, 27, 33, 39, 47, 56, 68, 82],
  E24: [10, 11, 12, 13, 15, 16, 18, 20, 22, 24, 27, 30, 33, 36, 39, 43, 47, 51, 56, 62, 68, 75, 82, 91],
  // The finer series are their formula, rounded to three figures.
  E48: Array.from({ length: 48 }, (_, k) => Math.round(100 * 10 ** (k / 48)) / 10),
  E96: Array.from({ length: 96 }, (_, k) => Math.round(100 * 10 ** (k / 96)) / 10),
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

/** Two preferred resistors that together make a value. */
export interface ResistorPair {
  readonly joined: 'series' | 'parallel';
  readonly ohms: number;
  readonly first: number;
  readonly second: number;
}

/** The pair of E12 values, in series or side by side, that comes nearest to a resistance, by ratio. */
export function nearestPair(ohms: number): ResistorPair {
  let best: ResistorPair | null = null;
  const offer = (pair: ResistorPair): void => {
    if (!best || Math.abs(Math.log(pair.ohms / ohms)) < Math.abs(Math.log(best.ohms / ohms)) - 1e-12)
      best = pair;
  };
  for (const first of around(ohms, 'E12')) {
    if (first < ohms * 0.999) {
      const second = nearestPreferred(ohms - first, 'E12');
      if (second <= first) offer({ joined: 'series', ohms: first + second, first, second });
    }
    if (first > ohms * 1.001) {
      const second = nearestPreferred(1 / (1 / ohms - 1 / first), 'E12');
      if (second >= first) offer({ joined: 'parallel', ohms: 1 / (1 / first + 1 / second), first, second });
    }
  }
  return best!;
}

/** The preferred values between two bounds, both included, ascending. */
export const preferredBetween = (least: number, most: number, series: SeriesName): number[] => {
  const found: number[] = [];
  for (let power = Math.floor(Math.log10(least)) - 1; 10 ** (power + 1) <= most; power++)
    for (const d of decades[series]) {
      const value = Number(`${d}e${power}`);
      if (value >= least && value <= most) found.push(value);
    }
  return found;
};

/** The preferred values of one decade, 10 to below 100 (IEC 60063). */
export const preferredIn = (series: SeriesName): readonly number[] => decades[series];
