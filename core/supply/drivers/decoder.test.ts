import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  decoderInputs,
  driveDecoder,
  effectIn,
  effectShare,
  functionInput,
  functionsOf,
  outputsOn,
  type DecoderTable,
} from './decoder';
import { usualRule } from './function-map';
import type { State } from '../state';

/** Functions that are on, and how it runs. */
interface Set {
  readonly functions?: readonly number[];
  readonly direction?: 'forward' | 'reverse';
  readonly moving?: boolean;
  readonly presses?: number;
}

const state = ({ functions = [], ...set }: Set = {}): State => ({
  ...Object.fromEntries(functions.map((f) => [functionInput(f), true])),
  ...set,
});
const table: DecoderTable = {
  outputs: {
    out1: { ...usualRule, keys: [{ function: 0, direction: 'forward' }] },
    out2: { ...usualRule, keys: [{ function: 0, direction: 'reverse' }] },
    out3: { ...usualRule, keys: [{ function: 1, direction: 'both' }], brightness: 0.4, unless: 5 },
    out4: { ...usualRule, keys: [{ function: 2, direction: 'both' }], moving: 'standing' },
    out5: { ...usualRule },
    out6: { ...usualRule },
  },
  exclusive: ['out5', 'out6'],
  stepped: { function: 6, outputs: ['out5', 'out6'] },
  dim: null,
};
const on = (set: Set) => Object.fromEntries(outputsOn(table, state(set)));

describe('which outputs conduct', () => {
  test('F0 by direction', () => {
    expect(on({ functions: [0] })).toEqual({ out1: 1 });
    expect(on({ functions: [0], direction: 'reverse' })).toEqual({ out2: 1 });
    expect(on({})).toEqual({});
  });
  test('a dimmed output conducts for its share, and not with the function that keeps it dark', () => {
    expect(on({ functions: [1] })).toEqual({ out3: 0.4 });
    expect(on({ functions: [1, 5] })).toEqual({});
  });
  test('only while standing', () => {
    expect(on({ functions: [2] })).toEqual({});
    expect(on({ functions: [2], moving: false })).toEqual({ out4: 1 });
  });
  test('presses step on, and after the last to none', () => {
    expect([0, 1, 2, 3, 4].map((presses) => Object.keys(on({ presses })))).toEqual([
      [],
      ['out5'],
      ['out6'],
      [],
      ['out5'],
    ]);
  });
  test('of exclusive outputs the first that is asked for', () => {
    const both: DecoderTable = {
      ...table,
      stepped: null,
      outputs: {
        out5: { ...usualRule, keys: [{ function: 7, direction: 'both' }] },
        out6: { ...usualRule, keys: [{ function: 8, direction: 'both' }] },
      },
      exclusive: ['out6', 'out5'],
    };
    expect([...outputsOn(both, state({ functions: [7, 8] })).keys()]).toEqual(['out6']);
    expect([...outputsOn(both, state({ functions: [7] })).keys()]).toEqual(['out5']);
  });
});

describe('effects are functions of time', () => {
  const moments = Array.from({ length: 400 }, (_, i) => i / 100);
  test('a ditch pair is never lit together, and always one of it', () => {
    for (const t of moments)
      expect(effectShare('alternate-one', t) + effectShare('alternate-other', t)).toBe(1);
    expect(new Set(moments.map((t) => effectShare('alternate-one', t)))).toEqual(new Set([0, 1]));
  });
  test('soft start rises and stays', () => {
    const rising = moments.map((t) => effectShare('soft', t));
    expect(rising[0]).toBe(0);
    expect(rising.at(-1)).toBe(1);
    for (let i = 1; i < rising.length; i++) expect(rising[i]).toBeGreaterThanOrEqual(rising[i - 1]);
  });
  test('flicker stays within its bounds, and the same seed gives the same run', () => {
    for (const t of moments) {
      const share = effectShare('flicker', t, 3);
      expect(share).toBeGreaterThanOrEqual(0.45);
      expect(share).toBeLessThanOrEqual(1);
      expect(effectShare('flicker', t, 3)).toBe(share);
    }
    expect(moments.some((t) => effectShare('flicker', t, 3) !== effectShare('flicker', t, 4))).toBe(true);
  });
  test('steady is 1, a beacon mostly dark', () => {
    expect(moments.every((t) => effectShare('steady', t) === 1)).toBe(true);
    const lit = moments.filter((t) => effectShare('beacon', t) === 1).length / moments.length;
    expect(lit).toBeGreaterThan(0.1);
    expect(lit).toBeLessThan(0.35);
  });
});

