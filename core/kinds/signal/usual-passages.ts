import { usualPassage, type PassageRecord } from '../../document/passage-record';
import type { SignalRecord } from './record';

/** Thickness of a baseboard, in millimetres, and the angle at which a hole enters a post (common practice, no source). */
const BOARD = 12;
export const HOLE_DEGREES = 45;

/** A lead enters the post behind the head, runs down its bore and goes through the board. */
export function signalPassages({ head }: Pick<SignalRecord, 'head'>): Record<string, PassageRecord> {
  const board = usualPassage(
    3,
    'Hole in the board',
    'hole',
    'all',
    Math.ceil(head.postMillimetres * 10 + 1) / 10,
    BOARD,
  );
  if (head.mount === 'bracket') return { board };
  return {
    entry: usualPassage(
      1,
      `Hole into the post, at ${HOLE_DEGREES}°`,
      'hole',
      'all',
      head.boreMillimetres,
      Math.round((head.postMillimetres / Math.sin((HOLE_DEGREES * Math.PI) / 180)) * 10) / 10,
    ),
    post: usualPassage(2, 'Post', 'tube', 'all', head.boreMillimetres, head.heightMillimetres),
    board,
  };
}
