import { describe, expect, test } from 'vitest';
import { deckNode, writeDeck } from '../../core/circuit/deck/write';
import { GROUND, type Element, type Netlist } from '../../core/circuit/netlist';
import {
  addressableStrings,
  COLOUR_KNEE_VOLTS,
  IDLE_KNEE_VOLTS,
  lampColours,
  type AddressableName,
} from '../../core/part/addressable';
import { stringRun, type BuiltString, type Levels } from '../../core/study/string-run';
import { referenceVector, runReference } from './simulator';

/** A string with both of its conductors, each lamp three limiters behind their junctions and one for what controls it. */
function netlistOf({ sort, lamps, supplyVolts, feeds }: BuiltString, levels: (k: number) => Levels): Netlist {
  const { ohmsPerLamp, colourAmps, idleAmps } = addressableStrings[sort];
  const elements: Element[] = [
    { kind: 'voltage', id: 'v_supply', a: 'supply', b: GROUND, wave: { kind: 'dc', level: supplyVolts } },
  ];
  const resistor = (id: string, a: string, b: string, ohms: number): void =>
    void elements.push({ kind: 'resistor', id, a, b, ohms });
  feeds.forEach(({ at, ohms }, i) => {
    resistor(`r_feed_plus_${i}`, 'supply', `plus_${at}`, ohms / 2);
    resistor(`r_feed_minus_${i}`, `minus_${at}`, GROUND, ohms / 2);
  });
  for (let k = 0; k < lamps; k++) {
    const [plus, minus] = [`plus_${k}`, `minus_${k}`];
    if (k > 0) {
      resistor(`r_plus_${k}`, `plus_${k - 1}`, plus, ohmsPerLamp / 2);
      resistor(`r_minus_${k}`, minus, `minus_${k - 1}`, ohmsPerLamp / 2);
    }
    elements.push({
      kind: 'limiter',
      id: `i_idle_${k}`,
      a: plus,
      b: minus,
      limitAmps: idleAmps,
      kneeVolts: IDLE_KNEE_VOLTS,
    });
    lampColours.forEach((c, i) => {
      const level = levels(k)[i];
      if (level === 0) return;
      const node = `colour_${k}_${i}`;
      elements.push(
        {
          kind: 'limiter',
          id: `i_${k}_${i}`,
          a: plus,
          b: node,
          limitAmps: colourAmps * level,
          kneeVolts: COLOUR_KNEE_VOLTS,
        },
        { kind: 'voltage', id: `v_${k}_${i}`, a: node, b: minus, wave: { kind: 'dc', level: c.volts } },
      );
    });
  }
  return { title: 'string', elements };
}

const near = { at: 0, ohms: 0.1 };
const white: Levels = [1, 1, 1];
const decks: readonly (readonly [
  string,
  AddressableName,
  number,
  BuiltString['feeds'],
  (k: number) => Levels,
])[] = [
  ['a ring in white', 'ring', 24, [near], () => white],
  ['a ring that chases', 'ring', 24, [near], (k) => (k % 8 < 3 ? [1, 0.5, 0] : [0, 0, 0])],
  ['ribbon in white', 'ribbon-60', 30, [near], () => white],
  ['ribbon in red', 'ribbon-60', 30, [near], () => [1, 0, 0]],
  ['ribbon fed at both ends', 'ribbon-60', 30, [near, { at: 29, ohms: 0.3 }], () => white],
  ['dense ribbon, dimmed', 'ribbon-144', 40, [near], () => [0.3, 0.3, 0.3]],
  ['dense ribbon fed in the middle', 'ribbon-144', 40, [{ at: 20, ohms: 0.2 }], () => [1, 0.8, 0.4]],
  ['loose lamps in white', 'wire-100', 20, [near], () => white],
  ['loose lamps starving behind a thin feed', 'wire-100', 20, [{ at: 0, ohms: 2.5 }], () => white],
  ['colours along the lamps', 'ribbon-60', 24, [near], (k) => [k / 23, 1 - k / 23, 0.5]],
];

describe('current and volts along a string against the reference simulator, within 0.5 %', () => {
  test.each(decks)('%s', async (_, sort, lamps, feeds, levels) => {
    const of: BuiltString = { sort, lamps, supplyVolts: 5, feeds };
    const run = stringRun(of, levels);
    const netlist = netlistOf(of, levels);
    const all = Array.from({ length: lamps }, (__, k) => k);
    const vectors = all.map((k) => `v(${deckNode(`plus_${k}`)},${deckNode(`minus_${k}`)})`);
    const answer = await runReference(
      writeDeck(netlist, { cards: ['.op', `.print op ${vectors.join(' ')} i(v_supply)`] }),
    );
    vectors.forEach((v, k) =>
      expect(Math.abs(run.lamps[k].volts / referenceVector(answer, v)[0] - 1)).toBeLessThan(0.005),
    );
    const drawn = Math.abs(referenceVector(answer, 'i(v_supply)')[0]);
    expect(Math.abs(run.amps / drawn - 1)).toBeLessThan(0.005);
  });
});
