import { describe, expect, test } from 'vitest';
import { operatingPoint } from './sweep';
import { currentProbe, voltageProbe } from './probe';
import { periodicSteadyState } from './steady';
import { transientOf } from './transient';
import { withinStep } from './average';
import { THERMAL_VOLTS } from '../part/junction-model';
import type { Element, Netlist } from './netlist';
import type { Wave } from './waveform';

const net = (...elements: Element[]): Netlist => ({ title: 'closed form', elements });
const r = (id: string, a: string, b: string, ohms: number): Element => ({ kind: 'resistor', id, a, b, ohms });
const c = (id: string, a: string, b: string, farads: number, initialVolts?: number): Element => ({
  kind: 'capacitor',
  id,
  a,
  b,
  farads,
  initialVolts,
});
const v = (id: string, a: string, b: string, wave: Wave | number): Element => ({
  kind: 'voltage',
  id,
  a,
  b,
  wave: typeof wave === 'number' ? { kind: 'dc', level: wave } : wave,
});

/** Principal branch of Lambert's W by Halley's iteration. */
function lambertW(x: number): number {
  let w = x < 1 ? x : Math.log(x);
  for (let i = 0; i < 50; i++) {
    const e = Math.exp(w);
    w -= (w * e - x) / (e * (w + 1) - ((w + 2) * (w * e - x)) / (2 * w + 2));
  }
  return w;
}

describe('closed forms, within 0.5 %', () => {
  test('a divider', () => {
    const [volts] = operatingPoint(
      net(v('v1', 'a', '0', 12), r('r1', 'a', 'b', 1000), r('r2', 'b', '0', 2000)),
      (p) => [voltageProbe(p, 'b')],
    );
    expect(volts).toBeCloseTo(8, 9);
  });

  test.each([330, 1000, 4700])('a lamp on %d ohm, by Lambert W', (ohms) => {
    const model = { saturationAmps: 2e-18, emission: 3, seriesOhms: 8 };
    const slope = model.emission * THERMAL_VOLTS;
    const all = ohms + model.seriesOhms;
    const closed =
      (slope / all) *
        lambertW(
          ((model.saturationAmps * all) / slope) * Math.exp((12 + model.saturationAmps * all) / slope),
        ) -
      model.saturationAmps;
    const [amps] = operatingPoint(
      net(v('v1', 'a', '0', 12), r('r1', 'a', 'b', ohms), { kind: 'diode', id: 'd1', a: 'b', b: '0', model }),
      (p) => [currentProbe(p, 'd1')],
    );
    expect(amps / closed).toBeCloseTo(1, 6);
  });

  test('the discharge of a capacitor: V exp(-t/RC)', () => {
    const run = transientOf(
      net(c('c1', 'a', '0', 470e-6, 12), r('r1', 'a', '0', 1000)),
      { stop: 2, longestStep: 2, start: 'given' },
      (p) => [voltageProbe(p, 'a')],
    );
    const moments = [0.1, 0.47, 1, 1.9];
    let next = 0;
    run.onStep = (step) => {
      while (next < moments.length && moments[next] <= step.to) {
        const t = moments[next++];
        const volts = withinStep(step, 0, (t - step.from) / (step.to - step.from));
        expect(volts / (12 * Math.exp(-t / 0.47))).toBeGreaterThan(0.995);
        expect(volts / (12 * Math.exp(-t / 0.47))).toBeLessThan(1.005);
      }
    };
    while (!run.done) run.advance(100);
    expect(next).toBe(moments.length);
  });

  test('a coil and a resistor: I (1 - exp(-t R/L))', () => {
    const run = transientOf(
      net(v('v1', 'a', '0', 5), r('r1', 'a', 'b', 10), {
        kind: 'inductor',
        id: 'l1',
        a: 'b',
        b: '0',
        henries: 0.02,
      }),
      { stop: 5e-3, longestStep: 1e-3, start: 'given' },
      (p) => [currentProbe(p, 'l1')],
    );
    while (!run.done) run.advance(100);
    expect(run.step.after[0] / (0.5 * (1 - Math.exp(-2.5)))).toBeCloseTo(1, 2);
  });

  test('the ripple of a reservoir with a constant load behind an ideal switch-over: I t / C', () => {
    // A pulse of almost no resistance fills the reservoir for 1 ms of every 10; for 9 ms the load alone acts.
    const wave: Wave = {
      kind: 'pulse',
      low: 0,
      high: 10,
      delay: 0,
      rise: 1e-6,
      fall: 1e-6,
      width: 1e-3,
      period: 10e-3,
    };
    const load: Element = { kind: 'current', id: 'i1', a: 'p', b: '0', wave: { kind: 'dc', level: 0.02 } };
    const model = { saturationAmps: 1e-9, emission: 0.05, seriesOhms: 0.001 };
    const { spreads } = periodicSteadyState(
      net(
        v('v1', 'a', '0', wave),
        { kind: 'diode', id: 'd1', a: 'a', b: 'p', model },
        c('c1', 'p', '0', 1e-3),
        load,
        r('r1', 'p', '0', 1e7),
      ),
      (p) => [voltageProbe(p, 'p')],
    );
    expect((spreads[0].greatest - spreads[0].least) / ((0.02 * 9e-3) / 1e-3)).toBeCloseTo(1, 2);
  });
});

