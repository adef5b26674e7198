import { readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import { orderOf } from '../../build/order/order';
import { benchOf } from '../../study/bench';
import { readLayout, writeLayout } from '../file';
import { VERSION } from '../layout';

const eleventh = readFileSync(
  new URL('../../../tests/layouts/quay-version-11.hazel.json', import.meta.url),
  'utf8',
);
type Tasks = Record<string, { done: boolean; note: string; taken: unknown[] }>;
interface Old {
  jobs: Record<string, { progress: { tasks: Tasks } }>;
}
const ticked = (jobId: string, ids: readonly string[]) => {
  const was = JSON.parse(eleventh) as Old;
  const { tasks } = was.jobs[jobId].progress;
  for (const id of ids)
    tasks[id] = { done: true, note: `about ${id}`, taken: [{ from: 'resistors', id: 'r-1', count: 1 }] };
  const read = readLayout(JSON.stringify(was));
  if (!read.ok) throw new Error(JSON.stringify(read.complaints));
  return read;
};

test('a layout of version 11 in which nothing is done opens as it was', () => {
  const { layout, migratedFrom } = ticked('diesel-shunter', []);
  expect(migratedFrom).toBe(11);
  expect(layout).toEqual({ ...(JSON.parse(eleventh) as object), version: VERSION });
  expect(readLayout(writeLayout(layout))).toMatchObject({ ok: true });
});

test('a job in hand keeps what was done, by meaning: what had to be done for it is done, with nothing taken twice', () => {
  const ids = ['test headlight-a', 'leads headlight-a', 'retest headlight-a', 'thread end-A', 'join A'];
  const { layout } = ticked('diesel-shunter', ids);
  const { tasks } = layout.jobs['diesel-shunter'].progress;
  for (const id of ids) expect(tasks[id].note).toBe(`about ${id}`);
  for (const id of ['cut', 'shrink bench', 'drill end-A'])
    expect(tasks[id], id).toEqual({ done: true, note: '', taken: [] });
  expect(tasks).not.toHaveProperty('drill end-B');
  expect(tasks).not.toHaveProperty('shrink inside');
  const made = orderOf(benchOf(layout, 'diesel-shunter'));
  const known = made.ok ? made.order.tasks.flatMap((t) => [t.id, ...t.formerly]) : [];
  for (const id of [...ids, 'cut', 'shrink bench', 'drill end-A']) expect(known, id).toContain(id);
});

test('leads that were cut to length and tied down are tied down; holes that were drilled with the body are drilled', () => {
  const { layout } = ticked('quay-starter', ['work drill-board', 'work drill-post', 'try', 'trim']);
  const { tasks } = layout.jobs['quay-starter'].progress;
  expect(tasks.tie).toMatchObject({ done: true, note: 'about trim' });
  expect(tasks).not.toHaveProperty('trim');
  for (const id of ['drill board', 'drill entry', 'shrink inside', 'program'])
    expect(tasks[id].done, id).toBe(true);
});
