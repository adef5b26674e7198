import { escaped } from './xml-text';
import { screenColour } from '../../light/colour';
import { bandPaint, bandsOf, figuresOf } from '../../part/colour-bands';
import type { LampBodyName } from '../../part/lamp-body';
import { standardColour } from '../../part/plug';
import { formatQuantity, shortOhms } from '../../quantity/format';
import { wattsName } from '../../part/resistor';
import { wirePaint } from '../../part/wire-colour';
import { terminalsOf, type Part } from '../../assembly/assembly';

/** Where a wire leaves a part, and which way: pixels from the part's middle. */
export interface Leg {
  readonly x: number;
  readonly y: number;
  readonly dx: number;
  readonly dy: number;
}

/** A part as it looks, drawn round its middle. */
export interface PartPicture {
  readonly width: number;
  readonly height: number;
  readonly svg: string;
  readonly legs: ReadonlyMap<string, Leg>;
  /** What is written above it, or beside one that stands on end. */
  readonly words: readonly string[];
  readonly beside?: boolean;
}

const STEEL = '#84929a';
const INK = '#16211f';
const legs = (of: Readonly<Record<string, readonly [number, number, number, number]>>): Map<string, Leg> =>
  new Map(Object.entries(of).map(([t, [x, y, dx, dy]]) => [t, { x, y, dx, dy }]));
const text = (x: number, y: number, words: string, size = 11, fill = INK): string =>
  `<text x="${x}" y="${y}" font-size="${size}" text-anchor="middle" fill="${fill}" stroke="none">${escaped(words)}</text>`;

/** Bands on the body of a resistor; none where no bands say its value. */
function bands(ohms: number): string {
  try {
    const all = bandsOf(ohms, figuresOf(ohms, 2) ? 0.05 : 0.01);
    const places = all.length === 4 ? [-19, -9, 1, 15] : [-19, -11, -3, 5, 15];
    return all
      .map(
        (b, i) =>
          `<rect class="band ${b}" x="${places[i]}" y="-8" width="4.5" height="16" fill="${bandPaint[b]}" stroke="none"/>`,
      )
      .join('');
  } catch {
    return '';
  }
}

/** A resistor stood on end beneath its lamp, the end that goes to the lamp up. */
export function upright(picture: PartPicture): PartPicture {
  return {
    width: picture.height,
    height: picture.width,
    svg: `<g transform="rotate(-90)">${picture.svg}</g>`,
    legs: new Map([...picture.legs].map(([t, { x, y, dx, dy }]) => [t, { x: y, y: -x, dx: dy, dy: -dx }])),
    words: picture.words,
    beside: true,
  };
}

/** Letters of a lamp's name that stand beside those of its neighbours. */
const NAME_LETTERS = 15;

/** A name in one line, or in two that are about as long. */
function inLines(name: string): string[] {
  const spaces = [...name].flatMap((c, i) => (c === ' ' ? [i] : []));
  if (name.length <= NAME_LETTERS || spaces.length === 0) return [name];
  const off = (i: number): number => Math.abs(2 * i - name.length);
  const at = spaces.reduce((a, b) => (off(b) < off(a) ? b : a));
  return [name.slice(0, at), name.slice(at + 1)];
}

