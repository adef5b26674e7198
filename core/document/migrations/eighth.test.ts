import { readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import { readLayout, writeLayout } from '../file';
import { jobsToday } from '../../../tests/jobs-today';
import { usualEvening } from '../evening-record';
import { VERSION } from '../layout';

const seventh = readFileSync(
  new URL('../../../tests/layouts/quay-version-7.hazel.json', import.meta.url),
  'utf8',
);

test('a layout of version 7 opens as it was, and is written as one of today', () => {
  const was = JSON.parse(seventh) as { jobs: object };
  const read = readLayout(seventh);
  if (!read.ok) throw new Error(JSON.stringify(read.complaints));
  expect(read.layout).toEqual({
    ...was,
    jobs: jobsToday(was.jobs),
    version: VERSION,
    rigs: {},
    evening: usualEvening(),
    boards: {},
    network: { nodes: {}, runs: {} },
  });
  expect(readLayout(writeLayout(read.layout))).toMatchObject({ ok: true });
});

test('an aspect that names a lamp there is not is refused, with where and why', () => {
  const demo = JSON.parse(
    readFileSync(new URL('../../../demo/brackwater-quay.hazel.json', import.meta.url), 'utf8'),
  ) as { jobs: Record<string, { aspects: Record<string, { lamps: Record<string, string> }> }> };
  demo.jobs['quay-starter'].aspects.stop.lamps.blue = 'steady';
  const read = readLayout(JSON.stringify(demo));
  expect(read.ok).toBe(false);
  expect(!read.ok && read.complaints[0]).toEqual(
    expect.objectContaining({ reason: 'there is no lamp “blue”' }),
  );
  expect(JSON.stringify(!read.ok && read.complaints[0])).toContain('quay-starter');
});

test('a table of aspects with nonsense in it is refused: a show that there is not, a rate beyond reason, no aspect at all', () => {
  const at = new URL('../../../demo/brackwater-quay.hazel.json', import.meta.url);
  const broken = (spoil: (jobs: Record<string, Record<string, never>>) => void): string[] => {
    const demo = JSON.parse(readFileSync(at, 'utf8')) as { jobs: Record<string, Record<string, never>> };
    spoil(demo.jobs);
    const read = readLayout(JSON.stringify(demo));
    return read.ok ? [] : read.complaints.map((c) => JSON.stringify(c));
  };
  const said = [
    broken(
      (j) =>
        void ((
          j['quay-starter'] as never as { aspects: { stop: { lamps: { red: string } } } }
        ).aspects.stop.lamps.red = 'maybe'),
    ),
    broken(
      (j) => void ((j['quay-street'] as never as { driver: { perMinute: number } }).driver.perMinute = 1e9),
    ),
    broken((j) => void ((j['quay-street'] as never as { aspects: object }).aspects = {})),
  ];
  for (const complaints of said) expect(complaints.length).toBeGreaterThan(0);
  expect(said[1][0]).toContain('perMinute');
  expect(said[2][0]).toContain('no aspect');
});
