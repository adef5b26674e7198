import fc from 'fast-check';
import { Matrix, QrDecomposition } from 'ml-matrix';
import { expect, test } from 'vitest';
import { leastSquares } from './least-squares';

test('agrees with the QR decomposition of a library of linear algebra', () => {
  const figure = fc.double({ min: -10, max: 10, noNaN: true });
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 3 }).chain((width) =>
        fc.array(fc.tuple(fc.array(figure, { minLength: width, maxLength: width }), figure), {
          minLength: width + 1,
          maxLength: 9,
        }),
      ),
      (rows) => {
        // The first of each row stands apart, so that no column is a sum of the others.
        const table = rows.map(([row], i) => row.map((v, j) => v + 30 * Math.cos((i + 1) * (j + 1))));
        const values = rows.map(([, v]) => v);
        const theirs = new QrDecomposition(new Matrix(table)).solve(Matrix.columnVector(values)).to1DArray();
        const ours = leastSquares(
          table[0].map((_, j) => table.map((row) => row[j])),
          values,
        );
        // Columns nearly alike are left out: there the last digits decide.
        fc.pre(theirs.every((v) => Math.abs(v) < 1e3));
        ours.forEach((v, i) =>
          expect(Math.abs(v - theirs[i])).toBeLessThan(1e-6 * (1 + Math.abs(theirs[i]))),
        );
      },
    ),
    { numRuns: 300, seed: 4 },
  );
});
test('columns alike are refused', () => {
  expect(() => leastSquares([[1, 2], [2, 4]], [1, 1])).toThrow(/tell apart/); // prettier-ignore
});
