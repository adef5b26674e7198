import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { decoderTypes, standardWindows, type DecoderType } from '../../part/decoder-type';
import {
  defaultCvs,
  fromCvs,
  isWindowed,
  MAPPED_CVS,
  readWindows,
  toCvs,
  usualRule,
  type Windowed,
} from './function-map';
import type { DecoderTable, OutputKey, OutputRule } from './decoder';

const fourteen: Windowed & Pick<DecoderType, 'outputs'> = {
  windows: standardWindows,
  outputs: Array.from({ length: 14 }, (_, i) => ({
    id: `out${i + 1}` as const,
    name: `Output ${i + 1}`,
    limitAmps: 0.1,
    level: 'full' as const,
    holds: { kind: 'nothing' } as const,
  })),
};
const table = (outputs: Record<string, OutputKey[]>, more: Partial<DecoderTable> = {}): DecoderTable => ({
  outputs: Object.fromEntries(Object.entries(outputs).map(([id, keys]) => [id, { ...usualRule, keys }])),
  exclusive: [],
  stepped: null,
  dim: null,
  ...more,
});
const f = (n: number, direction: OutputKey['direction'] = 'both'): OutputKey => ({ function: n, direction });
const cvsOf = (t: DecoderTable, type = fourteen): readonly number[] => toCvs(t, type).cvs;
/** Only the CVs named, the rest 0. */
const only = (set: Record<number, number>): number[] =>
  Array.from({ length: MAPPED_CVS }, (_, i) => set[33 + i] ?? 0);

describe('CV 33 to 46 (NMRA S-9.2.2, windows and defaults from memory)', () => {
  test('the defaults light each function’s own output', () => {
    const read = fromCvs(defaultCvs, fourteen);
    expect(read.out1.keys).toEqual([f(0, 'forward')]);
    expect(read.out2.keys).toEqual([f(0, 'reverse')]);
    for (let n = 1; n <= 12; n++) expect(read[`out${n + 2}`].keys).toEqual([f(n)]);
    expect(cvsOf({ outputs: read, exclusive: [], stepped: null, dim: null })).toEqual(defaultCvs);
  });

  // Ten tables worked by hand: the bit of output n is 2 to the power n less the window's first.
  test.each<[string, Record<string, OutputKey[]>, Record<number, number>]>([
    ['headlights by direction', { out1: [f(0, 'forward')], out2: [f(0, 'reverse')] }, { 33: 1, 34: 2 }],
    ['one lamp both ways with F0', { out1: [f(0)] }, { 33: 1, 34: 1 }],
    ['cab on F1 at output 3', { out3: [f(1)] }, { 35: 4 }],
    ['number board on F2 at output 4', { out4: [f(2)] }, { 36: 8 }],
    ['two outputs with one function', { out3: [f(3)], out5: [f(3)] }, { 37: 4 + 16 }],
    ['F4: the window now begins at output 4', { out4: [f(4)] }, { 38: 1 }],
    ['F8 on output 11, the last it reaches', { out11: [f(8)] }, { 42: 128 }],
    ['F9 on output 7, the first it reaches', { out7: [f(9)] }, { 43: 1 }],
    ['F12 on output 14', { out14: [f(12)] }, { 46: 128 }],
    [
      'headlights, a ditch pair with F2, a number board with F0 and F3',
      {
        out1: [f(0, 'forward')],
        out2: [f(0, 'reverse')],
        out3: [f(2)],
        out4: [f(2)],
        out5: [f(0), f(3)],
      },
      { 33: 1 + 16, 34: 2 + 16, 36: 4 + 8, 37: 16 },
    ],
  ])('%s', (_, outputs, cvs) => {
    expect(cvsOf(table(outputs))).toEqual(only(cvs));
    expect(toCvs(table(outputs), fourteen).refusals).toEqual([]);
  });

  test('table to CVs to table, whatever the table', () => {
    const reach = (output: number): OutputKey[] =>
      [f(0, 'forward'), f(0, 'reverse'), ...Array.from({ length: 12 }, (_, i) => f(i + 1))].filter((_, i) => {
        const bit = output - fourteen.windows[i];
        return bit >= 0 && bit < 8;
      });
    const keysOf = (output: number) =>
      fc.subarray(reach(output)).map((keys) => {
        const both = keys.filter((k) => k.function === 0).length === 2;
        return both ? [f(0), ...keys.filter((k) => k.function > 0)] : keys;
      });
    const tables = fc.record(
      Object.fromEntries(fourteen.outputs.map((o, i) => [o.id, keysOf(i + 1)])) as Record<
        string,
        fc.Arbitrary<OutputKey[]>
      >,
    );
    fc.assert(
      fc.property(tables, (outputs) => {
        const t = table(outputs);
        const { cvs, refusals } = toCvs(t, fourteen);
        expect(refusals).toEqual([]);
        expect(fromCvs(cvs, fourteen, t.outputs)).toEqual(t.outputs);
      }),
      { numRuns: 300, seed: 5 },
    );
  });
  test('CVs to table to CVs, whatever the CVs', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 255 }), { minLength: 14, maxLength: 14 }), (cvs) => {
        expect(cvsOf({ outputs: fromCvs(cvs, fourteen), exclusive: [], stepped: null, dim: null })).toEqual(
          cvs,
        );
      }),
      { numRuns: 300, seed: 6 },
    );
  });
});

