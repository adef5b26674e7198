import { describe, expect, test } from 'vitest';
import { bandColours, bandsOf, bandWords, ohmsOf, type BandColour } from './colour-bands';
import { preferredIn } from './preferred';
import { chipCodesOf, ohmsOfCode } from './resistor-code';

const decadesOf = (series: 'E24' | 'E96', from: number, to: number): number[] =>
  Array.from({ length: to - from + 1 }, (_, i) => from + i).flatMap((power) =>
    preferredIn(series).map((v) => Number(`${v}e${power}`)),
  );

describe('bands both ways for every value of E24 and E96, 1 ohm to 10 Mohm (IEC 60062)', () => {
  test('four bands say every value of E24', () => {
    const values = decadesOf('E24', -1, 5);
    expect(values).toHaveLength(24 * 7);
    for (const ohms of values)
      for (const tolerance of [0.05, 0.1, 0.02]) {
        const bands = bandsOf(ohms, tolerance, 4);
        expect(bands).toHaveLength(4);
        expect(ohmsOf(bands)).toEqual({ ohms, tolerance });
      }
  });
  test('five bands say every value of E96, and of E24 with a nought', () => {
    for (const ohms of [...decadesOf('E96', -1, 5), ...decadesOf('E24', -1, 5)]) {
      const bands = bandsOf(ohms, 0.01, 5);
      expect(bands).toHaveLength(5);
      expect(ohmsOf(bands)).toEqual({ ohms, tolerance: 0.01 });
    }
  });
  test('no two values share their bands', () => {
    const all = decadesOf('E96', -1, 5).map((ohms) => bandsOf(ohms, 0.01, 5).join());
    expect(new Set(all).size).toBe(all.length);
  });
  test.each([
    ['brown black red gold', 1000, 0.05],
    ['red violet black gold', 27, 0.05],
    ['yellow violet red gold', 4700, 0.05],
    ['brown black black brown brown', 1000, 0.01],
    ['yellow white white gold brown', 49.9, 0.01],
  ])('%s is %d ohm, as handbooks have it', (words, ohms, tolerance) => {
    expect(ohmsOf(words.split(' ') as BandColour[])).toEqual({ ohms, tolerance });
    expect(bandsOf(ohms, tolerance).join(' ')).toMatch(words.split(' ').length === 4 ? words : /./);
  });
  test('in words, five bands where it takes three figures; what no bands say is said', () => {
    expect(bandWords(4700)).toBe('yellow violet red gold');
    expect(bandWords(49.9)).toBe('yellow white white gold brown');
    expect(bandWords(1234.5)).toBe('no bands say it');
    expect(() => bandsOf(123, 0.05, 4)).toThrow(/4 bands cannot say 123 ohm/);
  });
  test('a colour where it cannot stand is refused', () => {
    expect(() => ohmsOf(['gold', 'black', 'red', 'gold'])).toThrow(/not figures/);
    expect(() => ohmsOf(['brown', 'black', 'red', 'black'])).toThrow(/not a tolerance/);
    expect(bandColours).toHaveLength(12);
  });
});

describe('chip codes both ways', () => {
  test('every value of E24 in three and four figures, of E96 in four and by letter', () => {
    for (const ohms of decadesOf('E24', -1, 5)) {
      const ways = chipCodesOf(ohms).map((c) => c.way);
      expect(ways).toContain('three figures');
      expect(ways).toContain('four figures');
    }
    for (const ohms of [...decadesOf('E24', -1, 5), ...decadesOf('E96', -1, 5)])
      for (const { code } of chipCodesOf(ohms)) expect(ohmsOfCode(code), code).toBeCloseTo(ohms, 9);
    for (const ohms of decadesOf('E96', 0, 5))
      expect(chipCodesOf(ohms).map((c) => c.way)).toContain('letter code');
  });
  test('no code of one way says two values', () => {
    for (const way of ['four figures', 'letter code'] as const) {
      const codes = decadesOf('E96', -1, 5).flatMap((ohms) =>
        chipCodesOf(ohms)
          .filter((c) => c.way === way)
          .map((c) => c.code),
      );
      expect(new Set(codes).size).toBe(codes.length);
    }
  });
  test.each([
    ['472', 4700],
    ['4R7', 4.7],
    ['R47', 0.47],
    ['1001', 1000],
    ['49R9', 49.9],
    ['01C', 10_000],
    ['68X', 49.9],
    ['96a', 976],
    ['000', 0],
  ])('%s is %d ohm, as handbooks have it', (code, ohms) => expect(ohmsOfCode(code)).toBeCloseTo(ohms, 9));
  test.each(['', '97A', '00A', '4R', 'R', '12345', '4K7', '-47', '003'])('“%s” is no code', (code) =>
    expect(() => ohmsOfCode(code)).toThrow(RangeError),
  );
});
