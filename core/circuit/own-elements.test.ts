import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { readDeck } from './deck/read';
import { writeDeck } from './deck/write';
import { compile } from './plan';
import { CircuitError } from './error';
import { operatingPoint } from './sweep';
import { currentProbe, voltageProbe } from './probe';
import { REGULATOR_SIEMENS, regulatorCurrent } from './regulator';
import { switchSiemens } from './switch';
import { transientOf } from './transient';
import { EDGE_SECONDS } from './waveform';
import type { Netlist } from './netlist';

const law = (input: number, output: number, set = 5, dropout = 1.2): [number, number, number] => {
  const out = new Float64Array(3);
  regulatorCurrent(input, output, set, dropout, out);
  return [out[0], out[1], out[2]];
};
const regulated = (volts: number, loadOhms: number, setVolts = 5, dropoutVolts = 1.2): Netlist => ({
  title: 'regulated',
  elements: [
    { kind: 'voltage', id: 'v1', a: 'in', b: '0', wave: { kind: 'dc', level: volts } },
    { kind: 'regulator', id: 'x1', a: 'in', b: 'out', c: '0', setVolts, dropoutVolts },
    { kind: 'resistor', id: 'load', a: 'out', b: '0', ohms: loadOhms },
  ],
});
const outputOf = (netlist: Netlist): [number, number] => {
  const [v, i] = operatingPoint(netlist, (p) => [voltageProbe(p, 'out'), currentProbe(p, 'x1')]);
  return [v, i];
};

describe('the regulator', () => {
  test('its slopes are those of its current (differences)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -5, max: 24, noNaN: true }),
        fc.double({ min: -2, max: 14, noNaN: true }),
        fc.constantFrom(5, 12),
        (input, output, set) => {
          const h = 1e-6;
          const [, byInput, byOutput] = law(input, output, set);
          const difference = (a: number, b: number): number => (a - b) / (2 * h);
          const room = 1e-3 * REGULATOR_SIEMENS;
          expect(
            Math.abs(byInput - difference(law(input + h, output, set)[0], law(input - h, output, set)[0])),
          ).toBeLessThan(room);
          expect(
            Math.abs(byOutput - difference(law(input, output + h, set)[0], law(input, output - h, set)[0])),
          ).toBeLessThan(room);
        },
      ),
      { numRuns: 300 },
    );
  });
  test('passes nothing backwards, and nothing when it is off, but a leak', () => {
    expect(law(0, 5)[0]).toBeLessThan(0);
    expect(Math.abs(law(0, 5)[0])).toBeLessThan(1e-11);
    expect(Math.abs(law(20, 6)[0])).toBeLessThan(1e-10);
  });
  test.each([
    [20, 5],
    [7, 5],
    [6.3, 5],
    [5, 3.8],
    [3, 1.8],
  ])(
    '%d V in, 100 ohm: %d V out (set 5 V, dropout 1.2 V), giving way by 50 mV an ampere',
    (volts, expected) => {
      const [out, amps] = outputOf(regulated(volts, 100));
      expect(Math.abs(out - expected)).toBeLessThan(amps * 0.05 + 0.006);
      expect(amps).toBeCloseTo(out / 100, 9);
    },
  );
  test('never more out than in: a passive part', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 24, noNaN: true }),
        fc.double({ min: 10, max: 1e5, noNaN: true }),
        (volts, ohms) => {
          const [out, amps] = outputOf(regulated(volts, ohms));
          expect(out).toBeLessThanOrEqual(volts + 1e-9);
          expect(out * amps).toBeLessThanOrEqual(volts * amps + 1e-12);
        },
      ),
      { numRuns: 80 },
    );
  });
  test('written and read again it gives the same answer', () => {
    const deck = readDeck(writeDeck(regulated(9, 220), { cards: ['.op', '.print op v(out)'] }));
    expect(deck.netlist.elements.filter((e) => e.kind === 'regulator')).toHaveLength(1);
    const [again] = operatingPoint(deck.netlist, (p) => [voltageProbe(p, 'out')]);
    expect(again).toBeCloseTo(outputOf(regulated(9, 220))[0], 9);
  });
  test('figures no regulator has are refused by name', () => {
    expect(() => compile(regulated(9, 220, -5))).toThrow(CircuitError);
    expect(() => compile(regulated(9, 220, 5, -1))).toThrow(/x1 has a dropout/);
    expect(() =>
      readDeck('t\nv1 a 0 9\nx1 a b hazel_regulator vset=5 vdrop=1\nr1 b 0 1k\n.op\n.print op v(b)\n.end'),
    ).toThrow(/needs 3 nodes/);
  });
});

describe('the switch', () => {
  const plan = compile({
    title: 'switch',
    elements: [
      { kind: 'voltage', id: 'v1', a: 'a', b: '0', wave: { kind: 'dc', level: 10 } },
      {
        kind: 'switch',
        id: 's1',
        a: 'a',
        b: 'b',
        onOhms: 0.01,
        offOhms: 1e7,
        closed: false,
        toggleSeconds: [1e-3, 2e-3],
      },
      { kind: 'resistor', id: 'r1', a: 'b', b: '0', ohms: 1000 },
    ],
  });
  test('stands open, runs through the decades within a microsecond, stands closed, and back', () => {
    expect(switchSiemens(plan, 0, 0.5e-3)).toBeCloseTo(1e-7, 15);
    expect(switchSiemens(plan, 0, 1e-3 + EDGE_SECONDS / 2)).toBeCloseTo(Math.sqrt(1e-7 * 100), 6);
    expect(switchSiemens(plan, 0, 1.5e-3)).toBeCloseTo(100, 9);
    expect(switchSiemens(plan, 0, 2.5e-3)).toBeCloseTo(1e-7, 15);
  });
  test('in a run the node follows: 0, 10 V, 0 (divider, closed form)', () => {
    const run = transientOf(plan.netlist, { stop: 3e-3, longestStep: 1e-4, start: 'rest' }, (p) => [
      voltageProbe(p, 'b'),
    ]);
    const seen: [number, number][] = [];
    run.onStep = (s) => seen.push([s.to, s.after[0]]);
    while (!run.done) run.advance(100);
    const at = (t: number): number => seen.find(([s]) => s >= t)![1];
    expect(at(0.9e-3)).toBeCloseTo((10 * 1000) / (1e7 + 1000), 6);
    expect(at(1.5e-3)).toBeCloseTo((10 * 1000) / 1000.01, 4);
    expect(at(2.9e-3)).toBeCloseTo((10 * 1000) / (1e7 + 1000), 6);
  });
});
