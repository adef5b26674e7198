import fc from 'fast-check';
import { expect, test } from 'vitest';
import { demoJob, generatedLayout } from '../../tests/generated';
import { patched } from '../document/patch';
import { checkJob } from './check';
import { rules } from './rules';

/**
 * Rules that name a cure in words, as no single change is one; and two that few generated jobs have,
 * whose remedies are applied in tests of their own.
 */
const withoutRemedy = [
  'supply-overload',
  'cell-load',
  'cell-hours',
  'limiter-headroom',
  'flicker',
  'station-stop',
  'uneven-light',
  // Those of fit are seen to in fit-rules.test.ts.
  'shows-through',
  'light-leak',
  'out-of-reach',
  'leads-at-hinge',
  'does-not-fit',
];

const cured = new Map<string, number>();

test('every remedy, applied to a generated job, clears its finding and adds nothing to stop for', () => {
  fc.assert(
    fc.property(generatedLayout, (layout) => {
      const before = checkJob(layout, demoJob);
      const stops = new Set(before.filter((f) => f.severity === 'stop').map((f) => f.id));
      for (const finding of before) {
        for (const remedy of finding.remedies) {
          const after = checkJob(patched(layout, remedy.patches), demoJob);
          const left = after.find((f) => f.id === finding.id);
          expect(
            left,
            `${finding.id}: ${remedy.label}\n${finding.sentence}\nstill: ${left?.sentence ?? ''}`,
          ).toBeUndefined();
          const added = after.filter((f) => f.severity === 'stop' && !stops.has(f.id));
          expect(
            added.map((f) => `${f.id}: ${f.sentence}`),
            `${finding.id}: ${remedy.label}`,
          ).toEqual([]);
          cured.set(finding.rule, (cured.get(finding.rule) ?? 0) + 1);
        }
      }
    }),
    { numRuns: 50, seed: 1, endOnFailure: true },
  );
  // Every rule that offers a remedy has been seen to cure something here, or the property says little.
  for (const rule of rules.filter((r) => !withoutRemedy.includes(r.id)))
    expect([...cured.keys()]).toContain(rule.id);
}, 240_000);
