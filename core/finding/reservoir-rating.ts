import { sourceOfLine } from '../study/sources';
import { formatQuantity } from '../quantity/format';
import { RATING_MARGIN, ratingFor } from '../part/electrolytic';
import { extreme } from '../study/no-load';
import { reservoirsOf } from '../study/line-readings';
import { sourceName } from './about';
import { setAt } from './cures';
import { rule } from './finding';

/** A reservoir rated below what it can see, or with too little room above it. */
export const reservoirRating = rule({
  id: 'reservoir-rating',
  needs: ['noLoad'],
  about: (bench) => reservoirsOf(bench).length > 0,
  judge: (bench, { noLoad }) =>
    noLoad.flatMap((seen) => {
      const part = reservoirsOf(bench).find((p) => p.id === seen.part)!;
      const volts = extreme(seen.volts);
      const { ratedVolts, farads } = part;
      const wanted = volts * RATING_MARGIN;
      if (ratedVolts >= wanted) return [];
      const over = ratedVolts < volts;
      const better = ratingFor(volts);
      const path = part.decides.ratedVolts!;
      return [
        {
          id: `reservoir-rating ${part.id}`,
          severity: over ? ('stop' as const) : ('mind' as const),
          title: over ? `${part.label}: rated too low` : `${part.label}: little room`,
          sentence: `It sees up to ${formatQuantity(volts, 'volt')} with the ${sourceName(sourceOfLine(bench, part.line).supply)} at its highest (${formatQuantity(seen.supplyVolts, 'volt')} peak) and every lamp out; it is rated ${formatQuantity(ratedVolts, 'volt')}.`,
          reason: over
            ? 'Above its rating an electrolytic heats, swells and vents. Leave a fifth of room.'
            : 'A fifth of room above the highest voltage lets it live long; the next rating costs little.',
          subject: { part: part.id, line: part.line! },
          paths: [path],
          terminals: [{ part: part.id, terminal: 'plus' }],
          figures: [
            { is: volts, limit: ratedVolts, unit: 'volt' as const },
            { is: ratedVolts, limit: wanted, unit: 'volt' as const },
          ],
          cures:
            better === null
              ? []
              : [
                  {
                    label: `Fit ${formatQuantity(farads, 'farad')}, ${formatQuantity(better, 'volt')}`,
                    recipe: (draft) => setAt(draft, path, better),
                  },
                ],
        },
      ];
    }),
});
