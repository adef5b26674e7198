import { fieldName, shownValue, subjectOf } from './complaint';
import type { Layout } from './layout';
import type { Patch } from './patch';

/** One thing that is otherwise in another state of a layout. */
export interface Difference {
  /** What it is about, in words: the thing, and its field. */
  readonly what: string;
  readonly before: string;
  readonly after: string;
}

type Path = Patch['path'];
const plain = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** A value with its unit, or what is there in a few words. */
function said(value: unknown, key: string): string {
  if (value === undefined) return 'not there';
  if (value === null) return 'none';
  const name = plain(value) ? value.name : undefined;
  if (typeof name === 'string') return `“${name}”`;
  const { symbol } = fieldName(key);
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (plain(value)) {
    const figures = Object.entries(value).filter(([k, v]) => k !== 'order' && typeof v !== 'object');
    return figures.length > 0
      ? figures
          .slice(0, 4)
          .map(([k, v]) => `${fieldName(k).name} ${said(v, k)}`)
          .join(', ')
      : shownValue(value);
  }
  return `${shownValue(value)}${typeof value === 'number' && symbol !== '' ? ` ${symbol}` : ''}`;
}

/** What a path of a layout is called: the thing by the name it was given, then the field. */
export function placeWords(layout: unknown, path: Path): string {
  const key = String(path.findLast((k) => typeof k === 'string') ?? '');
  const subject = subjectOf(layout, path);
  const field = path.length === 0 ? 'the whole layout' : fieldName(key).name;
  return subject ? `${subject}, ${field}` : field;
}

/** One place of two layouts as words. */
export function differenceAt(
  before: unknown,
  after: unknown,
  path: Path,
  from: unknown,
  to: unknown,
): Difference {
  const key = String(path.findLast((k) => typeof k === 'string') ?? '');
  // What came or went is told as one of its kind: its own id says little.
  const came = from === undefined || to === undefined;
  const what = placeWords(to === undefined ? before : after, came ? path.slice(0, -1) : path);
  return { what, before: said(from, key), after: said(to, key) };
}

/** In what a layout differs from another: what came, what went, what is otherwise. Lists are told as a whole. */
export function differences(before: Layout, after: Layout, most = 60): Difference[] {
  const found: Difference[] = [];
  const walk = (a: unknown, b: unknown, path: Path): void => {
    if (a === b || found.length >= most) return;
    if (plain(a) && plain(b)) {
      for (const key of new Set([...Object.keys(a), ...Object.keys(b)])) walk(a[key], b[key], [...path, key]);
      return;
    }
    if (JSON.stringify(a) === JSON.stringify(b)) return;
    found.push(differenceAt(before, after, path, a, b));
  };
  walk(before, after, []);
  return found;
}
