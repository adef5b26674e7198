import { isOnRails } from '../document/job-record';
import { formatQuantity } from '../quantity/format';
import { RIDDEN_SHARE } from '../study/ride';
import { supplyKind } from '../supply';
import { fitReservoir } from './cures';
import { rule } from './finding';

/** Dead rail that the lights do not ride over, as long as the job names it. */
export const deadRail = rule({
  id: 'dead-rail',
  needs: ['ride'],
  about: ({ supply, job }) => supplyKind(supply).onTrack && isOnRails(job) && job.ride.deadMillimetres > 0,
  judge(bench, { ride }) {
    const { job } = bench;
    if (!ride || !isOnRails(job)) return [];
    if (ride.gapSeconds <= 0 || ride.lightLeft >= RIDDEN_SHARE) return [];
    const fit = ride.reservoir;
    const recipe = fit && fitReservoir(bench, fit.farads, fit.ratedVolts);
    return [
      {
        id: 'dead-rail',
        severity: 'mind' as const,
        title: 'The light dips on dead rail',
        sentence: `${formatQuantity(job.ride.deadMillimetres, 'millimetre')} of dead rail at ${job.ride.kilometresPerHour} km/h take the current away for ${formatQuantity(ride.gapSeconds, 'second')}; ${(100 * ride.lightLeft).toFixed(0)} % of the light is left, and ${100 * RIDDEN_SHARE} % goes unnoticed.`,
        reason:
          'Wheels lose the rail on dirt and on dead frogs. A reservoir carries the light across, or more wheels further apart bridge the gap.',
        paths: [['jobs', bench.jobId, 'ride']],
        terminals: [{ part: 'rails', terminal: 'right' }],
        figures: [
          { is: ride.gapSeconds, limit: null, unit: 'second' as const },
          { is: 100 * ride.lightLeft, limit: 100 * RIDDEN_SHARE, unit: '%' as const },
        ],
        cures: recipe
          ? [
              {
                label: `Fit ${formatQuantity(fit.farads, 'farad')}, ${formatQuantity(fit.ratedVolts, 'volt')}`,
                recipe,
              },
            ]
          : [],
      },
    ];
  },
});
