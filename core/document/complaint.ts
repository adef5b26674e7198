import { valueAt } from './value-at';
import type { z } from 'zod';

/** One thing wrong with a layout: where, and why, in a person's words. */
export interface FileComplaint {
  readonly path: string;
  readonly reason: string;
}

type Issue = z.core.$ZodIssue;
type Path = readonly PropertyKey[];

/** Units that end the name of a quantity, with their symbols. */
const symbols: Readonly<Record<string, string>> = {
  Volts: 'V',
  Amps: 'A',
  Ohms: 'Ω',
  Watts: 'W',
  Farads: 'F',
  Seconds: 's',
  Hertz: 'Hz',
  Millimetres: 'mm',
  Microseconds: 'µs',
  Degrees: '°',
  Lux: 'lx',
  Lumens: 'lm',
  Kelvin: 'K',
};

/** Names of quantities that are their unit alone. */
const aloneNames: Readonly<Record<string, string>> = {
  ohms: 'resistance',
  volts: 'voltage',
  amps: 'current',
  farads: 'capacitance',
  lumens: 'luminous flux',
  kelvin: 'colour temperature',
  hertz: 'frequency',
};

/** What a field is called in a sentence, and the symbol of its unit, from its name in the file. */
export function fieldName(key: string): { name: string; symbol: string } {
  const ending = /[A-Z][a-z]+$/.exec(key)?.[0] ?? '';
  const upper = key.charAt(0).toUpperCase() + key.slice(1);
  if (Object.hasOwn(aloneNames, key)) return { name: aloneNames[key], symbol: symbols[upper] };
  const symbol = Object.hasOwn(symbols, ending) ? symbols[ending] : '';
  const stem = symbol === '' ? key : key.slice(0, -ending.length);
  return { name: stem.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase(), symbol };
}

/** The innermost thing with a name of its own that a path leads through, as the person called it, and which part of it. */
export function subjectOf(layout: unknown, path: Path): string | null {
  for (let depth = path.length - 1; depth > 0; depth--) {
    const name = (valueAt(layout, path.slice(0, depth)) as { name?: unknown } | undefined)?.name;
    if (typeof name !== 'string' || name === '') continue;
    const part = path.slice(depth, -1).findLast((k) => typeof k === 'string');
    const called = `“${name.slice(0, 40)}”`;
    return part === undefined ? called : `${called}, ${fieldName(part).name.replaceAll('-', ' ')}`;
  }
  return null;
}

/** A value as it is shown in a complaint. */
export function shownValue(value: unknown): string {
  if (value === undefined) return 'missing';
  if (Array.isArray(value)) return `a list of ${value.length}`;
  if (typeof value === 'object' && value !== null) return 'a group of values';
  if (typeof value === 'string') return `“${value.slice(0, 40)}${value.length > 40 ? '…' : ''}”`;
  return typeof value === 'number' ? String(Number(value.toPrecision(6))) : String(value);
}

const kinds: Readonly<Record<string, string>> = {
  string: 'a text',
  number: 'a number',
  int: 'a whole number',
  boolean: 'yes or no (true or false)',
  array: 'a list',
  object: 'a group of values',
  record: 'a group of values by id',
  null: 'nothing (null)',
};

/** Choices named in a complaint before it says “and so on”. */
const MOST_NAMED = 10;
const oneOf = (values: readonly unknown[]): string => {
  const named = values.slice(0, MOST_NAMED).map((v) => shownValue(v));
  return `${named.join(', ')}${values.length > MOST_NAMED ? ' and so on' : ''}`;
};

/** What is allowed where an issue was found, as the end of “…, allowed is …”. */
function allowed(issue: Issue, symbol: string): string {
  const unit = symbol === '' ? '' : ` ${symbol}`;
  switch (issue.code) {
    case 'invalid_type':
      return kinds[issue.expected] ?? issue.expected;
    case 'too_big':
    case 'too_small': {
      const figure = issue.code === 'too_big' ? issue.maximum : issue.minimum;
      const bound = issue.code === 'too_big' ? 'at most' : 'at least';
      if (issue.origin === 'string') return `${bound} ${figure} characters`;
      if (issue.origin === 'array') return `${bound} ${figure} entries`;
      return `${bound} ${figure}${unit}`;
    }
    case 'invalid_value':
      return issue.values.length === 1 ? shownValue(issue.values[0]) : `one of ${oneOf(issue.values)}`;
    case 'invalid_union': {
      const options = (issue as { options?: readonly unknown[] }).options;
      if (options) return `one of ${oneOf(options)}`;
      const ways = issue.errors.map((errors) => errors[0]).filter((e) => e !== undefined);
      return [...new Set(ways.map((e) => allowed(e as Issue, symbol)))].join(', or ');
    }
    case 'not_multiple_of':
      return `a multiple of ${issue.divisor}`;
    default:
      return issue.message;
  }
}

/**
 * What a schema found wrong, in words: the field, what stands there, and what may.
 * @param raw what was checked
 */
export function complaintOf(issue: Issue, raw: unknown): FileComplaint {
  const key = String(issue.path.findLast((k) => typeof k === 'string' && !/^\d+$/.test(k)) ?? 'the file');
  const { name, symbol } = fieldName(key);
  const value = valueAt(raw, issue.path);
  const subject = subjectOf(raw, issue.path);
  const stands =
    typeof value === 'string' && issue.code === 'too_big' ? `${value.length} long` : shownValue(value);
  const unit = typeof value === 'number' && symbol !== '' ? ` ${symbol}` : '';
  return {
    path: issue.path.map(String).join('.'),
    reason: `${subject ? `${subject}: ` : ''}${name} is ${stands}${unit}; allowed is ${allowed(issue, symbol)}`,
  };
}
