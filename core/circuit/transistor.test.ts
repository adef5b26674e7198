import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { THERMAL_VOLTS } from '../part/junction-model';
import { plainTransistor, type TransistorModel } from '../part/transistor-model';
import { answerDeck } from './deck/answer';
import { readDeck } from './deck/read';
import { writeDeck } from './deck/write';
import { CircuitError } from './error';
import { compile } from './plan';
import { currentProbe, voltageProbe } from './probe';
import { operatingPoint } from './sweep';
import { transistorCurrents } from './transistor';
import type { Netlist } from './netlist';

const model: TransistorModel = {
  ...plainTransistor,
  saturationAmps: 1e-14,
  forwardGain: 200,
  reverseGain: 4,
  earlyVolts: 80,
};
const law = (be: number, bc: number, of = model): Float64Array => {
  const out = new Float64Array(6);
  transistorCurrents(be, bc, of, out);
  return out;
};

/** A transistor with a resistor at its base and one at its collector, all of it turned over for PNP. */
function stage(polarity: 'npn' | 'pnp', baseOhms: number, collectorOhms: number, of = model): Netlist {
  const sign = polarity === 'npn' ? 1 : -1;
  return {
    title: 'stage',
    elements: [
      { kind: 'voltage', id: 'v1', a: 'p', b: '0', wave: { kind: 'dc', level: sign * 12 } },
      { kind: 'resistor', id: 'rb', a: 'p', b: 'b', ohms: baseOhms },
      { kind: 'resistor', id: 'rc', a: 'p', b: 'c', ohms: collectorOhms },
      { kind: 'transistor', id: 'q1', a: 'c', b: '0', c: 'b', polarity, model: of },
    ],
  };
}
const solved = (netlist: Netlist): { collector: number; base: number; amps: number } => {
  const [collector, base, amps] = operatingPoint(netlist, (p) => [
    voltageProbe(p, 'c'),
    voltageProbe(p, 'b'),
    currentProbe(p, 'q1'),
  ]);
  return { collector, base, amps };
};

describe('the law of a transistor', () => {
  test('its slopes are those of its currents (differences)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -3, max: 0.75, noNaN: true }),
        fc.double({ min: -12, max: 0.7, noNaN: true }),
        (be, bc) => {
          const h = 1e-7;
          const at = law(be, bc);
          for (const current of [0, 1]) {
            const byBe = (law(be + h, bc)[current] - law(be - h, bc)[current]) / (2 * h);
            const byBc = (law(be, bc + h)[current] - law(be, bc - h)[current]) / (2 * h);
            const room = (slope: number): number => 1e-4 * Math.abs(slope) + 1e-9;
            expect(Math.abs(at[2 + 2 * current] - byBe)).toBeLessThan(room(byBe));
            expect(Math.abs(at[3 + 2 * current] - byBc)).toBeLessThan(room(byBc));
          }
        },
      ),
      { numRuns: 300 },
    );
  });
  test('in the active region Ic = BF Ib without the Early effect, and grows with the volts by it (closed forms)', () => {
    const flat = { ...model, earlyVolts: Infinity };
    const [collector, base] = law(0.65, -5, flat);
    expect(collector / base).toBeCloseTo(200, 3);
    expect(collector).toBeCloseTo(1e-14 * Math.expm1(0.65 / THERMAL_VOLTS), 9);
    expect(law(0.65, -8)[0] / law(0.65, 0)[0]).toBeCloseTo(1 + 8 / 80, 2);
  });
  test('carries next to nothing when it is off', () => {
    expect(Math.abs(law(0, -12)[0])).toBeLessThan(2e-11);
    expect(Math.abs(law(-2, -12)[1])).toBeLessThan(2e-11);
  });
});

