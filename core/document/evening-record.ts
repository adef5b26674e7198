import { z } from 'zod';
import type { Say } from './job-record';

const minute = z.number().min(0).max(1440);

/** An operating session: from when, how long, and when each job is lit in it. */
export const eveningRecord = z.looseObject({
  /** Minutes after midnight. */
  beginsMinutes: z.number().min(0).max(1439),
  lastsMinutes: z.number().min(10).max(1440),
  /** Minutes after it began, by job; one that is not named is lit throughout. */
  lit: z.record(z.string(), z.array(z.looseObject({ fromMinutes: minute, toMinutes: minute })).max(24)),
});
export type EveningRecord = z.infer<typeof eveningRecord>;

/** Three hours from seven o'clock, everything lit. */
export const usualEvening = (): EveningRecord => ({ beginsMinutes: 1140, lastsMinutes: 180, lit: {} });

/** Says what is wrong with an evening beyond its schema. */
export function brokenInEvening({ lit }: EveningRecord, jobs: object, say: Say): void {
  for (const [jobId, spans] of Object.entries(lit)) {
    if (!Object.hasOwn(jobs, jobId)) say(['lit', jobId], `there is no job “${jobId}”`);
    spans.forEach(({ fromMinutes, toMinutes }, i) => {
      if (toMinutes <= fromMinutes) say(['lit', jobId, i, 'toMinutes'], 'it ends before it begins');
    });
  }
}
