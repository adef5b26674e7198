import { expect, test } from 'vitest';
import { chromaticityWords, readChromaticity } from './chromaticity-text';
import { whiteXy } from './white';

test.each([
  // CIE 15: illuminant A, 2856 K; D65, 6504 K and 0.0032 above the black body.
  ['0.44757, 0.40745', 2856, 0],
  ['x 0,31271; y 0,32902', 6504, 0.0032],
])('%s is a white', (text, kelvin, duv) => {
  const read = readChromaticity(text);
  if (!read.ok) throw new Error(read.message);
  expect(Math.abs(read.white.kelvin - kelvin)).toBeLessThan(12);
  expect(Math.abs(read.white.duv - duv)).toBeLessThan(0.0005);
});
test('what is written is read again', () => {
  for (const white of [
    { kelvin: 2700, duv: 0.002 },
    { kelvin: 5000, duv: -0.004 },
  ]) {
    const read = readChromaticity(chromaticityWords(whiteXy(white)));
    if (!read.ok) throw new Error(read.message);
    expect(Math.abs(read.white.kelvin / white.kelvin - 1)).toBeLessThan(0.002);
    expect(read.white.duv).toBeCloseTo(white.duv, 3);
  }
});
test.each([
  ['warm', /write x and y/],
  ['0.38', /write x and y/],
  ['0.38 0.37 0.25', /write x and y/],
  ['0.7, 0.4', /together below 1/],
  ['0.0, 0.3', /above 0/],
  // The primaries of a red and of a green lamp.
  ['0.69, 0.30', /no white/],
  ['0.21, 0.71', /no white/],
])('%s is refused with its reason', (text, reason) => {
  const read = readChromaticity(text);
  expect(read.ok ? '' : read.message).toMatch(reason);
});
