import fc from 'fast-check';
import { movingEffectNames, movingEffects, usualParameters } from '../core/supply/drivers/effects';
import type { ProgramWiring } from '../core/build/program/board';
import type { Timeline, TimelineClip } from '../core/supply/drivers/timeline';

const range = (from: number, count: number): number[] => Array.from({ length: count }, (_, i) => from + i);

/** A carousel: a ring of 24, six plain lamps, and every effect in turn on both. */
export const carousel: Timeline = {
  groups: [
    { id: 'ring', name: 'Ring of the carousel', kind: 'string', lamps: range(0, 24) },
    { id: 'booth', name: 'Booth', kind: 'channels', lamps: [0, 1, 2, 3] },
    { id: 'shed', name: 'Boat shed', kind: 'channels', lamps: [4, 5] },
  ],
  clips: movingEffectNames.flatMap((effect, k): TimelineClip[] =>
    ['ring', 'booth', 'shed'].map((group, g) => ({
      group,
      fromMilliseconds: 7000 * k + 500 * g,
      toMilliseconds: 7000 * (k + 1),
      effect,
      parameters: usualParameters(effect),
      colour: [255, 120 + 10 * k, 20 * g],
    })),
  ),
  lastsMilliseconds: 7000 * movingEffectNames.length,
  seed: 11,
  frameMilliseconds: 40,
  capPercent: 60,
  channels: 6,
  lamps: 24,
};

export const carouselWiring: ProgramWiring = {
  name: 'Carousel on the quay',
  channelPins: [2, 3, 4, 5, 6, 9],
  matrix: null,
  stringPin: 8,
  colourOrder: 'grb',
  pulsePins: [3, 5, 6, 9],
  channelAmps: [0.01, 0.01, 0.01, 0.01, 0.015, 0.015],
  stringLamp: { colourAmps: 0.012, idleAmps: 0.0008 },
  limitAmps: 0.2,
  stringLimitAmps: 2,
  litBy: 'high',
};

/** Time lines of any effects with any parameters they may have. */
export const generatedTimeline: fc.Arbitrary<Timeline> = fc
  .record({
    channels: fc.integer({ min: 1, max: 6 }),
    lamps: fc.integer({ min: 1, max: 12 }),
    seed: fc.integer({ min: 0, max: 100_000 }),
    cap: fc.integer({ min: 1, max: 100 }),
    scenes: fc.array(
      fc.record({
        effect: fc.constantFrom(...movingEffectNames),
        shares: fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 3, maxLength: 3 }),
        from: fc.integer({ min: 0, max: 50_000 }),
        lasts: fc.integer({ min: 100, max: 60_000 }),
        string: fc.boolean(),
        colour: fc.tuple(
          fc.integer({ min: 0, max: 255 }),
          fc.integer({ min: 0, max: 255 }),
          fc.integer({ min: 0, max: 255 }),
        ),
      }),
      { minLength: 1, maxLength: 8 },
    ),
  })
  .map(({ channels, lamps, seed, cap, scenes }) => ({
    groups: [
      { id: 'plain', name: 'Plain', kind: 'channels' as const, lamps: range(0, channels) },
      { id: 'string', name: 'String', kind: 'string' as const, lamps: range(0, lamps) },
    ],
    clips: scenes.map((s) => ({
      group: s.string ? 'string' : 'plain',
      fromMilliseconds: s.from,
      toMilliseconds: s.from + s.lasts,
      effect: s.effect,
      parameters: movingEffects[s.effect].parameters.map(({ least, most }, k) =>
        Math.round(least + (most - least) * s.shares[k] ** 3),
      ),
      colour: s.colour,
    })),
    lastsMilliseconds: 90_000,
    seed,
    frameMilliseconds: 25,
    capPercent: cap,
    channels,
    lamps,
  }));
