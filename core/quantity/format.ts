import { prefixes, units, type Unit, type UnitName } from './unit';

/**
 * Writes a figure with its unit and the prefix that suits it: 4700 ohm is "4.7 kΩ".
 * @param significant digits kept; trailing zeros are dropped unless `fixed`
 */
export function formatQuantity(
  figure: number,
  unit: UnitName,
  { significant = 3, fixed = false }: { significant?: number; fixed?: boolean } = {},
): string {
  const { number, symbol } = quantityParts(figure, unit, { significant, fixed });
  return `${number} ${symbol}`;
}

/** The same, number and unit apart, for setting them in different sizes. */
export function quantityParts(
  figure: number,
  unit: UnitName,
  { significant = 3, fixed = false }: { significant?: number; fixed?: boolean } = {},
): { number: string; symbol: string } {
  const { symbol, writes }: Unit = units[unit];
  if (!Number.isFinite(figure)) return { number: '–', symbol };
  const size = Math.abs(figure);
  const rounded = size === 0 ? 0 : Number(size.toPrecision(significant));
  const power =
    [...writes].reverse().find((p) => rounded >= 10 ** p * (1 - 1e-12)) ?? (size === 0 ? 0 : writes[0]);
  const mantissa = Number(`${Number(figure.toPrecision(15))}`) / 10 ** power;
  const text = fixed ? mantissa.toPrecision(significant) : String(Number(mantissa.toPrecision(significant)));
  const letter = prefixes.find((p) => p.power === power)?.letters[0] ?? '';
  const plain = text.includes('e') ? String(Number(text)) : text;
  return { number: plain.replace('-', '−'), symbol: letter + symbol };
}

/** Writes a resistance the short way that is printed beside a symbol: 2k2, 470R, 1M. */
export function shortOhms(ohms: number): string {
  const power = ohms >= 1e6 ? 6 : ohms >= 1e3 ? 3 : 0;
  const letter = power === 6 ? 'M' : power === 3 ? 'k' : 'R';
  const text = String(Number((ohms / 10 ** power).toPrecision(3)));
  return text.includes('.') ? text.replace('.', letter) : text + letter;
}

/** A name within a sentence: its first letter small, where it is no abbreviation or single letter. */
export const inSentence = (name: string): string =>
  /^[A-Z][a-z]/.test(name) ? name.charAt(0).toLowerCase() + name.slice(1) : name;
