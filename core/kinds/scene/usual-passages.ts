import { usualPassage, type PassageRecord } from '../../document/passage-record';

/** Thickness of a baseboard, and of the hole all leads of a scene go through, in millimetres (common practice, no source). */
const BOARD = 12;
const HOLE = 6;

/** All leads go through one hole under the scene. */
export const scenePassages = (): Record<string, PassageRecord> => ({
  board: usualPassage(1, 'Hole in the board', 'hole', 'all', HOLE, BOARD),
});
