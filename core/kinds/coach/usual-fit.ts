import { thingKinds, type ThingKind } from './thing-kinds';
import type { BoardRecord, FitRecord, ThingRecord } from './fit-record';

/** Nothing measured yet: a shell that keeps light in, opened by clips; an eye at an arm's length. */
export function usualFit(): FitRecord {
  return {
    opening: { how: 'clips', hinge: 'none', arrow: false, leadsEnd: 'none' },
    tabs: null,
    board: null,
    things: {},
    eye: { aboveRailMillimetres: 250, awayMillimetres: 500 },
    shell: 'opaque',
    blackedOut: { roof: false, ends: false },
  };
}

/** A strip or board as it is commonly laid: 10 mm wide, clear of both ends (common practice, no source). */
export function usualBoard(coachMillimetres: number): BoardRecord {
  const clear = 10;
  return {
    startMillimetres: clear,
    lengthMillimetres: Math.max(1, coachMillimetres - 2 * clear),
    widthMillimetres: 10,
    thicknessMillimetres: 1,
    tallest: null,
  };
}

/** The tallest part of a board, near its beginning, as high as said. */
export function usualTallest(
  board: BoardRecord,
  heightMillimetres: number,
): NonNullable<BoardRecord['tallest']> {
  const placeMillimetres = board.startMillimetres + Math.min(10, board.lengthMillimetres / 2);
  return { placeMillimetres, lengthMillimetres: 6, heightMillimetres };
}

/** Three pairs of roof tabs, spread along the coach. */
export function usualTabs(coachMillimetres: number): NonNullable<FitRecord['tabs']> {
  return {
    apartMillimetres: 10,
    lengthMillimetres: 4,
    placesMillimetres: [0.2, 0.5, 0.8].map((share) => Math.round(share * coachMillimetres)),
  };
}

/** A thing as big as such things commonly are; a CR2032 in its holder for a cell (IEC 60086: 20.0 by 3.2 mm). */
export function usualThing(kind: ThingKind, order: number, placeMillimetres: number): ThingRecord {
  const cell = kind === 'cell';
  return {
    order,
    kind,
    placeMillimetres,
    acrossMillimetres: 0,
    bottomMillimetres: 0,
    lengthMillimetres: cell ? 22 : 8,
    widthMillimetres: cell ? 22 : 6,
    heightMillimetres: 4,
    reach: thingKinds[kind].mustBeReached ? 'underside' : 'roof-off',
  };
}