describe('what the bits cannot say is refused with the reason', () => {
  const refusal = (t: DecoderTable, type = fourteen) => toCvs(t, type).refusals[0];
  const rule = (set: Partial<OutputRule>): DecoderTable => ({
    outputs: { out3: { ...usualRule, keys: [f(1)], ...set } },
    exclusive: [],
    stepped: null,
    dim: null,
  });
  test('F7 on output 3 lies outside its window; free outputs inside it are offered', () => {
    const got = refusal(table({ out3: [f(7)], out4: [f(4)] }));
    expect(got.reason).toMatch(/CV 41 \(F7\) reaches outputs 4 to 11 only/);
    expect(got.offers).toEqual(['out5', 'out6', 'out7', 'out8', 'out9', 'out10', 'out11']);
    expect(cvsOf(table({ out3: [f(7)] }))).toEqual(only({}));
  });
  test('a function above F12', () => expect(refusal(table({ out3: [f(13)] })).reason).toMatch(/ends at F12/));
  test('F2 in one direction only', () =>
    expect(refusal(table({ out3: [f(2, 'forward')] })).reason).toMatch(/F0 alone knows the direction/));
  test('while moving', () => expect(refusal(rule({ moving: 'moving' })).reason).toMatch(/only while moving/));
  test('not with another function', () => expect(refusal(rule({ unless: 5 })).reason).toMatch(/not with F5/));
  test('stepping', () =>
    expect(refusal(table({}, { stepped: { function: 6, outputs: ['out3'] } })).reason).toMatch(
      /stepping with F6/,
    ));
  test('with windows one CV earlier, F3 reaches output 11 and no more output 3', () => {
    const { shifted: type } = decoderTypes;
    if (!isWindowed(type)) throw new Error('it maps freely');
    expect(cvsOf(table({ out4: [f(3)] }), type)[4]).toBe(1);
    expect(refusal(table({ out3: [f(3)] }), type).reason).toMatch(/outputs 4 to 11/);
  });
  test('CVs that are none', () => {
    expect(() => fromCvs([1, 2], fourteen)).toThrow(/14 numbers, not 2/);
    expect(() => fromCvs(only({ 35: 256 }), fourteen)).toThrow(/CV 35 is 256/);
    expect(() => fromCvs(only({ 35: 1.5 }), fourteen)).toThrow(/whole number/);
  });
});

describe('windows from words', () => {
  test('as they are written they are read', () => {
    expect(readWindows(standardWindows.join(' '), 14)).toEqual([...standardWindows]);
    expect(readWindows(standardWindows.join(', '), 14)).toEqual([...standardWindows]);
  });
  test.each([
    ['1 2 3', /need 14 output numbers, not 3/],
    [`${'1 '.repeat(13)}x`, /“x” is not an output/],
    [`${'1 '.repeat(13)}17`, /“17” is not an output from 1 to 16/],
    [`${'1 '.repeat(13)}0`, /“0” is not an output/],
  ])('%s is refused with the reason', (text, why) => expect(readWindows(text, 16)).toMatch(why));
  test('a map that is wider says what a narrow one cannot', () => {
    const all = { ...fourteen, windows: new Array<number>(14).fill(1) };
    // From output 1 everywhere, F7 reaches output 3.
    expect(toCvs(table({ out3: [f(7)] }), all).refusals).toEqual([]);
    expect(toCvs(table({ out3: [f(7)] }), fourteen).refusals).toHaveLength(1);
  });
});

describe('what no CV says is refused too', () => {
  const rule = (more: Partial<DecoderTable>, set: Partial<OutputRule> = {}): DecoderTable => ({
    ...table({ out3: [f(1)] }, more),
    outputs: { out3: { ...usualRule, keys: [f(1)], ...set } },
  });
  test('an effect that changes with a key', () =>
    expect(
      toCvs(rule({}, { withKey: { function: 2, effect: 'beacon' } }), fourteen).refusals[0].reason,
    ).toMatch(/another effect with F2/));
  test('a dim key', () =>
    expect(
      toCvs(rule({ dim: { function: 4, share: 0.5, outputs: ['out3'] } }), fourteen).refusals[0].reason,
    ).toMatch(/dimming with F4/));
});
