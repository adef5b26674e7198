import { cellTypes } from '../part/cell';
import { formatQuantity } from '../quantity/format';
import { supplyKind } from '../supply';
import { cellsOf } from '../study/cell-life';
import { deliveredBy } from '../study/sources';
import { rule } from './finding';

/** A cell that is asked for more than it bears for long. */
export const cellLoad = rule({
  id: 'cell-load',
  needs: ['now'],
  about: (bench) => cellsOf(bench).length > 0,
  judge: (bench, { now }) =>
    cellsOf(bench).flatMap((source) => {
      const { supply, supplyId, part, beside } = source;
      if (supply.kind !== 'cell') return [];
      const type = cellTypes[supply.cell];
      const amps = deliveredBy(now, source).amps.mean;
      if (amps <= type.steadyAmps) return [];
      const fall = amps * supplyKind(supply).sourceOhms(supply);
      return [
        {
          id: beside ? `cell-load ${supplyId}` : 'cell-load',
          severity: 'mind' as const,
          title: 'Too much for the cell',
          sentence: `${formatQuantity(amps, 'amp')} are drawn; a ${type.name.toLowerCase()} gives ${formatQuantity(type.steadyAmps, 'amp')} for long. ${formatQuantity(fall, 'volt')} are lost inside it.`,
          reason:
            'Its inner resistance takes the rest, it empties long before its figure, and leaks. Fewer or dimmer lamps, or a larger cell.',
          paths: [['supplies', supplyId]],
          terminals: [{ part, terminal: 'right' }],
          figures: [
            { is: amps, limit: type.steadyAmps, unit: 'amp' as const },
            { is: fall, limit: null, unit: 'volt' as const },
          ],
        },
      ];
    }),
});
