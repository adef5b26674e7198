import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { addPlace, addRun, lampsOf, withBus } from '../../tests/networks';
import { boatTrain } from '../../tests/generated';
import { change } from '../document/patch';
import { feedWireNames, feedWires } from '../part/feed-wire';
import { holesOf, standingAbove } from './holes';
import type { Layout } from '../document/layout';

/** Lamps at a place of a board of 1000 x 450, on a wire from a strip beneath it. */
const lampsAt = (x: number, y: number, wire = '16-0.2'): Layout =>
  change(withBus(12, 5), (draft) => {
    draft.boards.one = {
      order: 1,
      name: 'One',
      xMillimetres: 100,
      yMillimetres: 50,
      widthMillimetres: 1000,
      depthMillimetres: 450,
    };
    addPlace(draft, 'strip', 500, 400, { kind: 'strip', ways: 6, ratedAmps: 8, contactOhms: 0.004 });
    addPlace(draft, 'lamps', x, y, lampsOf(3));
    addRun(draft, 'strip', 'lamps', { wire });
  }).layout;

describe('holes through the boards', () => {
  test('are under what stands on them, and nowhere for what lies beneath', () => {
    expect(holesOf(lampsAt(600, 200))).toEqual([
      {
        place: 'lamps',
        board: 'one',
        x: 600,
        y: 200,
        moved: 0,
        fromLeft: 500,
        fromFront: 300,
        drillMillimetres: expect.any(Number) as number,
      },
    ]);
    expect(holesOf(lampsAt(5000, 200))).toEqual([]);
  });
  test('clear the frame, wherever the thing stands', () => {
    fc.assert(
      fc.property(fc.integer({ min: 100, max: 1099 }), fc.integer({ min: 50, max: 499 }), (x, y) => {
        const [hole] = holesOf(lampsAt(x, y));
        // A frame of 20 mm and room for the drill beside it.
        expect(hole.x).toBeGreaterThanOrEqual(130);
        expect(hole.x).toBeLessThanOrEqual(1070);
        expect(hole.y).toBeGreaterThanOrEqual(80);
        expect(hole.y).toBeLessThanOrEqual(470);
        expect(hole.moved).toBeLessThanOrEqual(Math.hypot(30, 30));
        expect(hole.moved === 0).toBe(x === hole.x && y === hole.y);
      }),
    );
  });
  test.each(feedWireNames)('let both conductors of %s through', (wire) => {
    const [hole] = holesOf(lampsAt(600, 200, wire));
    const bare = 2 * Math.sqrt(feedWires[wire].squareMillimetres / Math.PI);
    expect(hole.drillMillimetres).toBeGreaterThan(2 * bare + 1);
    expect(hole.drillMillimetres).toBeLessThan(2 * (2 * bare + 4));
    expect((2 * hole.drillMillimetres) % 1).toBe(0);
  });
  test('of the quay: one for each thing with wires, rails among them; none for strips, units and joints beneath', () => {
    const quay = boatTrain();
    const holes = holesOf(quay);
    expect(new Set(holes.map((h) => h.place)).size).toBe(holes.length);
    expect(holes.map((h) => h.place)).toContain('rail-2');
    for (const { place } of holes) {
      expect(standingAbove(quay).has(place)).toBe(true);
      expect(['strip', 'supply', 'converter']).not.toContain(quay.network.nodes[place].is.kind);
    }
    expect(standingAbove(quay).has('track-2')).toBe(false);
  });
});
