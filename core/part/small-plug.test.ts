import { expect, test } from 'vitest';
import { parseQuantity } from '../quantity/parse';
import { housingMillimetres, inchDrills, mates, plugPitches } from './small-plug';

test('a housing of two is about three pitches wide (common practice, no source)', () => {
  expect(housingMillimetres(2.54)).toBeCloseTo(7.62, 9);
  expect(housingMillimetres(1.25)).toBeCloseTo(3.75, 9);
  expect(housingMillimetres(2, 4)).toBe(10);
});
test('what mates: its own pitch, and 2.5 with 2.54', () => {
  for (const a of plugPitches)
    for (const b of plugPitches)
      expect(mates(a, b)).toBe(a === b || Math.min(a, b) + 0.04 === Math.max(a, b));
});
test('drills by the inch are what the fraction says (definition of the inch)', () => {
  expect(inchDrills.find((d) => d.name === '1/8')!.millimetres).toBeCloseTo(3.175, 9);
  expect(inchDrills.find((d) => d.name === '1/16')!.millimetres).toBeCloseTo(1.5875, 9);
  for (const { name, millimetres } of inchDrills) {
    const read = parseQuantity(`${name} in`, 'millimetre');
    expect(read).toMatchObject({ ok: true });
    if (read.ok) expect(read.figure).toBeCloseTo(millimetres, 6);
  }
});
