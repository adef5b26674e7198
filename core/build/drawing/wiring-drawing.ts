import { asWired } from '../../study/wired';
import { shines, terminalKey, type Part, type Terminal } from '../../assembly/assembly';
import { orderFactsOf } from '../../kinds/orders';
import { wiringOf } from '../../kinds/wirings';
import { boughtBoards, type BoughtBoardName } from '../../part/bought-board';
import { wirePaint, type WireColour } from '../../part/wire-colour';
import { isSteady, wiringTable } from '../wiring-table';
import { escaped } from './xml-text';
import { longPicture, partPicture, upright, type Leg, type PartPicture } from './part-picture';
import type { Bench } from '../../study/bench';

/** A part where it is drawn. */
export interface DrawnPart {
  readonly part: Part;
  readonly picture: PartPicture;
  readonly x: number;
  readonly y: number;
}

/** A wire where it is drawn: from leg to leg. */
export interface DrawnWire {
  readonly lead: string;
  readonly label: string;
  readonly colour: WireColour;
  readonly from: Leg;
  readonly to: Leg;
  readonly ends: readonly [string, string];
  readonly path: string;
  readonly middle: { readonly x: number; readonly y: number };
  /** Copper of a board that is bought whole. */
  readonly onBoard: boolean;
}

/** The wiring as it looks, in pixels. */
export interface WiringDrawing {
  readonly width: number;
  readonly height: number;
  readonly parts: readonly DrawnPart[];
  readonly wires: readonly DrawnWire[];
}

/** Room for a part and its words; between rows for wires. */
const GAP = 26;
const WORDS = 14;
const ROW_GAP = 56;
const LEG_GAP = 24;
const MARGIN = 18;
/** A lamp's name takes so much; a label on a wire is so large, and has no use for more room than this. */
const LABEL = 74;
const LABEL_RADIUS = 9;
const LABEL_ROOM = 6;
/** As wide as a sheet shows it in letters one can read. */
const USUAL_WIDTH = 900;

/** Parts in the rows they are drawn in: lamps as they lie, what hangs at each, what is shared, what feeds. */
function rowsOf(
  { assembly, job }: Pick<Bench, 'assembly' | 'job'>,
  width: number,
  pictures: ReadonlyMap<string, PartPicture>,
): Part[][] {
  const wiring = wiringOf(job.kind);
  const lamps = assembly.parts
    .filter(shines)
    .map((part) => ({ part, at: wiring.spotOf(job, part.lamp!) }))
    .sort((a, b) => a.at.along - b.at.along || a.at.across - b.at.across || a.at.height - b.at.height)
    .map(({ part }) => part);
  const own = new Map(
    assembly.parts.flatMap((p) => (p.kind === 'resistor' && p.lamp !== null ? [[p.lamp, p] as const] : [])),
  );
  const rows: Part[][] = [];
  for (const chunk of lines(lamps, width, pictures)) {
    rows.push(chunk);
    rows.push(chunk.flatMap((l) => own.get(l.lamp!) ?? []));
  }
  // Long wires and rails lie right below the lamps that tap them, each across the whole.
  for (const long of assembly.parts.filter(isLong)) rows.push([long]);
  const shared = assembly.parts.filter(
    (p) =>
      p.lamp === null && p.board === null && !isLong(p) && !['rails', 'decoder', 'driver'].includes(p.kind),
  );
  // What comes on a board lies together, within its outline.
  const onBoard = assembly.parts.filter((p) => p.lamp === null && p.board !== null);
  rows.push(...lines(onBoard, width, pictures));
  rows.push(
    ...lines(
      shared.filter((p) => p.circuit !== null),
      width,
      pictures,
    ),
  );
  rows.push(
    ...lines(
      shared.filter((p) => p.circuit === null),
      width,
      pictures,
    ),
  );
  rows.push(assembly.parts.filter((p) => p.kind === 'decoder' || p.kind === 'driver'));
  rows.push(assembly.parts.filter((p) => p.kind === 'rails'));
  return rows.filter((r) => r.length > 0);
}

