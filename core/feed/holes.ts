import { inOrder } from '../document/in-order';
import { feedWires } from '../part/feed-wire';
import { isRail } from '../part/rail';
import { placesOnRails } from './begin';
import { boardAt } from './board-at';
import type { Layout } from '../document/layout';

/** A hole through a board for the wires of something that stands on it. */
export interface Hole {
  /** What it is for: a place of the network. */
  readonly place: string;
  readonly board: string;
  /** Its middle on the plan, from above, in millimetres. */
  readonly x: number;
  readonly y: number;
  /** How far it was moved from under its thing to clear the frame, in millimetres. */
  readonly moved: number;
  /** From the left and the front edge of its board, as one lies beneath it. */
  readonly fromLeft: number;
  readonly fromFront: number;
  readonly drillMillimetres: number;
}

/** A frame stands so far in from the edges of its board, and a drill's chuck wants so much beside it (common practice, no source). */
export const FRAME_MILLIMETRES = 20;
const CHUCK = 10;
/** Insulation of a wire, all round; room to pull it through; the least drill one takes (common practice, no source). */
const INSULATION = 0.35;
const ROOM = 1.3;
const LEAST_DRILL = 4;

/** Outer diameter of a wire with its insulation, in millimetres. */
const outerMillimetres = (wire: string): number =>
  2 * Math.sqrt(feedWires[wire].squareMillimetres / Math.PI) + 2 * INSULATION;

/** Places that stand on the boards rather than under them. */
export function standingAbove(layout: Pick<Layout, 'network'>): ReadonlySet<string> {
  const above = new Set(placesOnRails(layout));
  for (const [id, { is }] of Object.entries(layout.network.nodes))
    if (['job', 'rig', 'lamps', 'typed'].includes(is.kind)) above.add(id);
  return above;
}

const within = (at: number, from: number, length: number): number => {
  const clear = Math.min(FRAME_MILLIMETRES + CHUCK, length / 2);
  return Math.min(from + length - clear, Math.max(from + clear, at));
};

/**
 * Where to drill: a hole under everything that stands on a board and has wires from beneath, moved in from
 * the edges where the frame of the board is; as wide as its wires side by side with room to pull them.
 */
export function holesOf(layout: Pick<Layout, 'network' | 'boards'>): Hole[] {
  const { nodes, runs } = layout.network;
  const above = standingAbove(layout);
  const wires = new Map<string, string[]>();
  for (const { from, to, wire } of Object.values(runs))
    if (!isRail(wire)) for (const end of [from, to]) wires.set(end, [...(wires.get(end) ?? []), wire]);
  return inOrder(nodes).flatMap((node): Hole[] => {
    const own = wires.get(node.id);
    const boardId = boardAt(layout, node);
    if (boardId === null || !own || !above.has(node.id)) return [];
    const board = layout.boards[boardId];
    const [x, y] = [
      within(node.xMillimetres, board.xMillimetres, board.widthMillimetres),
      within(node.yMillimetres, board.yMillimetres, board.depthMillimetres),
    ];
    // Two conductors side by side are twice as wide as one; of several pairs the bundle is about as round.
    const wide = 2 * Math.hypot(...own.map(outerMillimetres));
    return [
      {
        place: node.id,
        board: boardId,
        x,
        y,
        moved: Math.hypot(x - node.xMillimetres, y - node.yMillimetres),
        fromLeft: board.xMillimetres + board.widthMillimetres - x,
        fromFront: board.yMillimetres + board.depthMillimetres - y,
        drillMillimetres: Math.max(LEAST_DRILL, Math.ceil(2 * ROOM * wide) / 2),
      },
    ];
  });
}
