import type { BuildingRecord, Room } from './record';

/** A window as a share of its floor's height, and how wide it is of its own height; sill above the floor (common practice, no source). */
const WINDOW_HIGH = 0.46;
const WINDOW_WIDE = 0.62;
const SILL = 0.28;
/** Lamps hang this far under the ceiling, as a share of the floor. */
export const LAMP_SHARE = 0.9;

const tenth = (millimetres: number): number => Math.round(millimetres * 10) / 10;

/** Rooms as they are commonly cut: as many as wanted over the floors, side by side. */
export function usualRooms(body: BuildingRecord['body'], names: readonly string[]): Record<string, Room> {
  const perFloor = Math.ceil(names.length / body.floors);
  const windowHeight = tenth(body.floorMillimetres * WINDOW_HIGH);
  const windowWidth = tenth(windowHeight * WINDOW_WIDE);
  return Object.fromEntries(
    names.map((name, i): [string, Room] => {
      const floor = Math.floor(i / perFloor);
      const here = Math.min(perFloor, names.length - floor * perFloor);
      const width = body.lengthMillimetres / here;
      const place = i - floor * perFloor;
      return [
        `room-${i + 1}`,
        {
          order: i + 1,
          name,
          floor,
          fromMillimetres: tenth(place * width),
          toMillimetres: tenth((place + 1) * width),
          windows: Math.max(1, Math.min(6, Math.floor(width / (windowWidth * 2.2)))),
          windowWidthMillimetres: windowWidth,
          windowHeightMillimetres: windowHeight,
          sillMillimetres: tenth(body.floorMillimetres * SILL),
          curtain: 'none',
          closedOff: true,
          leftDark: false,
        },
      ];
    }),
  );
}

/** Left edges of the windows of a room along the building, in millimetres. */
export function windowPlaces(room: Room): number[] {
  const { fromMillimetres: from, toMillimetres: to, windows, windowWidthMillimetres: width } = room;
  return Array.from({ length: windows }, (_, i) => from + ((to - from) * (i + 0.5)) / windows - width / 2);
}
