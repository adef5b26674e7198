const suffixes: readonly (readonly [string, number])[] = [
  ['meg', 1e6],
  ['mil', 25.4e-6],
  ['t', 1e12],
  ['g', 1e9],
  ['k', 1e3],
  ['m', 1e-3],
  ['u', 1e-6],
  ['µ', 1e-6],
  ['n', 1e-9],
  ['p', 1e-12],
  ['f', 1e-15],
  ['a', 1e-18],
];

/** No figure is written longer; a line of digits without end is not tried. */
const LONGEST = 80;

/**
 * A SPICE number: digits, an exponent, a scale letter (`meg` is a million, `m` a thousandth) and
 * letters of a unit that do not count.
 * @returns null when the text is not one
 */
export function spiceNumber(text: string): number | null {
  if (text.length > LONGEST) return null;
  const found = /^([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)([a-zµωΩ]*)$/i.exec(text);
  if (!found) return null;
  const tail = found[2].toLowerCase();
  const scale = suffixes.find(([s]) => tail.startsWith(s))?.[1] ?? 1;
  const figure = Number(found[1]) * scale;
  return Number.isFinite(figure) ? figure : null;
}
