import { canSize } from '../../part/electrolytic';
import { netsOf, terminalKey, terminalsOf, type Assembly, type Part } from '../../assembly/assembly';
import {
  boardSize,
  LONGEST_REACH,
  PITCH,
  type BoardRoom,
  type PlacedPart,
  type PlacedWire,
  type StripBoard,
} from './board';
import { sharedStrips } from './share-strips';

/** Parts that sit on a board; lamps, switches and what is plugged sit elsewhere. */
const ON_BOARD = new Set<Part['kind']>([
  'bridge',
  'diode',
  'resistor',
  'electrolytic',
  'limiter',
  'regulator',
  'fuse',
]);

/** What of a job goes on a board: the parts at the hub of its wiring. */
export const boardParts = ({ parts }: Assembly): Part[] =>
  // A hub is a board already.
  parts.some((p) => p.kind === 'socket') ? [] : parts.filter((p) => ON_BOARD.has(p.kind) && p.place === null);

/** Columns a part takes: a can is as wide as it is round, everything else stands on end or lies across the strips. */
function widthOf(part: Part): number {
  if (part.kind === 'electrolytic') return Math.ceil(canSize(part.farads, part.ratedVolts).diameter / PITCH);
  return part.kind === 'bridge' || part.kind === 'limiter' ? 2 : 1;
}

/** What is to be placed: parts by the nets of their legs, and the wires that leave each net. */
interface Task {
  readonly parts: readonly { readonly part: Part; readonly legs: readonly (readonly [string, number])[] }[];
  readonly wires: readonly (readonly { readonly lead: string; readonly outside: string }[])[];
  readonly nets: number;
}

function taskOf(assembly: Assembly, onBoard: readonly Part[]): Task {
  const here = new Set(onBoard.map((p) => p.id));
  // Nets of the board alone: what is joined outside of it only does not make a strip.
  const own: Assembly = {
    ...assembly,
    parts: onBoard,
    leads: assembly.leads.filter((l) => here.has(l.from.part) && here.has(l.to.part)),
  };
  const nets = netsOf(own);
  const numbers = new Map<string, number>();
  const numberOf = (key: string): number => {
    const net = nets.get(key)!;
    if (!numbers.has(net)) numbers.set(net, numbers.size);
    return numbers.get(net)!;
  };
  const parts = onBoard.map((part) => ({
    part,
    legs: terminalsOf[part.kind].map(
      (terminal) => [terminal, numberOf(terminalKey({ part: part.id, terminal }))] as const,
    ),
  }));
  const wires: { lead: string; outside: string }[][] = Array.from({ length: numbers.size }, () => []);
  for (const lead of assembly.leads) {
    const [a, b] = [here.has(lead.from.part), here.has(lead.to.part)];
    if (a === b) continue;
    const [inside, outside] = a ? [lead.from, lead.to] : [lead.to, lead.from];
    wires[numberOf(terminalKey(inside))].push({ lead: lead.id, outside: terminalKey(outside) });
  }
  return { parts, wires, nets: numbers.size };
}

/** Places parts on strips in a given order of nets; null where a leg would have to reach too far. */
function placed({ parts, wires, nets }: Task, rowOf: readonly number[]): StripBoard | null {
  const taken = new Set<number>();
  const at = (column: number, row: number): number => column * nets + row;
  const out: PlacedPart[] = [];
  const extents = parts.map(({ part, legs }) => {
    const rows = legs.map(([, net]) => rowOf[net]);
    const width = widthOf(part);
    const [first, last] = [Math.min(...rows), Math.max(...rows)];
    const grow = part.kind === 'electrolytic' ? Math.max(0, width - (last - first + 1)) : 0;
    return {
      part,
      legs,
      width,
      first: Math.max(0, first - Math.floor(grow / 2)),
      last: Math.min(nets - 1, last + Math.ceil(grow / 2)),
      reach: last - first,
      doubled: new Set(rows).size < rows.length,
    };
  });
  if (extents.some((e) => e.reach > LONGEST_REACH || e.doubled)) return null;
  extents.sort((a, b) => b.width - a.width || b.last - b.first - (a.last - a.first));
  let columns = 1;
  for (const { part, legs, width, first, last } of extents) {
    for (let column = 0; ; column++) {
      let free = true;
      for (let c = column; free && c < column + width; c++)
        for (let r = first; r <= last; r++) if (taken.has(at(c, r))) free = false;
      if (!free) continue;
      for (let c = column; c < column + width; c++) for (let r = first; r <= last; r++) taken.add(at(c, r));
      const middle = column + Math.floor((width - 1) / 2);
      out.push({
        part,
        legs: new Map(legs.map(([t, net]) => [t, { column: middle, row: rowOf[net] }])),
        from: { column, row: first },
        to: { column: column + width - 1, row: last },
      });
      columns = Math.max(columns, column + width);
      break;
    }
  }
  const led: PlacedWire[] = [];
  wires.forEach((own, net) => {
    let column = 0;
    for (const wire of own) {
      while (taken.has(at(column, rowOf[net]))) column++;
      taken.add(at(column, rowOf[net]));
      led.push({ ...wire, hole: { column, row: rowOf[net] } });
      columns = Math.max(columns, column + 1);
    }
  });
  return { columns, rows: nets, parts: out, wires: led, cuts: [] };
}

