import { usualPassage, type PassageRecord } from '../../document/passage-record';
import type { BuildingRecord } from './record';

/** Hole in the board below the building, and in each upper floor, in millimetres (common practice, no source). */
const BOARD_HOLE = 6;
const BOARD = 12;
const FLOOR_HOLE = 2.5;
const FLOOR = 1.5;

/** All leads go down through the board; those of upper rooms through their floor first. */
export function buildingPassages({ rooms }: Pick<BuildingRecord, 'rooms'>): Record<string, PassageRecord> {
  const upper = Object.entries(rooms).filter(([, r]) => r.floor > 0);
  return {
    ...Object.fromEntries(
      upper.map(([id, room], i) => [
        `floor-${id}`,
        usualPassage(i + 1, `Floor of ${room.name}`.slice(0, 60), 'hole', id, FLOOR_HOLE, FLOOR),
      ]),
    ),
    board: usualPassage(upper.length + 1, 'Hole in the board', 'hole', 'all', BOARD_HOLE, BOARD),
  };
}
