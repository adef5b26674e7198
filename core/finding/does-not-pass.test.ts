import { describe, expect, test } from 'vitest';
import { displayId, tug } from '../../tests/display-models';
import { onRails, vehicleId } from '../../tests/vehicles';
import { anyJobIn } from '../document/jobs';
import { change, patched } from '../document/patch';
import { checkJob } from './check';
import type { Draft } from 'immer';
import type { AnyJob, Layout } from '../document/layout';

const found = (layout: Layout, jobId: string) =>
  checkJob(layout, jobId).filter((f) => f.rule === 'does-not-pass');
const withJob = (layout: Layout, jobId: string, recipe: (job: Draft<AnyJob>) => void): Layout =>
  change(layout, (draft) => recipe(anyJobIn(draft, jobId))).layout;

describe('what leads go through', () => {
  test('four lamps of two leads of 0.5 mm take the hole that eight side by side need, and a bore below that is told', () => {
    const layout = onRails('shared-both-ways');
    const lamps = Object.values(anyJobIn(layout, vehicleId).lamps).filter(
      (l) => (l as unknown as { end: string }).end === 'A',
    );
    // Eight equal circles in a circle: 3.3048 of one (published packings).
    expect(lamps).toHaveLength(4);
    const needs = 0.5 * 3.3048;
    const at = (mm: number): Layout =>
      withJob(layout, vehicleId, (j) => void (j.passages['end-A'].boreMillimetres = mm));
    expect(found(at(needs + 0.01), vehicleId)).toEqual([]);
    const [finding] = found(at(needs - 0.01), vehicleId);
    expect(finding.figures[0].limit).toBeCloseTo(needs, 9);
    expect(finding.paths).toEqual([['jobs', vehicleId, 'passages', 'end-A']]);
    expect(finding.remedies.map((r) => r.label)).toEqual([
      expect.stringMatching(/^Thinner wire/),
      expect.stringMatching(/^Open it to /),
    ]);
    for (const { patches } of finding.remedies)
      expect(found(patched(at(needs - 0.01), patches), vehicleId)).toEqual([]);
  });
  test('a plug that is on the wires already does not pass, and bare wire does (common practice, no source)', () => {
    const plugged = withJob(
      tug(100),
      displayId,
      (j) => void Object.assign(j.passages.tube, { boreMillimetres: 2, carriesMillimetres: 2.5 }),
    );
    const [finding] = found(plugged, displayId);
    expect(finding.sentence).toMatch(/2\.5 mm across.*2 mm/);
    expect(finding.remedies[0].label).toMatch(/^Thread the wire by itself/);
    expect(found(patched(plugged, finding.remedies[0].patches), displayId)).toEqual([]);
  });
  test('a passage nothing goes through is not judged', () => {
    const other = withJob(tug(100), displayId, (j) => {
      Object.assign(j.passages.tube, { serves: 'elsewhere', boreMillimetres: 0.2 });
    });
    expect(found(other, displayId)).toEqual([]);
  });
});

describe('colours the wire does not come in', () => {
  test('magnet wire and the decoder’s colours: told, and cured by a code of few that are to be had', () => {
    const layout = withJob(onRails('resistor-each'), vehicleId, (j) => {
      j.wires = { lamps: 'magnet-0.15', feed: 'magnet-0.15' };
    });
    const told = (of: Layout) => checkJob(of, vehicleId).filter((f) => f.rule === 'wire-not-sold');
    const [finding] = told(layout);
    expect(finding.severity).toBe('note');
    expect(finding.sentence).toMatch(/Magnet wire 0\.15 mm in (black|white)/);
    expect(told(patched(layout, finding.remedies[0].patches))).toEqual([]);
    expect(told(onRails('resistor-each'))).toEqual([]);
  });
});
