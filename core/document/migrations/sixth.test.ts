import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { checkLayout, readLayout, writeLayout } from '../file';
import { patched, type Patch } from '../patch';
import { locomotiveIn } from '../../kinds/locomotive/jobs';
import { benchOf } from '../../study/bench';
import { usualReadings } from '../../study/solver';
import type { Layout } from '../layout';

type Plain = Record<string, Record<string, unknown>>;
const text = readFileSync(
  new URL('../../../tests/layouts/quay-version-5.hazel.json', import.meta.url),
  'utf8',
);
/** The quay as version 5 wrote it, changed before it is read. */
const opened = (recipe: (jobs: Record<string, Plain>) => void = () => undefined): Layout => {
  const old = JSON.parse(text) as { jobs: Record<string, Plain> };
  recipe(old.jobs);
  const read = checkLayout(old);
  if (!read.ok) throw new Error(JSON.stringify(read.complaints));
  return read.layout;
};

describe('a file of version 5', () => {
  test('opens, says where it came from, and is written as what it has become', () => {
    const read = readLayout(text);
    if (!read.ok) throw new Error(JSON.stringify(read.complaints));
    expect(read.migratedFrom).toBe(5);
    const again = readLayout(writeLayout(read.layout));
    expect(again.ok && again.layout).toEqual(read.layout);
  });
  test('the bore of a locomotive becomes a passage of each end, and is gone from its fit', () => {
    const layout = opened((jobs) => void (jobs['diesel-shunter'].fit.boreMillimetres = 2.2));
    const { passages, fit } = locomotiveIn(layout, 'diesel-shunter');
    expect(Object.values(passages).map((p) => [p.serves, p.boreMillimetres, p.carriesMillimetres])).toEqual([
      ['A', 2.2, null],
      ['B', 2.2, null],
    ]);
    expect(fit).not.toHaveProperty('boreMillimetres');
    expect(fit).not.toHaveProperty('threadedFirst');
  });
  test('joined before threading: the resistor, or a wider plug, hangs on the wires', () => {
    const layout = opened((jobs) => {
      jobs['diesel-shunter'].fit.threadedFirst = false;
      jobs['railcar-tern'].fit.threadedFirst = false;
    });
    const carried = (id: string): number | null =>
      locomotiveIn(layout, id).passages['end-A'].carriesMillimetres;
    // A body of 1/8 W is 1.8 mm, of 1/4 W 2.4 mm; an 8-pin plug 5.1 mm high (the tables of parts).
    expect(carried('diesel-shunter')).toBeGreaterThanOrEqual(1.8);
    expect(carried('diesel-shunter')).toBeLessThanOrEqual(2.4);
    expect(carried('railcar-tern')).toBeGreaterThanOrEqual(2.4);
  });
  test('every kind gets its passages, its wires and nothing done', () => {
    for (const job of Object.values(opened().jobs)) {
      expect(Object.keys(job.passages).length, job.kind).toBeGreaterThan(0);
      expect(job.progress).toEqual({ count: 1, tasks: {} });
    }
  });
  test('a variant that had another bore has it in the passages', () => {
    const layout = opened((jobs) => {
      jobs['diesel-shunter'].variants = {
        tight: {
          order: 1,
          name: 'Tight',
          patches: [
            { op: 'replace', path: ['jobs', 'diesel-shunter', 'fit', 'boreMillimetres'], value: 1.1 },
          ],
        },
      };
    });
    const { patches } = layout.jobs['diesel-shunter'].variants.tight;
    const tight = locomotiveIn(patched(layout, patches as Patch[]), 'diesel-shunter');
    expect(Object.values(tight.passages).map((p) => p.boreMillimetres)).toEqual([1.1, 1.1]);
  });
  // What the program of version 5 drew from the supply, in amperes, in the state of every day.
  test('nothing that is solved differs', () => {
    const layout = opened();
    const frozen = JSON.parse(
      readFileSync(new URL('../../../tests/frozen/answers.json', import.meta.url), 'utf8'),
    ) as { job: string; amps: number[] }[];
    for (const id of ['diesel-shunter', 'tug-dunlin']) {
      const { amps } = frozen.find((a) => a.job === `demo ${id}`)!;
      const now = usualReadings(benchOf(layout, id)).supplyAmps.mean;
      expect(amps.some((a) => Math.abs(a / now - 1) < 1e-3)).toBe(true);
    }
  });
});
