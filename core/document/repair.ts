import { checkLayout, type FileComplaint } from './file';
import { complaintOf, shownValue } from './complaint';
import { FORMAT, VERSION, brokenReferences, layoutRecord, type Layout } from './layout';
import { migrated } from './migrations';
import { valueAt } from './value-at';

/** One thing a repair would change, and why. */
export interface Repair extends FileComplaint {
  /** What stands there instead, in words; null when it is taken out. */
  readonly becomes: string | null;
}

export type Repaired =
  | { readonly ok: true; readonly layout: Layout; readonly repairs: readonly Repair[] }
  | { readonly ok: false; readonly complaints: readonly FileComplaint[] };

type Plain = Record<string | number, unknown>;
type Path = readonly (string | number)[];
interface Fault extends FileComplaint {
  readonly at: Path;
  /** What may stand there instead; undefined where nothing safe is known. */
  readonly instead: unknown;
}

/** More than this is no repair. */
const MOST_REPAIRS = 200;
const USUAL_LAMP = 'white-warm';

const parentOf = (raw: unknown, path: Path): Plain | null => {
  const parent = valueAt(raw, path.slice(0, -1));
  return typeof parent === 'object' && parent !== null ? (parent as Plain) : null;
};

type Issue = Parameters<typeof complaintOf>[0];

/** The nearest value that the schema allows, where there is one that says much the same. */
function nearest(issue: Issue, value: unknown): unknown {
  if (issue.code === 'too_big' || issue.code === 'too_small') {
    const bound = Number(issue.code === 'too_big' ? issue.maximum : issue.minimum);
    if (typeof value === 'number' && Number.isFinite(value)) return issue.inclusive ? bound : undefined;
    if (typeof value === 'string') return value.length > bound ? value.slice(0, bound) : 'Without a name';
    if (Array.isArray(value) && value.length > bound) return value.slice(0, bound);
    return undefined;
  }
  if (issue.code !== 'invalid_type') return undefined;
  if (
    issue.expected === 'number' &&
    typeof value === 'string' &&
    value.trim() !== '' &&
    Number.isFinite(Number(value))
  )
    return Number(value);
  if (issue.expected === 'int' && typeof value === 'number') return Math.round(value);
  if (issue.expected === 'string' && typeof value === 'number') return String(value);
  return undefined;
}

/** What a reference that leads nowhere may be instead. */
function safeReference(path: Path, layout: Layout): unknown {
  const field = path[path.length - 1];
  if (['circuitId', 'otherSupplyId', 'secondPart'].includes(String(field))) return null;
  if (field === 'supplyId' && path.includes('lines')) return null;
  if (field === 'part') return USUAL_LAMP;
  if (field === 'supplyId') return Object.keys(layout.supplies)[0];
  return undefined;
}

function faultsOf(raw: unknown): Fault[] {
  const parsed = layoutRecord.safeParse(raw);
  if (!parsed.success) {
    return parsed.error.issues.map((issue) => {
      const at = issue.path.map((key) => (typeof key === 'number' ? key : String(key)));
      const instead = nearest(issue, parentOf(raw, at)?.[at[at.length - 1]]);
      return { ...complaintOf(issue, raw), at, instead };
    });
  }
  return brokenReferences(parsed.data).map(({ path, reason }) => ({
    path: path.join('.'),
    reason,
    at: path,
    instead: safeReference(path, parsed.data),
  }));
}

/** The innermost entry of a collection that a path lies in, so that it can be taken out; null when there is none. */
function entryAround(path: Path): Path | null {
  const collections = [
    'supplies',
    'jobs',
    'trains',
    'cars',
    'lampSets',
    'resistors',
    'reservoirs',
    'readings',
  ];
  const inner = ['lamps', 'lines', 'stages', 'circuits', 'variants', 'rooms', 'seatBacks', 'things'];
  for (let i = path.length - 2; i >= 0; i--)
    if ([...collections, ...inner].includes(String(path[i]))) return path.slice(0, i + 2);
  return null;
}

function takeOut(raw: unknown, path: Path): boolean {
  const parent = parentOf(raw, path);
  const key = path[path.length - 1];
  if (!parent || !Object.hasOwn(parent, key)) return false;
  if (Array.isArray(parent)) parent.splice(Number(key), 1);
  else Reflect.deleteProperty(parent, key);
  return true;
}

/**
 * Makes a valid layout of one that is not, where that can be done without guessing much: a figure
 * beyond its limit is brought to it, a reference that leads nowhere is left open, a number written as
 * text is read, and the smallest thing that cannot be mended is taken out. Everything is listed, for
 * the person to accept; what was given is not written to.
 */
export function repaired(given: unknown): Repaired {
  const refused = checkLayout(given);
  if (refused.ok) return { ok: true, layout: refused.layout, repairs: [] };
  const { format, version } = (given ?? {}) as { format?: unknown; version?: unknown };
  if (format !== FORMAT || typeof version !== 'number' || version > VERSION || version < 1)
    return { ok: false, complaints: refused.complaints };
  let raw: unknown;
  try {
    raw = migrated(JSON.parse(JSON.stringify(given)) as Plain, version);
  } catch {
    return { ok: false, complaints: refused.complaints };
  }
  const repairs: Repair[] = [];
  while (repairs.length < MOST_REPAIRS) {
    const faults = faultsOf(raw);
    if (faults.length === 0) break;
    const { at, instead, path, reason } = faults[0];
    const parent = parentOf(raw, at);
    if (parent && instead !== undefined) {
      parent[at[at.length - 1]] = instead;
      repairs.push({ path, reason, becomes: instead === null ? 'left open' : shownValue(instead) });
      continue;
    }
    const entry = entryAround([...at, '']);
    if (!entry || !takeOut(raw, entry)) return { ok: false, complaints: refused.complaints };
    repairs.push({ path: entry.join('.'), reason, becomes: null });
  }
  const read = checkLayout(raw);
  return read.ok ? { ok: true, layout: read.layout, repairs } : { ok: false, complaints: read.complaints };
}