describe('the periodic steady state', () => {
  const bridge = (a: string, b: string): Element[] => {
    const model = { saturationAmps: 5e-9, emission: 1.75, seriesOhms: 0.05 };
    const d = (id: string, from: string, to: string): Element => ({
      kind: 'diode',
      id,
      a: from,
      b: to,
      model,
    });
    return [
      d('d1', a, 'p'),
      d('d2', b, 'p'),
      d('d3', 'm', a),
      d('d4', 'm', b),
      r('rm', 'm', '0', 1e7),
      r('rp', 'p', '0', 1e7),
    ];
  };
  const lamp: Element = {
    kind: 'diode',
    id: 'd5',
    a: 'x',
    b: 'm',
    model: { saturationAmps: 2e-18, emission: 3, seriesOhms: 8 },
  };
  const sine: Wave = {
    kind: 'sine',
    offset: 0,
    amplitude: 17,
    hertz: 50,
    delay: 0,
    damping: 0,
    phaseDegrees: 0,
  };
  const coach = (from: string, to: string): Netlist =>
    net(
      v('v1', from, '0', sine),
      r('rs', from, 'rail', 1),
      ...bridge('rail', to),
      c('c1', 'p', 'm', 100e-6),
      r('r1', 'p', 'x', 1000),
      lamp,
    );

  test('equals the end of a long run', () => {
    const netlist = coach('a', '0');
    const shot = periodicSteadyState(netlist, (p) => [voltageProbe(p, 'p', 'm'), currentProbe(p, 'd5')]);
    const run = transientOf(netlist, { stop: 1.2, longestStep: 1e-3, start: 'rest' }, (p) => [
      voltageProbe(p, 'p', 'm'),
    ]);
    let least = Infinity;
    let greatest = -Infinity;
    run.onStep = (step) => {
      if (step.from < 1.18) return;
      least = Math.min(least, step.after[0]);
      greatest = Math.max(greatest, step.after[0]);
    };
    while (!run.done) run.advance(1000);
    expect(shot.spreads[0].least / least).toBeCloseTo(1, 2);
    expect(shot.spreads[0].greatest / greatest).toBeCloseTo(1, 2);
    expect(shot.period).toBeCloseTo(0.02, 12);
    expect(shot.iterations).toBeLessThan(30);
  });

  test('means over a period lie within 0.5 % of those at a thirtieth of the error allowed', () => {
    // From a reservoir that hardly sags to one that is empty between the peaks, and none at all.
    for (const farads of [1e-7, 2e-6, 20e-6, 100e-6, 1e-3]) {
      const netlist = net(...coach('a', '0').elements.map((e) => (e.id === 'c1' ? { ...e, farads } : e)));
      const mean = (relative?: number): number[] =>
        periodicSteadyState(netlist, (p) => [voltageProbe(p, 'p', 'm'), currentProbe(p, 'd5')], {
          relative,
        }).spreads.map((s) => s.mean);
      const fine = mean(1e-5);
      mean().forEach((m, i) => expect(Math.abs(m / fine[i] - 1), `${farads} F`).toBeLessThan(5e-3));
    }
  });

  test('rails swapped gives the same light behind a bridge', () => {
    const dcc: Wave = { kind: 'dcc', amplitude: 15, bits: '1101', oneHalf: 58e-6, zeroHalf: 100e-6 };
    const amps = (one: string, two: string): number => {
      const netlist = net(
        v('v1', 'a', '0', dcc),
        r('rs', 'a', 'r', 0.4),
        ...bridge(one, two),
        c('c1', 'p', 'm', 47e-6),
        r('r1', 'p', 'x', 1000),
        lamp,
      );
      return periodicSteadyState(netlist, (p) => [currentProbe(p, 'd5')]).spreads[0].mean;
    };
    expect(amps('r', '0') / amps('0', 'r')).toBeCloseTo(1, 4);
  });

  test('a source that never repeats has none, and says which', () => {
    const once: Wave = {
      kind: 'pwl',
      points: [
        [0, 0],
        [1, 5],
      ],
    };
    expect(() => periodicSteadyState(net(v('v7', 'a', '0', once), r('r1', 'a', '0', 10)), () => [])).toThrow(
      /v7/,
    );
  });
});
