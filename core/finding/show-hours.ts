import { isScenery } from '../document/scenery-record';
import { formatQuantity } from '../quantity/format';
import { cellsOf } from '../study/cell-life';
import { deliveredBy } from '../study/sources';
import { rule } from './finding';

const hours = (figure: number): string => `${Number(figure.toPrecision(2))} h`;

/** Cells that are dim before the evening is over. */
export const showHours = rule({
  id: 'show-hours',
  needs: ['cellLife', 'now'],
  about: (bench) => isScenery(bench.job) && cellsOf(bench).length > 0,
  judge({ job }, { cellLife, now }) {
    if (!cellLife || !isScenery(job)) return [];
    const { source } = cellLife;
    const lasts = cellLife.moments[0] ?? cellLife.lastHours;
    if (lasts >= job.showHours) return [];
    return [
      {
        id: 'show-hours',
        severity: 'mind' as const,
        title: 'The cells are dim before the evening is over',
        sentence: `After ${hours(lasts)} the light has fallen to half, at ${formatQuantity(deliveredBy(now, source).amps.mean, 'amp', { significant: 2 })}; it is to be lit for ${hours(job.showHours)}.`,
        reason:
          'Half the current looks nearly as bright and lasts more than twice as long; larger cells last by what they hold; a bus never dims.',
        paths: [['supplies', source.supplyId]],
        terminals: [{ part: source.part, terminal: 'right' }],
        figures: [{ is: lasts, limit: job.showHours, unit: 'h' as const }],
      },
    ];
  },
});
