import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { usualDriver, usualFeed } from '../../document/driver-record';
import { driverKind, driverKinds, type DriverKindName } from '.';
import { halfSeconds, turnSeconds, type Flasher } from './flasher';
import { timerHalves } from './timer';
import { pinsOf, type Asked, type OutputId, type Show } from './driver-kind';
import type { Phase } from '../state';

const names = Object.keys(driverKinds) as DriverKindName[];
const feed = usualFeed(false, false);
const asked = (of: Record<string, Show>): Asked => new Map(Object.entries(of) as [OutputId, Show][]);
const conducting = ({ slices }: Phase): string[] => slices.flatMap((s) => [...s.conducting]).sort();

/** Anything an aspect may ask of so many outputs. */
const anyAsked = (outputs: readonly OutputId[]): fc.Arbitrary<Asked> =>
  fc
    .array(fc.constantFrom('steady' as const, 'flash' as const, 'flash-other' as const, null), {
      minLength: outputs.length,
      maxLength: outputs.length,
    })
    .map((shows) => new Map(shows.flatMap((s, i) => (s === null ? [] : [[outputs[i], s] as const]))));

describe.each(names)('a driver of kind %s', (name) => {
  const driver = usualDriver(name, feed, 4);
  const kind = driverKind(driver);
  const build = kind.build(driver);
  const outputs = build.outputs.map((o) => o.id);
  const contacts = [...outputs, ...pinsOf(build).map((p) => p.id)];

  test('conducts at outputs and contacts it has, in phases that last', () =>
    fc.assert(
      fc.property(anyAsked(outputs), (of) => {
        const phases = kind.drive(driver, of);
        expect(phases.length).toBeGreaterThan(0);
        for (const phase of phases) {
          expect(phase.seconds).toBeGreaterThan(0);
          expect(phase.slices.reduce((sum, s) => sum + s.share, 0)).toBeCloseTo(1, 12);
          for (const { conducting: on } of phase.slices) for (const id of on) expect(contacts).toContain(id);
        }
      }),
      { seed: 31 },
    ));
  test('what it says it can show it shows: steady in every phase, flashing in one half, the other in the other', () =>
    fc.assert(
      fc.property(anyAsked(outputs), (of) => {
        if (kind.cannot(driver, of) !== null) return;
        const phases = kind.drive(driver, of);
        for (const id of outputs) {
          const lit = phases.map((p) => conducting(p).includes(id));
          const show = of.get(id);
          if (show === 'steady') expect(lit).not.toContain(false);
          else if (show === 'flash') expect(lit).toEqual([true, false]);
          else if (show === 'flash-other') expect(lit).toEqual([false, true]);
        }
      }),
      { seed: 32 },
    ));
  test('every need has a price and a count', () => {
    for (const need of kind.needs(driver)) {
      expect(need.count).toBeGreaterThan(0);
      expect(need.price).toBeGreaterThan(0);
    }
  });
});

describe('what a driver cannot do it says, and does as nearly as its make allows', () => {
  const of = (name: DriverKindName, set: Record<string, Show>) => {
    const driver = usualDriver(name, feed, 4);
    const kind = driverKind(driver);
    const want = asked(set);
    return { cannot: kind.cannot(driver, want), phases: kind.drive(driver, want).map(conducting) };
  };
  test('contacts do not flash', () => {
    expect(of('contacts', { out1: 'flash' })).toEqual({
      cannot: expect.stringContaining('do not flash') as string,
      phases: [['out1']],
    });
  });
  test('one deck lights one lamp', () => {
    expect(of('contacts', { out1: 'steady', out2: 'steady' }).cannot).toContain('2 decks');
  });
  test('of a pair one is always on: both cannot be, and where neither is asked the second is', () => {
    expect(of('accessory-pairs', { out1: 'steady', out2: 'steady' }).cannot).toContain('never both');
    expect(of('accessory-pairs', { out1: 'steady' }).phases).toEqual([['out1', 'out4']]);
    expect(of('accessory-pairs', {}).phases).toEqual([['out2', 'out4']]);
  });
  test('a flashing decoder asked for both steady alternates', () => {
    expect(of('alternating', { out1: 'steady', out2: 'steady' })).toEqual({
      cannot: expect.stringContaining('only alternates') as string,
      phases: [['out1'], ['out2']],
    });
  });
  test('a flasher is never steady', () => {
    expect(of('flasher', { out1: 'steady' })).toEqual({
      cannot: expect.stringContaining('only alternates') as string,
      phases: [['out1'], ['out2']],
    });
  });
});

describe('rates', () => {
  test('a flasher of 47 uF and 22 k lasts 0.69 x 22e3 x 47e-6 = 0.717 s each half (closed form)', () => {
    expect(halfSeconds({ ohms: 22e3, farads: 47e-6 })).toBeCloseTo(0.7167, 3);
    const driver: Flasher = {
      kind: 'flasher',
      feed,
      one: { ohms: 22e3, farads: 47e-6 },
      other: { ohms: 10e3, farads: 47e-6 },
      baseDiodes: false,
    };
    expect(turnSeconds(driver)).toBeCloseTo(0.6931 * (22e3 + 10e3) * 47e-6, 3);
    const [one, other] = driverKind(driver).drive(driver, asked({ out1: 'flash', out2: 'flash-other' }));
    expect(one.seconds / other.seconds).toBeCloseTo(2.2, 9);
  });
  test('a timer chip of 1 k, 100 k and 10 uF: low 0.693 s, high 0.700 s (0.693 RB C, 0.693 (RA + RB) C, from memory)', () => {
    const [low, high] = timerHalves({ ohmsA: 1e3, ohmsB: 100e3, farads: 10e-6 });
    expect(low).toBeCloseTo(0.6931, 3);
    expect(high).toBeCloseTo(0.7001, 3);
  });
  test('a lamp that flashes 45 times a minute is lit for two thirds of a second', () => {
    const driver = usualDriver('pins', feed, 2);
    const [one, other] = driverKind(driver).drive(driver, asked({ out1: 'flash' }));
    expect(one.seconds).toBeCloseTo(2 / 3, 12);
    expect(other.seconds).toBeCloseTo(2 / 3, 12);
    expect(driverKind(driver).perMinute(driver)).toBe(45);
  });
});
