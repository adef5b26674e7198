import { brokenReferences, FORMAT, layoutRecord, VERSION, type Layout } from './layout';
import { migrations } from './migrations';

/** One thing wrong with a file: where, and why. */
export interface FileComplaint {
  readonly path: string;
  readonly reason: string;
}

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
    const cut = /[}\]]\s*$/.test(text) ? '' : ' It seems to be cut off.';
    return refuse(`the file is not JSON.${cut}`);
  }
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
  let value: unknown = raw;
  for (let v = version; v < VERSION; v++) value = migrations[v](value as Record<string, unknown>);
  const parsed = layoutRecord.safeParse(value);
  if (!parsed.success) {
    const complaints = parsed.error.issues.map((i) => ({ path: i.path.join('.'), reason: i.message }));
    return { ok: false, complaints: complaints.slice(0, MOST_COMPLAINTS) };
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

/** Writes a layout as a file's text. */
export function writeLayout(layout: Layout): string {
  return `${JSON.stringify(layout, null, 2)}\n`;
}