/** A lamp: the longer leg is plus, the flat on the rim minus; the foot of a chip's T minus; a unit of strip has its pads marked. */
function lamp(part: Extract<Part, { kind: 'lamp' }>, body: LampBodyName | null): PartPicture {
  const words = inLines(part.label);
  if (part.led.form === 'strip')
    return {
      width: 74,
      height: 30,
      svg: `<rect x="-34" y="-10" width="68" height="20" rx="2" fill="#f1ead6"/><rect x="-20" y="-5" width="9" height="10" fill="#ffd98a"/><rect x="-4" y="-5" width="9" height="10" fill="#ffd98a"/><rect x="12" y="-5" width="9" height="10" fill="#ffd98a"/>${text(-28, 4, '+', 12)}${text(28, 4, '−', 12)}`,
      legs: legs({ anode: [-34, 0, -1, 0], cathode: [34, 0, 1, 0] }),
      words,
    };
  const two = part.second !== null;
  if (body?.startsWith('chip'))
    return {
      width: 52,
      height: 54,
      svg: `<rect x="-16" y="-11" width="32" height="18" rx="2" fill="#f1ead6"/><rect x="-16" y="-11" width="8" height="18" fill="${STEEL}" stroke="none"/><rect x="8" y="-11" width="8" height="18" fill="${STEEL}" stroke="none"/><rect x="-6" y="-8" width="12" height="12" fill="${screenColour(part.led.colour)}"/><path class="foot-of-t" d="M-4 -2H4M4 -6V2" stroke="#2f7a48" stroke-width="2"/><path d="M-12 7V22M12 7V22" stroke="${STEEL}" stroke-width="1.6"/>${text(-20, 22, '+')}${text(20, 22, two ? '~' : '−')}`,
      legs: legs({ anode: [-12, 22, 0, 1], cathode: [12, 22, 0, 1] }),
      words,
    };
  return {
    width: 44,
    height: 66,
    svg: `<path class="long-leg" d="M-7 4V32" stroke="${STEEL}" stroke-width="2.4"/><path class="short-leg" d="M7 4V24" stroke="${STEEL}" stroke-width="2.4"/><path d="M-13 4V-10a13 13 0 0 1 26 0V4z" fill="${screenColour(part.led.colour)}" stroke="${INK}"/><path class="flat" d="M-15 4H13V9H-15z" fill="#d9cdb0" stroke="${INK}"/><path d="M-5 0v-9M5 0v-9" stroke="${STEEL}"/><rect x="1" y="-12" width="9" height="4" fill="${STEEL}" stroke="none"/>${text(-16, 30, '+')}${text(15, 30, two ? '~' : '−')}`,
    legs: legs({ anode: [-7, 32, 0, 1], cathode: [7, 24, 0, 1] }),
    words,
  };
}

/** A board as it looks: what feeds it enters below, what goes to the lamps leaves above. */
function board(
  used: ReadonlySet<string>,
  {
    terminals,
    fed,
    name,
    paint,
  }: {
    readonly terminals: readonly string[];
    readonly fed: readonly string[];
    readonly name: string;
    paint(terminal: string): string | null;
  },
): PartPicture {
  const at = new Map<string, Leg>();
  const row = (terminals: readonly string[], below: boolean): string => {
    const y = below ? 24 : -24;
    return terminals
      .map((t, i) => {
        const x = (i - (terminals.length - 1) / 2) * 34;
        at.set(t, { x, y, dx: 0, dy: Math.sign(y) });
        return `<rect x="${x - 6}" y="${below ? 15 : -24}" width="12" height="9" fill="${paint(t) ?? STEEL}"/>${text(x, below ? 11 : -4, t.replace('out', 'out '), 10, '#f6f2e9')}`;
      })
      .join('');
  };
  const track = fed.filter((t) => used.has(t));
  const outputs = terminals.filter((t) => used.has(t) && !track.includes(t));
  const width = Math.max(120, outputs.length * 34 + 20);
  const pads = [row(outputs, false), row(track, true)];
  return {
    width,
    height: 56,
    svg: `<rect x="${-width / 2}" y="-24" width="${width}" height="48" rx="3" fill="#25352f"/>${pads.join('')}`,
    legs: at,
    words: [name],
  };
}

/** Wire or rail that is tapped along its way, across the whole drawing. */
export const longPicture = (label: string, width: number): PartPicture => ({
  width,
  height: 10,
  svg: `<rect x="${-width / 2}" y="-3" width="${width}" height="6" rx="2" fill="#d9a25c"/>`,
  legs: legs({ tap: [0, 0, 0, 1] }),
  words: [label],
});

