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
    'a;=1+1',
    '\n=1+1',
    '\uFF1D1+1',
    "x;' -1",
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
  test('no cell begins with what a spreadsheet would run, wherever that splits the line', () => {
    fc.assert(
      fc.property(table, (of) => {
        for (const delimiter of [',', ';', '\t', '|'])
          for (const c of Papa.parse<string[]>(writeCsv(of), { delimiter }).data.flat())
            expect(c).not.toMatch(/^\s*[=+\-@\uFF1D\uFF0B\uFF0D\uFF20]/);
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
    ['1,000', null],
    ['12.500', null],
    ['0,125', 0.125],
    ['1000', 1000],
    ['abc', null],
    ['', null],
    ['-', null],
  ])('“%s” is %s', (text, figure) => expect(csvFigure(text)).toBe(figure));
  test('what is broken is told by its line', () => {
    expect(() => readCsv('a,b\n1,2\n3,"4')).toThrow(/Line 3: a quote/);
    expect(() => readCsv('a,b\n1,2,3')).toThrow(/Line 2: it has more cells/);
  });
});
