import { readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import { readLayout, writeLayout } from '../file';
import { jobsToday, plainly } from '../../../tests/jobs-today';
import { usualEvening } from '../evening-record';
import { VERSION } from '../layout';

const eighth = readFileSync(
  new URL('../../../tests/layouts/quay-version-8.hazel.json', import.meta.url),
  'utf8',
);

test('a layout of version 8 opens as it was, and is written as one of today', () => {
  const was = JSON.parse(eighth) as { jobs: object };
  const read = readLayout(eighth);
  if (!read.ok) throw new Error(JSON.stringify(read.complaints));
  expect(read.migratedFrom).toBe(8);
  expect({ ...read.layout, jobs: plainly(read.layout.jobs) }).toEqual({
    ...was,
    jobs: plainly(jobsToday(was.jobs)),
    version: VERSION,
    rigs: {},
    evening: usualEvening(),
    boards: {},
    network: { nodes: {}, runs: {} },
  });
  expect(readLayout(writeLayout(read.layout))).toMatchObject({ ok: true });
});