/** Where wires meet: a pad, screws of a strip, the pickups of a second bogie. */
function junction({ form, label }: Extract<Part, { kind: 'junction' }>): PartPicture {
  const width = form === 'strip' ? 120 : 56;
  const screws = [-45, -15, 15, 45].map((x) => `<circle cx="${x}" cy="0" r="5" fill="#f1ead6"/>`).join('');
  const svg =
    form === 'strip'
      ? `<rect x="${-width / 2}" y="-11" width="${width}" height="22" rx="3" fill="#d5d9db"/>${screws}`
      : `<rect x="${-width / 2}" y="-9" width="${width}" height="18" rx="2" fill="#d9a25c"/>`;
  return {
    width,
    height: 34,
    svg,
    legs: legs({ tap: [0, 9, 0, 1] }),
    words: label.replace(')', '').split(/ \(|, /),
  };
}

const decoder = (used: ReadonlySet<string>): PartPicture =>
  board(used, {
    terminals: terminalsOf.decoder,
    fed: ['red', 'black'],
    name: 'Decoder',
    paint(t) {
      const colour = t.startsWith('out')
        ? standardColour(t as `out${number}`)
        : (t as keyof typeof wirePaint);
      return colour && wirePaint[colour];
    },
  });

/**
 * A part as it looks: bands and value of a resistor, stripe and legs of an electrolytic, the band of a
 * diode, flat and long leg of a lamp (marks differ by maker: prove with the tester).
 * @param used terminals that wires go to
 * @param body a lamp comes in, where it is known: on a chip the foot of the T points to minus
 */
export function partPicture(
  part: Part,
  used: ReadonlySet<string>,
  body: LampBodyName | null = null,
  steady = false,
): PartPicture {
  switch (part.kind) {
    case 'lamp':
      return lamp(part, body);
    case 'bulb':
      return {
        width: 44,
        height: 56,
        svg: `<path d="M-6 8V26M6 8V26" stroke="${STEEL}" stroke-width="2"/><path d="M-9 8c-6-22 24-22 18 0z" fill="#fff1cf" stroke="${INK}"/><path d="M-4 6q4-12 8 0" stroke="${INK}"/>`,
        legs: legs({ one: [-6, 26, 0, 1], two: [6, 26, 0, 1] }),
        words: [part.label],
      };
    case 'resistor':
      return {
        width: 80,
        height: 44,
        svg: `<path d="M-40 0H-24M24 0H40" stroke="${STEEL}" stroke-width="2.4"/><path d="M-26 0q0-9 7-9 4 0 6 2h26q2-2 6-2 7 0 7 9t-7 9q-4 0-6-2h-26q-2 2-6 2-7 0-7-9z" fill="#e2cfa4" stroke="#8d7a4c"/>${bands(part.ohms)}`,
        legs: legs({ one: [-40, 0, -1, 0], two: [40, 0, 1, 0] }),
        words: [`${shortOhms(part.ohms)} ${wattsName(part.ratedWatts)}`],
      };
    case 'electrolytic':
      return {
        width: 58,
        height: 84,
        svg: `<path class="long-leg" d="M-8 24V40" stroke="${STEEL}" stroke-width="2.4"/><path class="short-leg" d="M8 24V34" stroke="${STEEL}" stroke-width="2.4"/><rect x="-17" y="-26" width="34" height="50" rx="4" fill="#2d3f52"/><rect class="stripe" x="6" y="-26" width="11" height="50" fill="#cfd6da"/>${text(11.5, 3, '−', 13)}${text(-17, 38, '+')}`,
        legs: legs({ plus: [-8, 40, 0, 1], minus: [8, 34, 0, 1] }),
        words: [formatQuantity(part.farads, 'farad'), formatQuantity(part.ratedVolts, 'volt')],
      };
    case 'diode':
      return {
        width: 70,
        height: 40,
        svg: `<path d="M-35 0H-16M16 0H35" stroke="${STEEL}" stroke-width="2.4"/><rect x="-16" y="-8" width="32" height="16" rx="2" fill="#222"/><rect class="band" x="8" y="-8" width="5" height="16" fill="#d7dbdd"/>`,
        legs: legs({ anode: [-35, 0, -1, 0], cathode: [35, 0, 1, 0] }),
        words: [part.label],
      };
    case 'bridge':
      return {
        width: 76,
        height: 66,
        svg: `<rect x="-24" y="-20" width="48" height="40" rx="4" fill="#222"/>${text(-15, -6, '~', 13, '#f6f2e9')}${text(-15, 15, '~', 13, '#f6f2e9')}${text(15, -6, '+', 13, '#f6f2e9')}${text(15, 15, '−', 13, '#f6f2e9')}<path d="M-38 -10H-24M-38 11H-24M24 -10H38M24 11H38" stroke="${STEEL}" stroke-width="2.4"/>`,
        legs: legs({
          right: [-38, -10, -1, 0],
          left: [-38, 11, -1, 0],
          plus: [38, -10, 1, 0],
          minus: [38, 11, 1, 0],
        }),
        words: [part.label],
      };
    case 'regulator':
      return {
        width: 56,
        height: 66,
        svg: `<path d="M-12 14V30M0 14V30M12 14V30" stroke="${STEEL}" stroke-width="2.2"/><rect x="-20" y="-20" width="40" height="34" rx="3" fill="#222"/>${text(0, 0, formatQuantity(part.outVolts, 'volt'), 11, '#f6f2e9')}${text(-12, 11, 'in', 9, '#f6f2e9')}${text(12, 11, 'out', 9, '#f6f2e9')}`,
        legs: legs({ in: [-12, 30, 0, 1], common: [0, 30, 0, 1], out: [12, 30, 0, 1] }),
        words: [part.label],
      };
    case 'socket':
      return {
        width: 92,
        height: 62,
        svg: `<rect x="-36" y="-20" width="72" height="40" rx="3" fill="#2f5a45"/><circle cx="-10" cy="0" r="9" fill="#d9cdb0"/><path d="M-10 0l${(8 * Math.sin((part.turn - 0.5) * 4.7)).toFixed(1)} ${(-8 * Math.cos((part.turn - 0.5) * 4.7)).toFixed(1)}" stroke="${INK}" stroke-width="2"/><rect x="12" y="-12" width="16" height="24" fill="#f6f2e9"/>${text(20, -2, '+', 11)}${text(20, 10, '−', 11)}<path d="M-46 -10H-36M-46 10H-36M36 8H46" stroke="${STEEL}" stroke-width="2.4"/>`,
        legs: legs({ plus: [-46, -10, -1, 0], minus: [-46, 10, -1, 0], out: [46, 8, 1, 0] }),
        words: [part.label, `trimmer ${Math.round(100 * part.turn)} %`],
      };
    case 'limiter':
      return {
        width: 84,
        height: 46,
        svg: `<rect x="-32" y="-14" width="64" height="28" rx="3" fill="#2f5a45"/>${text(0, 4, formatQuantity(part.amps, 'amp'), 11, '#f6f2e9')}<path d="M-42 0H-32M32 0H42" stroke="${STEEL}" stroke-width="2.4"/>`,
        legs: legs({ in: [-42, 0, -1, 0], out: [42, 0, 1, 0] }),
        words: [part.label],
      };
    case 'switch':
      return {
        width: 72,
        height: 44,
        svg: `<rect x="-24" y="-11" width="48" height="22" rx="2" fill="#d5d9db"/><rect x="${part.on ? 0 : -18}" y="-7" width="18" height="14" fill="${INK}"/><path d="M-36 0H-24M24 0H36" stroke="${STEEL}" stroke-width="2.4"/>`,
        legs: legs({ one: [-36, 0, -1, 0], two: [36, 0, 1, 0] }),
        words: [part.name],
      };
    case 'fuse':
      return {
        width: 72,
        height: 40,
        svg: `<rect x="-22" y="-7" width="44" height="14" rx="6" fill="#eef3f4"/><path d="M-22 0H22" stroke="${INK}"/><rect x="-26" y="-7" width="9" height="14" fill="${STEEL}"/><rect x="17" y="-7" width="9" height="14" fill="${STEEL}"/><path d="M-36 0H-26M26 0H36" stroke="${STEEL}" stroke-width="2.4"/>`,
        legs: legs({ one: [-36, 0, -1, 0], two: [36, 0, 1, 0] }),
        words: [formatQuantity(part.amps, 'amp')],
      };
    case 'motor':
      return {
        width: 72,
        height: 52,
        svg: `<rect x="-20" y="-18" width="40" height="36" rx="8" fill="#c9cfd2" stroke="${INK}"/><path d="M20 0H30" stroke="${STEEL}" stroke-width="4"/>${text(0, 5, 'M', 14)}<path d="M-34 -8H-20M-34 8H-20" stroke="${STEEL}" stroke-width="2.4"/>`,
        legs: legs({ one: [-34, -8, -1, 0], two: [-34, 8, -1, 0] }),
        words: [part.label, formatQuantity(part.volts, 'volt')],
      };
    case 'decoder':
      return decoder(used);
    case 'driver':
      return board(used, {
        terminals: terminalsOf.driver,
        fed: ['right', 'left'],
        name: part.label,
        paint: () => null,
      });
    case 'junction':
      return junction(part);
    case 'rails':
    case 'tester':
      return {
        width: 190,
        height: 52,
        svg: `<rect x="-90" y="-16" width="76" height="32" rx="3" fill="#d9cdb0"/><rect x="14" y="-16" width="76" height="32" rx="3" fill="#d9cdb0"/>${text(-52, 5, steady ? 'plus' : 'right', 12)}${text(52, 5, steady ? 'minus' : 'left', 12)}`,
        legs: legs({
          right: [-52, -16, 0, -1],
          left: [52, -16, 0, -1],
          plus: [-52, -16, 0, -1],
          minus: [52, -16, 0, -1],
        }),
        words: [part.label],
      };
  }
}
