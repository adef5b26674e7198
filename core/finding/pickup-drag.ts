import { isOnRails } from '../document/job-record';
import { supplyKind } from '../supply';
import { rule } from './finding';

/** Wipers on one vehicle without a motor before their drag is felt (common practice, no source). */
const FREE_WIPERS = 4;

/** So many rubbing wipers that what is hauled no longer rolls. */
export const pickupDrag = rule({
  id: 'pickup-drag',
  needs: ['laid'],
  about: ({ supply, job }) =>
    supplyKind(supply).onTrack &&
    isOnRails(job) &&
    !('powered' in job && job.powered === true) &&
    job.pickups.kind === 'wipers',
  judge({ job, jobId }) {
    if (!isOnRails(job)) return [];
    const wipers = 2 * job.pickups.wheelsPerRail;
    if (wipers <= FREE_WIPERS) return [];
    return [
      {
        id: 'pickup-drag',
        severity: 'note' as const,
        title: 'The pickups will drag',
        sentence: `${wipers} wipers rub on its wheels; more than ${FREE_WIPERS} are felt in a free-running coach.`,
        reason:
          'Every wiper brakes a little, and a train of such coaches stalls on a grade. Collars round the axles rub less; a reservoir needs fewer wheels.',
        paths: [['jobs', jobId, 'pickups']],
        terminals: [],
        figures: [{ is: wipers, limit: FREE_WIPERS, unit: 'pieces' as const }],
        cures: [
          {
            label: 'Collect with collars on the axles',
            recipe(draft) {
              const own = draft.jobs[jobId];
              if (isOnRails(own)) own.pickups.kind = 'collars';
            },
          },
        ],
      },
    ];
  },
});
