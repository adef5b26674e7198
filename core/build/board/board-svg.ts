import { escaped } from '../drawing/xml-text';
import { formatQuantity, shortOhms } from '../../quantity/format';
import { padLinks, PITCH, type Hole, type StripBoard } from './board';
import type { Part } from '../../assembly/assembly';

/** Pixels between holes on the screen and on paper. */
const STEP = 26;
const EDGE = 18;

/** How a board's holes are joined: by strips that are cut, or by bare wires from pad to pad. */
export type BoardCopper = 'strips' | 'pads';

/** What is written on a part, short. */
function short(part: Part): string {
  switch (part.kind) {
    case 'resistor':
      return shortOhms(part.ohms);
    case 'electrolytic':
      return formatQuantity(part.farads, 'farad');
    case 'regulator':
      return formatQuantity(part.outVolts, 'volt');
    case 'limiter':
    case 'fuse':
      return formatQuantity(part.amps, 'amp');
    default:
      return part.kind;
  }
}

const sign: Readonly<Record<string, string>> = {
  plus: '+',
  minus: '−',
  cathode: '−',
  anode: '+',
  right: '~',
  left: '~',
};

/**
 * A strip-board from one of its sides: from above with its parts, or its copper as it lies when the
 * board is turned over along its strips’ ends.
 * @param labels of the wires that leave it, by lead
 * @param copper strips, or pads of their own with bare wires along the rows
 */
export function boardSvg(
  board: StripBoard,
  side: 'parts' | 'copper',
  labels: ReadonlyMap<string, string>,
  copper: BoardCopper = 'strips',
): string {
  const { columns, rows, parts, wires, cuts } = board;
  const [width, height] = [columns * STEP + 2 * EDGE, rows * STEP + 2 * EDGE];
  const x = (column: number): number =>
    EDGE + (side === 'copper' ? columns - 1 - column + 0.5 : column + 0.5) * STEP;
  const y = (row: number): number => EDGE + (row + 0.5) * STEP;
  const text = (px: number, py: number, words: string, size: number, fill: string): string =>
    `<text x="${px}" y="${py}" font-size="${size}" text-anchor="middle" fill="${fill}" stroke="none">${escaped(words)}</text>`;
  const under = side === 'copper';
  const out = [
    `<svg xmlns="http://www.w3.org/2000/svg" class="board ${side}" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}" role="img" aria-label="${under ? 'Copper side, turned over' : 'Parts side'}, ${columns} by ${rows} holes" font-family="'IBM Plex Sans', sans-serif" fill="none" stroke="#16211f">`,
    `<rect x="${EDGE - 4}" y="${EDGE - 4}" width="${columns * STEP + 8}" height="${rows * STEP + 8}" rx="3" fill="${under ? '#b9c2a5' : '#d9cdb0'}"/>`,
  ];
  if (copper === 'pads')
    for (const { row, from, to } of padLinks(board))
      out.push(
        `<path class="link" d="M${x(from)} ${y(row)}H${x(to)}" stroke="#84929a" stroke-width="5" opacity="${under ? 1 : 0.35}"/>`,
      );
  for (let row = 0; copper === 'strips' && row < rows; row++)
    out.push(
      `<rect class="strip" x="${EDGE}" y="${y(row) - 9}" width="${columns * STEP}" height="18" rx="2" fill="#b87333" stroke="none" opacity="${under ? 0.95 : 0.22}"/>`,
    );
  const used = new Map<string, string>();
  for (const { legs } of parts) for (const [t, h] of legs) used.set(`${h.column} ${h.row}`, sign[t] ?? '');
  for (const { lead, hole } of wires) used.set(`${hole.column} ${hole.row}`, labels.get(lead) ?? '');
  for (let column = 0; column < columns; column++)
    for (let row = 0; row < rows; row++) {
      const solder = under && used.has(`${column} ${row}`);
      out.push(
        `<circle cx="${x(column)}" cy="${y(row)}" r="${solder ? 7 : 3}" fill="${solder ? '#d7dbdd' : '#fffdf7'}" stroke-width="0.8"/>`,
      );
    }
  const cross = ({ column, row }: Hole): string =>
    `<g class="cut"><circle cx="${x(column)}" cy="${y(row)}" r="9" fill="${under ? '#b9c2a5' : '#d9cdb0'}" stroke="none"/><path d="M${x(column) - 7} ${y(row) - 7}l14 14m0 -14l-14 14" stroke="#c8452f" stroke-width="2.4"/></g>`;
  if (copper === 'strips') out.push(...cuts.map(cross));
  if (!under) {
    for (const { part, legs, from, to } of parts) {
      const [left, top] = [EDGE + from.column * STEP + 4, EDGE + from.row * STEP + 3];
      const [w, h] = [(to.column - from.column + 1) * STEP - 8, (to.row - from.row + 1) * STEP - 6];
      const can = part.kind === 'electrolytic';
      out.push(
        `<g class="part"><title>${escaped(part.label)}</title><rect x="${left}" y="${top}" width="${w}" height="${h}" rx="${can ? w / 2 : 4}" fill="${can ? '#2d3f52' : part.kind === 'resistor' ? '#e2cfa4' : '#2b2f2e'}" fill-opacity="0.82"/>`,
        ...[...legs].map(
          ([t, hole]) =>
            `<circle class="leg ${t}" cx="${x(hole.column)}" cy="${y(hole.row)}" r="5" fill="#d7dbdd"/>${sign[t] ? text(x(hole.column), y(hole.row) + 4, sign[t], 10, '#16211f') : ''}`,
        ),
        `${text(left + w / 2, top + h / 2 + 4, short(part), 11, part.kind === 'resistor' ? '#16211f' : '#fffdf7')}</g>`,
      );
    }
    for (const { lead, hole } of wires)
      out.push(
        `<g class="wire"><circle cx="${x(hole.column)}" cy="${y(hole.row)}" r="9" fill="#fffdf7"/>${text(x(hole.column), y(hole.row) + 4, labels.get(lead) ?? '', 11, '#16211f')}</g>`,
      );
  } else
    for (const { lead, hole } of wires)
      out.push(text(x(hole.column), y(hole.row) + 4, labels.get(lead) ?? '', 10, '#16211f'));
  out.push('</svg>');
  return out.join('\n');
}

/** Where a strip is cut, as one counts holes from the upper left corner on the parts side, from 1. */
export const cutWords = ({ cuts }: StripBoard): string =>
  cuts.length === 0
    ? 'No strip is cut.'
    : `Cut ${cuts
        .map((c) => `strip ${c.row + 1} at hole ${c.column + 1}`)
        .join(', ')}, counted from the upper left on the parts side.`;

/** The bare wires of a pad-board, from hole to hole, counted likewise. */
export function linkWords(board: StripBoard): string {
  const links = padLinks(board);
  return links.length === 0
    ? 'No pad is joined to another.'
    : `Bare wire ${links
        .map((l) => `in row ${l.row + 1} from hole ${l.from + 1} to ${l.to + 1}`)
        .join(', ')}, counted from the upper left on the parts side.`;
}

/** Its size in words. */
export const boardWords = ({ columns, rows }: StripBoard): string =>
  `${columns} by ${rows} holes, ${formatQuantity(columns * PITCH, 'millimetre')} by ${formatQuantity(rows * PITCH, 'millimetre')}`;