describe('a dim key', () => {
  const dimmed: DecoderTable = { ...table, dim: { function: 9, share: 0.3, outputs: ['out1', 'out3'] } };
  test('leaves its share of the outputs it names, and of no other', () => {
    const lit = (functions: number[]) => Object.fromEntries(outputsOn(dimmed, state({ functions })));
    expect(lit([0, 9])).toEqual({ out1: 0.3 });
    expect(lit([1, 9]).out3).toBeCloseTo(0.12, 9);
    expect(Object.fromEntries(outputsOn(dimmed, state({ functions: [2, 9], moving: false })))).toEqual({
      out4: 1,
    });
  });
  test('lights nothing by itself, and is among what can be pressed', () => {
    expect(outputsOn(dimmed, state({ functions: [9] })).size).toBe(0);
    expect(functionsOf(dimmed)).toContain(9);
    expect(decoderInputs(dimmed).map((i) => i.id)).toContain(functionInput(9));
  });
  test('whatever is pressed it never lights what was dark, nor makes anything brighter', () => {
    const keys = fc.uniqueArray(fc.integer({ min: 0, max: 8 }), { maxLength: 9 });
    fc.assert(
      fc.property(
        keys,
        fc.constantFrom('forward', 'reverse'),
        fc.boolean(),
        (functions, direction, moving) => {
          const without = outputsOn(dimmed, state({ functions, direction, moving }));
          const dim = outputsOn(dimmed, state({ functions: [...functions, 9], direction, moving }));
          expect([...dim.keys()].sort()).toEqual([...without.keys()].sort());
          for (const [id, share] of dim) expect(share).toBeLessThanOrEqual(without.get(id)!);
        },
      ),
      { numRuns: 200, seed: 12 },
    );
  });
  test('shares of all slices are one, and each output conducts for its own', () => {
    const phases = driveDecoder(dimmed, state({ functions: [0, 1, 9] }));
    expect(phases).toHaveLength(1);
    const [{ slices }] = phases;
    expect(slices.reduce((sum, s) => sum + s.share, 0)).toBeCloseTo(1, 9);
    const conducts = (id: string): number =>
      slices.reduce((sum, s) => sum + (s.conducting.has(id) ? s.share : 0), 0);
    expect(conducts('out1')).toBeCloseTo(0.3, 9);
    expect(conducts('out3')).toBeCloseTo(0.12, 9);
  });
});

describe('an effect that another key changes', () => {
  const ditch: DecoderTable = {
    ...table,
    outputs: {
      out1: {
        ...usualRule,
        keys: [{ function: 0, direction: 'both' }],
        withKey: { function: 2, effect: 'alternate-one' },
      },
      out2: {
        ...usualRule,
        keys: [{ function: 0, direction: 'both' }],
        withKey: { function: 2, effect: 'alternate-other' },
      },
    },
    exclusive: [],
    stepped: null,
  };
  test('holds only while its key is on', () => {
    expect(effectIn(ditch.outputs.out1, state({ functions: [0] }))).toBe('steady');
    expect(effectIn(ditch.outputs.out1, state({ functions: [0, 2] }))).toBe('alternate-one');
  });
  test('the pair shines together without it, and in turn with it: two phases, one lamp in each', () => {
    const lit = (functions: number[]): string[][] =>
      driveDecoder(ditch, state({ functions })).map(({ slices }) => [
        ...new Set(slices.flatMap((s) => [...s.conducting])),
      ]);
    expect(lit([0])).toEqual([['out1', 'out2']]);
    expect(lit([0, 2])).toEqual([['out1'], ['out2']]);
    expect(lit([2])).toEqual([[]]);
  });
  test('its key is one of the presses, together with those it changes', () => {
    const input = decoderInputs(ditch).find((i) => i.id === functionInput(2))!;
    expect(input.with).toContain(functionInput(0));
  });
});
