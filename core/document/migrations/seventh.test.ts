import { readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import { readLayout } from '../file';
import { VERSION } from '../layout';
import { jobsToday } from '../../../tests/jobs-today';
import { lampType } from '../lamp-type';

const sixth = readFileSync(
  new URL('../../../tests/layouts/quay-version-6.hazel.json', import.meta.url),
  'utf8',
);

test('a layout of version 6 opens as it was; its own lamps are white, matt and single', () => {
  const was = JSON.parse(sixth) as {
    jobs: Record<string, object>;
    drawer: { lamps: Record<string, object> };
  };
  const read = readLayout(sixth);
  if (!read.ok) throw new Error(JSON.stringify(read.complaints));
  const { layout } = read;
  expect(layout.jobs).toEqual(jobsToday(was.jobs));
  expect(layout.version).toBe(VERSION);
  for (const [id, lamp] of Object.entries(was.drawer.lamps)) {
    expect(layout.drawer.lamps[id]).toEqual({
      ...lamp,
      colour: 'white',
      beamDegrees: 120,
      unitMillimetres: null,
    });
    expect(lampType(layout, `own:${id}`)).toMatchObject({ form: 'led', beamDegrees: 120 });
  }
});
test('a red one is red, a piece of strip is one', () => {
  const read = readLayout(sixth);
  if (!read.ok) throw new Error('it opens');
  const [id] = Object.keys(read.layout.drawer.lamps);
  const lamp = {
    ...read.layout.drawer.lamps[id],
    colour: 'red' as const,
    unitMillimetres: 25,
    beamDegrees: 60,
  };
  const layout = { ...read.layout, drawer: { ...read.layout.drawer, lamps: { [id]: lamp } } };
  const type = lampType(layout, `own:${id}`);
  expect(type).toMatchObject({ form: 'strip', unitMillimetres: 25, beamDegrees: 60 });
  expect('x' in type.colour && type.colour.x).toBeGreaterThan(0.6);
});
