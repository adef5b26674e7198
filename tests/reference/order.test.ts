import fc from 'fast-check';
import { expect, test } from 'vitest';
import { deckName, writeDeck } from '../../core/circuit/deck/write';
import { orderOf } from '../../core/build/order/order';
import { assemblyAt } from '../../core/build/order/replay';
import { benchOf } from '../../core/study/bench';
import { freeEnds, testerTouch, withTester } from '../../core/study/tester-touch';
import { asSolved, asWired } from '../../core/study/wired';
import { formatQuantity } from '../../core/quantity/format';
import { generatedJobs, generatedKinds } from '../kinds';
import { referenceVector, runReference } from './simulator';

/** Tests that are compared. */
const SAMPLE = 60;
/** The order says a current with two digits; the reference is compared before they are rounded. */
const SHARE = 0.01;

test('what a test on the way says is what the reference says of what is joined by then, with the tester in it', async () => {
  let compared = 0;
  let lit = 0;
  const jobs = fc.sample(fc.oneof(...generatedKinds.map((k) => generatedJobs[k])), {
    numRuns: 120,
    seed: 31,
  });
  for (const { layout, jobId } of jobs) {
    if (compared >= SAMPLE) break;
    const bench = benchOf(layout, jobId);
    const made = orderOf(bench);
    if (!made.ok) continue;
    const wired = asWired(bench).assembly;
    const facts = new Set<string>();
    for (const task of made.order.tasks) {
      if (task.id.startsWith('retest ')) {
        const then = { ...bench, assembly: asSolved(bench.assembly, wired, assemblyAt(wired, facts)) };
        const [lamp] = task.parts;
        const { amps, lit: shining } = testerTouch(then, lamp);
        const { bench: there, red, black } = freeEnds(then, lamp);
        const { lowered } = withTester(there, red, black);
        const tester = lowered.netlist.elements.find((e) => e.id === 'v_tester')!;
        const label = `i(${deckName(tester)})`;
        const deck = writeDeck(lowered.netlist, { cards: ['.op', `.print op ${label}`] });
        const theirs = -referenceVector(await runReference(deck), label)[0];
        expect(Math.abs(amps - theirs), `${jobId}: ${task.id}`).toBeLessThanOrEqual(
          SHARE * Math.abs(theirs) + 1e-6,
        );
        if (shining > 0) {
          expect(task.says).toContain(formatQuantity(amps, 'amp', { significant: 2 }));
          lit++;
        } else expect(task.says).toContain('dark');
        compared++;
      }
      for (const fact of task.makes) facts.add(fact);
    }
  }
  expect(compared).toBeGreaterThanOrEqual(SAMPLE);
  expect(lit).toBeGreaterThan(SAMPLE / 2);
});