/** Whether a part is wire that is tapped along its way. */
const isLong = (part: Part): boolean =>
  part.kind === 'junction' && (part.form === 'wire' || part.form === 'rail');

/** Breaks parts into rows no wider than there is room, each about as long as the others. */
function lines(parts: readonly Part[], width: number, pictures: ReadonlyMap<string, PartPicture>): Part[][] {
  if (parts.length === 0) return [];
  const takes = parts.map((p) => Math.max(LABEL, pictures.get(p.id)!.width) + GAP);
  const rows = Math.ceil(takes.reduce((a, b) => a + b, 0) / (width - 2 * MARGIN));
  const each = Math.ceil(parts.length / rows);
  return Array.from({ length: Math.ceil(parts.length / each) }, (_, i) =>
    parts.slice(i * each, (i + 1) * each),
  );
}

/** Room below a row for its wires: little where a leg goes on below its lamp, or a wire lies beside another. */
function gapBelow([first]: readonly Part[], next: readonly Part[] | undefined): number {
  if (!next) return 0;
  const onLeg = shines(first) && next[0].kind === 'resistor' && next[0].lamp !== null;
  return onLeg || (isLong(first) && isLong(next[0])) ? LEG_GAP : ROW_GAP;
}

/** Where a label goes: on its wire, as far from parts and other labels as it can be. */
function labelled(
  wires: readonly Omit<DrawnWire, 'middle'>[],
  points: readonly ((t: number) => { x: number; y: number })[],
  parts: readonly DrawnPart[],
): DrawnWire[] {
  const taken: { x: number; y: number }[] = [];
  return wires.map((wire, i) => {
    let best = { room: -Infinity, at: points[i](0.5) };
    for (const t of [0.5, 0.42, 0.58, 0.34, 0.66, 0.26, 0.74, 0.18, 0.82]) {
      const at = points[i](t);
      const room = Math.min(
        LABEL_ROOM,
        ...taken.map((l) => Math.hypot(l.x - at.x, l.y - at.y) - 2 * LABEL_RADIUS),
        ...parts.map(({ picture, x, y }) =>
          Math.max(
            Math.abs(at.x - x) - picture.width / 2 - LABEL_RADIUS,
            Math.abs(at.y - y) - picture.height / 2 - LABEL_RADIUS,
          ),
        ),
      );
      if (room > best.room + 1e-9) best = { room, at };
    }
    taken.push(best.at);
    return { ...wire, middle: best.at };
  });
}

const wordsHeight = ({ words, beside }: PartPicture): number => (beside ? 0 : WORDS * words.length);

/**
 * The wiring of a job as it looks: every part where it lies among its like, every lead from leg to leg
 * in the colour it gets, with the label it has in the table.
 * @param width room there is, in pixels
 */
