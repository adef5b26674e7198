import { expect, test } from 'vitest';
import { boatTrain } from '../../tests/generated';
import { emptyLayout } from '../document/empty-layout';
import { change, patched } from '../document/patch';
import { freshJob } from '../kinds/fresh';
import { checkJob } from './check';
import { causes, followed, followersOf } from './follows';
import type { Finding, Severity } from './finding';

const one = (id: string, severity: Severity): Finding => ({
  id,
  rule: id,
  severity,
  title: id,
  sentence: id,
  reason: '',
  subject: {},
  paths: [],
  terminals: [],
  figures: [],
  remedies: [],
});
const told = (
  findings: readonly Finding[],
  cleared: Readonly<Record<string, readonly (readonly string[])[]>>,
) =>
  Object.fromEntries(
    followed(
      findings,
      new Map(Object.entries(cleared).map(([id, cures]) => [id, cures.map((c) => new Set(c))])),
    ).map((f) => [f.id, f.follows ?? null]),
  );

test('what every cure of a finding puts right follows from it; what one of them leaves does not', () => {
  const all = [one('a', 'stop'), one('b', 'mind'), one('c', 'note')];
  expect(
    told(all, {
      a: [
        ['a', 'b', 'c'],
        ['a', 'b'],
      ],
    }),
  ).toEqual({ a: null, b: 'a', c: null });
  expect(told(all, {})).toEqual({ a: null, b: null, c: null });
});
test('of two that put each other right the graver is the cause, of two alike the first; none follows from what follows', () => {
  const all = [one('b', 'mind'), one('a', 'stop'), one('c', 'mind'), one('d', 'note')];
  const each = { a: [['a', 'b']], b: [['a', 'b', 'c', 'd']], c: [['b', 'c', 'd']] };
  expect(told(all, each)).toEqual({ a: null, b: 'a', c: null, d: 'c' });
});
test('a graver one is never folded beneath a lesser', () => {
  expect(told([one('a', 'note'), one('b', 'stop')], { a: [['a', 'b']] })).toEqual({ a: null, b: null });
});

test('a row of lamps without a limit is one cause: the rest is folded beneath it, is still judged, and goes with its cure', () => {
  const { layout, jobId } = freshJob(emptyLayout('Saltmarsh Halt'), 'coach', { kind: 'dc-track' });
  const bare = change(layout, (draft) => {
    for (const c of Object.values(draft.jobs[jobId].circuits)) c.limit = 'none';
  }).layout;
  const found = checkJob(bare, jobId);
  const [cause] = causes(found).filter((f) => f.severity === 'stop');
  const folded = followersOf(found, cause);
  expect(folded.length).toBeGreaterThan(0);
  expect(causes(found).filter((f) => f.severity !== 'note')).toHaveLength(1);
  for (const remedy of cause.remedies) {
    const after = checkJob(patched(bare, remedy.patches), jobId).map((f) => f.id);
    for (const f of folded) expect(after).not.toContain(f.id);
  }
});

test('in the demo: two ends that are wrong are two causes, and each one that follows has its cause there', () => {
  const layout = boatTrain();
  const shunter = checkJob(layout, 'diesel-shunter');
  expect(causes(shunter).filter((f) => f.rule === 'head-and-tail-exchanged')).toHaveLength(2);
  for (const id of Object.keys(layout.jobs)) {
    const found = checkJob(layout, id);
    for (const f of found.filter((x) => x.follows !== undefined))
      expect(causes(found).map((c) => c.id)).toContain(f.follows);
  }
});
