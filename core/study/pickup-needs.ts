import { isOnRails } from '../document/job-record';
import { recordFacts } from '../kinds/records';
import { supplyKind } from '../supply';
import type { Bench } from './bench';
import type { SoldNeed } from '../part/sold-need';

/** Typical prices of what collects current at a wheel (common practice, no source). */
const PRICES = { wipers: 0.3, collars: 0.4 } as const;

/** What a vehicle that has no pickups of its own collects by: one for each wheel that collects. */
export function pickupNeeds({ job, supply }: Pick<Bench, 'job' | 'supply'>): SoldNeed[] {
  if (!recordFacts(job.kind).pickupsFitted || !isOnRails(job) || !supplyKind(supply).onTrack) return [];
  const { kind, wheelsPerRail } = job.pickups;
  return [
    {
      key: `pickup:${kind}`,
      name: kind === 'wipers' ? 'Wiper of phosphor bronze' : 'Rubbing collar on an axle',
      count: 2 * wheelsPerRail,
      priceEach: PRICES[kind],
    },
  ];
}
