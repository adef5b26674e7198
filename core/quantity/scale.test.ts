import { describe, expect, test } from 'vitest';
import { feetAndInches, modelMillimetres, prototypeMetres, scales, type ScaleName } from './scale';

test.each([
  ['Z', 220],
  ['N', 160],
  ['TT', 120],
  ['H0', 87],
  ['S', 64],
  ['0', 45],
  ['1', 32],
  ['IIm', 22.5],
] as const)('%s is 1:%d (NEM 010)', (scale, ratio) => {
  expect(prototypeMetres(1000, scale)).toBeCloseTo(ratio, 9);
});
test('00 is four millimetres to the foot (British practice)', () => {
  expect(prototypeMetres(4, '00')).toBeCloseTo(0.3048, 9);
});
describe('heads of lamps in 00 (common practice, no source)', () => {
  test('12 mm across is three feet', () => {
    expect(feetAndInches(prototypeMetres(12, '00'))).toBe('3 ft');
  });
  test('9 to 10 mm is about two foot six', () => {
    expect(feetAndInches(prototypeMetres(10, '00'))).toBe('2 ft 6 in');
    expect(prototypeMetres(9, '00')).toBeLessThan(0.762);
  });
});
test('there and back is the same, in every scale', () => {
  for (const scale of Object.keys(scales) as ScaleName[])
    expect(modelMillimetres(prototypeMetres(7.3, scale), scale)).toBeCloseTo(7.3, 9);
});
test('an inch is 25.4 mm by definition', () => {
  expect(feetAndInches(0.0254)).toBe('1 in');
  expect(feetAndInches(0.3048 * 5 + 0.0254 * 11.6)).toBe('6 ft');
});
