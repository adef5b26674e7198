import { patched, patchesBetween } from '../patch';

/** A value as it was read, before anything is known of it. */
export type Plain = Record<string, unknown>;
export const entries = (value: unknown): [string, Plain][] =>
  typeof value === 'object' && value !== null
    ? Object.entries(value as Plain).filter(
        (e): e is [string, Plain] => typeof e[1] === 'object' && e[1] !== null,
      )
    : [];
export const mapped = (value: unknown, change: (entry: Plain) => Plain): unknown =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
    ? { ...(value as Plain), ...Object.fromEntries(entries(value).map(([id, e]) => [id, change(e)])) }
    : value;

export const isPlain = (value: unknown): value is Plain =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** A job of the next version with its variants: what each of them made of the old job, as what differs from the new one. */
function withVariants(old: Plain, id: string, job: Plain, next: (job: Plain) => Plain): Plain {
  const now = next(job);
  if (!isPlain(job.variants)) return now;
  const { variants: mine, ...base } = now;
  void mine;
  return {
    ...now,
    variants: mapped(job.variants, (variant) => {
      try {
        const made = patched(old as never, variant.patches as never) as unknown as Plain;
        const { variants, ...then } = next((made.jobs as Plain)[id] as Plain);
        void variants;
        return { ...variant, patches: patchesBetween(base, then, ['jobs', id]) };
      } catch {
        // What it was about had gone before; choosing it says so.
        return variant;
      }
    }),
  };
}

/** Every job of a file, with its variants, made one of the next version. */
export const jobsNext = (old: Plain, next: (job: Plain) => Plain): unknown =>
  isPlain(old.jobs)
    ? Object.fromEntries(
        Object.entries(old.jobs).map(([id, job]) => [
          id,
          isPlain(job) ? withVariants(old, id, job, next) : job,
        ]),
      )
    : old.jobs;
