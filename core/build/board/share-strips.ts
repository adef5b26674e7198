import { holesOn, isSound, type Hole, type StripBoard } from './board';

/**
 * Lets two nets share one strip, cut between them, where their holes lie apart along it and the parts
 * still have their room; again and again.
 */
export function sharedStrips(board: StripBoard): StripBoard {
  for (let a = 0; a < board.rows; a++)
    for (let b = 0; b < board.rows; b++) {
      if (a === b || board.cuts.some((c) => c.row === a || c.row === b)) continue;
      const [left, right] = [holesOn(board, a), holesOn(board, b)];
      const end = Math.max(-1, ...left.map((h) => h.column));
      const begin = Math.min(board.columns, ...right.map((h) => h.column));
      if (begin - end < 2) continue;
      const merged = moved(board, b, a, { column: end + 1, row: a });
      if (merged) return sharedStrips(merged);
    }
  return board;
}

/** Moves what is on one strip to another and takes the empty one out; null where parts would meet. */
function moved(board: StripBoard, from: number, to: number, cut: Hole): StripBoard | null {
  const rowOf = (row: number): number => {
    const there = row === from ? to : row;
    return there > from ? there - 1 : there;
  };
  const hole = (h: Hole): Hole => ({ ...h, row: rowOf(h.row) });
  const parts = board.parts.map((p) => {
    const legs = new Map([...p.legs].map(([t, h]) => [t, hole(h)] as const));
    const rows = [...legs.values()].map((h) => h.row);
    const grow = p.part.kind === 'electrolytic' ? p.to.column - p.from.column + 1 : 1;
    const [first, last] = [Math.min(...rows), Math.max(...rows)];
    const more = Math.max(0, grow - (last - first + 1));
    return {
      ...p,
      legs,
      from: { ...p.from, row: Math.max(0, first - Math.floor(more / 2)) },
      to: { ...p.to, row: Math.min(board.rows - 2, last + Math.ceil(more / 2)) },
    };
  });
  const wires = board.wires.map((w) => ({ ...w, hole: hole(w.hole) }));
  const made: StripBoard = {
    ...board,
    rows: board.rows - 1,
    parts,
    wires,
    cuts: [...board.cuts, cut].map(hole),
  };
  return isSound(made) ? made : null;
}
