import { mirrored, standardColour, type PinRole, type Plug } from '../../part/plug';
import { wirePaint } from '../../part/wire-colour';
import { escaped } from './xml-text';
import type { Assembly } from '../../assembly/assembly';

/** The side a decoder is pushed in from, or the one that is soldered. */
export type PlugSide = 'above' | 'solder';

const roleWords: Readonly<Record<string, string>> = {
  'right-rail': 'right rail',
  'left-rail': 'left rail',
  'motor-plus': 'motor +',
  'motor-minus': 'motor −',
  common: 'common +',
  ground: 'ground',
  'logic-supply': 'logic supply',
  key: 'no pin',
  other: 'not for lamps',
};
/** The decoder's terminal that a contact is. */
const terminalOf = (role: PinRole): string =>
  ({ common: 'blue', 'right-rail': 'red', 'left-rail': 'black' })[role as string] ?? role;

const CELL = 46;
const ROW = 62;
const EDGE = 12;
const INK = '#16211f';
const PAPER = '#f6f2e9';
/** Colours on which dark figures are read. */
const LIGHT = new Set(['white', 'yellow', 'orange', 'grey']);

/** Terminals of the decoder that leads of a job end at. */
export const usedOfDecoder = ({ leads }: Assembly): Set<string> =>
  new Set(leads.flatMap((l) => [l.from, l.to].flatMap((t) => (t.part === 'decoder' ? [t.terminal] : []))));

/** What is written beneath a contact. */
function word(role: PinRole): string {
  const colour = standardColour(role);
  if (colour) return colour;
  if (role.startsWith('out')) return role.replace('out', 'out ');
  return role === 'ground' ? 'gnd' : '·';
}

/**
 * A plug with its pins numbered and coloured by the standard, those in use ringed. From the solder
 * side it is mirrored.
 * @param used terminals of the decoder that wires go to
 */
export function plugSvg(plug: Plug, side: PlugSide, used: ReadonlySet<string>): string {
  const { columns, rows, pins, name } = side === 'solder' ? mirrored(plug) : plug;
  const [width, height] = [columns * CELL, rows * ROW];
  const ink = side === 'solder' ? INK : PAPER;
  const title = side === 'solder' ? 'solder side, mirrored' : 'from above';
  const text = (x: number, y: number, size: number, fill: string, words: string, weight = ''): string =>
    `<text x="${x}" y="${y}" font-size="${size}" text-anchor="middle" fill="${fill}"${weight} stroke="none">${escaped(words)}</text>`;
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" class="plug-svg ${side}" width="${width + 2 * EDGE}" height="${height + 2 * EDGE}" viewBox="${-EDGE} ${-EDGE} ${width + 2 * EDGE} ${height + 2 * EDGE}" role="img" aria-label="${escaped(`${name}, ${title}`)}" font-family="'IBM Plex Sans', sans-serif">`,
    `<rect x="-8" y="-8" width="${width + 16}" height="${height + 16}" rx="6" fill="${side === 'solder' ? '#d9cdb0' : '#25352f'}"/>`,
    ...pins.map((p) => {
      const colour = standardColour(p.role);
      const [x, y] = [(p.column + 0.5) * CELL, (p.row + 0.5) * ROW - 8];
      const ring = used.has(terminalOf(p.role))
        ? `<circle class="in-use" cx="${x}" cy="${y}" r="17" fill="none" stroke="#b98a3b" stroke-width="3"/>`
        : '';
      const pin =
        p.role === 'key'
          ? `<circle cx="${x}" cy="${y}" r="10" fill="none" stroke="${ink}" stroke-dasharray="3 3"/>`
          : `<circle cx="${x}" cy="${y}" r="12" fill="${colour ? wirePaint[colour] : '#84929a'}" stroke="${ink}" stroke-width="1.4"/>`;
      const says = `pin ${p.pin}: ${colour ?? ''} ${roleWords[p.role] ?? p.role.replace('out', 'output ')}`;
      const figure = colour && LIGHT.has(colour) ? INK : '#fffdf7';
      return `<g class="pin" data-pin="${p.pin}"><title>${escaped(says)}</title>${ring}${pin}${text(x, y + 4, 12, figure, String(p.pin), ' font-weight="600"')}${text(x, y + 30, 11, ink, word(p.role))}</g>`;
    }),
    '</svg>',
  ].join('\n');
}
