import { describe, expect, test } from 'vitest';
import { usualSupply } from '../document/usual-supply';
import { periodicSteadyState } from '../circuit/steady';
import { voltageProbe } from '../circuit/probe';
import {
  supplyKind,
  supplyKinds,
  usualControls,
  type Controls,
  type Stress,
  type Supply,
  type SupplyKindName,
} from './index';
import { acTrack, type AcTrack } from './ac-track';
import type { Element } from '../circuit/netlist';

const LOAD_OHMS = 10_000;
const of = (kind: SupplyKindName, figures: object = {}): Supply =>
  ({ ...usualSupply(kind, 'H0', 1), ...figures }) as Supply;

/** Mean, mean square and extremes of what a supply puts over a light load. */
function measured(supply: Supply, controls: Controls = usualControls, stress: Stress = 'usual') {
  const source = supplyKind(supply).lower(supply, { right: 'r', left: '0' }, { controls, stress }, {});
  const load: Element = { kind: 'resistor', id: 'load', a: 'r', b: '0', ohms: LOAD_OHMS };
  const { spreads, period } = periodicSteadyState(
    { title: 'supply', elements: [...source, load] },
    (plan) => {
      const volts = voltageProbe(plan, 'r');
      return [volts, (s, t) => volts(s, t) ** 2];
    },
  );
  return {
    mean: spreads[0].mean,
    rms: Math.sqrt(spreads[1].mean),
    least: spreads[0].least,
    most: spreads[0].greatest,
    period,
  };
}

describe('DC track', () => {
  const throttle = (share: number, direction: Controls['direction'] = 'forward'): Controls => ({
    throttle: share,
    direction,
  });
  test('smooth: volts in proportion to the throttle, sign by the direction', () => {
    const supply = of('dc-track', { greatestVolts: 12 });
    expect(measured(supply, throttle(0.5)).mean).toBeCloseTo(6, 2);
    expect(measured(supply, throttle(1, 'reverse')).mean).toBeCloseTo(-12, 2);
    expect(measured(supply, throttle(0)).mean).toBeCloseTo(0, 9);
  });
  test.each([0.2, 0.5, 0.85])(
    'pulses of full height for %d of the time (closed form: V d, V sqrt d)',
    (share) => {
      const got = measured(
        of('dc-track', { making: 'pulse-width', greatestVolts: 14, pulseHertz: 200 }),
        throttle(share),
      );
      expect(got.period).toBeCloseTo(1 / 200, 9);
      expect(got.mean / (14 * share)).toBeCloseTo(1, 2);
      expect(got.rms / (14 * Math.sqrt(share))).toBeCloseTo(1, 2);
      expect(got.most).toBeCloseTo(14, 2);
    },
  );
  test('pulses at full throttle are no pulses', () => {
    expect(measured(of('dc-track', { making: 'pulse-width', greatestVolts: 14 }), throttle(1)).period).toBe(
      0,
    );
  });
  test.each([
    ['full-wave', (2 * Math.SQRT2) / Math.PI, 2],
    ['half-wave', Math.SQRT2 / Math.PI, 1],
  ] as const)(
    '%s: the mean of a rectified sine, less the rectifier (closed form)',
    (making, factor, junctions) => {
      const { mean, most } = measured(of('dc-track', { making, greatestVolts: 12 }), throttle(1));
      expect(mean).toBeLessThan(12 * factor);
      // At this light load a junction takes about half a volt for the time it conducts.
      expect(mean).toBeGreaterThan(12 * factor - 0.6 * junctions);
      expect(most).toBeLessThan(12 * Math.SQRT2);
      expect(most).toBeGreaterThan(12 * Math.SQRT2 - 0.7 * junctions);
    },
  );
  test('unsmoothed in reverse is the same, the other way', () => {
    const supply = of('dc-track', { making: 'full-wave' });
    expect(measured(supply, throttle(0.7, 'reverse')).mean).toBeCloseTo(
      -measured(supply, throttle(0.7)).mean,
      3,
    );
  });
});

describe('the others', () => {
  test('DCC swings to both sides alike, whatever is said on it', () => {
    for (const bits of ['1', '10', '1100101']) {
      const got = measured(of('dcc-track', { bits }));
      expect(got.most).toBeCloseTo(15, 2);
      expect(got.least).toBeCloseTo(-15, 2);
      expect(Math.abs(got.mean)).toBeLessThan(0.01);
      expect(got.rms / 15).toBeGreaterThan(0.97);
    }
  });
  test('one bit of ones lasts 116 microseconds (NMRA S-9.1)', () => {
    expect(measured(of('dcc-track')).period).toBeCloseTo(116e-6, 12);
    expect(measured(of('dcc-track', { bits: '0', zeroHalfMicroseconds: 100 })).period).toBeCloseTo(
      200e-6,
      12,
    );
  });
  test.each([50, 60] as const)('AC of %d Hz has the RMS it says (closed form)', (hertz) => {
    const got = measured(of('ac-track', { rmsVolts: 16, hertz }));
    expect(got.period).toBeCloseTo(1 / hertz, 9);
    expect(got.rms).toBeCloseTo(16, 1);
    expect(got.most).toBeCloseTo(16 * Math.SQRT2, 1);
    expect(Math.abs(got.mean)).toBeLessThan(0.02);
  });
  test('bus and cell are still, a worn cell lower', () => {
    expect(measured(of('layout-bus', { volts: 12 })).mean).toBeCloseTo(12, 3);
    expect(measured(of('cell', { cell: 'aaa', inSeries: 3 })).mean).toBeCloseTo(3 * 1.58, 2);
    expect(measured(of('cell', { spent: 0.9 })).mean).toBeLessThan(measured(of('cell')).mean - 0.2);
  });
});

test('a pulse that reverses is told by both its figures: 24 V RMS are 33.9 V at the peak', () => {
  const [fault] = acTrack.faults(of('ac-track', { reversingPulseVolts: 24 * Math.SQRT2 }) as AcTrack);
  expect(fault.says).toMatch(/24 V RMS, 33.9 V peak/);
  expect(
    acTrack.highestVolts(of('ac-track', { reversingPulseVolts: 24 * Math.SQRT2 }) as AcTrack),
  ).toBeCloseTo(33.94, 2);
});

describe('every kind', () => {
  const kinds = Object.keys(supplyKinds) as SupplyKindName[];
  test.each(kinds)('%s at its highest reaches what it says and no more', (kind) => {
    const supply = of(kind, kind === 'ac-track' ? { reversingPulseVolts: 33 } : {});
    const { most, least } = measured(supply, usualControls, kind === 'ac-track' ? 'pulse' : 'highest');
    const highest = supplyKind(supply).highestVolts(supply);
    expect(Math.max(most, -least) / highest).toBeGreaterThan(0.98);
    expect(Math.max(most, -least)).toBeLessThanOrEqual(highest * (1 + 1e-9));
  });
  test.each(kinds)('%s says itself in words with a figure', (kind) => {
    expect(supplyKind(of(kind)).words(of(kind), usualControls)).toMatch(/\d/);
    for (const fault of supplyKind(of(kind)).faults(of(kind))) expect(fault.says.length).toBeGreaterThan(20);
  });
});