describe('a transistor in a circuit', () => {
  test('base current by Ohm’s law, collector current by the gain (closed form of an active stage)', () => {
    const { collector, base, amps } = solved(stage('npn', 1e6, 1000, { ...model, earlyVolts: Infinity }));
    expect(amps).toBeCloseTo((200 * (12 - base)) / 1e6, 8);
    expect(collector).toBeCloseTo(12 - 1000 * amps, 8);
    expect(base).toBeCloseTo(THERMAL_VOLTS * Math.log(amps / 1e-14), 5);
  });
  test('a saturated one leaves Vt ln((1 + BR)/BR) at least (Ebers and Moll, offset of a switch)', () => {
    const { collector } = solved(stage('npn', 10e3, 1e7));
    expect(collector).toBeGreaterThanOrEqual(THERMAL_VOLTS * Math.log(5 / 4) - 1e-6);
    expect(collector).toBeLessThan(0.02);
  });
  test('PNP is NPN turned over', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 3, max: 6.5, noNaN: true }),
        fc.double({ min: 1, max: 5, noNaN: true }),
        (b, c) => {
          const of = { ...model, baseOhms: 12, collectorOhms: 3, emitterOhms: 0.5 };
          const one = solved(stage('npn', 10 ** b, 10 ** c, of));
          const other = solved(stage('pnp', 10 ** b, 10 ** c, of));
          expect(other.collector).toBeCloseTo(-one.collector, 7);
          expect(other.amps).toBeCloseTo(-one.amps, 9);
        },
      ),
      { numRuns: 60 },
    );
  });
  test('Kirchhoff: what goes in at the supply comes out at the emitter', () => {
    const netlist = stage('npn', 47e3, 330, { ...model, emitterOhms: 2, baseOhms: 10 });
    const [drawn, collector, base] = operatingPoint(netlist, (p) => [
      currentProbe(p, 'v1'),
      currentProbe(p, 'q1'),
      currentProbe(p, 'rb'),
    ]);
    expect(-drawn).toBeCloseTo(collector + base, 9);
  });
  test('a base that nothing ties is refused by no one: its junction is its path to ground', () => {
    const { elements } = stage('npn', 1e5, 1000);
    const open: Netlist = { title: 'open base', elements: elements.filter((e) => e.id !== 'rb') };
    expect(solved(open).collector).toBeGreaterThan(11.99);
  });
  test.each([
    ['saturationAmps', 0, /saturation current/],
    ['forwardGain', -1, /current gain/],
    ['earlyVolts', -5, /Early/],
    ['baseOhms', -1, /series resistance/],
  ] as const)('%s of %d is refused by name', (key, figure, words) => {
    expect(() => compile(stage('npn', 1e5, 1e3, { ...model, [key]: figure }))).toThrow(words);
    expect(() => compile(stage('npn', 1e5, 1e3, { ...model, [key]: figure }))).toThrow(CircuitError);
  });
});

describe('in a deck', () => {
  const deck = (card: string, q = 'q1 c b 0 t'): string =>
    `t\nv1 p 0 12\nrb p b 1meg\nrc p c 1k\n${q}\n${card}\n.op\n.print op v(c)\n.end`;
  const collector = (text: string): number => answerDeck(readDeck(text)).rows[0][0];
  test('what the writer writes the reader reads the same', () => {
    const netlist = stage('pnp', 2e5, 470, { ...model, baseOhms: 10, emitterOhms: 1 });
    const text = writeDeck(netlist, { cards: ['.op', '.print op v(c)'] });
    expect(collector(text)).toBeCloseTo(solved(netlist).collector, 9);
  });
  test('twice the area is two side by side', () => {
    const one = 'q1 c b 0 t\nq2 c b 0 t';
    const card = '.model t npn(is=1e-14 bf=150 rb=20 re=1)';
    expect(collector(deck(card, 'q1 c b 0 t 2'))).toBeCloseTo(collector(deck(card, one)), 5);
  });
  test.each([
    ['.model t npn(is=1e-14 iss=0.1)', /^6: .*iss=0\.1.*transistor model/],
    ['.model t npn(bf=lots)', /^6: .*bf=lots/],
    ['.model t d(is=1e-14)', /^5: .*no transistor's model/],
    ['.model t njf(vto=-2)', /^6: .*njf is not known/],
    ['.model u npn()', /^5: .*no model t/],
  ])('%s is refused with its line', (card, words) => {
    expect(() => readDeck(deck(card))).toThrow(words);
  });
  test('at its knee current the gain is at 0.618 of its height; a leaking junction takes it at low currents', () => {
    // 2 / (1 + sqrt(1 + 4 If / IKF)) at If = IKF is 0.618; with the base driven by a current, Ib BF is If.
    const gain = (amps: number, more: string): number =>
      -answerDeck(
        readDeck(
          `t\ni1 0 b ${amps}\nv1 c 0 5\nq1 c b 0 t\n.model t npn(is=1e-14 bf=100 ${more})\n.op\n.print op i(v1)\n.end`,
        ),
      ).rows[0][0] / amps;
    expect(gain(1e-3, '')).toBeCloseTo(100, 1);
    expect(gain(1e-3, 'ikf=0.1')).toBeCloseTo(61.8, 1);
    expect(gain(1e-9, 'ise=1e-12 ne=2')).toBeLessThan(10);
  });
  test('one without three nodes is refused', () => {
    expect(() => readDeck(deck('.model t npn()', 'q1 c b t'))).toThrow(/^5: .*3 nodes/);
  });
});
