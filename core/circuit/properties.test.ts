import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { compile } from './plan';
import { CircuitError } from './error';
import { settle } from './operating-point';
import { currentProbe, voltageProbe } from './probe';
import { checkStructure } from './structure';
import { operatingPoint } from './sweep';
import { System } from './system';
import { junctionCurrent } from './junction';
import { signalOf } from './waveform';
import { THERMAL_VOLTS } from '../part/junction-model';
import type { Element, Netlist } from './netlist';

const nodes = ['0', 'a', 'b', 'c', 'd'] as const;
const node = fc.constantFrom(...nodes);
const ohms = fc.double({ min: 0.5, max: 1e5, noNaN: true });
const volts = fc.double({ min: -24, max: 24, noNaN: true });
const led = { saturationAmps: 1e-18, emission: 3, seriesOhms: 8 };
const silicon = { saturationAmps: 5e-9, emission: 1.75, seriesOhms: 0 };

/** A tree of resistors reaches every node, so that each circuit is sound; sources feed some nodes. */
const circuit = (nonlinear: boolean): fc.Arbitrary<Netlist> =>
  fc
    .record({
      tree: fc.array(ohms, { minLength: 4, maxLength: 4 }),
      parents: fc.tuple(fc.constant(0), fc.nat(1), fc.nat(2), fc.nat(3)),
      extra: fc.array(fc.tuple(node, node, ohms), { maxLength: 4 }),
      source: fc.tuple(fc.constantFrom(...nodes.slice(1)), volts),
      diodes: fc.array(fc.tuple(node, node, fc.constantFrom(led, silicon)), { maxLength: nonlinear ? 4 : 0 }),
    })
    .map(({ tree, parents, extra, source, diodes }) => ({
      title: 'generated',
      elements: [
        ...tree.map((value, i): Element => ({
          kind: 'resistor',
          id: `rt${i}`,
          a: nodes[i + 1],
          b: nodes[parents[i]],
          ohms: value,
        })),
        ...extra.map(([a, b, value], i): Element => ({ kind: 'resistor', id: `rx${i}`, a, b, ohms: value })),
        {
          kind: 'voltage',
          id: 'v1',
          a: source[0],
          b: '0',
          wave: { kind: 'dc', level: source[1] },
        } satisfies Element,
        ...diodes
          .filter(([a, b]) => a !== b)
          .map(([a, b, model], i): Element => ({ kind: 'diode', id: `d${i}`, a, b, model })),
      ],
    }));

/** Current into an element's first terminal by its own law, without any limiting, from node voltages alone. */
function lawAmps(e: Element, at: (n: string) => number, solved: (id: string) => number): number {
  if (e.kind === 'resistor') return (at(e.a) - at(e.b)) / e.ohms;
  if (e.kind !== 'diode') return solved(e.id);
  const out = new Float64Array(2);
  const slope = e.model.emission * THERMAL_VOLTS;
  let low = -200;
  let high = 200;
  // The inner voltage by bisection: slow, and nothing in common with the kernel's way.
  for (let i = 0; i < 200; i++) {
    const middle = (low + high) / 2;
    junctionCurrent(middle, e.model.saturationAmps, slope, Infinity, out);
    if (middle + e.model.seriesOhms * out[0] > at(e.a) - at(e.b)) high = middle;
    else low = middle;
  }
  junctionCurrent(low, e.model.saturationAmps, slope, Infinity, out);
  return out[0];
}