export function wiringDrawing(solved: Bench, width = USUAL_WIDTH): WiringDrawing {
  const bench = asWired(solved);
  const { assembly } = bench;
  const facts = orderFactsOf(bench.job.kind);
  const used = new Map<string, Set<string>>();
  for (const lead of assembly.leads)
    for (const t of [lead.from, lead.to]) used.set(t.part, (used.get(t.part) ?? new Set()).add(t.terminal));
  const steady = assembly.leads.some((l) => l.from.part === 'rails' && isSteady(l));
  const pictures = new Map(
    assembly.parts.map((p) => {
      const body = shines(p) ? facts.lampBody(bench.job, p.lamp!) : null;
      const keepsSides = steady || (p.kind === 'rails' && p.beside !== null);
      const picture = isLong(p)
        ? longPicture(p.label, width - 2 * MARGIN)
        : partPicture(p, used.get(p.id) ?? new Set(), body, keepsSides);
      return [p.id, p.kind === 'resistor' && p.lamp !== null ? upright(picture) : picture] as const;
    }),
  );
  const lampX = new Map<string, number>();
  const parts: DrawnPart[] = [];
  let top = MARGIN;
  let widest = width;
  const tapped = assembly.parts.some(isLong);
  let lampRows = 0;
  const drawn = rowsOf(bench, width, pictures);
  for (const [n, row] of drawn.entries()) {
    const total = row.reduce((sum, p) => sum + pictures.get(p.id)!.width, 0);
    const height = Math.max(...row.map((p) => pictures.get(p.id)!.height + wordsHeight(pictures.get(p.id)!)));
    const gap = Math.max(GAP / 2, (width - total) / (row.length + 1));
    // Where lamps of several rows tap a long wire, the rows are set off against one another.
    const off = tapped && shines(row[0]) ? (lampRows++ % 2 === 0 ? -gap / 4 : gap / 4 + 11) : 0;
    let x = gap + off;
    for (const part of row) {
      const picture = pictures.get(part.id)!;
      const y = top + wordsHeight(picture) + picture.height / 2;
      // What a lamp has of its own stands beneath it.
      const under = shines(part) || part.lamp === null ? undefined : lampX.get(part.lamp);
      const at = under ?? (isLong(part) ? width / 2 : x + picture.width / 2);
      if (shines(part)) lampX.set(part.lamp!, at);
      parts.push({ part, picture, x: at, y });
      x += picture.width + gap;
    }
    widest = Math.max(widest, x);
    top += height + gapBelow(row, drawn.at(n + 1));
  }
  const places = new Map(parts.map((p) => [p.part.id, p]));
  const legOf = (t: Terminal, other: Terminal): Leg => {
    const { part, picture, x, y } = places.get(t.part)!;
    const to = places.get(other.part)!;
    // A long wire is tapped where what taps it is, from the side it is on.
    if (isLong(part) && !isLong(to.part)) {
      const half = picture.width / 2;
      const tap = to.x + (to.picture.legs.get(other.terminal)?.x ?? 0);
      return { x: Math.min(Math.max(tap, x - half), x + half), y, dx: 0, dy: Math.sign(to.y - y) };
    }
    const leg = picture.legs.get(t.terminal) ?? { x: 0, y: 0, dx: 0, dy: 1 };
    return { ...leg, x: x + leg.x, y: y + leg.y };
  };
  const rows = wiringTable(bench);
  const points: ((t: number) => { x: number; y: number })[] = [];
  const wires = assembly.leads.map((lead, i): Omit<DrawnWire, 'middle'> => {
    const [from, to] = [legOf(lead.from, lead.to), legOf(lead.to, lead.from)];
    const reach = Math.max(26, Math.min(120, Math.hypot(from.x - to.x, from.y - to.y) / 2));
    const c1 = { x: from.x + from.dx * reach, y: from.y + from.dy * reach };
    const c2 = { x: to.x + to.dx * reach, y: to.y + to.dy * reach };
    const n = (v: number): string => v.toFixed(1);
    const along = (t: number, a: number, b: number, c: number, d: number): number =>
      (1 - t) ** 3 * a + 3 * (1 - t) ** 2 * t * b + 3 * (1 - t) * t ** 2 * c + t ** 3 * d;
    points.push((t) => ({
      x: along(t, from.x, c1.x, c2.x, to.x),
      y: along(t, from.y, c1.y, c2.y, to.y),
    }));
    return {
      lead: lead.id,
      label: rows[i].label,
      colour: rows[i].sold,
      onBoard: rows[i].onBoard,
      from,
      to,
      ends: [terminalKey(lead.from), terminalKey(lead.to)],
      path: `M${n(from.x)} ${n(from.y)}C${n(c1.x)} ${n(c1.y)} ${n(c2.x)} ${n(c2.y)} ${n(to.x)} ${n(to.y)}`,
    };
  });
  return { width: widest, height: top + MARGIN, parts, wires: labelled(wires, points, parts) };
}

