import { EACH_PLACE, usualPassage, type PassageRecord } from '../../document/passage-record';
import { fittingSorts } from '../../part/lamp-fitting';
import { mastStock } from '../../part/lamp-kit';
import type { LampRecord } from './record';

/** Thickness of a baseboard, a wall and a roof, in millimetres (common practice, no source). */
const BOARD = 12;
const WALL = 2;
/** Hole that two thin leads want (common practice, no source). */
const LEADS_HOLE = 2;

/** What the leads of each lamp of a row go through: its mast, then the board; or a wall, a roof, the thing it is on. */
export function lampPassages({
  fitting,
  kit,
}: Pick<LampRecord, 'fitting' | 'kit'>): Record<string, PassageRecord> {
  const { stands } = fittingSorts[fitting.sort];
  if (stands === 'mast') {
    const { boreMillimetres, outsideMillimetres } = mastStock[kit.mast];
    const board = usualPassage(
      2,
      'Hole in the board',
      'hole',
      EACH_PLACE,
      Math.ceil(outsideMillimetres * 10 + 1) / 10,
      BOARD,
    );
    if (boreMillimetres === 0) return { board: { ...board, boreMillimetres: LEADS_HOLE } };
    return {
      mast: usualPassage(1, 'Mast', 'tube', EACH_PLACE, boreMillimetres, fitting.heightMillimetres),
      board,
    };
  }
  const name = { wall: 'Hole in the wall', roof: 'Hole in the roof', thing: 'Hole behind the lens' }[stands];
  return { hole: usualPassage(1, name, 'hole', EACH_PLACE, LEADS_HOLE, WALL) };
}