describe('properties of every solved circuit', () => {
  test('Kirchhoff at every node, with the unlimited laws', () => {
    fc.assert(
      fc.property(circuit(true), (netlist) => {
        const ids = netlist.elements.map((e) => e.id);
        const figures = operatingPoint(netlist, (p) => [
          ...nodes.slice(1).map((n) => voltageProbe(p, n)),
          ...ids.map((id) => currentProbe(p, id)),
        ]);
        const at = (n: string): number => (n === '0' ? 0 : figures[nodes.indexOf(n as 'a') - 1]);
        const solved = (id: string): number => figures[4 + ids.indexOf(id)];
        for (const n of nodes.slice(1)) {
          let sum = 0;
          let scale = 0;
          for (const e of netlist.elements) {
            const amps = lawAmps(e, at, solved);
            if (e.a === n) sum += amps;
            if (e.b === n) sum -= amps;
            if (e.a === n || e.b === n) scale += Math.abs(amps);
          }
          expect(Math.abs(sum)).toBeLessThanOrEqual(1e-6 * scale + 1e-10);
        }
      }),
      { numRuns: 200 },
    );
  });

  test('passive parts never give more power than the sources put in', () => {
    fc.assert(
      fc.property(circuit(true), (netlist) => {
        const [volt, amps, ...power] = operatingPoint(netlist, (p) => {
          const source = netlist.elements.find((e) => e.id === 'v1')!;
          return [
            voltageProbe(p, source.a),
            currentProbe(p, 'v1'),
            ...netlist.elements
              .filter((e) => e.kind !== 'voltage')
              .map((e) => {
                const v = voltageProbe(p, e.a, e.b);
                const i = currentProbe(p, e.id);
                return (s: System, t: number) => v(s, t) * i(s, t);
              }),
          ];
        });
        const given = -volt * amps;
        for (const p of power) expect(p).toBeGreaterThanOrEqual(-1e-9 * Math.max(1, given));
        expect(Math.abs(power.reduce((a, b) => a + b, 0) - given)).toBeLessThanOrEqual(
          1e-6 * Math.abs(given) + 1e-9,
        );
      }),
      { numRuns: 100 },
    );
  });

  test('on a linear circuit, scaling resistances and source voltages alike leaves the currents', () => {
    fc.assert(
      fc.property(circuit(false), fc.double({ min: 0.01, max: 100, noNaN: true }), (netlist, k) => {
        const scaled: Netlist = {
          ...netlist,
          elements: netlist.elements.map((e) =>
            e.kind === 'resistor'
              ? { ...e, ohms: e.ohms * k }
              : e.kind === 'voltage' && e.wave.kind === 'dc'
                ? { ...e, wave: { kind: 'dc', level: e.wave.level * k } }
                : e,
          ),
        };
        const amps = (n: Netlist): number[] =>
          operatingPoint(n, (p) => n.elements.map((e) => currentProbe(p, e.id)));
        const [one, two] = [amps(netlist), amps(scaled)];
        const scale = Math.max(...one.map(Math.abs));
        one.forEach((i, n) => expect(Math.abs(i - two[n])).toBeLessThanOrEqual(1e-9 * scale + 1e-15));
      }),
      { numRuns: 100 },
    );
  });

  test('chains of diodes and resistors, fused, carry what they carry apart', () => {
    // The same string twice: once bare, once with a tap on every joint that keeps it from being fused.
    const string = (tap: number | null): Netlist => {
      const taps =
        tap === null
          ? []
          : ['b', 'c'].map((n): Element => ({ kind: 'resistor', id: `tap${n}`, a: n, b: '0', ohms: tap }));
      return {
        title: 'string',
        elements: [
          { kind: 'voltage', id: 'v1', a: 'a', b: '0', wave: { kind: 'dc', level: 12 } },
          { kind: 'resistor', id: 'r1', a: 'a', b: 'b', ohms: 470 },
          { kind: 'diode', id: 'd1', a: 'b', b: 'c', model: led },
          { kind: 'diode', id: 'd2', a: 'c', b: '0', model: led },
          ...taps,
        ],
      };
    };
    const read = (n: Netlist): number[] =>
      operatingPoint(n, (p) => [
        currentProbe(p, 'd1'),
        voltageProbe(p, 'b'),
        voltageProbe(p, 'c'),
        currentProbe(p, 'r1'),
      ]);
    const [bare, tapped] = [read(string(null)), read(string(1e12))];
    bare.forEach((figure, i) => expect(figure / tapped[i]).toBeCloseTo(1, 6));
    expect(compile(string(null)).nodes).toEqual(['a']);
  });
});

describe('what cannot be solved is refused by name', () => {
  const source: Element = { kind: 'voltage', id: 'v1', a: 'a', b: '0', wave: { kind: 'dc', level: 5 } };
  const refused = (...elements: Element[]): CircuitError => {
    try {
      const netlist = { title: '', elements };
      checkStructure(netlist, false);
      const system = new System(compile(netlist), true);
      system.setSources(0);
      settle(system, 0, false);
    } catch (error) {
      if (error instanceof CircuitError) return error;
      throw error;
    }
    throw new Error('it was solved');
  };
  test('a node behind a capacitor alone', () => {
    const e = refused(source, { kind: 'capacitor', id: 'c1', a: 'a', b: 'b', farads: 1e-6 });
    expect([e.kind, e.nodes, e.elements]).toEqual(['floating-node', ['b'], ['c1']]);
  });
  test('two sources in a loop', () => {
    const e = refused(source, { ...source, id: 'v2' });
    expect(e.kind).toBe('source-loop');
    expect([...e.elements].sort()).toEqual(['v1', 'v2']);
  });
  test('a coil across a source, at rest', () => {
    expect(refused(source, { kind: 'inductor', id: 'l1', a: 'a', b: '0', henries: 1 }).elements).toContain(
      'l1',
    );
  });
  test('nothing on ground', () => {
    expect(
      refused({ ...source, b: 'b' }, { kind: 'resistor', id: 'r1', a: 'a', b: 'b', ohms: 1 }).kind,
    ).toMatch(/no-ground|floating-node/);
  });
  test('figures no part can have, and names given twice', () => {
    const r: Element = { kind: 'resistor', id: 'r1', a: 'a', b: '0', ohms: -1 };
    expect(refused(source, r).kind).toBe('bad-value');
    expect(refused(source, { ...r, ohms: 1 }, { ...r, ohms: 2 }).kind).toBe('duplicate-name');
  });
});

describe('waves', () => {
  test('DCC halves: 58 us for a one (NMRA S-9.1), edges of one microsecond, corners where they are', () => {
    const s = signalOf({ kind: 'dcc', amplitude: 15, bits: '10', oneHalf: 58e-6, zeroHalf: 100e-6 });
    expect(s.period).toBeCloseTo(316e-6, 12);
    expect([30e-6, 90e-6, 150e-6, 250e-6].map((t) => s.at(t))).toEqual([15, -15, 15, -15]);
    expect(s.at(0.5e-6)).toBeCloseTo(0, 9);
    expect(s.nextCorner(0)).toBeCloseTo(1e-6, 12);
    expect(s.nextCorner(1e-6)).toBeCloseTo(58e-6, 12);
    expect(s.nextCorner(316e-6 * 7 + 2e-6)).toBeCloseTo(316e-6 * 7 + 58e-6, 12);
  });
  test('corners of any periodic wave always lie ahead', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 5, noNaN: true }),
        fc.stringMatching(/^[01]{1,12}$/),
        (t, bits) => {
          const s = signalOf({ kind: 'dcc', amplitude: 1, bits, oneHalf: 58e-6, zeroHalf: 100e-6 });
          const next = s.nextCorner(t);
          expect(next).toBeGreaterThan(t);
          expect(next - t).toBeLessThan(101e-6);
        },
      ),
    );
  });
});
