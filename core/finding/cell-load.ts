import { cellTypes } from '../part/cell';
import { formatQuantity } from '../quantity/format';
import { supplyKind } from '../supply';
import { rule } from './finding';

/** A cell that is asked for more than it bears for long. */
export const cellLoad = rule({
  id: 'cell-load',
  needs: ['now'],
  about: ({ supply }) => supply.kind === 'cell',
  judge(bench, { now }) {
    const { supply, supplyId } = bench;
    if (supply.kind !== 'cell') return [];
    const type = cellTypes[supply.cell];
    const amps = now.supplyAmps.mean;
    if (amps <= type.steadyAmps) return [];
    const fall = amps * supplyKind(supply).sourceOhms(supply);
    return [
      {
        id: 'cell-load',
        severity: 'mind' as const,
        title: 'Too much for the cell',
        sentence: `${formatQuantity(amps, 'amp')} are drawn; a ${type.name.toLowerCase()} gives ${formatQuantity(type.steadyAmps, 'amp')} for long. ${formatQuantity(fall, 'volt')} are lost inside it.`,
        reason:
          'Its inner resistance takes the rest, it empties long before its figure, and leaks. Fewer or dimmer lamps, or a larger cell.',
        paths: [['supplies', supplyId]],
        terminals: [{ part: 'rails', terminal: 'right' }],
        figures: [
          { is: amps, limit: type.steadyAmps, unit: 'amp' as const },
          { is: fall, limit: null, unit: 'volt' as const },
        ],
      },
    ];
  },
});
