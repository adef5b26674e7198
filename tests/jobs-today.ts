interface Line {
  readonly from: { readonly kind: string };
}
interface Job {
  readonly decoder?: { readonly outputs: object } | null;
  readonly lines: Readonly<Record<string, Line>>;
}

const mapped = <T>(of: object, change: (entry: T) => object): object =>
  Object.fromEntries(Object.entries(of).map(([id, entry]) => [id, change(entry as T)]));

/** What version 11 says of lines: those that begin at the supply begin at the job's own. */
const onOwnSupply = (line: Line): object =>
  line.from.kind === 'supply' ? { ...line, from: { ...line.from, supplyId: null } } : line;

/** Jobs without their variants, which a migration may write in other patches that come to the same. */
export const plainly = (jobs: object): object => mapped(jobs, (job: object) => ({ ...job, variants: {} }));

/** Jobs of version 10 as they are today. */
export const jobsOfTenth = (jobs: object): object =>
  mapped(jobs, (job: Job) => ({ ...job, lines: mapped(job.lines, onOwnSupply) }));

/** Jobs of before version 10 as they are today: decoders by their type alone, without dim keys. */
export const jobsToday = (jobs: object): object =>
  mapped(jobsOfTenth(jobs), ({ decoder, ...job }: Job) => ({
    ...job,
    ...(decoder === undefined
      ? {}
      : {
          decoder: decoder && {
            ...decoder,
            own: null,
            dim: null,
            outputs: mapped(decoder.outputs, (rule: object) => ({ ...rule, withKey: null })),
          },
        }),
  }));
