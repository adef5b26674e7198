import { bulbAmps } from '../part/bulb';
import { madeFor } from './bench';
import { coachIn, coachesOf } from '../document/jobs';
import type { Layout } from '../document/layout';
import type { Supply } from '../supply';

/** RMS volts that bulbs straight on a supply would get, with the controls it is made for. */
export function bulbVolts(supply: Supply): number {
  switch (supply.kind) {
    case 'dcc-track':
      return supply.amplitudeVolts;
    case 'ac-track':
      return supply.rmsVolts;
    case 'dc-track':
      // Pulses of full height for a share of the time have an RMS of its root.
      return (
        supply.greatestVolts *
        (supply.making === 'pulse-width' ? Math.sqrt(madeFor(supply).throttle) : madeFor(supply).throttle)
      );
    case 'layout-bus':
      return supply.volts;
    case 'cell':
      return 0;
  }
}

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
