import { describe, expect, test } from 'vitest';
import { gaugeMillimetres, strandsSquareMillimetres } from './gauge';
import { parseQuantity } from './parse';

describe('wire', () => {
  test.each([
    [26, 0.405],
    [30, 0.255],
    [36, 0.127],
    [10, 2.588],
  ])('AWG %d is %s mm (ASTM B258)', (gauge, millimetres) => {
    expect(gaugeMillimetres(gauge)).toBeCloseTo(millimetres, 3);
  });
  test('six gauges finer is half as thick, as near as the standard’s own step of 92^(1/39) says', () => {
    expect(gaugeMillimetres(24) / gaugeMillimetres(30)).toBeCloseTo(92 ** (6 / 39), 12);
    expect(gaugeMillimetres(24) / gaugeMillimetres(30)).toBeCloseTo(2.005, 3);
  });
  test.each([
    [16, 0.2, 0.5],
    [7, 0.2, 0.22],
    [24, 0.2, 0.75],
    [32, 0.2, 1.0],
  ])('%d/%s is sold as %s mm² (common practice, no source)', (strands, each, copper) => {
    expect(Math.abs(strandsSquareMillimetres(strands, each) - copper)).toBeLessThan(0.006);
  });
});

describe('inches, by their definition of 25.4 mm', () => {
  test.each([
    ['1/16 in', 1.5875],
    ['3/32"', 2.38125],
    ['1 1/8 in', 28.575],
    ['0.1 inch', 2.54],
    ['2"', 50.8],
  ])('%s', (typed, millimetres) => {
    const read = parseQuantity(typed, 'millimetre');
    expect(read.ok && read.figure).toBeCloseTo(millimetres, 9);
  });
  test.each(['1/0 in', '/8 in', '1//8"', 'in'])('%s is refused', (typed) => {
    expect(parseQuantity(typed, 'millimetre').ok).toBe(false);
  });
  test('nothing else is understood in inches', () => expect(parseQuantity('1/16 in', 'ohm').ok).toBe(false));
});
