import { coachIn } from '../document/jobs';
import { formatQuantity } from '../quantity/format';
import { supplyKind } from '../supply';
import { RIDDEN_SHARE } from '../study/ride';
import { rule } from './finding';
import { remedy } from './remedy';

/** Dead rail that the lights do not ride over, as long as the job names it. */
export const deadRail = rule({
  id: 'dead-rail',
  needs: ['ride', 'steady'],
  judge(bench, { ride, steady }) {
    const { job, jobId, supply } = bench;
    if (!ride || !supplyKind(supply).onTrack || ride.gapSeconds <= 0 || ride.lightLeft >= RIDDEN_SHARE)
      return [];
    // A reservoir straight on a track that changes sides is charged backwards; a rectifier comes first.
    const rectified = job.conditioning.rectifier !== 'none';
    const fit = ride.reservoir;
    return [
      {
        id: 'dead-rail',
        rule: 'dead-rail',
        severity: 'mind' as const,
        title: 'The light dips on dead rail',
        sentence: `${formatQuantity(job.ride.deadMillimetres, 'millimetre')} of dead rail at ${job.ride.kilometresPerHour} km/h take the current away for ${formatQuantity(ride.gapSeconds, 'second')}; ${(100 * ride.lightLeft).toFixed(0)} % of the light is left, and ${100 * RIDDEN_SHARE} % goes unnoticed.`,
        reason:
          'Wheels lose the rail on dirt and on dead frogs. A reservoir carries the light across, or more wheels further apart bridge the gap.',
        paths: [['jobs', jobId, 'conditioning', 'reservoir']],
        terminals: [{ part: 'rails', terminal: 'right' }],
        figures: { gapSeconds: ride.gapSeconds, lightLeft: ride.lightLeft, riddenShare: RIDDEN_SHARE },
        remedies:
          fit && rectified
            ? remedy(
                `Fit ${formatQuantity(fit.farads, 'farad')}, ${formatQuantity(fit.ratedVolts, 'volt')}`,
                bench,
                steady,
                (draft) => {
                  coachIn(draft, jobId).conditioning.reservoir = {
                    farads: fit.farads,
                    ratedVolts: fit.ratedVolts,
                  };
                  return true;
                },
              )
            : [],
      },
    ];
  },
});
