import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { cutPlan, firstFitPlan } from './cut-list';

const pieces = fc.array(fc.integer({ min: 5, max: 1000 }), { maxLength: 40 });

describe('a cut list', () => {
  test('every piece is cut once, and no length is overdrawn', () => {
    fc.assert(
      fc.property(pieces, (all) => {
        const { cuts } = cutPlan(all, 1000);
        expect(cuts.flatMap((c) => c.pieces).sort((a, b) => a - b)).toEqual([...all].sort((a, b) => a - b));
        for (const c of cuts) {
          expect(c.leftMillimetres).toBeGreaterThanOrEqual(0);
          expect(c.pieces.reduce((a, b) => a + b, 0) + c.leftMillimetres).toBe(c.stockMillimetres);
        }
      }),
      { numRuns: 300, seed: 3 },
    );
  });
  test('never more lengths than first fit, and with as many never more waste; often less', () => {
    let better = 0;
    fc.assert(
      fc.property(pieces, (all) => {
        const [own, first] = [cutPlan(all, 1000), firstFitPlan(all, 1000)];
        expect(own.cuts.length).toBeLessThanOrEqual(first.cuts.length);
        if (own.cuts.length === first.cuts.length)
          expect(own.wasteMillimetres).toBeLessThanOrEqual(first.wasteMillimetres);
        if (own.cuts.length < first.cuts.length) better++;
      }),
      { numRuns: 300, seed: 4 },
    );
    expect(better).toBeGreaterThan(20);
  });
  test('never fewer lengths than the sum of the pieces asks for (the volume bound)', () => {
    fc.assert(
      fc.property(pieces, (all) => {
        const sum = all.reduce((a, b) => a + b, 0);
        expect(cutPlan(all, 1000).cuts.length).toBeGreaterThanOrEqual(Math.ceil(sum / 1000));
      }),
      { numRuns: 100, seed: 5 },
    );
  });
  test('a handbook’s case: 7, 5, 5, 3 from 10 fill two lengths, where first fit as they come takes three', () => {
    const all = [3, 5, 7, 5];
    expect(cutPlan(all, 10).cuts).toHaveLength(2);
    expect(cutPlan(all, 10).wasteMillimetres).toBe(0);
    expect(firstFitPlan(all, 10).cuts).toHaveLength(3);
  });
  test.each([[[11]], [[0]], [[-1]], [[NaN]]])('%j is refused', (all) =>
    expect(() => cutPlan(all, 10)).toThrow(RangeError),
  );
});
