import { formatQuantity } from '../quantity/format';
import { cellsOf } from '../study/cell-life';
import { deliveredBy } from '../study/sources';
import { rule } from './finding';

/** Hours of light below which a cell is changed more often than anyone likes (common practice, no source). */
export const FEW_HOURS = 10;

/** A cell that is dim after few hours. */
export const cellHours = rule({
  id: 'cell-hours',
  needs: ['cellLife', 'now'],
  about: (bench) => cellsOf(bench).length > 0,
  judge(_, { cellLife, now }) {
    if (!cellLife) return [];
    const { source } = cellLife;
    const hours = cellLife.moments[0] ?? cellLife.lastHours;
    if (hours >= FEW_HOURS) return [];
    return [
      {
        id: 'cell-hours',
        severity: 'mind' as const,
        title: 'The cell is soon dim',
        sentence: `After ${hours.toPrecision(2)} h the light has fallen to half, at ${formatQuantity(deliveredBy(now, source).amps.mean, 'amp', { significant: 2 })}; ${FEW_HOURS} h are little enough.`,
        reason:
          'Half the current lasts more than twice as long and looks nearly as bright. Or take a larger cell, and switch it off.',
        paths: [['supplies', source.supplyId]],
        terminals: [{ part: source.part, terminal: 'right' }],
        figures: [{ is: hours, limit: FEW_HOURS, unit: 'h' as const }],
      },
    ];
  },
});
