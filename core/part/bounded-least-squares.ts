import { leastSquares } from './least-squares';

/** A slope this small is none. */
const FLAT = 1e-9;

/**
 * Coefficients from 0 to 1 of columns that come nearest to given values: least squares with bounds, one
 * coefficient freed after another where that helps, and held at the bound it meets (Stark and Parker 1995).
 * @param columns each as long as the values, none a sum of others
 */
export function boundedLeastSquares(
  columns: readonly (readonly number[])[],
  values: readonly number[],
): number[] {
  const at = columns.map(() => 1);
  const free = new Set<number>();
  const left = (): number[] => values.map((v, i) => v - columns.reduce((s, c, k) => s + at[k] * c[i], 0));
  for (let turn = 0; turn < 4 * columns.length; turn++) {
    const rest = left();
    const gains = columns.map((c, k) => {
      if (free.has(k)) return 0;
      const slope = c.reduce((s, x, i) => s + x * rest[i], 0);
      return at[k] === 0 ? slope : -slope;
    });
    const best = gains.indexOf(Math.max(...gains));
    if (!(gains[best] > FLAT)) break;
    free.add(best);
    while (free.size > 0) {
      const own = [...free];
      const others = values.map((v, i) =>
        columns.reduce((s, c, k) => (free.has(k) ? s : s - at[k] * c[i]), v),
      );
      const wish = leastSquares(
        own.map((k) => columns[k]),
        others,
      );
      // As far towards the wish as the first bound allows.
      const steps = own.map((k, n) =>
        wish[n] > 1 ? (1 - at[k]) / (wish[n] - at[k]) : wish[n] < 0 ? at[k] / (at[k] - wish[n]) : 1,
      );
      const step = Math.min(1, ...steps);
      own.forEach((k, n) => {
        at[k] += step * (wish[n] - at[k]);
        if (steps[n] > step || step === 1) return;
        at[k] = wish[n] > 1 ? 1 : 0;
        free.delete(k);
      });
      if (step === 1) break;
    }
  }
  return at;
}
