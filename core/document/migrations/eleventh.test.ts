import { readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import { jobsOfTenth, plainly } from '../../../tests/jobs-today';
import { readLayout, writeLayout } from '../file';
import { VERSION, type AnyJob, type Layout } from '../layout';
import { patched } from '../patch';
import type { Patch } from 'immer';
import type { Plain } from './plain';

const tenth = readFileSync(
  new URL('../../../tests/layouts/quay-version-10.hazel.json', import.meta.url),
  'utf8',
);
const read = (text: string) => {
  const layout = readLayout(text);
  if (!layout.ok) throw new Error(JSON.stringify(layout.complaints));
  return layout;
};

test('a layout of version 10 opens as it was, and is written as one of today', () => {
  const { layout, migratedFrom } = read(tenth);
  expect(migratedFrom).toBe(10);
  const was = JSON.parse(tenth) as { jobs: object; rigs: Record<string, object> };
  expect({ ...layout, jobs: plainly(layout.jobs) }).toEqual({
    ...was,
    version: VERSION,
    jobs: plainly(jobsOfTenth(was.jobs)),
    rigs: Object.fromEntries(
      Object.entries(was.rigs).map(([id, rig]) => [id, { ...rig, backsceneAt: 'far', litWith: [] }]),
    ),
  });
  expect(readLayout(writeLayout(layout))).toMatchObject({ ok: true });
});

test('a load that a rig was put on the plan as is that rig; another of a name like it stays', () => {
  const was = JSON.parse(tenth) as { rigs: Record<string, Plain>; network: { nodes: Record<string, Plain> } };
  const [rigId, rig] = Object.entries(was.rigs)[0];
  const load = { kind: 'typed', volts: 24, amps: 1.5, behaves: 'resistor' };
  const at = { xMillimetres: 500, yMillimetres: 30 };
  was.network.nodes.above = { order: 90, name: rig.name, ...at, is: load };
  was.network.nodes.other = { order: 91, name: `${String(rig.name)}, old`, ...at, is: load };
  was.network.nodes.joint = { order: 92, name: rig.name, ...at, is: { kind: 'tap' } };
  const { nodes } = read(JSON.stringify(was)).layout.network;
  expect(nodes.above).toEqual({ order: 90, name: rig.name, ...at, is: { kind: 'rig', rigId } });
  expect(nodes.other.is).toEqual(load);
  expect(nodes.joint.is).toEqual({ kind: 'tap' });
});

test('every variant of version 10 makes of its job what it made', () => {
  const { layout } = read(tenth);
  const was = JSON.parse(tenth) as { jobs: Record<string, AnyJob> };
  let tried = 0;
  for (const [id, job] of Object.entries(was.jobs))
    for (const [variantId, { patches }] of Object.entries(job.variants)) {
      const made = patched(was as unknown as Layout, patches as Patch[]);
      const today = patched(layout, layout.jobs[id].variants[variantId].patches as Patch[]);
      const job = (jobsOfTenth({ [id]: made.jobs[id] }) as Record<string, object>)[id];
      expect({ ...today.jobs[id], variants: {} }, variantId).toEqual({ ...job, variants: {} });
      tried++;
    }
  expect(tried).toBe(2);
});

test('a variant of version 10 that has another line has it on the job’s supply', () => {
  const was = JSON.parse(tenth) as { jobs: Record<string, Plain & { lines: Record<string, Plain> }> };
  const [id, job] = Object.entries(was.jobs).find(([, j]) =>
    Object.values(j.lines).some((l) => (l.from as Plain).kind === 'supply'),
  )!;
  const from = { kind: 'supply', tap: 'motor-tags' };
  const line = { order: 9, name: 'Another', from, swapped: false, eachWay: false, stages: {} };
  job.variants = {
    more: {
      order: 1,
      name: 'One line more',
      patches: [{ op: 'add', path: ['jobs', id, 'lines', 'another'], value: line }],
    },
  };
  const { variants } = read(JSON.stringify(was)).layout.jobs[id];
  expect(variants.more.patches).toEqual([
    {
      op: 'add',
      path: ['jobs', id, 'lines', 'another'],
      value: { ...line, from: { ...from, supplyId: null } },
    },
  ]);
});
