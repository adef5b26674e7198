import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { movingEffectNames } from '../supply/drivers/effects';
import {
  addClip,
  dropGroup,
  endClip,
  moveClip,
  repeatClip,
  setEffect,
  setLength,
  snapped,
} from './timeline-edits';
import type { TimelineRecord } from './moving-record';

const line = (): TimelineRecord => ({
  groups: {
    one: { of: 'lamps', order: 1, name: 'One', lamps: ['a'] },
    other: { of: 'string', order: 2, name: 'Other', first: 0, count: 4 },
  },
  clips: {
    'clip-1': {
      order: 1,
      group: 'one',
      fromMilliseconds: 1000,
      toMilliseconds: 3000,
      effect: 'steady',
      parameters: [100],
      colour: [255, 255, 255],
    },
  },
  lastsMilliseconds: 10_000,
  seed: 1,
  frameMilliseconds: 40,
  capPercent: 100,
});

describe('edits of a time line', () => {
  test('a scene moves with its length, and stays within', () => {
    const of = line();
    moveClip(of, 'clip-1', 9500);
    expect(of.clips['clip-1']).toMatchObject({ fromMilliseconds: 8000, toMilliseconds: 10_000 });
    moveClip(of, 'clip-1', -500);
    expect(of.clips['clip-1']).toMatchObject({ fromMilliseconds: 0, toMilliseconds: 2000 });
  });
  test('its end is after its beginning and not after the line’s', () => {
    const of = line();
    endClip(of, 'clip-1', 500);
    expect(of.clips['clip-1'].toMilliseconds).toBe(1100);
    endClip(of, 'clip-1', 99_000);
    expect(of.clips['clip-1'].toMilliseconds).toBe(10_000);
  });
  test('repeated it fills what is left, whole times only', () => {
    const of = line();
    expect(repeatClip(of, 'clip-1')).toBe(3);
    expect(Object.values(of.clips).map((c) => c.toMilliseconds)).toEqual([3000, 5000, 7000, 9000]);
  });
  test('a new one comes after the last of its group, at the end where there is no room', () => {
    const of = line();
    expect(of.clips[addClip(of, 'one', 'fire', 4000)]).toMatchObject({
      fromMilliseconds: 3000,
      toMilliseconds: 7000,
    });
    expect(of.clips[addClip(of, 'one', 'fire', 4000)]).toMatchObject({
      fromMilliseconds: 6000,
      toMilliseconds: 10_000,
    });
  });
  test('a group goes with its scenes; a shorter line cuts them', () => {
    const of = line();
    addClip(of, 'other', 'chase', 9000);
    setLength(of, 2000);
    expect(Object.values(of.clips).map((c) => c.toMilliseconds)).toEqual([2000, 2000]);
    dropGroup(of, 'other');
    expect(Object.keys(of.clips)).toEqual(['clip-1']);
    setLength(of, 1000);
    expect(of.clips).toEqual({});
  });
  test('whatever is done in whatever order, no scene is empty or out of the line', () => {
    const step = fc.record({
      does: fc.constantFrom('move', 'end', 'add', 'repeat', 'length', 'effect'),
      at: fc.integer({ min: -5000, max: 60_000 }),
      effect: fc.constantFrom(...movingEffectNames),
    });
    fc.assert(
      fc.property(fc.array(step, { maxLength: 12 }), (steps) => {
        const of = line();
        for (const { does, at, effect } of steps) {
          const id = Object.keys(of.clips).at(-1);
          if (does === 'add') addClip(of, 'other', effect, Math.max(100, at));
          else if (does === 'length') setLength(of, Math.max(100, at));
          else if (id === undefined) continue;
          else if (does === 'move') moveClip(of, id, at);
          else if (does === 'end') endClip(of, id, at);
          else if (does === 'effect') setEffect(of, id, effect);
          else if (
            Object.keys(of.clips).length < 50 &&
            of.clips[id].toMilliseconds - of.clips[id].fromMilliseconds > 900
          )
            repeatClip(of, id);
        }
        for (const c of Object.values(of.clips)) {
          expect(c.toMilliseconds).toBeGreaterThan(c.fromMilliseconds);
          expect(c.fromMilliseconds).toBeGreaterThanOrEqual(0);
          expect(c.toMilliseconds).toBeLessThanOrEqual(of.lastsMilliseconds);
        }
      }),
      { numRuns: 300, seed: 4 },
    );
  });
  test('a moment falls on the grid', () => {
    expect([0, 240, 250, 740, 1260].map((t) => snapped(t, 500))).toEqual([0, 0, 500, 500, 1500]);
  });
});
