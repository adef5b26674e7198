import { expect } from 'vitest';
import { answerDeck } from '../../core/circuit/deck/answer';
import { readDeck } from '../../core/circuit/deck/read';
import { averages, referenceVector, runReference, sampledAt } from './simulator';

/** Static answers agree within 0.5 %, transient averages within 1 %. */
const STATIC_SHARE = 0.005;
const AVERAGE_SHARE = 0.01;

/**
 * Solves a deck here and in the reference simulator and compares: every point of an operating
 * point or sweep, mean, mean without sign and root mean square over the printed rows of a transient.
 * A reference run that did not reach its stop time is rejected.
 * @param leastVolts below which a voltage is only what leaks past something dark, and is not compared
 */
export async function expectSameAsReference(source: string, leastVolts = 0): Promise<void> {
  const deck = readDeck(source);
  const ours = answerDeck(deck);
  const reference = await runReference(source);
  const { analysis } = deck;
  deck.vectors.forEach((vector, v) => {
    const theirs = referenceVector(reference, vector.label);
    const column = analysis.kind === 'op' ? v : v + 1;
    const mine = ours.rows.map((row) => row[column]);
    if (analysis.kind === 'tran') {
      expect(reference.axis[reference.axis.length - 1], 'the reference reached its stop time').toBeCloseTo(
        analysis.stop,
        9,
      );
      const axis = ours.rows.map((row) => row[0]);
      const to = axis[axis.length - 1];
      const a = averages(axis, mine, analysis.start, to);
      const b = averages(axis, sampledAt(axis, reference.axis, theirs), analysis.start, to);
      // What swings to both sides has a mean near nothing; its size is what an error is measured by.
      if (vector.kind === 'voltage' && b.magnitude < leastVolts) return;
      const room = AVERAGE_SHARE * b.magnitude;
      for (const figure of ['mean', 'magnitude'] as const) {
        expect(
          Math.abs(a[figure] - b[figure]),
          `${vector.label}: ${figure} ${a[figure]} against ${b[figure]}`,
        ).toBeLessThanOrEqual(room);
      }
      expect(Math.abs(a.rms - b.rms), `${vector.label}: rms ${a.rms} against ${b.rms}`).toBeLessThanOrEqual(
        AVERAGE_SHARE * b.rms,
      );
      return;
    }
    expect(mine.length).toBe(theirs.length);
    const largest = Math.max(...theirs.map(Math.abs));
    mine.forEach((value, i) => {
      const room = STATIC_SHARE * Math.abs(theirs[i]) + 1e-6 * largest + 1e-11;
      expect(
        Math.abs(value - theirs[i]),
        `${vector.label}[${i}]: ${value} against ${theirs[i]}`,
      ).toBeLessThanOrEqual(room);
    });
  });
}
