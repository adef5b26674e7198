import { describe, expect, test } from 'vitest';
import { fitLed, leds } from '../part/led';
import { courseOf, levelsOf } from './course';
import { currentProbe } from './probe';
import { Workspace } from './workspace';
import { periodicSteadyState } from './steady';
import type { Element, Netlist } from './netlist';
import type { Wave } from './waveform';

const waves: Record<string, Wave> = {
  'DCC, ones': { kind: 'dcc', amplitude: 15, bits: '1', oneHalf: 58e-6, zeroHalf: 100e-6 },
  'DCC, mixed': { kind: 'dcc', amplitude: 15, bits: '1101', oneHalf: 58e-6, zeroHalf: 100e-6 },
  pulses: { kind: 'pulse', low: 0, high: 12, delay: 0, rise: 2e-6, fall: 2e-6, width: 3e-3, period: 0.01 },
  sine: { kind: 'sine', offset: 0, amplitude: 17, hertz: 50, delay: 0, damping: 0, phaseDegrees: 0 },
};

/** A resistor and two lamps the other way round across one another: no memory. */
const netlist = (wave: Wave): Netlist => {
  const diode = (id: string, a: string, b: string, part: string): Element => ({
    kind: 'diode',
    id,
    a,
    b,
    model: fitLed(leds[part]),
  });
  return {
    title: 'levels',
    elements: [
      { kind: 'voltage', id: 'v', a: 'in', b: '0', wave },
      { kind: 'resistor', id: 'r', a: 'in', b: 'mid', ohms: 1000 },
      diode('white', 'mid', '0', 'white-warm'),
      diode('red', '0', 'mid', 'red'),
    ],
  };
};

describe('the levels of a wave', () => {
  test.each(Object.entries(waves))('%s: shares add to one', (_, wave) => {
    const shares = levelsOf(courseOf(wave)).map((l) => l.share);
    expect(shares.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
    expect(Math.min(...shares)).toBeGreaterThanOrEqual(0);
  });
  test('the mean square of a sine is half its amplitude squared (closed form)', () => {
    const { amplitude } = waves.sine as Extract<Wave, { kind: 'sine' }>;
    const square = levelsOf(courseOf(waves.sine)).reduce((sum, l) => sum + l.share * l.volts ** 2, 0);
    expect(square / (amplitude ** 2 / 2)).toBeCloseTo(1, 9);
  });
  test.each(Object.entries(waves))(
    '%s: means over them are those of the periodic steady state',
    (_, wave) => {
      const probes = ['white', 'red'] as const;
      const { spreads } = periodicSteadyState(netlist(wave), (plan) =>
        probes.map((id) => currentProbe(plan, id)),
      );
      const solver = new Workspace(netlist(wave), (plan) => probes.map((id) => currentProbe(plan, id)));
      const row = new Float64Array(2);
      const means = [0, 0];
      for (const { volts, share } of levelsOf(courseOf(wave))) {
        solver.setLevel('v', volts);
        solver.solve(row);
        row.forEach((amps, i) => (means[i] += share * amps));
      }
      means.forEach((mean, i) => {
        if (Math.abs(spreads[i].mean) < 1e-6) expect(Math.abs(mean)).toBeLessThan(1e-6);
        else expect(mean / spreads[i].mean).toBeCloseTo(1, 2);
      });
    },
  );
  test('a wave that is not periodic is refused', () => {
    expect(() => courseOf({ kind: 'pwl', points: [[0, 1]] })).toThrow(RangeError);
  });
});

test('a switch is held at the resistance it is given', () => {
  const solver = new Workspace(
    {
      title: 'switch',
      elements: [
        { kind: 'voltage', id: 'v', a: 'in', b: '0', wave: { kind: 'dc', level: 10 } },
        {
          kind: 'switch',
          id: 's',
          a: 'in',
          b: 'out',
          onOhms: 1,
          offOhms: 1e9,
          closed: false,
          toggleSeconds: [],
        },
        { kind: 'resistor', id: 'r', a: 'out', b: '0', ohms: 999 },
      ],
    },
    (plan) => [currentProbe(plan, 'r')],
  );
  const row = new Float64Array(1);
  const amps = (): number => {
    solver.solve(row);
    return row[0];
  };
  expect(amps()).toBeLessThan(1e-7);
  solver.setSwitch('s', 1);
  expect(amps()).toBeCloseTo(0.01, 9);
  solver.setSwitch('s', 1001);
  expect(amps()).toBeCloseTo(0.005, 9);
});
