import { MILLIMETRES_PER_INCH } from './gauge';
import { prefixes, units, type Unit, type UnitName } from './unit';

/** A figure understood, in the unit's base (ohm, farad, volt …), or why not, quoting what was typed. */
export type Parsed =
  { readonly ok: true; readonly figure: number } | { readonly ok: false; readonly message: string };

export interface ParseLimits {
  readonly least?: number;
  readonly most?: number;
  /** How the limits are said in a message: "1 Ω to 10 MΩ". */
  readonly range?: string;
}

const fail = (message: string): Parsed => ({ ok: false, message });

/** Powers of ten of the prefix at the start of `tail`, and what is left; capital and small m differ. */
function prefixOf(tail: string): { power: number; rest: string }[] {
  const found = prefixes
    .filter((p) => p.letters.some((l) => tail.startsWith(l)))
    .map((p) => ({ power: p.power, rest: tail.slice(1) }));
  if (/^meg/i.test(tail)) found.push({ power: 6, rest: tail.slice(3) });
  return [...found, { power: 0, rest: tail }];
}

const isUnit = (unit: Unit, text: string): boolean =>
  text === '' || text === unit.symbol || unit.spellings.includes(text.toLowerCase());

const anyUnit = (text: string): Unit | undefined =>
  Object.values(units).find((u: Unit) => text !== '' && isUnit(u, text)) as Unit | undefined;

/**
 * Reads what a person typed as a figure with a unit: `4k7`, `4.7 kΩ`, `470u`, `0.06 A`, `1/8 W`, `0R47`.
 * Where no unit is written the expected one is taken. Never throws.
 * @param unit what is expected; the figure comes back in it without prefix (ohm, farad, …)
 */
export function parseQuantity(text: string, unit: UnitName, limits: ParseLimits = {}): Parsed {
  const wanted: Unit = units[unit];
  const typed = text.trim();
  const example = `Write it like ${exampleOf[unit]}.`;
  if (typed === '') return fail(`Nothing is written. ${example}`);
  if (typed.length > 40) return fail(`That is too long for ${wanted.what}. ${example}`);
  const plain = typed.replace(/−/g, '-');
  if (/\d,\d{3}(\D|$)/.test(plain)) {
    return fail(
      `“${typed}” can be read two ways: write thousands without a comma and decimals with a point.`,
    );
  }
  const points = plain.replace(/(\d),(\d)/g, '$1.$2');
  const length = unit === 'millimetre' ? (inches(points) ?? metres(points)) : null;
  const found = length ?? mantissa(points, wanted);
  if (found === null) {
    const letter = /^[+-]?[\d.]+\s*(.*)$/.exec(plain)?.[1] ?? '';
    const other = prefixOf(letter)
      .map((p) => anyUnit(p.rest))
      .find((u) => u !== undefined);
    return fail(
      other
        ? `“${typed}” is ${other.what}; ${wanted.what} is wanted here.`
        : `“${typed}” is not ${wanted.what}. ${example}`,
    );
  }
  const { figure, bare } = found;
  if (!Number.isFinite(figure)) return fail(`“${typed}” is not ${wanted.what}. ${example}`);
  if (figure < 0 && !((limits.least ?? 0) < 0))
    return fail(`“${typed}” is below zero; ${wanted.what} here is not.`);
  if (unit === 'farad' && bare && figure >= 1) {
    return fail(`“${typed}” can be read two ways: ${typed} µF or ${typed} pF? Write the unit.`);
  }
  const { least = 0, most = Infinity, range } = limits;
  if (figure < least || figure > most) {
    const milli =
      bare && figure / 1000 >= least && figure / 1000 <= most
        ? ` Did you mean ${typed} m${wanted.symbol}?`
        : '';
    return fail(`“${typed}” is out of range${range ? `: ${range} is possible here` : ''}.${milli}`);
  }
  return { ok: true, figure };
}