const areaOf = (board: StripBoard): number => board.columns * board.rows;

/** Orders of nets are tried by exchanges from so many beginnings. */
const STARTS = 12;

/** Numbers that look like chance and are the same each time (Lehmer 1951). */
function* lehmer(seed: number): Generator<number, never> {
  for (let x = seed; ;) {
    x = (x * 48271) % 2147483647;
    yield x / 2147483647;
  }
}

function searched(task: Task): StripBoard | null {
  const { nets } = task;
  const chance = lehmer(11);
  let best: StripBoard | null = null;
  for (let start = 0; start < STARTS; start++) {
    const rowOf = Array.from({ length: nets }, (_, i) => i);
    if (start > 0)
      for (let i = nets - 1; i > 0; i--) {
        const k = Math.floor(chance.next().value * (i + 1));
        [rowOf[i], rowOf[k]] = [rowOf[k], rowOf[i]];
      }
    let now = placed(task, rowOf);
    for (let better = true; better;) {
      better = false;
      for (let a = 0; a < nets; a++)
        for (let b = a + 1; b < nets; b++) {
          [rowOf[a], rowOf[b]] = [rowOf[b], rowOf[a]];
          const tried = placed(task, rowOf);
          if (tried && (!now || costOf(tried) < costOf(now))) {
            now = tried;
            better = true;
          } else [rowOf[a], rowOf[b]] = [rowOf[b], rowOf[a]];
        }
    }
    const shared = now && sharedStrips(now);
    if (shared && (!best || areaOf(shared) < areaOf(best))) best = shared;
  }
  return best;
}

/** Area first; of boards as large the one whose parts reach least. */
const costOf = (board: StripBoard): number =>
  1000 * areaOf(board) + board.parts.reduce((sum, p) => sum + p.to.row - p.from.row, 0);

/** A board, or why there is none. */
export type MadeBoard =
  { readonly ok: true; readonly board: StripBoard } | { readonly ok: false; readonly reason: string };

/**
 * A strip-board for the small circuit of a job, as small as a search finds it: nets take strips in the
 * order that lets parts share columns, and share strips that are cut between them.
 * @param room it has to fit, either way round; none when left out
 */
export function stripBoard(assembly: Assembly, room?: BoardRoom): MadeBoard {
  const onBoard = boardParts(assembly);
  if (onBoard.length === 0) return { ok: false, reason: 'There is nothing that would sit on a board.' };
  const board = searched(taskOf(assembly, onBoard));
  if (!board)
    return { ok: false, reason: `Its legs would have to reach over more than ${LONGEST_REACH} strips.` };
  const { lengthMillimetres: l, widthMillimetres: w } = boardSize(board);
  const fits =
    !room ||
    (l <= room.lengthMillimetres && w <= room.widthMillimetres) ||
    (w <= room.lengthMillimetres && l <= room.widthMillimetres);
  if (!fits)
    return {
      ok: false,
      reason: `The smallest board found is ${l.toFixed(1)} by ${w.toFixed(1)} mm; there are ${room.lengthMillimetres} by ${room.widthMillimetres} mm.`,
    };
  return { ok: true, board };
}

/** The board a person makes who gives each part columns and each net a strip of its own. */
export function plainBoardArea(assembly: Assembly): number {
  const { parts, wires, nets } = taskOf(assembly, boardParts(assembly));
  const columns =
    parts.reduce((sum, p) => sum + widthOf(p.part), 0) + Math.max(0, ...wires.map((w) => w.length));
  return columns * nets;
}
