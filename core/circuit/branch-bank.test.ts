import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { BranchBank } from './branch-bank';
import { junctionCurrent } from './junction';
import { limiterCurrent } from './limiter';
import { compile } from './plan';
import { RUN_TOLERANCE, STATIC_TOLERANCE } from './tolerance';
import type { Element } from './netlist';

const white = { saturationAmps: 1e-18, emission: 3, seriesOhms: 8 };
const silicon = { saturationAmps: 2.5e-9, emission: 1.75, seriesOhms: 0 };
const elements: Element[] = [
  { kind: 'voltage', id: 'v', a: 'a', b: '0', wave: { kind: 'dc', level: 1 } },
  { kind: 'diode', id: 'd', a: 'a', b: '0', model: silicon },
  { kind: 'diode', id: 'w', a: 'b', b: '0', model: white },
  { kind: 'limiter', id: 'l', a: 'c', b: '0', limitAmps: 0.02, kneeVolts: 1.5 },
  { kind: 'resistor', id: 'r', a: 'a', b: 'b', ohms: 1000 },
  { kind: 'resistor', id: 's', a: 'b', b: 'c', ohms: 1000 },
];
const plan = compile({ title: 'a diode, a lamp and a limiter', elements });
const at = (name: string): number => plan.nodeIndex.get(name)!;
const bank = (): BranchBank => new BranchBank(plan.junctions, plan.limiters, () => 0);
/** Unknowns with the three branches at some volts. */
function volts(d: number, w: number, l: number): Float64Array {
  const x = new Float64Array(plan.unknowns + 1);
  [x[at('a')], x[at('b')], x[at('c')]] = [d, w, l];
  return x;
}
const law = new Float64Array(2);
/** What the silicon diode carries, by the law alone. */
function diodeAmps(v: number): number {
  junctionCurrent(v, silicon.saturationAmps, plan.junctions.slope[0], Infinity, law);
  return law[0];
}

describe('nonlinear branches in Newton’s iteration', () => {
  const forward = fc.double({ min: -5, max: 0.75, noNaN: true });
  const lamp = fc.double({ min: -5, max: 3.3, noNaN: true });
  const source = fc.double({ min: 0, max: 30, noNaN: true });

  test('a tangent gives the current of its law where it was taken', () => {
    fc.assert(
      fc.property(forward, source, (d, l) => {
        const of = bank();
        const x = volts(d, 0, l);
        of.linearise(x, 0, STATIC_TOLERANCE);
        expect(of.amps(x, 0)).toBeCloseTo(diodeAmps(d), 12);
        limiterCurrent(l, 0.02, 1.5, law);
        expect(of.amps(x, 2)).toBeCloseTo(law[0], 12);
      }),
    );
  });
  test('the voltage inside a lamp and that over its resistance make up what lies over it', () => {
    fc.assert(
      fc.property(lamp, (w) => {
        const of = bank();
        const x = volts(0, w, 0);
        of.linearise(x, 0, STATIC_TOLERANCE);
        expect(of.innerLost).toBe(false);
        const inside = of.junctionVolts(x, 1);
        expect(inside + white.seriesOhms * of.amps(x, 1)).toBeCloseTo(w, 9);
      }),
    );
  });
  test('in a run a tangent is kept over a crumb of its slope, and misses its law by less than is asked', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.3, max: 0.7, noNaN: true }),
        fc.double({ min: -1, max: 1, noNaN: true }),
        (d, part) => {
          const of = bank();
          of.linearise(volts(d, 0, 0), 0, RUN_TOLERANCE);
          const moved = d + 0.99 * part * RUN_TOLERANCE.tangentShare * plan.junctions.slope[0];
          const x = volts(moved, 0, 0);
          of.linearise(x, 1, RUN_TOLERANCE);
          expect(Math.abs(of.amps(x, 0) / diodeAmps(moved) - 1)).toBeLessThan(RUN_TOLERANCE.relative / 3);
        },
      ),
    );
  });
  test('further away it is taken anew; at rest it always is', () => {
    const of = bank();
    const slope = plan.junctions.slope[0];
    for (const [tolerance, share] of [
      [RUN_TOLERANCE, 3 * RUN_TOLERANCE.tangentShare],
      [STATIC_TOLERANCE, 1e-6],
    ] as const) {
      of.linearise(volts(0.5, 0, 0), 0, tolerance);
      const x = volts(0.5 + share * slope, 0, 0);
      of.linearise(x, 0, tolerance);
      expect(of.amps(x, 0) / diodeAmps(x[at('a')])).toBeCloseTo(1, 12);
    }
  });
  test('the greatest current and the worst miss are those of its branches', () => {
    const of = bank();
    const x = volts(0.6, 3, 30);
    of.linearise(x, 0, STATIC_TOLERANCE);
    const all = [0, 1, 2].map((k) => Math.abs(of.amps(x, k)));
    expect(of.greatestAmps).toBeCloseTo(Math.max(...all), 12);
    // Where it stands nothing is missed; a step on, what the bend makes of it.
    of.linearise(x, 1, STATIC_TOLERANCE);
    expect(of.worstMiss).toBeLessThan(1e-12);
    of.linearise(volts(0.62, 3, 30), 1, STATIC_TOLERANCE);
    expect(of.worstMiss).toBeGreaterThan(1e-6);
  });
  test('tangents given and taken back are the same tangents', () => {
    const [one, other] = [bank(), bank()];
    const x = volts(0.55, 2.9, 4);
    one.linearise(x, 0, RUN_TOLERANCE);
    const kept = new Float64Array(one.tangentsLength);
    one.giveTangents(kept);
    other.takeTangents(kept);
    for (const k of [0, 1, 2]) expect(other.amps(x, k)).toBe(one.amps(x, k));
  });
});
