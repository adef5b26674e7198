import { coachIn } from '../document/jobs';
import { rule } from './finding';
import { remedy } from './remedy';

/** Wipers on one coach before their drag is felt (common practice, no source). */
const FREE_WIPERS = 4;

/** So many rubbing wipers that the coach no longer rolls. */
export const pickupDrag = rule({
  id: 'pickup-drag',
  needs: ['steady'],
  judge(bench, { steady }) {
    const { pickups } = bench.job;
    const wipers = 2 * pickups.wheelsPerRail;
    const onTrack =
      bench.assembly.parts.some((p) => p.kind === 'rails') && bench.supply.kind.endsWith('track');
    if (!onTrack || pickups.kind !== 'wipers' || wipers <= FREE_WIPERS) return [];
    return [
      {
        id: 'pickup-drag',
        rule: 'pickup-drag',
        severity: 'note' as const,
        title: 'The pickups will drag',
        sentence: `${wipers} wipers rub on its wheels; more than ${FREE_WIPERS} are felt in a free-running coach.`,
        reason:
          'Every wiper brakes a little, and a train of such coaches stalls on a grade. Collars round the axles rub less; a reservoir needs fewer wheels.',
        paths: [['jobs', bench.jobId, 'pickups']],
        terminals: [],
        figures: { wipers, freeWipers: FREE_WIPERS },
        remedies: remedy('Collect with collars on the axles', bench, steady, (draft) => {
          coachIn(draft, bench.jobId).pickups.kind = 'collars';
          return true;
        }),
      },
    ];
  },
});