/** The outline of each board that is bought whole, with its name, round the parts that come on it. */
function boardFrames(parts: readonly DrawnPart[]): string[] {
  const n = (v: number): string => v.toFixed(1);
  return (Object.keys(boughtBoards) as BoughtBoardName[]).flatMap((board) => {
    const own = parts.filter((p) => p.part.board === board);
    if (own.length === 0) return [];
    const left = Math.min(...own.map((p) => p.x - p.picture.width / 2)) - GAP / 2;
    const right = Math.max(...own.map((p) => p.x + p.picture.width / 2)) + GAP / 2;
    const top = Math.min(...own.map((p) => p.y - p.picture.height / 2 - wordsHeight(p.picture))) - WORDS;
    const bottom = Math.max(...own.map((p) => p.y + p.picture.height / 2)) + 2 * WORDS;
    return [
      `<rect class="board" x="${n(left)}" y="${n(top)}" width="${n(right - left)}" height="${n(bottom - top)}" rx="8" fill="#e3ecdf" stroke="#5b7a5f"/>`,
      `<text x="${n(left + 8)}" y="${n(bottom - 6)}" font-size="12" fill="#3d5b42" stroke="none">${escaped(boughtBoards[board].name)}</text>`,
    ];
  });
}

/** What a wiring drawing looks like besides. */
export interface WiringLook {
  readonly title: string;
  /** Parts to be seen before the others: those of the task at hand. */
  readonly lit?: ReadonlySet<string>;
}

/** The drawing as SVG. Text in it is as large as it is drawn: it is scrolled rather than shrunk. */
export function wiringSvg(
  { width, height, parts, wires }: WiringDrawing,
  { title, lit }: WiringLook,
): string {
  const dim = (part: string): string => (lit && lit.size > 0 && !lit.has(part) ? ' opacity="0.3"' : '');
  const n = (v: number): string => v.toFixed(1);
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" class="wiring" width="${n(width)}" height="${n(height)}" viewBox="0 0 ${n(width)} ${n(height)}" role="img" aria-label="${escaped(title)}" font-family="'IBM Plex Sans', sans-serif" fill="none" stroke="#16211f" stroke-width="1.2">`,
    ...boardFrames(parts),
    ...wires.map((w) => {
      if (w.onBoard) return `<path class="copper" d="${w.path}" stroke="#b98a3b" stroke-width="1.6"/>`;
      const faint =
        lit && lit.size > 0 && !w.ends.some((e) => lit.has(e.split('.')[0])) ? ' opacity="0.25"' : '';
      return `<g${faint}><path d="${w.path}" stroke="#16211f" stroke-width="4.6"/><path class="wire ${w.colour}" d="${w.path}" stroke="${wirePaint[w.colour]}" stroke-width="3"/></g>`;
    }),
    ...parts.map(({ part, picture, x, y }) => {
      const mark = lit?.has(part.id)
        ? `<rect x="${n(-picture.width / 2 - 4)}" y="${n(-picture.height / 2 - 4)}" width="${n(picture.width + 8)}" height="${n(picture.height + 8)}" rx="6" fill="#ffc46b" fill-opacity="0.35" stroke="#b98a3b" stroke-width="2"/>`
        : '';
      const words = picture.words
        .map((w, i) => {
          const at = picture.beside
            ? `x="${n(picture.width / 2 - 4)}" y="${n(4 + WORDS * i)}"`
            : `x="0" y="${n(-picture.height / 2 - 4 - WORDS * (picture.words.length - 1 - i))}" text-anchor="middle"`;
          return `<text ${at} font-size="12" fill="#16211f" stroke="#f6f2e9" stroke-width="3" paint-order="stroke">${escaped(w)}</text>`;
        })
        .join('');
      return `<g transform="translate(${n(x)} ${n(y)})"${dim(part.id)}><title>${escaped(part.label)}</title>${mark}${picture.svg}${words}</g>`;
    }),
    ...wires
      .filter((w) => !w.onBoard)
      .map(
        (w) =>
          `<g><circle cx="${n(w.middle.x)}" cy="${n(w.middle.y)}" r="9" fill="#fffdf7"/><text x="${n(w.middle.x)}" y="${n(w.middle.y + 4)}" font-size="11" font-weight="600" text-anchor="middle" fill="#16211f" stroke="none">${escaped(w.label)}</text></g>`,
      ),
    '</svg>',
  ].join('\n');
}
