import fc from 'fast-check';
import { expect, test } from 'vitest';
import { answerDeck } from '../../core/circuit/deck/answer';
import { readDeck } from '../../core/circuit/deck/read';
import { benchOf } from '../../core/study/bench';
import { jobDeck } from '../../core/study/job-deck';
import { usualReadings } from '../../core/study/solver';
import { anyJobIn } from '../../core/document/jobs';
import { inOrder } from '../../core/document/in-order';
import { change } from '../../core/document/patch';
import { usualSupply } from '../../core/document/usual-supply';
import { coachIn } from '../../core/kinds/coach/jobs';
import type { Layout } from '../../core/document/layout';
import { putOnSupply, rectifierOf, stageOf } from '../../core/document/line-stages';
import { lineOf } from '../roof';
import { boatTrain, demo, demoJob, generatedLayout } from '../generated';
import { expectSameAsReference } from './compare';
import { averages } from './simulator';

test('the written netlist of the demo job gives the same answer in both', async () => {
  const bench = benchOf(demo(), demoJob);
  await expectSameAsReference(jobDeck(bench, usualReadings(bench)).deck);
});

test('the periodic steady state is what the written netlist, run from it, goes on doing', () => {
  const bench = benchOf(demo(), demoJob);
  const steady = usualReadings(bench);
  const { headings, rows } = answerDeck(readDeck(jobDeck(bench, steady).deck));
  const column = headings.findIndex((h) => h.startsWith('v(resistor_lamp_1_two'));
  const mean = averages(
    rows.map((r) => r[0]),
    rows.map((r) => r[column]),
    0,
    20 * steady.period,
  ).mean;
  expect(mean / steady.dies[0].volts.mean).toBeCloseTo(1, 4);
});

/** Whether current flows that can be compared; below this the reference's own rounding is as large. */
function isLit(layout: Layout): boolean {
  const { dies } = usualReadings(benchOf(layout, demoJob));
  return dies.some((l) => l.amps.mean > 1e-4);
}

test('generated jobs with a bridge give the same answer in both', async () => {
  const sound = generatedLayout.filter((l) => {
    const job = coachIn(l, demoJob);
    return (
      rectifierOf(lineOf(job)) !== 'none' &&
      // From given conditions the reference does not always find a start for a regulator behind a
      // bridge; the table of combinations has the cases in which it does.
      stageOf(lineOf(job), 'regulator') === null &&
      Object.values(job.circuits).every((g) => g.limit !== 'none' && g.ohms >= 100) &&
      Object.values(job.lamps).some((x) => x.circuitId !== null) &&
      isLit(l)
    );
  });
  const layouts = fc.sample(sound, { numRuns: 10, seed: 7 });
  for (const layout of layouts) {
    const bench = benchOf(layout, demoJob);
    await expectSameAsReference(jobDeck(bench, usualReadings(bench)).deck);
  }
});

test.each([
  ['compartment-coach', 'cell'],
  ['railcar-tern', 'cell'],
  ['harbour-office', 'layout-bus'],
  ['quay-lamps', 'cell'],
] as const)('a circuit of %s on a %s of its own gives the same answer in both', async (jobId, kind) => {
  const { layout } = change(boatTrain(), (draft) => {
    draft.supplies.own = usualSupply(kind, draft.scale, 99);
    const job = anyJobIn(draft, jobId);
    putOnSupply(job, inOrder(job.circuits)[0].id, 'own');
  });
  const bench = benchOf(layout, jobId);
  const readings = usualReadings(bench);
  expect(readings.beside.get('rails-own')!.amps.mean).toBeGreaterThan(1e-4);
  await expectSameAsReference(jobDeck(bench, readings).deck);
});
