import { rule } from './finding';

/** Hours of light below which a cell is changed more often than anyone likes (common practice, no source). */
const FEW_HOURS = 10;

/** A cell that is dim after few hours. */
export const cellHours = rule({
  id: 'cell-hours',
  needs: ['cellLife', 'steady'],
  judge(bench, { cellLife, steady }) {
    if (!cellLife) return [];
    const hours = cellLife.moments[0] ?? cellLife.lastHours;
    if (hours >= FEW_HOURS) return [];
    return [
      {
        id: 'cell-hours',
        rule: 'cell-hours',
        severity: 'mind' as const,
        title: 'The cell is soon dim',
        sentence: `After ${hours.toPrecision(2)} h the light has fallen to half, at ${(steady.supplyAmps.mean * 1e3).toPrecision(2)} mA; ${FEW_HOURS} h are little enough.`,
        reason:
          'Half the current lasts more than twice as long and looks nearly as bright. Or take a larger cell, and switch it off.',
        paths: [['supplies', bench.job.supplyId]],
        terminals: [{ part: 'rails', terminal: 'right' }],
        figures: { hours, fewHours: FEW_HOURS },
        remedies: [],
      },
    ];
  },
});
