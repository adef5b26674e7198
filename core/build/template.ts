import { escaped } from './drawing/xml-text';

/** What is marked on a template; millimetres from its upper left corner, y down. */
export type Mark =
  | {
      readonly kind: 'hole';
      readonly x: number;
      readonly y: number;
      readonly millimetres: number;
      readonly label: string;
    }
  | {
      readonly kind: 'cut';
      readonly x1: number;
      readonly y1: number;
      readonly x2: number;
      readonly y2: number;
      readonly label: string;
    }
  | {
      readonly kind: 'notch';
      readonly x: number;
      readonly y: number;
      readonly width: number;
      readonly height: number;
      readonly label: string;
    };

/** A paper to stick on and drill, file or cut by, at full size. */
export interface Template {
  readonly id: string;
  readonly name: string;
  readonly says: string;
  readonly widthMillimetres: number;
  readonly heightMillimetres: number;
  readonly marks: readonly Mark[];
}

/** To see that the printer did not scale. */
export const BAR_MILLIMETRES = 50;
const MARGIN = 6;
/** What is written at the foot: letters in a line, its height, and the width that takes, in millimetres. */
const LETTERS = 72;
const LINE = 3.8;
const LEAST_WIDTH = 100;
const CROSS = 1.5;

const n = (figure: number): string => String(Number(figure.toFixed(4)));

function markSvg(mark: Mark): string {
  const label = (x: number, y: number): string =>
    `<text x="${n(x)}" y="${n(y)}" font-size="2.2" text-anchor="middle" fill="#000" stroke="none">${escaped(mark.label)}</text>`;
  switch (mark.kind) {
    case 'hole': {
      const { x, y, millimetres } = mark;
      return (
        `<circle class="hole" cx="${n(x)}" cy="${n(y)}" r="${n(millimetres / 2)}"/>` +
        `<path class="cross" d="M${n(x - CROSS)} ${n(y)}h${n(2 * CROSS)}M${n(x)} ${n(y - CROSS)}v${n(2 * CROSS)}"/>` +
        label(x, y - millimetres / 2 - 1)
      );
    }
    case 'cut':
      return (
        `<line class="cut" stroke-dasharray="1.2 0.8" x1="${n(mark.x1)}" y1="${n(mark.y1)}" x2="${n(mark.x2)}" y2="${n(mark.y2)}"/>` +
        label((mark.x1 + mark.x2) / 2, Math.min(mark.y1, mark.y2) - 0.8)
      );
    case 'notch':
      return (
        `<rect class="notch" fill="#ddd" x="${n(mark.x)}" y="${n(mark.y)}" width="${n(mark.width)}" height="${n(mark.height)}"/>` +
        label(mark.x + mark.width / 2, mark.y - 0.8)
      );
  }
}

/** What of a template is on one sheet of paper. */
interface Tile {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly words: string;
}

/** What fits A4 and Letter within margins of 12 mm, with the edge and foot round it; millimetres. */
const PAPER = { width: 170, height: 200 };
/** Papers lie over one another by so much. */
const OVERLAP = 8;

/** Begins of pieces of a length that overlap. */
function begins(length: number, paper: number): number[] {
  if (length <= paper) return [0];
  const many = Math.ceil((length - OVERLAP) / (paper - OVERLAP));
  return Array.from({ length: many }, (_, i) => i * (paper - OVERLAP));
}

function tileSvg({ name, says, widthMillimetres, heightMillimetres, marks }: Template, tile: Tile): string {
  const width = Math.max(tile.width, LEAST_WIDTH) + 2 * MARGIN;
  const lines = [
    `This bar is ${BAR_MILLIMETRES} mm. If yours is not, print at 100 %.`,
    ...wrapped(`${name}. ${says}`),
    ...wrapped(tile.words),
  ];
  const footHigh = LINE * (lines.length + 2);
  const height = tile.height + 2 * MARGIN + footHigh;
  const [left, foot] = [tile.x, tile.y + tile.height + MARGIN + 4];
  const words = (y: number, of: string): string =>
    `<text x="${n(left)}" y="${n(y)}" font-size="2.6" fill="#000" stroke="none">${escaped(of)}</text>`;
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${n(width)}mm" height="${n(height)}mm" viewBox="${n(tile.x - MARGIN)} ${n(tile.y - MARGIN)} ${n(width)} ${n(height)}" font-family="sans-serif" fill="none" stroke="#000" stroke-width="0.18">`,
    `<title>${escaped(name)}</title>`,
    `<rect class="outline" x="0" y="0" width="${n(widthMillimetres)}" height="${n(heightMillimetres)}"/>`,
    ...marks.map(markSvg),
    // What runs on is covered, so that the foot can be read.
    `<rect x="${n(tile.x - MARGIN)}" y="${n(tile.y + tile.height + 0.5)}" width="${n(width)}" height="${n(MARGIN + footHigh)}" fill="#fff" stroke="none"/>`,
    `<line class="bar" x1="${n(left)}" y1="${n(foot)}" x2="${n(left + BAR_MILLIMETRES)}" y2="${n(foot)}"/>`,
    `<path class="bar-ends" d="M${n(left)} ${n(foot - 1)}v2M${n(left + BAR_MILLIMETRES)} ${n(foot - 1)}v2"/>`,
    ...lines.map((line, i) => words(foot + LINE * (i + 1), line)),
    '</svg>',
  ].join('\n');
}

/** A text in lines that are not too long; none for no text. */
function wrapped(text: string): string[] {
  const lines: string[] = [];
  for (const word of text.split(' ').filter(Boolean)) {
    const last = lines[lines.length - 1];
    if (last !== undefined && last.length + 1 + word.length <= LETTERS)
      lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines;
}

/** A template as one SVG at full size: its width and height are in millimetres, and so is its every figure. */
export const templateSvg = (template: Template): string =>
  tileSvg(template, {
    x: 0,
    y: 0,
    width: template.widthMillimetres,
    height: template.heightMillimetres,
    words: '',
  });

/** A template on as many papers as it takes at full size, each with its bar: a printer shrinks what is wider than its paper. */
export function templatePapers(template: Template): string[] {
  const [xs, ys] = [
    begins(template.widthMillimetres, PAPER.width),
    begins(template.heightMillimetres, PAPER.height),
  ];
  const all = ys.flatMap((y) => xs.map((x) => ({ x, y })));
  return all.map(({ x, y }, i) =>
    tileSvg(template, {
      x,
      y,
      width: Math.min(PAPER.width, template.widthMillimetres - x),
      height: Math.min(PAPER.height, template.heightMillimetres - y),
      words:
        all.length === 1
          ? ''
          : `Paper ${i + 1} of ${all.length}, from ${n(x)} mm along and ${n(y)} mm down; they lie ${OVERLAP} mm over one another.`,
    }),
  );
}
