import { describe, expect, test } from 'vitest';
import { Averages } from './average';
import { CircuitError } from './error';
import { voltageProbe } from './probe';
import { transientOf, type Step } from './transient';
import type { Element, Netlist } from './netlist';
import type { Wave } from './waveform';

const lamp: Element = {
  kind: 'diode',
  id: 'd1',
  a: 'x',
  b: '0',
  model: { saturationAmps: 2e-18, emission: 3, seriesOhms: 8 },
};
const coach: Netlist = {
  title: 'half-wave coach on DCC',
  elements: [
    {
      kind: 'voltage',
      id: 'v1',
      a: 'a',
      b: '0',
      wave: { kind: 'dcc', amplitude: 14, bits: '110', oneHalf: 58e-6, zeroHalf: 100e-6 },
    },
    {
      kind: 'diode',
      id: 'd0',
      a: 'a',
      b: 'p',
      model: { saturationAmps: 5e-9, emission: 1.75, seriesOhms: 0.05 },
    },
    { kind: 'resistor', id: 'rc', a: 'p', b: 'q', ohms: 47 },
    { kind: 'capacitor', id: 'c1', a: 'q', b: '0', farads: 10e-6 },
    { kind: 'resistor', id: 'r1', a: 'q', b: 'x', ohms: 1000 },
    lamp,
  ],
};
const start = (relative?: number) =>
  transientOf(coach, { stop: 0.02, longestStep: 1e-4, start: 'given', relative }, (p) => [
    voltageProbe(p, 'q'),
  ]);

