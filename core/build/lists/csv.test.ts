import fc from 'fast-check';
import Papa from 'papaparse';
import { describe, expect, test } from 'vitest';
import { csvFigure, readCsv, writeCsv } from './csv';

const cell = fc.oneof(
  fc.string({ maxLength: 12 }),
  fc.constantFrom(
    '=1+1',
    '+A1',
    '-2',
    '@sum',
    '\tx',
    "'=x",
    'a;b',
    'a,b',
    'a"b',
    'two\nlines',
    'ü €',
    '12,5',
    '',
  ),
);
const table = fc.integer({ min: 2, max: 5 }).chain((n) =>
  fc.record({
    head: fc.array(fc.stringMatching(/^[a-z][a-z ]{0,8}$/), { minLength: n, maxLength: n }),
    rows: fc.array(fc.array(cell, { minLength: n, maxLength: n }), { maxLength: 8 }),
  }),
);

describe('lists as CSV', () => {
  test('out and in again is the same table, whatever is in its cells (RFC 4180 quoting)', () => {
    fc.assert(
      fc.property(table, (of) => {
        expect(readCsv(writeCsv(of))).toEqual(of);
      }),
      { numRuns: 400, seed: 6 },
    );
  });
  test('no cell begins with what a spreadsheet would run', () => {
    fc.assert(
      fc.property(table, (of) => {
        const raw = Papa.parse<string[]>(writeCsv(of)).data.flat();
        for (const c of raw) expect(c).not.toMatch(/^[=+\-@\t\r]/);
      }),
      { numRuns: 200, seed: 7 },
    );
  });
  test('semicolons, quotes, a byte-order mark and Windows line ends are read right', () => {
    expect(readCsv('\uFEFFname;count;price\r\n"Resistor; 1k";10;0,05\r\n"says ""hot""";2;1,5\r\n')).toEqual({
      head: ['name', 'count', 'price'],
      rows: [
        ['Resistor; 1k', '10', '0,05'],
        ['says "hot"', '2', '1,5'],
      ],
    });
  });
  test.each([
    ['0,05', 0.05],
    ['0.05', 0.05],
    ['12', 12],
    [' 1 000 ', 1000],
    ['-3,5', -3.5],
    ['.5', 0.5],
    ['1,2,3', null],
    ['abc', null],
    ['', null],
    ['-', null],
  ])('“%s” is %s', (text, figure) => expect(csvFigure(text)).toBe(figure));
  test('what is broken is told by its line', () => {
    expect(() => readCsv('a,b\n1,2\n3,"4')).toThrow(/Line 3: a quote/);
    expect(() => readCsv('a,b\n1,2,3')).toThrow(/Line 2: it has more cells/);
  });
});
