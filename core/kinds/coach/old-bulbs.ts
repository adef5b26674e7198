import { bulbAmps } from '../../part/bulb';
import { bulbVolts } from '../../supply/bulb-volts';
import { coachesOf, coachIn } from './jobs';
import type { Layout } from '../../document/layout';

/** What a job's old bulbs draw on its supply, true RMS amperes; null where none are kept in the comparison. */
export function oldBulbs(
  layout: Layout,
  jobId: string,
): { readonly volts: number; readonly amps: number } | null {
  const job = coachIn(layout, jobId);
  if (!job.oldBulbs) return null;
  const volts = bulbVolts(layout.supplies[job.supplyId]);
  return { volts, amps: bulbAmps(job.oldBulbs, volts) };
}

/** What all old bulbs of a layout that are kept in the comparison draw together, true RMS amperes. */
export function oldBulbsOfRake(layout: Layout): number {
  return coachesOf(layout).reduce((sum, { id }) => sum + (oldBulbs(layout, id)?.amps ?? 0), 0);
}
