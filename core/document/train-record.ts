import { z } from 'zod';

/** One vehicle of a train: a job of the layout, and whether it runs with its right end first. */
export const carRecord = z.looseObject({
  order: z.number(),
  jobId: z.string(),
  turned: z.boolean(),
});

/** Several coaches as one train. */
export const trainRecord = z.looseObject({
  order: z.number(),
  name: z.string().min(1).max(80),
  note: z.string().max(4000),
  cars: z.record(z.string(), carRecord),
  /** From one coach's reservoir beginning to charge to the next one's, in seconds; 0 for all at once. */
  staggerSeconds: z.number().min(0).max(10),
});

export type TrainRecord = z.infer<typeof trainRecord>;
