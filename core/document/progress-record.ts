import { z } from 'zod';

/** What was taken out of the drawer when a task was ticked: the collection, the id of the stock, how many, or how many metres. */
const taken = z.looseObject({
  from: z.string().min(1).max(40),
  id: z.string(),
  count: z.number().positive().max(100_000),
});

/** How far the building of a job is. Only what was touched is kept. */
export const progressRecord = z.looseObject({
  /** How many of it are built by one sheet. */
  count: z.number().int().min(1).max(100),
  tasks: z.record(
    z.string(),
    z.looseObject({ done: z.boolean(), note: z.string().max(400), taken: z.array(taken).max(60) }),
  ),
});

export type ProgressRecord = z.infer<typeof progressRecord>;
export type TakenRecord = z.infer<typeof taken>;

/** One of it, nothing done yet. */
export const noProgress = (): ProgressRecord => ({ count: 1, tasks: {} });
