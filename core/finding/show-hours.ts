import { isScenery } from '../document/scenery-record';
import { formatQuantity } from '../quantity/format';
import { rule } from './finding';

const hours = (figure: number): string => `${Number(figure.toPrecision(2))} h`;

/** Cells that are dim before the evening is over. */
export const showHours = rule({
  id: 'show-hours',
  needs: ['cellLife', 'now'],
  about: ({ supply, job }) => supply.kind === 'cell' && isScenery(job),
  judge({ job, supplyId }, { cellLife, now }) {
    if (!cellLife || !isScenery(job)) return [];
    const lasts = cellLife.moments[0] ?? cellLife.lastHours;
    if (lasts >= job.showHours) return [];
    return [
      {
        id: 'show-hours',
        severity: 'mind' as const,
        title: 'The cells are dim before the evening is over',
        sentence: `After ${hours(lasts)} the light has fallen to half, at ${formatQuantity(now.supplyAmps.mean, 'amp', { significant: 2 })}; it is to be lit for ${hours(job.showHours)}.`,
        reason:
          'Half the current looks nearly as bright and lasts more than twice as long; larger cells last by what they hold; a bus never dims.',
        paths: [['supplies', supplyId]],
        terminals: [{ part: 'rails', terminal: 'right' }],
        figures: [{ is: lasts, limit: job.showHours, unit: 'h' as const }],
      },
    ];
  },
});
