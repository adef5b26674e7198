import { describe, expect, test } from 'vitest';
import { emptyLayout } from '../document/empty-layout';
import { change, patched } from '../document/patch';
import { freshJob } from '../kinds/fresh';
import { benchOf } from '../study/bench';
import { usualReadings } from '../study/solver';
import { checkJob } from './check';
import type { Finding } from './finding';
import type { Layout } from '../document/layout';

/** Lamps on a bus of 24 V in strings, a resistor in each. */
function row(lamps: number, inSeries: number, ohms: number): { layout: Layout; jobId: string } {
  const made = freshJob(
    emptyLayout('Saltmarsh Halt'),
    'lamp',
    { kind: 'layout-bus' },
    {
      sort: 'bracket',
      lamps: String(lamps),
    },
  );
  return {
    jobId: made.jobId,
    layout: change(made.layout, (draft) => {
      const job = draft.jobs[made.jobId];
      Object.assign(draft.supplies[job.supplyId], { volts: 24, highestVolts: 24 });
      for (const c of Object.values(job.circuits))
        Object.assign(c, { limit: 'each', inSeries, ohms, ratedWatts: 1 });
    }).layout,
  };
}
const told = ({ layout, jobId }: ReturnType<typeof row>): Finding | undefined =>
  checkJob(layout, jobId).find((f) => f.rule === 'odd-string');
const ampsOf = (layout: Layout, jobId: string): number[] =>
  usualReadings(benchOf(layout, jobId)).dies.map((d) => d.litAmps);

describe('a lamp that is left over from its strings', () => {
  test('thirteen in sixes: the last carries (24 - Vf)/R where the others carry (24 - 6 Vf)/R (Ohm’s law)', () => {
    const of = row(13, 6, 1500);
    const found = told(of)!;
    expect(found.title).toBe('Lamp 13 is left over from the strings');
    const { dies } = usualReadings(benchOf(of.layout, of.jobId));
    const [whole, odd] = [dies[0], dies[12]];
    expect(whole.litAmps).toBeCloseTo((24 - 6 * whole.volts.mean) / 1500, 4);
    expect(odd.litAmps).toBeCloseTo((24 - odd.volts.mean) / 1500, 4);
    expect(found.figures[1]).toMatchObject({ is: odd.litAmps, limit: whole.litAmps });
  });
  test('thirteen come out even in no strings but of one, each as bright as a whole string was', () => {
    const { layout, jobId } = row(13, 6, 1500);
    const found = told({ layout, jobId })!;
    expect(found.remedies.map((r) => r.label)).toEqual([
      expect.stringMatching(/^Each lamp by itself, 4.7 kΩ in each$/),
    ]);
    const after = ampsOf(patched(layout, found.remedies[0].patches), jobId);
    const [was] = ampsOf(layout, jobId);
    for (const amps of after) {
      expect(amps / was).toBeGreaterThan(0.8);
      expect(amps / was).toBeLessThan(1.05);
    }
  });
  test('ten in fours are offered in twos first', () => {
    const { layout, jobId } = row(10, 4, 2200);
    const found = told({ layout, jobId })!;
    expect(found.title).toBe('Lamps 9 and 10 are left over from the strings');
    expect(found.remedies[0].label).toMatch(/^Strings of 2, /);
    expect(told({ layout: patched(layout, found.remedies[0].patches), jobId })).toBeUndefined();
  });
  test('twelve in sixes, and one string alone that is not full, are quiet', () => {
    expect(told(row(12, 6, 1500))).toBeUndefined();
    expect(told(row(4, 6, 1500))).toBeUndefined();
  });
});