/** Inches and fractions of an inch, in millimetres; null for what is not written in inches. */
function inches(text: string): { figure: number; bare: boolean } | null {
  const written = /^(?:(\d+) +)?(\d+(?:\.\d+)?)(?:\/(\d+))? *(?:in|inch|inches|"|”|″)$/i.exec(text);
  if (!written || Number(written[3] ?? 1) === 0) return null;
  const [, whole = '0', over, under = '1'] = written;
  return { figure: (Number(whole) + Number(over) / Number(under)) * MILLIMETRES_PER_INCH, bare: false };
}

const PER_METRE = { m: 1000, cm: 10 } as const;

/** Metres and centimetres, in millimetres: of a length a lone m is never a thousandth. Null for what is written otherwise. */
function metres(text: string): { figure: number; bare: boolean } | null {
  const infix = /^(\d+)m(\d+)$/.exec(text);
  if (infix) return { figure: scaled(Number(`${infix[1]}.${infix[2]}`), 3), bare: false };
  const written = /^([+-]?(?:\d+\.?\d*|\.\d+)) *(cm|m|met(?:re|er)s?)$/i.exec(text);
  if (!written) return null;
  const per = written[2].toLowerCase() === 'cm' ? PER_METRE.cm : PER_METRE.m;
  return { figure: Number(written[1]) * per, bare: false };
}

/** The figure, and whether neither unit nor prefix was written. */
function mantissa(text: string, unit: Unit): { figure: number; bare: boolean } | null {
  const fraction = /^(\d+)\s*\/\s*(\d+)\s*(.*)$/.exec(text);
  if (fraction) {
    const power = powerOf(fraction[3], unit);
    if (power === null || Number(fraction[2]) === 0) return null;
    return { figure: scaled(Number(fraction[1]) / Number(fraction[2]), power), bare: fraction[3] === '' };
  }
  // The letter stands where the point would: 4k7, 2M2, 0R47, 4u7.
  const infix = /^([+-]?\d*)(R|[pnuµμmkKM])(\d+)\s*(.*)$/.exec(text);
  if (infix && (infix[1] !== '' || infix[2] === 'R') && isUnit(unit, infix[4].trim())) {
    if (infix[2] === 'R' && unit !== units.ohm) return null;
    const power = prefixes.find((p) => p.letters.includes(infix[2]))?.power ?? 0;
    return { figure: scaled(Number(`${infix[1] || '0'}.${infix[3]}`), power), bare: false };
  }
  const usual = /^([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)\s*(.*)$/i.exec(text);
  if (!usual) return null;
  const power = powerOf(usual[2], unit);
  return power === null ? null : { figure: scaled(Number(usual[1]), power), bare: usual[2].trim() === '' };
}

function powerOf(tail: string, unit: Unit): number | null {
  const trimmed = tail.trim();
  if (isUnit(unit, trimmed)) return 0;
  const fits = prefixOf(trimmed).find((p) => isUnit(unit, p.rest.trim()));
  return fits ? fits.power : null;
}

/** Multiplies by a power of ten through decimal text, so that 4.7 k is exactly 4700. */
function scaled(figure: number, power: number): number {
  return power === 0
    ? figure
    : Number(`${figure.toString().includes('e') ? figure : `${figure}e${power}`}`) *
        (figure.toString().includes('e') ? 10 ** power : 1);
}

const exampleOf: Readonly<Record<UnitName, string>> = {
  'kilometre-per-hour': '40 km/h',
  degree: '15°',
  kelvin: '2700 K',
  ohm: '4k7, 4.7 kΩ or 680',
  farad: '470 µF, 470u or 4u7',
  volt: '15 V or 3.3',
  amp: '20 mA or 0.06 A',
  watt: '1/4 W, 0.25 W or 250 mW',
  second: '0.5 s or 20 ms',
  millimetre: '11.5 mm or 1/16 in',
  lux: '120 lx',
  lumen: '400 lm',
  kilogram: '1.5 kg',
  hertz: '1 kHz',
};
