import { terminalKey, type Part } from '../../assembly/assembly';

/** Between holes of a strip-board, in millimetres (0.1 inch). */
export const PITCH = 2.54;

/** A hole: column along the strips, row across them. */
export interface Hole {
  readonly column: number;
  readonly row: number;
}

/** A part on a board: where its legs go in, and what its body covers. */
export interface PlacedPart {
  readonly part: Part;
  readonly legs: ReadonlyMap<string, Hole>;
  readonly from: Hole;
  readonly to: Hole;
}

/** A wire that leaves the board: the lead it is, and where it goes in. */
export interface PlacedWire {
  readonly lead: string;
  /** The terminal away from the board. */
  readonly outside: string;
  readonly hole: Hole;
}

/** A board of parallel strips along its rows, with what sits on it and where strips are cut. */
export interface StripBoard {
  readonly columns: number;
  readonly rows: number;
  readonly parts: readonly PlacedPart[];
  readonly wires: readonly PlacedWire[];
  /** Holes at which a strip is cut through. */
  readonly cuts: readonly Hole[];
}

/** Room there is for a board, in millimetres. */
export interface BoardRoom {
  readonly lengthMillimetres: number;
  readonly widthMillimetres: number;
}

/** Legs are bent over so many strips at most (common practice, no source). */
export const LONGEST_REACH = 9;
/** Size of a board, with half a pitch round its outer holes. */
export const boardSize = ({ columns, rows }: Pick<StripBoard, 'columns' | 'rows'>): BoardRoom => ({
  lengthMillimetres: columns * PITCH,
  widthMillimetres: rows * PITCH,
});

/** Whether no hole is used twice, no bodies meet, no leg reaches too far, and nothing sits in a cut. */
export function isSound({ columns, rows, parts, wires, cuts }: StripBoard): boolean {
  const used = new Set<string>();
  const body = new Set<string>();
  const within = ({ column, row }: Hole): boolean =>
    column >= 0 && row >= 0 && column < columns && row < rows;
  for (const { legs, from, to } of parts) {
    const at = [...legs.values()].map((h) => h.row);
    if (new Set(at).size < at.length || Math.max(...at) - Math.min(...at) > LONGEST_REACH) return false;
    if (!within(from) || !within(to)) return false;
    for (let c = from.column; c <= to.column; c++)
      for (let r = from.row; r <= to.row; r++) {
        if (body.has(`${c} ${r}`)) return false;
        body.add(`${c} ${r}`);
      }
    for (const h of legs.values()) used.add(`${h.column} ${h.row}`);
  }
  for (const { hole } of wires) {
    if (!within(hole) || used.has(`${hole.column} ${hole.row}`) || body.has(`${hole.column} ${hole.row}`))
      return false;
    used.add(`${hole.column} ${hole.row}`);
  }
  return cuts.every((c) => within(c) && !used.has(`${c.column} ${c.row}`));
}

/** A bare wire along a row of a pad-board, from hole to hole. */
export interface Link {
  readonly row: number;
  readonly from: number;
  readonly to: number;
}

/** The same board on pads of their own instead of strips: each net is joined by a bare wire along its row, and nothing is cut. */
export function padLinks(board: StripBoard): Link[] {
  return Array.from({ length: board.rows }, (_, row) => row).flatMap((row) => {
    const cuts = board.cuts.filter((c) => c.row === row).map((c) => c.column);
    const columns = holesOn(board, row).map((h) => h.column);
    const pieces = [-Infinity, ...cuts.sort((a, b) => a - b)];
    return pieces.flatMap((begin, i): Link[] => {
      const own = columns.filter((c) => c > begin && c < (pieces[i + 1] ?? Infinity));
      return own.length < 2 ? [] : [{ row, from: Math.min(...own), to: Math.max(...own) }];
    });
  });
}

/** What a pad-board connects, read off its links: holes that one runs over are joined, every other is by itself. */
export function extractedPads(board: StripBoard, links: readonly Link[]): string[][] {
  return grouped(board, ({ column, row }) => {
    const link = links.findIndex((l) => l.row === row && l.from <= column && column <= l.to);
    return link >= 0 ? `link ${link}` : `${row} ${column}`;
  });
}

/** Holes that a strip's net uses. */
export function holesOn(board: StripBoard, row: number): Hole[] {
  return [...board.parts.flatMap((p) => [...p.legs.values()]), ...board.wires.map((w) => w.hole)].filter(
    (h) => h.row === row,
  );
}

/**
 * What a board connects, read off its copper: strips between cuts join the holes on them. As groups of
 * terminals, those of its parts and those its wires go to.
 */
export const extracted = (board: StripBoard): string[][] =>
  grouped(
    board,
    ({ column, row }) => `${row} ${board.cuts.filter((c) => c.row === row && c.column < column).length}`,
  );

/** Terminals by what joins the holes they are in. */
function grouped({ parts, wires }: StripBoard, joinedBy: (hole: Hole) => string): string[][] {
  const groups = new Map<string, string[]>();
  const add = (hole: Hole, name: string): void => {
    const by = joinedBy(hole);
    groups.set(by, [...(groups.get(by) ?? []), name]);
  };
  for (const { part, legs } of parts)
    for (const [terminal, hole] of legs) add(hole, terminalKey({ part: part.id, terminal }));
  for (const { lead, outside, hole } of wires) add(hole, `${lead} ${outside}`);
  return [...groups.values()].map((g) => g.sort()).sort((a, b) => (a[0] < b[0] ? -1 : 1));
}
