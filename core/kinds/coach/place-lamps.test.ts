import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { usualInterior, type InteriorPlan } from './usual-interior';
import { leds } from '../../part/led';
import type { LampPlace } from './places';
import { onPartition } from './on-partition';
import { coachInterior } from './interior';
import { equalPlacing, rowsAcross } from './equal-placing';
import { evennessOf, placeLamps, type PlacingWish } from './place-lamps';
import type { CoachRecord } from './record';

type Coach = Pick<CoachRecord, 'interior' | 'dimensions'>;

const coach = (plan: InteriorPlan, length: number, windowCount: number): Coach => {
  const dimensions = {
    lengthMillimetres: length,
    widthMillimetres: 33,
    bodyHeightMillimetres: 30,
    windowCount,
    wheelMillimetres: 10.5,
  };
  return { dimensions, interior: usualInterior(plan, dimensions, 'H0') };
};
const wish = (perRow: number[], more: Partial<PlacingWish> = {}): PlacingWish => ({
  led: leds['white-warm'],
  tint: 'none',
  aimDegrees: 0,
  perRow,
  ...more,
});

/** Coaches of all plans, with partitions moved about, lower walls and rooms left dark. */
const anyCoach: fc.Arbitrary<Coach> = fc
  .record({
    plan: fc.constantFrom<InteriorPlan>('open', 'compartment', 'sleeping', 'divided', 'luggage', 'bare'),
    length: fc.integer({ min: 60, max: 300 }),
    windowCount: fc.integer({ min: 1, max: 11 }),
    shift: fc.array(fc.integer({ min: -8, max: 8 }), { minLength: 14, maxLength: 14 }),
    low: fc.boolean(),
    leftDark: fc.integer({ min: -1, max: 6 }),
    reflectance: fc.constantFrom(0, 0.4),
  })
  .map(({ plan, length, windowCount, shift, low, leftDark, reflectance }) => {
    const { dimensions, interior } = coach(plan, length, windowCount);
    const rooms = Object.entries(interior.rooms).map(([id, r], i) => [
      id,
      {
        ...r,
        endMillimetres: Math.max(0, r.endMillimetres + shift[i % shift.length] / 3),
        partitionMillimetres: low ? r.partitionMillimetres * 0.7 : r.partitionMillimetres,
        leftDark: i === leftDark,
      },
    ]);
    return { dimensions, interior: { ...interior, reflectance, rooms: Object.fromEntries(rooms) } };
  });

