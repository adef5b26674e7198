import type { Layout } from './layout';

/** A tree of paths: `true` where one ends; a star is any entry of a record or a list. */
interface Paths {
  readonly [key: string]: Paths | true;
}
const IN_DRAWER = { '*': { price: true, kept: true } } as const satisfies Paths;
/** What is written for the person alone, and how far the building is: nothing is solved or judged by it. */
const REMARKS: Paths = {
  currency: true,
  jobs: { '*': { note: true, already: { '*': { note: true } }, progress: { tasks: true } } },
  trains: { '*': { note: true } },
  drawer: { resistors: IN_DRAWER, reservoirs: IN_DRAWER, sundries: IN_DRAWER },
  rigs: { '*': { note: true, rows: { '*': { price: true } } } },
};
const below = (paths: Paths | undefined, key: string): Paths | true | undefined =>
  paths && (Object.hasOwn(paths, key) ? paths[key] : paths['*']);

/** Whether two plain values differ in more than remarks; what is the same object is not looked into. */
function differs(before: unknown, after: unknown, remarks: Paths | undefined): boolean {
  if (before === after) return false;
  if (typeof before !== 'object' || typeof after !== 'object' || before === null || after === null)
    return true;
  if (Array.isArray(before) !== Array.isArray(after)) return true;
  return [...new Set([...Object.keys(before), ...Object.keys(after)])].some((key) => {
    const inside = below(remarks, key);
    return (
      inside !== true &&
      (Object.hasOwn(before, key) !== Object.hasOwn(after, key) ||
        differs((before as Record<string, unknown>)[key], (after as Record<string, unknown>)[key], inside))
    );
  });
}

/** What was found of two parts of layouts: every job of a layout that is opened asks it of the same ones. */
const found = new WeakMap<object, WeakMap<object, boolean>>();

/** The same for a part of a layout, found once. */
function partDiffers(before: unknown, after: unknown, remarks: Paths | undefined): boolean {
  if (typeof before !== 'object' || typeof after !== 'object' || before === null || after === null)
    return before !== after;
  if (before === after) return false;
  const known = found.get(before) ?? new WeakMap<object, boolean>();
  found.set(before, known);
  const so = known.get(after) ?? differs(before, after, remarks);
  known.set(after, so);
  return so;
}

/** Parts of a layout that say nothing of what one job comes to. */
const BESIDE_JOBS = new Set(['jobs', 'trains', 'name', 'boards', 'network', 'rigs', 'evening']);

/**
 * Whether a change of a layout can change what is solved or judged of a job: the job itself, the
 * supplies, the drawer, the scale; never a note, a price, a train or another job.
 * @param jobId left out: of any job or train
 */
export function concerns(before: Layout, after: Layout, jobId?: string): boolean {
  if (before === after) return false;
  const aside = jobId === undefined ? new Set(['name', 'evening']) : BESIDE_JOBS;
  const parts = new Set([...Object.keys(before), ...Object.keys(after)]);
  const jobOf = ({ jobs }: Layout): unknown =>
    jobId !== undefined && Object.hasOwn(jobs, jobId) ? jobs[jobId] : null;
  const inside = (part: string): Paths | undefined => REMARKS[part] as Paths | undefined;
  return (
    partDiffers(jobOf(before), jobOf(after), below(inside('jobs'), '*') as Paths) ||
    [...parts].some(
      (part) =>
        !aside.has(part) &&
        REMARKS[part] !== true &&
        (Object.hasOwn(before, part) !== Object.hasOwn(after, part) ||
          partDiffers(before[part], after[part], inside(part))),
    )
  );
}
