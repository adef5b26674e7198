import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { strandsSquareMillimetres } from '../quantity/gauge';
import { wireColours, wirePaint } from './wire-colour';
import { bundleMillimetres, wireNames, wireOf } from './wire';

describe('sorts of wire', () => {
  test.each(wireNames)('%s: copper is thinner than the wire, and its colours are colours', (name) => {
    const wire = wireOf(name);
    expect(wire.id).toBe(name);
    // Solid copper of that area would still go into the insulation.
    expect(Math.sqrt((4 * wire.copperSquareMillimetres) / Math.PI)).toBeLessThan(wire.outsideMillimetres);
    for (const c of wire.colours ?? []) expect(wireColours).toContain(c);
    expect(wire.reelMillimetres).toBeGreaterThan(1000);
  });
  test('7/0.2 holds 0.22 mm² and 16/0.2 half a square millimetre (common practice, no source)', () => {
    expect(wireOf('flex-7-0.2').copperSquareMillimetres).toBeCloseTo(0.22, 2);
    expect(wireOf('flex-16-0.2').copperSquareMillimetres).toBeCloseTo(strandsSquareMillimetres(16, 0.2), 12);
    expect(wireOf('flex-16-0.2').copperSquareMillimetres).toBeCloseTo(0.5, 2);
  });
  test('every colour has its paint, no two alike', () => {
    expect(new Set(wireColours.map((c) => wirePaint[c])).size).toBe(wireColours.length);
  });
});

describe('wires laid together', () => {
  test('two to seven alike take the best packings of equal circles in a circle (closed forms)', () => {
    const forms = [2, 1 + 2 / Math.sqrt(3), 1 + Math.SQRT2, 1 + Math.sqrt(2 * (1 + 1 / Math.sqrt(5))), 3, 3];
    expect(bundleMillimetres([0.5])).toBe(0.5);
    forms.forEach((form, i) => {
      expect(bundleMillimetres(Array(i + 2).fill(0.5)) / 0.5, `${i + 2} alike`).toBeCloseTo(form, 3);
    });
  });
  test('eight to twelve alike, and more, take what has been published (3.3048, 3.6131, 3.8130, 3.9238, 4.0296)', () => {
    const published = [3.3048, 3.6131, 3.813, 3.9238, 4.0296];
    published.forEach((d, i) => expect(bundleMillimetres(Array(i + 8).fill(2))).toBeCloseTo(2 * d, 9));
  });
  test('unlike wires never pass below the two thickest side by side, nor below their own area', () => {
    const diameters = fc.array(fc.constantFrom(0.15, 0.25, 0.5, 0.6, 1, 1.6), {
      minLength: 2,
      maxLength: 30,
    });
    fc.assert(
      fc.property(diameters, (outsides) => {
        const bundle = bundleMillimetres(outsides);
        const [first, second] = [...outsides].sort((a, b) => b - a);
        expect(bundle).toBeGreaterThanOrEqual(first + second - 1e-9);
        expect(bundle ** 2).toBeGreaterThan(outsides.reduce((sum, d) => sum + d * d, 0));
        // No worse than as many of the thickest.
        if (outsides.length <= 20)
          expect(bundle).toBeLessThanOrEqual(bundleMillimetres(outsides.map(() => first)) + 1e-9);
      }),
      { numRuns: 200, seed: 5 },
    );
    // Two of 1 and a thin one in the gap beside them still pass a hole of 2.
    expect(bundleMillimetres([1, 1, 0.3])).toBeCloseTo(2, 6);
  });
  test('thicker wires, more of them, more room', () => {
    expect(bundleMillimetres([0.5, 0.6])).toBeGreaterThan(bundleMillimetres([0.5, 0.5]));
    expect(bundleMillimetres([0.5, 0.5, 0.4])).toBeGreaterThan(bundleMillimetres([0.5, 0.5]));
  });
});
