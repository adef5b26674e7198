import { describe, expect, test } from 'vitest';
import { answerDeck } from '../../core/circuit/deck/answer';
import { readDeck } from '../../core/circuit/deck/read';
import { averages, referenceVector, runReference } from './simulator';

/** Two transistors that switch one another, started with unlike halves. */
const flasher = (
  volts: number,
  oneOhms: number,
  otherOhms: number,
  farads: number,
  seconds: number,
): string => `A flasher
vcc p 0 ${volts}
d1 p a1 lamp
r1 a1 c1 680
d2 p a2 lamp
r2 a2 c2 680
rb1 p b1 ${oneOhms}
rb2 p b2 ${otherOhms}
q1 c1 b1 0 small
q2 c2 b2 0 small
ca c1 b2 ${farads} ic=3.1
cb c2 b1 ${farads} ic=${volts - 2.65}
cs1 c1 0 1n ic=0.1
cs2 c2 0 1n ic=${volts - 2}
cs3 b1 0 1n ic=0.65
cs4 b2 0 1n ic=-3
.model small npn(is=1e-14 bf=200 br=3 rb=20 re=0.5)
.model lamp d(is=1e-18 n=3 rs=8)
.tran ${seconds / 2000} ${seconds} 0 ${seconds / 5000} uic
.print tran v(c1)
.end`;

/** Moments at which a curve rises and falls through a level, on straight lines. */
function crossings(
  axis: readonly number[],
  values: readonly number[],
  level: number,
): { up: number[]; down: number[] } {
  const found: { up: number[]; down: number[] } = { up: [], down: [] };
  for (let i = 1; i < axis.length; i++) {
    const [before, after] = [values[i - 1] - level, values[i] - level];
    if (before * after > 0 || before === after) continue;
    const at = axis[i - 1] + ((axis[i] - axis[i - 1]) * before) / (before - after);
    (after > before ? found.up : found.down).push(at);
  }
  return found;
}

/** Period, share of it above half the supply, and mean over the last whole period. */
function beat(axis: readonly number[], values: readonly number[], volts: number) {
  const { up, down } = crossings(axis, values, volts / 2);
  const [from, to] = up.slice(-2);
  const fall = down.find((t) => t > from)!;
  return {
    period: to - from,
    share: (fall - from) / (to - from),
    mean: averages(axis, values, from, to).mean,
  };
}

describe.each([
  [9, 47e3, 47e3, 10e-6],
  [12, 22e3, 68e3, 22e-6],
  [5, 100e3, 47e3, 4.7e-6],
] as const)('a flasher on %d V with %d and %d ohm', (volts, oneOhms, otherOhms, farads) => {
  const expected = Math.LN2 * (oneOhms + otherOhms) * farads;
  const deck = flasher(volts, oneOhms, otherOhms, farads, Number((4.2 * expected).toPrecision(2)));
  const { rows } = answerDeck(readDeck(deck));
  const ours = beat(
    rows.map((r) => r[0]),
    rows.map((r) => r[1]),
    volts,
  );
  test('beats as in the reference simulator', async () => {
    const answer = await runReference(deck);
    const theirs = beat(answer.axis, referenceVector(answer, 'v(c1)'), volts);
    expect(Math.abs(ours.period / theirs.period - 1)).toBeLessThan(0.01);
    expect(Math.abs(ours.share - theirs.share)).toBeLessThan(0.01);
    expect(Math.abs(ours.mean / theirs.mean - 1)).toBeLessThan(0.01);
  });
  test('about ln 2 of R C for each half (closed form; lamp and junction shorten what the capacitor swings)', () => {
    expect(ours.period / expected).toBeGreaterThan(0.6);
    expect(ours.period / expected).toBeLessThan(1.1);
  });
});
