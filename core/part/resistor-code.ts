import { figuresOf } from './colour-bands';
import { preferredIn } from './preferred';

/** Letters of the three-character code of 1 % chips, by power of ten of the multiplier (EIA-96, from memory). */
const letters: Readonly<Record<string, number>> = {
  Z: -3,
  Y: -2,
  X: -1,
  A: 0,
  B: 1,
  C: 2,
  D: 3,
  E: 4,
  F: 5,
};

/** What is printed on a chip for a value. */
export interface ChipCode {
  readonly code: string;
  readonly way: 'three figures' | 'four figures' | 'letter code';
}

/** Figures and multiplier, with R for the point where the multiplier would be below zero: 472, 4R7, 1001, 49R9 (IEC 60062). */
function figureCode(ohms: number, many: 2 | 3): string | null {
  const found = figuresOf(ohms, many);
  if (!found) return null;
  const { figures, power } = found;
  if (power >= 0) return power > 9 ? null : `${figures}${power}`;
  const digits = String(figures);
  if (-power > many) return null;
  return -power === many ? `R${digits}` : `${digits.slice(0, many + power)}R${digits.slice(many + power)}`;
}

/** Every code a chip of a value may carry; none where the value has too many figures. */
export function chipCodesOf(ohms: number): ChipCode[] {
  const codes: ChipCode[] = [];
  const three = figureCode(ohms, 2);
  if (three) codes.push({ code: three, way: 'three figures' });
  const four = figureCode(ohms, 3);
  if (four) codes.push({ code: four, way: 'four figures' });
  const found = figuresOf(ohms, 3);
  const place = found ? preferredIn('E96').indexOf(found.figures / 10) : -1;
  const letter = Object.entries(letters).find(([, power]) => power === found?.power)?.[0];
  if (place >= 0 && letter)
    codes.push({ code: `${String(place + 1).padStart(2, '0')}${letter}`, way: 'letter code' });
  return codes;
}

/**
 * What the code on a chip says, in ohms: `472`, `4R7`, `1001`, `01C`, `R47`; `0` is a link.
 * @throws RangeError for what is no code
 */
export function ohmsOfCode(text: string): number {
  const code = text.trim().toUpperCase();
  if (/^0{1,4}$/.test(code)) return 0;
  const letter = /^(\d\d)([ZYXABCDEF])$/.exec(code);
  if (letter) {
    const figures = preferredIn('E96')[Number(letter[1]) - 1];
    if (figures === undefined) throw new RangeError(`“${text}”: letter codes go from 01 to 96`);
    return Number(`${Number((figures * 10).toFixed(0))}e${letters[letter[2]]}`);
  }
  const point = /^(\d*)R(\d*)$/.exec(code);
  if (point && point[1].length + point[2].length >= 2 && point[1].length + point[2].length <= 3)
    return Number(`${point[1] || '0'}.${point[2] || '0'}`);
  const figures = /^(\d{2,3})(\d)$/.exec(code);
  if (!figures || Number(figures[1]) === 0)
    throw new RangeError(`“${text}” is not a code of a chip resistor`);
  return Number(`${Number(figures[1])}e${figures[2]}`);
}
