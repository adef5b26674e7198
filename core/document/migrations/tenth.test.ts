import { readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import { readLayout, writeLayout } from '../file';
import { jobsToday, plainly } from '../../../tests/jobs-today';
import { usualEvening } from '../evening-record';
import { VERSION } from '../layout';
import type { Plain } from './plain';

const ninth = readFileSync(
  new URL('../../../tests/layouts/quay-version-9.hazel.json', import.meta.url),
  'utf8',
);

test('a layout of version 9 opens with its decoders as they were, and is written as one of today', () => {
  const read = readLayout(ninth);
  if (!read.ok) throw new Error(JSON.stringify(read.complaints));
  expect(read.migratedFrom).toBe(9);
  const was = JSON.parse(ninth) as { jobs: object };
  expect({ ...read.layout, jobs: plainly(read.layout.jobs) }).toEqual({
    ...was,
    version: VERSION,
    rigs: {},
    evening: usualEvening(),
    jobs: plainly(jobsToday(was.jobs)),
  });
  expect(readLayout(writeLayout(read.layout))).toMatchObject({ ok: true });
});

test('a variant of version 9 that has another decoder has one of today', () => {
  const was = JSON.parse(ninth) as Plain & { jobs: Record<string, Plain & { decoder: Plain | null }> };
  const [id, job] = Object.entries(was.jobs).find(([, j]) => j.decoder !== null)!;
  job.variants = {
    plain: {
      order: 1,
      name: 'Another decoder',
      note: '',
      patches: [{ op: 'replace', path: ['jobs', id, 'decoder'], value: { ...job.decoder, type: 'many' } }],
    },
  };
  const read = readLayout(JSON.stringify(was));
  if (!read.ok) throw new Error(JSON.stringify(read.complaints));
  const [variant] = Object.values(read.layout.jobs[id].variants);
  const values = variant.patches.map((p) => [p.path.slice(2).join('.'), 'value' in p ? p.value : null]);
  expect(values).toContainEqual(['decoder.type', 'many']);
});
