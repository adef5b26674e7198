import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { formatQuantity, shortOhms } from './format';
import { parseQuantity } from './parse';
import { prototypeMetres } from './scale';
import { units, type UnitName } from './unit';

const figure = (text: string, unit: UnitName): number => {
  const read = parseQuantity(text, unit);
  if (!read.ok) throw new Error(read.message);
  return read.figure;
};
const message = (text: string, unit: UnitName, limits = {}): string => {
  const read = parseQuantity(text, unit, limits);
  if (read.ok) throw new Error(`${text} was taken as ${read.figure}`);
  return read.message;
};

describe('reading', () => {
  test.each([
    ['4k7', 'ohm', 4700],
    ['4.7 kΩ', 'ohm', 4700],
    ['4,7k', 'ohm', 4700],
    ['4.7K', 'ohm', 4700],
    ['0R47', 'ohm', 0.47],
    ['R47', 'ohm', 0.47],
    ['680', 'ohm', 680],
    ['2M2', 'ohm', 2.2e6],
    ['1 megohm', 'ohm', 1e6],
    ['470u', 'farad', 470e-6],
    ['470 µF', 'farad', 470e-6],
    ['4u7', 'farad', 4.7e-6],
    ['100nF', 'farad', 100e-9],
    ['0.06 A', 'amp', 0.06],
    ['60 mA', 'amp', 0.06],
    ['1/8 W', 'watt', 0.125],
    ['1/4', 'watt', 0.25],
    ['250 mW', 'watt', 0.25],
    ['15V', 'volt', 15],
    ['20 ms', 'second', 0.02],
    ['11.5 mm', 'millimetre', 11.5],
    ['1 m', 'millimetre', 1000],
    ['1.2m', 'millimetre', 1200],
    ['1m2', 'millimetre', 1200],
    ['2 metres', 'millimetre', 2000],
    ['45 cm', 'millimetre', 450],
    ['880 lm', 'lumen', 880],
    ['1 kHz', 'hertz', 1000],
    ['0.5 kg', 'kilogram', 0.5],
  ] as const)('%s as %s is %d', (text, unit, expected) => {
    expect(figure(text, unit)).toBe(expected);
  });

  test.each([
    ['abc', 'ohm', /“abc” is not a resistance/],
    ['', 'ohm', /Nothing is written/],
    ['-5', 'ohm', /“-5” is below zero/],
    ['12 V', 'ohm', /“12 V” is a voltage; a resistance is wanted/],
    ['4k7', 'volt', /out of range|voltage/],
    ['1,500', 'ohm', /“1,500” can be read two ways/],
    ['470', 'farad', /470 µF or 470 pF/],
    ['1/0 W', 'watt', /not a power/],
    ['4k7k', 'ohm', /not a resistance/],
    ['1e999', 'ohm', /not a resistance/],
    ['Infinity', 'ohm', /not a resistance/],
    ['1'.repeat(60), 'ohm', /too long/],
  ] as const)('%s as %s is refused', (text, unit, why) => {
    expect(message(text, unit, unit === 'volt' ? { most: 22 } : {})).toMatch(why);
  });

  test('what is out of range says so, and guesses at a forgotten prefix', () => {
    expect(message('20', 'amp', { least: 0.001, most: 2, range: '1 mA to 2 A' })).toMatch(
      /1 mA to 2 A.*20 mA\?/,
    );
  });
});

describe('writing', () => {
  test.each([
    [4700, 'ohm', '4.7 kΩ'],
    [680, 'ohm', '680 Ω'],
    [999.9, 'ohm', '1 kΩ'],
    [0.4, 'ohm', '0.4 Ω'],
    [470e-6, 'farad', '470 µF'],
    [0.0331, 'amp', '33.1 mA'],
    [0, 'amp', '0 A'],
    [-1.4, 'volt', '−1.4 V'],
  ] as const)('%d as %s is %s', (value, unit, expected) => {
    expect(formatQuantity(value, unit)).toBe(expected);
  });
  test('short ohms', () => {
    expect([2200, 470, 1e6, 4.7].map(shortOhms)).toEqual(['2k2', '470R', '1M', '4R7']);
  });
  test('reading what was written gives the figure back', () => {
    const unit = fc.constantFrom(...(Object.keys(units) as UnitName[]).filter((u) => u !== 'farad'));
    const value = fc
      .tuple(fc.integer({ min: 1, max: 9999 }), fc.integer({ min: -4, max: 2 }))
      .map(([m, p]) => Number(`${m}e${p}`));
    fc.assert(
      fc.property(unit, value, (u, v) => {
        expect(figure(formatQuantity(v, u, { significant: 6 }), u)).toBeCloseTo(v, 12);
      }),
    );
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 999 }), fc.integer({ min: -12, max: -2 }), (m, p) => {
        const v = Number(`${m}e${p}`);
        expect(figure(formatQuantity(v, 'farad', { significant: 6 }), 'farad') / v).toBeCloseTo(1, 12);
      }),
    );
  });
});

test('H0 is 1:87 (NEM 010)', () => {
  expect(prototypeMetres(224, 'H0')).toBeCloseTo(19.49, 2);
});
