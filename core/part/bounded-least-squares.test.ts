import fc from 'fast-check';
import { expect, test } from 'vitest';
import { boundedLeastSquares } from './bounded-least-squares';

test('come no further off than any point of a grid over the cube', () => {
  const number = fc.double({ min: -2, max: 2, noNaN: true });
  const column = fc.array(number, { minLength: 4, maxLength: 4 });
  fc.assert(
    fc.property(fc.array(column, { minLength: 3, maxLength: 3 }), column, (columns, values) => {
      // A ridge, so that no column is a sum of others.
      const ridged = columns.map((c, k) => [...c, ...[0, 1, 2].map((i) => (i === k ? 0.01 : 0))]);
      const wanted = [...values, 0, 0, 0];
      const off = (at: readonly number[]): number =>
        wanted.reduce((s, v, i) => s + (v - ridged.reduce((t, c, k) => t + at[k] * c[i], 0)) ** 2, 0);
      const found = boundedLeastSquares(ridged, wanted);
      for (const share of found) expect(share >= 0 && share <= 1).toBe(true);
      const tenths = Array.from({ length: 11 }, (_, i) => i / 10);
      for (const a of tenths)
        for (const b of tenths)
          for (const c of tenths) expect(off(found)).toBeLessThanOrEqual(off([a, b, c]) + 1e-9);
    }),
    { numRuns: 60, seed: 16 },
  );
});
