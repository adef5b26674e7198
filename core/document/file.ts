import { complaintOf, type FileComplaint } from './complaint';
import { brokenReferences, FORMAT, layoutRecord, VERSION, type Layout } from './layout';
import { migrated } from './migrations';

export type { FileComplaint };

export type ReadLayout =
  | { readonly ok: true; readonly layout: Layout; readonly migratedFrom: number | null }
  | { readonly ok: false; readonly complaints: readonly FileComplaint[] };

/** Longest file read, in characters: far beyond any layout. */
export const MOST_CHARACTERS = 16 * 1024 * 1024;
/** How deep a file may nest; a layout needs seven. */
const DEEPEST = 60;
const MOST_COMPLAINTS = 12;

const refuse = (reason: string, path = ''): ReadLayout => ({ ok: false, complaints: [{ path, reason }] });

function depthOf(value: unknown): number {
  let depth = 0;
  let level: unknown[] = [value];
  while (level.length > 0 && depth <= DEEPEST + 1) {
    level = level.flatMap((v) => (typeof v === 'object' && v !== null ? Object.values(v) : []));
    depth++;
  }
  return depth;
}

/** Where a value holds an entry by the one name that no record can keep; null when nowhere. */
function reservedId(value: unknown, path: readonly string[]): readonly string[] | null {
  if (typeof value !== 'object' || value === null) return null;
  for (const [key, entry] of Object.entries(value)) {
    const here = [...path, key];
    const found = key === '__proto__' ? here : reservedId(entry, here);
    if (found) return found;
  }
  return null;
}

/** Whether a text of JSON ends before all it opened is closed, or within a text of its own. */
function endsEarly(text: string): boolean {
  let depth = 0;
  let quoted = false;
  for (let k = 0; k < text.length; k++) {
    const c = text[k];
    if (quoted) {
      if (c === '\\') k++;
      else if (c === '"') quoted = false;
    } else if (c === '"') quoted = true;
    else if (c === '{' || c === '[') depth++;
    else if (c === '}' || c === ']') depth--;
  }
  return quoted || depth > 0;
}

/** Where a string of a text of JSON ends that begins at a place. */
function endOfString(text: string, start: number): number {
  for (let end = text.indexOf('"', start + 1); ; end = text.indexOf('"', end + 1)) {
    let escapes = 0;
    while (text[end - 1 - escapes] === '\\') escapes++;
    if (escapes % 2 === 0) return end;
  }
}

/**
 * A name that stands twice in one record of a text of JSON: the second would take the place of the first
 * without a word (RFC 8259, 4, leaves open which). Null when none does.
 */
function nameTwice(text: string): string | null {
  /** Names of each record that is open; null for a list. */
  const open: (Set<string> | null)[] = [];
  const signs = /["[\]{}]/g;
  const colon = /\s*:/y;
  for (let found = signs.exec(text); found; found = signs.exec(text)) {
    const [sign] = found;
    if (sign === '{') open.push(new Set());
    else if (sign === '[') open.push(null);
    else if (sign !== '"') open.pop();
    else {
      const end = endOfString(text, found.index);
      signs.lastIndex = colon.lastIndex = end + 1;
      const names = open[open.length - 1];
      if (!names || !colon.test(text)) continue;
      const name = JSON.parse(text.slice(found.index, end + 1)) as string;
      if (names.has(name)) return name;
      names.add(name);
    }
  }
  return null;
}

/**
 * Reads a layout file: whole or not at all. Older versions are brought up to date step by step.
 * @returns the layout, or what is wrong as path and reason
 */
export function readLayout(text: string): ReadLayout {
  if (text.length > MOST_CHARACTERS) return refuse('the file is larger than 16 MB: no layout is');
  if (text.trim() === '') return refuse('the file is empty');
  let raw: unknown;
  try {
    raw = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch {
    const cut = endsEarly(text) ? ' It seems to be cut off.' : '';
    return refuse(`the file is not JSON.${cut}`);
  }
  const twice = nameTwice(text);
  if (twice !== null)
    return refuse(`“${twice.slice(0, 60)}” stands in it twice: one of the two would be lost`);
  return checkLayout(raw);
}

/** The same for a value already parsed. */
export function checkLayout(raw: unknown): ReadLayout {
  if (typeof raw !== 'object' || raw === null || Array.isArray(raw))
    return refuse('the file does not hold a layout');
  const { format, version } = raw as { format?: unknown; version?: unknown };
  if (format !== FORMAT)
    return refuse(`this is not a Hazel Spark layout: its format is ${quoted(format)}`, 'format');
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1) {
    return refuse(`its version is ${quoted(version)}, not a whole number from 1`, 'version');
  }
  if (version > VERSION) {
    return refuse(
      `it was saved by a newer Hazel Spark (version ${version}; this one reads up to ${VERSION}). Update, then open it again.`,
      'version',
    );
  }
  if (depthOf(raw) > DEEPEST) return refuse('it is nested deeper than any layout');
  const reserved = reservedId(raw, []);
  if (reserved) return refuse('“__proto__” cannot be the name of anything in a file', reserved.join('.'));
  let value: unknown;
  try {
    value = migrated(raw as Record<string, unknown>, version);
  } catch {
    return refuse(`it says it is of version ${version}, but is not built like one`, 'version');
  }
  const parsed = layoutRecord.safeParse(value);
  if (!parsed.success) {
    const issues = parsed.error.issues.slice(0, MOST_COMPLAINTS);
    return { ok: false, complaints: issues.map((i) => complaintOf(i, value)) };
  }
  const broken = brokenReferences(parsed.data);
  if (broken.length > 0) {
    return {
      ok: false,
      complaints: broken.slice(0, MOST_COMPLAINTS).map((b) => ({ path: b.path.join('.'), reason: b.reason })),
    };
  }
  return { ok: true, layout: parsed.data, migratedFrom: version < VERSION ? version : null };
}

const quoted = (value: unknown): string =>
  value === undefined ? 'missing' : `“${String(JSON.stringify(value)).slice(0, 40)}”`;

/** Names that come first in whatever has them. */
const FIRST = ['format', 'version', 'order', 'kind', 'name', 'note'];
const rank = (key: string): number => (FIRST.includes(key) ? FIRST.indexOf(key) : FIRST.length);

/** The same value with its keys in one order, whatever order edits brought them in: entries as the person put them. */
function arranged(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(arranged);
  if (typeof value !== 'object' || value === null) return value;
  const place = (entry: unknown): number => Number((entry as { order?: unknown } | null)?.order ?? 0) || 0;
  const entries = Object.entries(value).sort(
    ([a, x], [b, y]) => rank(a) - rank(b) || place(x) - place(y) || (a < b ? -1 : 1),
  );
  return Object.fromEntries(entries.map(([key, entry]) => [key, arranged(entry)]));
}

/** Writes a layout as a file's text. Two layouts that say the same are the same text. */
export function writeLayout(layout: Layout): string {
  return `${JSON.stringify(arranged(layout), null, 2)}\n`;
}