describe('a run', () => {
  test('twice the same, bit for bit', () => {
    const [a, b] = [start(), start()];
    while (!a.done) a.advance(7);
    while (!b.done) b.advance(1000);
    expect(a.step.after[0]).toBe(b.step.after[0]);
    expect(a.steps).toBe(b.steps);
  });
  test('steps join without gap or overlap, none crosses a corner, and the last ends at the stop', () => {
    const run = start();
    let end = 0;
    const edges: number[] = [];
    for (let lap = 0, t = 0; t < 0.02; lap++)
      for (const half of [58e-6, 58e-6, 58e-6, 58e-6, 100e-6, 100e-6]) edges.push((t += half));
    run.onStep = (step: Step) => {
      expect(step.from).toBe(end);
      expect(step.to).toBeGreaterThan(step.from);
      expect(edges.some((e) => e > step.from + 1e-10 && e < step.to - 1e-10)).toBe(false);
      end = step.to;
    };
    while (!run.done) run.advance(100);
    expect(end).toBeCloseTo(0.02, 12);
  });
  test('tightening the tolerance a hundredfold moves the mean by less than 0.1 %', () => {
    const mean = (relative: number): number => {
      const run = start(relative);
      const averages = new Averages(1);
      run.onStep = (step) => step.from >= 0.01 && averages.add(step);
      while (!run.done) run.advance(1000);
      return averages.spreads()[0].mean;
    };
    expect(Math.abs(mean(1e-3) / mean(1e-5) - 1)).toBeLessThan(1e-3);
  });
  test('a reservoir that runs down into nanoamperes does not stop it', () => {
    const dark: Netlist = {
      title: 'no supply, a reservoir behind a bridge and its lamp',
      elements: [
        ...coach.elements.filter((e) => e.id !== 'v1'),
        { kind: 'resistor', id: 'lost', a: 'a', b: '0', ohms: 1e6 },
      ],
    };
    const run = transientOf(dark, { stop: 3000, longestStep: 1, start: { stored: [10e-6 * 9] } }, (p) => [
      voltageProbe(p, 'q'),
    ]);
    const after: { seconds: number; volts: number }[] = [];
    run.onStep = (step) => void after.push({ seconds: step.to, volts: step.after[0] });
    while (!run.done) run.advance(1000);
    // Once the lamp is dark the diode's saturation current alone empties it: dV = I t / C.
    const [early, late] = [1000, 2000].map((t) => after.find((a) => a.seconds >= t)!);
    const leak = (5e-9 * (late.seconds - early.seconds)) / 10e-6;
    expect((early.volts - late.volts) / leak).toBeCloseTo(1, 1);
    expect(run.steps).toBeLessThan(20_000);
  });
  test('a step of a source along a hundred taps is followed without steps beyond number', () => {
    const taps = Array.from({ length: 100 }, (_, k): Element[] => [
      { kind: 'resistor', id: `w${k}`, a: `n${k}`, b: `n${k + 1}`, ohms: 0.02 },
      { kind: 'capacitor', id: `c${k}`, a: `n${k + 1}`, b: '0', farads: 1e-6 },
      { kind: 'resistor', id: `l${k}`, a: `n${k + 1}`, b: '0', ohms: 1000 },
    ]).flat();
    const edge: Wave = {
      kind: 'pwl',
      points: [
        [1e-3, 0],
        [1.01e-3, 12],
      ],
    };
    const bus: Netlist = {
      title: 'bus',
      elements: [{ kind: 'voltage', id: 'v1', a: 'n0', b: '0', wave: edge }, ...taps],
    };
    const run = transientOf(bus, { stop: 5e-3, longestStep: 1e-3, start: 'rest' }, (p) => [
      voltageProbe(p, 'n100'),
    ]);
    while (!run.done) run.advance(1000);
    // Settled, every tap carries what the divider of wires and loads gives it (ladder solved backwards by Ohm's law).
    let [volts, amps] = [1, 0];
    for (let k = 0; k < 100; k++) {
      amps += volts / 1000;
      volts += 0.02 * amps;
    }
    expect(run.step.after[0] / (12 / volts)).toBeCloseTo(1, 4);
    expect(run.steps + run.rejected).toBeLessThan(400);
  });
  test('goes on from a snapshot, through plain JSON', () => {
    const whole = start();
    while (!whole.done) whole.advance(1000);
    const first = start();
    while (first.seconds < 0.01) first.advance(1);
    const kept = JSON.parse(JSON.stringify(first.snapshot()));
    const second = start();
    second.resume(kept, false);
    expect(second.seconds).toBe(first.seconds);
    while (!second.done) second.advance(1000);
    expect(second.step.after[0] / whole.step.after[0]).toBeCloseTo(1, 4);
  });
  test('a switch opens within a microsecond and lets the reservoir run down', () => {
    const cut: Netlist = {
      title: 'cut',
      elements: [
        { kind: 'voltage', id: 'v1', a: 'a', b: '0', wave: { kind: 'dc', level: 12 } },
        {
          kind: 'switch',
          id: 's1',
          a: 'a',
          b: 'q',
          onOhms: 0.1,
          offOhms: 1e9,
          closed: true,
          toggleSeconds: [0.01],
        },
        { kind: 'capacitor', id: 'c1', a: 'q', b: '0', farads: 1e-4 },
        { kind: 'resistor', id: 'r1', a: 'q', b: '0', ohms: 1000 },
      ],
    };
    const run = transientOf(cut, { stop: 0.11, longestStep: 0.01, start: 'rest' }, (p) => [
      voltageProbe(p, 'q'),
    ]);
    let before = 0;
    run.onStep = (step) => {
      if (step.to <= 0.01) before = step.after[0];
    };
    while (!run.done) run.advance(100);
    expect(before).toBeCloseTo(12 * (1000 / 1000.1), 3);
    expect(run.step.after[0] / (12 * Math.exp(-1))).toBeCloseTo(1, 2);
  });
  test('a source loop is refused before it starts', () => {
    const loop: Netlist = { title: '', elements: [coach.elements[0], { ...coach.elements[0], id: 'v2' }] };
    expect(() => transientOf(loop, { stop: 1, longestStep: 1, start: 'given' }, () => [])).toThrow(
      CircuitError,
    );
  });
});
