import { usualPassage, type PassageRecord } from '../../document/passage-record';
import type { CrossingRecord } from './record';

/** Thickness of a baseboard, in millimetres, and the angle at which a hole enters a post (common practice, no source). */
const BOARD = 12;
export const HOLE_DEGREES = 45;

/** Room beside the pivot of a barrier for the leads of its lamps. */
const HINGE = 1.5;

/** Leads of each post: down its bore, through the board; those of a barrier past its pivot. */
export function crossingPassages({
  road,
  lamps,
}: Pick<CrossingRecord, 'road' | 'lamps'>): Record<string, PassageRecord> {
  const posts = Math.max(1, ...Object.values(lamps).map((l) => l.post));
  return Object.fromEntries(
    Array.from({ length: posts }, (_, i) => i + 1).flatMap((n) => {
      const serves = `post ${n}`;
      const of = posts > 1 ? ` ${n}` : '';
      const hinged = Object.values(lamps).some((l) => l.place === 'barrier' && l.post === n);
      return [
        ...(hinged
          ? [
              [
                `barrier-${n}`,
                usualPassage(3 * n, `Pivot of the barrier${of}`, 'hinge', `barrier ${n}`, HINGE, 4),
              ],
            ]
          : []),
        [
          `post-${n}`,
          usualPassage(3 * n - 2, `Post${of}`, 'tube', serves, road.boreMillimetres, road.heightMillimetres),
        ],
        [
          `board-${n}`,
          usualPassage(
            3 * n - 1,
            `Hole in the board${of}`,
            'hole',
            serves,
            Math.ceil(road.postMillimetres * 10 + 1) / 10,
            BOARD,
          ),
        ],
      ] as [string, PassageRecord][];
    }),
  );
}
