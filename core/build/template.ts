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
const FOOT = 16;
const CROSS = 1.5;

const escaped = (text: string): string =>
  text.replace(/[&<>"]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c]!);
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

/** A template as SVG at full size: its width and height are in millimetres, and so is its every figure. */
export function templateSvg({ name, says, widthMillimetres, heightMillimetres, marks }: Template): string {
  const width = Math.max(widthMillimetres, BAR_MILLIMETRES) + 2 * MARGIN;
  const height = heightMillimetres + 2 * MARGIN + FOOT;
  const bar = heightMillimetres + MARGIN + 4;
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${n(width)}mm" height="${n(height)}mm" viewBox="${n(-MARGIN)} ${n(-MARGIN)} ${n(width)} ${n(height)}" font-family="sans-serif" fill="none" stroke="#000" stroke-width="0.18">`,
    `<title>${escaped(name)}</title>`,
    `<rect class="outline" x="0" y="0" width="${n(widthMillimetres)}" height="${n(heightMillimetres)}"/>`,
    ...marks.map(markSvg),
    `<line class="bar" x1="0" y1="${n(bar)}" x2="${BAR_MILLIMETRES}" y2="${n(bar)}"/>`,
    `<path class="bar-ends" d="M0 ${n(bar - 1)}v2M${BAR_MILLIMETRES} ${n(bar - 1)}v2"/>`,
    `<text x="0" y="${n(bar + 4)}" font-size="2.6" fill="#000" stroke="none">This bar is ${BAR_MILLIMETRES} mm. If yours is not, print at 100 %.</text>`,
    `<text x="0" y="${n(bar + 8)}" font-size="2.6" fill="#000" stroke="none">${escaped(`${name}. ${says}`)}</text>`,
    '</svg>',
  ].join('\n');
}
