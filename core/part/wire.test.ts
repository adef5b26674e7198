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
  test('one is as thick as it is; n alike of d take d √(1.3 n)', () => {
    expect(bundleMillimetres([0.5])).toBe(0.5);
    for (const n of [2, 4, 9])
      expect(bundleMillimetres(Array(n).fill(0.5))).toBeCloseTo(0.5 * Math.sqrt(1.3 * n), 12);
  });
  test('never less than the circle that holds two side by side in area, nor less than the thickest', () => {
    // Two circles of d need an opening of 2 d; laid one after another in a round hole they need no less area than their own.
    for (const n of [2, 3, 7, 20]) {
      const bundle = bundleMillimetres(Array(n).fill(1));
      expect((Math.PI / 4) * bundle ** 2).toBeGreaterThanOrEqual(n * (Math.PI / 4));
    }
    expect(bundleMillimetres([0.2, 1.6, 0.2])).toBeGreaterThan(1.6);
  });
  test('thicker wires, more of them, more room', () => {
    expect(bundleMillimetres([0.5, 0.6])).toBeGreaterThan(bundleMillimetres([0.5, 0.5]));
    expect(bundleMillimetres([0.5, 0.5, 0.1])).toBeGreaterThan(bundleMillimetres([0.5, 0.5]));
  });
});
