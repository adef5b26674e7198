import { formatQuantity } from '../../quantity/format';
import { boardAt } from '../../feed/board-at';
import { standingAbove } from '../../feed/holes';
import { placePath, type FeedRule } from './feed-rule';
import type { Judgement } from '../finding';
import type { BoardRecord } from '../../document/network-record';

/** An arm reaches so far under a board from its front or its back, in millimetres (common practice, no source). */
const REACH = 600;
/** Where a joint is put so that a hand reaches it, behind the front edge. */
const BEHIND_FRONT = 70;

/** How far from the nearer of the front and back edges of its board a place lies. */
const reachOf = (y: number, board: BoardRecord): number =>
  Math.min(y - board.yMillimetres, board.yMillimetres + board.depthMillimetres - y);

/** Strips, joints and step-downs so deep under a board that no hand reaches them. */
export const jointReach: FeedRule = {
  id: 'joint-reach',
  judge({ layout }) {
    const above = standingAbove(layout);
    return Object.entries(layout.network.nodes).flatMap(([id, node]): Judgement[] => {
      const { is, name, yMillimetres: y } = node;
      if (is.kind !== 'strip' && is.kind !== 'tap' && is.kind !== 'converter') return [];
      const under = boardAt(layout, node);
      if (under === null || above.has(id)) return [];
      const board = layout.boards[under];
      const reach = reachOf(y, board);
      if (reach <= REACH) return [];
      return [
        {
          id: `joint-reach ${id}`,
          severity: 'mind',
          title: `Nobody reaches ${name}`,
          sentence: `It lies ${formatQuantity(reach, 'millimetre')} under ${board.name} from its nearer edge; an arm reaches some ${formatQuantity(REACH, 'millimetre')}.`,
          reason: 'A joint that is out of reach is out of reach on the evening on which it fails.',
          paths: [placePath(id)],
          terminals: [],
          subject: { part: id },
          figures: [{ is: reach, limit: REACH, unit: 'millimetre' }],
          cures: [
            {
              label: 'Near the front edge',
              recipe: (draft) => {
                draft.network.nodes[id].yMillimetres =
                  board.yMillimetres + board.depthMillimetres - BEHIND_FRONT;
              },
            },
          ],
        },
      ];
    });
  },
};
