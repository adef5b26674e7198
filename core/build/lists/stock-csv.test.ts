import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { displayId, tug } from '../../../tests/display-models';
import { boatTrain } from '../../../tests/generated';
import { change } from '../../document/patch';
import { complaintsOf } from '../../document/sound';
import { benchOf } from '../../study/bench';
import { missingParts } from './missing-parts';
import { canBuild } from './can-build';
import { needsOf } from './needs';
import { putStock, readStockCsv, stockRows, writeStockCsv, type StockRow } from './stock-csv';
import type { Layout } from '../../document/layout';

const put = (layout: Layout, rows: readonly StockRow[]): Layout =>
  change(layout, (draft) => rows.forEach((r) => putStock(draft, r))).layout;
const price = fc.integer({ min: 0, max: 99999 }).map((n) => n / 100);
const word = fc.string({ minLength: 1, maxLength: 20 }).map((s) => s.trim() || 'x');
const row = fc.oneof(
  fc.record({
    name: fc.constant('Resistor'),
    key: fc
      .tuple(fc.integer({ min: 1, max: 1e6 }), fc.constantFrom(0.125, 0.25, 0.5))
      .map(([r, w]) => `resistor:${r}:${w}`),
    count: fc.nat(500),
    price,
    kept: word,
  }),
  fc.record({
    name: word,
    key: word.map((w) => `sundry:${w}`),
    count: fc.nat(5000).map((n) => n / 10),
    price,
    kept: word,
  }),
);
const rows = fc.uniqueArray(row, { selector: (r) => r.key, maxLength: 12 });

describe('the drawer as CSV', () => {
  test('out and into an empty drawer again, everything is there', () => {
    fc.assert(
      fc.property(rows, (all) => {
        const full = put(tug(100), all);
        expect(complaintsOf(full)).toEqual([]);
        const read = readStockCsv(writeStockCsv(full), tug(100));
        if (!read.ok) throw new Error(read.complaints.join(' '));
        expect(stockRows(put(tug(100), read.changes))).toEqual(stockRows(full));
      }),
      { numRuns: 150, seed: 15 },
    );
  });
  test('read into the drawer it came from, it changes nothing', () => {
    const read = readStockCsv(writeStockCsv(boatTrain()), boatTrain());
    expect(read.ok && read.changes.every((c) => c.before === c.count)).toBe(true);
    if (read.ok) expect(put(boatTrain(), read.changes).drawer).toEqual(boatTrain().drawer);
  });
  test('a list somebody typed: semicolons, decimal commas, resistors by name', () => {
    const read = readStockCsv(
      'Part;Count;Price\nResistor 4k7 1/4 W;25;0,05\n470;100;0,03\nHeat-shrink;2,5;1,2\n',
      boatTrain(),
    );
    expect(read.ok && read.changes.map((c) => [c.key, c.count, c.price])).toEqual([
      ['resistor:4700:0.25', 25, 0.05],
      ['resistor:470:0.25', 100, 0.03],
      ['sundry:heat-shrink', 2.5, 1.2],
    ]);
    // 40 of 470 ohm lie in the drawer of the demo.
    expect(read.ok && read.changes[1].before).toBe(40);
  });
  test.each([
    ['name,count\nx,1', /lacks part/],
    ['part,count\nResistor 470,-3', /Line 2: “-3” is no count/],
    ['part,count\nResistor 470,2.5', /whole number/],
    ['part,key,count\nx,resistor:0:0.25,1', /not ohms and watts/],
    ['part,count,price\nx,1,cheap', /no price/],
    ['part,count\nx,1\nx,2', /Line 3: x comes twice/],
    ['part,count\nx,"1', /a quote is not closed/],
  ])('%j is refused with its line', (text, reason) => {
    const read = readStockCsv(text, boatTrain());
    expect(read.ok ? '' : read.complaints.join(' ')).toMatch(reason);
  });
  test('every wrong line is told at once', () => {
    const read = readStockCsv('part,count\nx,a\ny,1\nz,b', boatTrain());
    expect(read.ok ? [] : read.complaints).toHaveLength(2);
  });
});

describe('what can be lit with what there is', () => {
  test('what lacks nothing comes first; every lack is told with what there is', () => {
    const empty = canBuild(tug(100))[0];
    expect(empty.lacks.map((l) => l.key).sort()).toEqual(
      needsOf(tug(100), [displayId])
        .map((n) => n.key)
        .sort(),
    );
    const full = put(
      tug(100),
      needsOf(tug(100), [displayId]).map((n) => ({
        name: n.name,
        key: n.key,
        count: Math.ceil(n.count),
        price: 1,
        kept: '',
      })),
    );
    expect(canBuild(full)).toEqual([{ jobId: displayId, name: 'Tug Dunlin', lacks: [] }]);
    const all = canBuild(boatTrain());
    expect(all).toHaveLength(Object.keys(boatTrain().jobs).length);
    all.slice(1).forEach((b, i) => expect(b.lacks.length).toBeGreaterThanOrEqual(all[i].lacks.length));
    for (const b of all) for (const l of b.lacks) expect(l.owned).toBeLessThan(l.count);
  });
  test('parts there are too few of are missing, whatever of the others there is', () => {
    const some = put(tug(100), [{ name: 'Lamp red', key: 'lamp:red', count: 1, price: 1, kept: '' }]);
    const missing = (layout: Layout): string[] =>
      [...missingParts(layout, benchOf(layout, displayId))].filter((id) => id.startsWith('lamp-')).sort();
    expect(missing(some)).toEqual(['lamp-lamp-1', 'lamp-lamp-2']);
    expect(missing(put(some, [{ name: 'Lamp red', key: 'lamp:red', count: 2, price: 1, kept: '' }]))).toEqual(
      [],
    );
  });
});
