import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { generatedJobs, generatedKinds } from '../../tests/kinds';
import { checkLayout, readLayout } from '../document/file';
import { change, patched } from '../document/patch';
import { anyJobIn } from '../document/jobs';
import { presetNameOf, presetOf } from '../document/presets';
import { benchOf } from './bench';
import { compareStudy } from '../finding/compare';
import { keptAsItStands, otherWays, wiredBy } from './other-ways';
import { Solver } from './solver';
import { truthTable } from './truth-table';
import type { Layout } from '../document/layout';

const read = readLayout(readFileSync('demo/brackwater-quay.hazel.json', 'utf8'));
if (!read.ok) throw new Error('the demo is broken');
const demo = read.layout;

/** The greatest current that lights a lamp of each circuit in any state. */
function brightest(layout: Layout, jobId: string): Map<string, number> {
  const bench = benchOf(layout, jobId);
  const most = new Map<string, number>();
  for (const { readings } of truthTable(bench, new Solver(bench)).rows)
    for (const d of readings.dies)
      if (d.circuitId !== null) most.set(d.circuitId, Math.max(most.get(d.circuitId) ?? 0, d.litAmps));
  return most;
}

describe('a job kept as it stands', () => {
  test('is what it was wherever the job has got to since, for every kind', () => {
    for (const kind of generatedKinds)
      fc.assert(
        fc.property(generatedJobs[kind], ({ layout, jobId }) => {
          const kept = keptAsItStands(layout, jobId);
          const changed = change(layout, (draft) => {
            const job = anyJobIn(draft, jobId);
            for (const lamp of Object.values(job.lamps)) lamp.circuitId = null;
            job.circuits = {};
          }).layout;
          const back = patched(changed, kept);
          expect(back).toEqual(layout);
          expect(checkLayout(back).ok).toBe(true);
        }),
        { numRuns: 8 },
      );
  });
});

describe('another way beside the one it is built by', () => {
  const jobs = Object.entries(demo.jobs).filter(([, job]) => otherWays(job).length > 0);

  test('is offered for vehicles and models of the demo, never the one they have, and not for scenery', () => {
    expect(new Set(jobs.map(([, j]) => j.kind))).toEqual(
      new Set(['coach', 'locomotive', 'display-model', 'signal', 'crossing']),
    );
    for (const [, job] of jobs)
      for (const { id } of otherWays(job)) {
        const feeds = Object.keys(job.circuits).map((c) => presetNameOf(job, c));
        expect(feeds.every((f) => f === id)).toBe(false);
      }
  });

  test.each(jobs.map(([id, job]) => [job.name, id]))('%s: each is laid, sound, and as bright', (_, jobId) => {
    const before = brightest(demo, jobId);
    for (const { id } of otherWays(demo.jobs[jobId])) {
      const { patches, refused } = wiredBy(demo, jobId, id);
      if (patches === null) {
        expect(refused).toMatch(/\d/);
        continue;
      }
      const made = patched(demo, patches);
      expect(checkLayout(made).ok).toBe(true);
      const job = anyJobIn(made, jobId);
      const { limit } = presetOf(id).circuit;
      for (const [circuitId, circuit] of Object.entries(job.circuits)) {
        if (presetNameOf(job, circuitId) !== id || limit === 'none') continue;
        const [is, was] = [brightest(made, jobId).get(circuitId) ?? 0, before.get(circuitId) ?? 0];
        // The next of E12 above takes up to a fifth; nothing is brighter than it was by more than the curve bends.
        // Where next to no resistance is left there are no volts for more, as behind a bridge on two cells.
        const open = circuit.ohms <= 1.2;
        if (was > 1e-3 && circuit.inSeries === 1 && !open) expect(is / was).toBeGreaterThan(0.75);
        if (was > 1e-3) expect(is / was).toBeLessThan(1.05);
      }
    }
  });

  test('stands in the comparison by its name, with its own figures', () => {
    const [jobId] = jobs.find(([, j]) => j.kind === 'locomotive')!;
    const [way] = otherWays(demo.jobs[jobId]);
    const { patches } = wiredBy(demo, jobId, way.id);
    const beside = change(demo, (draft) => {
      anyJobIn(draft, jobId).variants = {
        kept: { order: 1, name: 'Kept', patches: keptAsItStands(demo, jobId) as never },
        other: { order: 2, name: way.name, patches: patches as never },
      };
    }).layout;
    const [now, kept, other] = compareStudy(beside, jobId);
    expect(other.name).toBe(way.name);
    expect({ ...kept, variantId: null, name: now.name }).toEqual(now);
    expect(other).not.toEqual({ ...now, variantId: 'other', name: way.name });
  });
});