describe('placing lamps', () => {
  test('never less even than equal spacing, on 90 random coaches; and off the partitions', () => {
    let kept = 0;
    fc.assert(
      fc.property(
        anyCoach,
        fc.integer({ min: 1, max: 7 }),
        fc.boolean(),
        fc.constantFrom('white-warm', 'white-round', 'strip-5v-warm'),
        (job, count, two, part) => {
          const perRow = two ? [count, count] : [count];
          const asked = wish(perRow, { led: leds[part], stepMillimetres: 6 });
          const equal = equalPlacing(job, perRow);
          const straight = evennessOf(job, asked, equal);
          // With partitions allowed: against equal spacing as it is.
          const free = placeLamps(job, { ...asked, onPartitions: true });
          expect(free.evenness).toBeGreaterThanOrEqual(straight);
          expect(free.evenness).toBeCloseTo(evennessOf(job, asked, free.places), 9);
          // Without: against equal spacing wherever that keeps off them too.
          const placed = placeLamps(job, asked);
          if (!equal.some((p) => onPartition(job, asked, p))) {
            kept++;
            expect(placed.evenness).toBeGreaterThanOrEqual(straight);
          }
          expect(placed.places).toHaveLength(perRow.reduce((a, b) => a + b));
        },
      ),
      { numRuns: 90, seed: 4 },
    );
    expect(kept).toBeGreaterThan(50);
  });
  test('no lamp on a partition unless asked', () => {
    const job = coach('compartment', 224, 7);
    for (const perRow of [[7], [7, 7], [3]]) {
      const { places } = placeLamps(job, wish(perRow));
      for (const p of places) expect(onPartition(job, wish(perRow), p)).toBe(false);
    }
    // One lamp for two rooms: on the partition it lights both, beside it only one.
    const two = coach('divided', 70, 2);
    expect(placeLamps(two, wish([1])).evenness).toBe(0);
    const asked = placeLamps(two, wish([1], { onPartitions: true, stepMillimetres: 0.5 }));
    expect(asked.evenness).toBeGreaterThan(0);
    expect(onPartition(two, wish([1]), asked.places[0])).toBe(true);
  });
  test.each<[string, Coach, number[], number]>([
    ['two lamps in an open coach', coach('open', 120, 4), [2], 4],
    ['three in a bare one', coach('bare', 120, 4), [3], 6],
    ['four in compartments', coach('divided', 120, 4), [4], 6],
    ['two rows of two with a corridor', coach('compartment', 70, 2), [2, 2], 5],
    ['five in an open coach', coach('open', 180, 6), [5], 9],
  ])('%s: the best of all ways there are, found one by one', (_, job, perRow, step) => {
    const asked = wish(perRow, { stepMillimetres: step });
    const across = rowsAcross(job, perRow.length).map((a) => Math.round(a * 10) / 10);
    const grid: number[] = [];
    for (let x = 3; x <= job.dimensions.lengthMillimetres - 3 + 1e-9; x += step) grid.push(x);
    const ways = perRow.map((count, row) => {
      const at = grid
        .map((x): LampPlace => ({
          placeMillimetres: Math.round(x * 10) / 10,
          acrossMillimetres: across[row],
        }))
        .filter((p) => !onPartition(job, asked, p));
      return choose(at, count).filter((places) =>
        places.every((p, i) => i === 0 || p.placeMillimetres - places[i - 1].placeMillimetres >= 4),
      );
    });
    let best = evennessOf(job, asked, equalPlacing(job, perRow));
    if (equalPlacing(job, perRow).some((p) => onPartition(job, asked, p))) best = 0;
    const [first, second] = ways;
    for (const a of first) {
      for (const b of second ?? [[]]) best = Math.max(best, evennessOf(job, asked, [...a, ...b]));
    }
    expect(placeLamps(job, asked).evenness).toBeCloseTo(best, 9);
    expect(best).toBeGreaterThan(0);
  });
  test('strip units keep the length between their cut marks', () => {
    const job = coach('open', 232, 8);
    const unit = leds['strip-warm'].unitMillimetres!;
    const { places } = placeLamps(job, wish([4], { led: leds['strip-warm'] }));
    const at = places.map((p) => p.placeMillimetres).sort((a, b) => a - b);
    for (let i = 1; i < at.length; i++) expect(at[i] - at[i - 1]).toBeGreaterThanOrEqual(unit - 1e-9);
    expect(at[0]).toBeGreaterThanOrEqual(unit / 2);
  });
  test('two rows with a side corridor lie over the compartments and over the corridor', () => {
    const job = coach('sleeping', 258, 10);
    const { corridor } = coachInterior(job);
    const [rooms, aisle] = rowsAcross(job, 2).map((a) => a + job.interior.widthMillimetres / 2);
    expect(aisle).toBeGreaterThan(corridor!.nearest);
    expect(aisle).toBeLessThan(corridor!.farthest);
    expect(rooms).toBeLessThan(corridor!.nearest);
    // What reaches the corridor comes from a vestibule, along it.
    expect(placeLamps(job, wish([10])).evenness).toBeLessThan(0.001);
    expect(placeLamps(job, wish([10, 8])).evenness).toBeGreaterThan(0.25);
  });
  test('tells how far it is, and stops when asked with the best so far', () => {
    const told: number[] = [];
    const job = coach('open', 232, 8);
    const placed = placeLamps(job, wish([8]), (share) => {
      told.push(share);
      return told.length === 3;
    });
    expect(told).toHaveLength(3);
    expect(told[2]).toBeGreaterThan(told[0]);
    expect(placed.evenness).toBeGreaterThanOrEqual(evennessOf(job, wish([8]), equalPlacing(job, [8])));
  });
  test('the same wish gives the same places', () => {
    const job = coach('compartment', 224, 7);
    expect(placeLamps(job, wish([7, 5]))).toEqual(placeLamps(job, wish([7, 5])));
  });
  test('nothing to light is no failure', () => {
    const job = coach('luggage', 160, 2);
    job.interior.rooms['room-1'].leftDark = true;
    expect(placeLamps(job, wish([2])).evenness).toBe(0);
  });
});

/** All ways to choose so many, in order. */
function choose(from: readonly LampPlace[], count: number): LampPlace[][] {
  if (count === 0) return [[]];
  return from.flatMap((first, i) => choose(from.slice(i + 1), count - 1).map((rest) => [first, ...rest]));
}
