import { coachIn } from '../document/jobs';
import { formatQuantity } from '../quantity/format';
import { RATING_MARGIN, ratingFor } from '../part/electrolytic';
import { sourceName } from './names';
import { rule } from './finding';
import { remedy } from './remedy';

/** A reservoir rated below what it can see, or with too little room above it. */
export const reservoirRating = rule({
  id: 'reservoir-rating',
  needs: ['noLoad', 'steady'],
  judge(bench, { noLoad, steady }) {
    const { reservoir } = bench.job.conditioning;
    if (!reservoir || !noLoad) return [];
    const volts = Math.max(Math.abs(noLoad.volts.greatest), Math.abs(noLoad.volts.least));
    const { ratedVolts } = reservoir;
    const wanted = volts * RATING_MARGIN;
    if (ratedVolts >= wanted) return [];
    const over = ratedVolts < volts;
    const better = ratingFor(volts);
    const now = steady.reservoirVolts
      ? `${formatQuantity(steady.reservoirVolts.greatest, 'volt')} now and `
      : '';
    return [
      {
        id: 'reservoir-rating',
        rule: 'reservoir-rating',
        severity: over ? ('stop' as const) : ('mind' as const),
        title: over ? 'The reservoir is rated too low' : 'The reservoir has little room',
        sentence: `It sees ${now}up to ${formatQuantity(volts, 'volt')} with the ${sourceName(bench.supply)} at its highest (${formatQuantity(noLoad.supplyVolts, 'volt')} peak) and every lamp out; it is rated ${formatQuantity(ratedVolts, 'volt')}.`,
        reason: over
          ? 'Above its rating an electrolytic heats, swells and vents. Leave a fifth of room.'
          : 'A fifth of room above the highest voltage lets it live long; the next rating costs little.',
        paths: [['jobs', bench.jobId, 'conditioning', 'reservoir', 'ratedVolts']],
        terminals: [{ part: 'reservoir', terminal: 'plus' }],
        figures: { volts, ratedVolts, wantedVolts: wanted },
        remedies:
          better === null
            ? []
            : remedy(
                `Fit ${formatQuantity(reservoir.farads, 'farad')}, ${formatQuantity(better, 'volt')}`,
                bench,
                steady,
                (draft) => {
                  coachIn(draft, bench.jobId).conditioning.reservoir!.ratedVolts = better;
                  return true;
                },
              ),
      },
    ];
  },
});
