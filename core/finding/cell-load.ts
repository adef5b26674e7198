import { cellTypes } from '../part/cell';
import { formatQuantity } from '../quantity/format';
import { rule } from './finding';

/** A cell that is asked for more than it bears for long. */
export const cellLoad = rule({
  id: 'cell-load',
  needs: ['steady'],
  judge(bench, { steady }) {
    const { supply } = bench;
    if (supply.kind !== 'cell') return [];
    const type = cellTypes[supply.cell];
    const amps = steady.supplyAmps.mean;
    if (amps <= type.steadyAmps) return [];
    const fall = amps * (steady.railVolts.mean > 0 ? cellOhms(bench) : 0);
    return [
      {
        id: 'cell-load',
        rule: 'cell-load',
        severity: 'mind' as const,
        title: 'Too much for the cell',
        sentence: `${formatQuantity(amps, 'amp')} are drawn; a ${type.name.toLowerCase()} gives ${formatQuantity(type.steadyAmps, 'amp')} for long. ${formatQuantity(fall, 'volt')} are lost inside it.`,
        reason:
          'Its inner resistance takes the rest, it empties long before its figure, and leaks. Fewer or dimmer lamps, or a larger cell.',
        paths: [['supplies', bench.job.supplyId]],
        terminals: [{ part: 'rails', terminal: 'right' }],
        figures: { amps, limitAmps: type.steadyAmps, lostVolts: fall },
        remedies: [],
      },
    ];

    function cellOhms(of: typeof bench): number {
      return of.lowered.netlist.elements.reduce(
        (sum, e) => (e.kind === 'resistor' && e.id === 'r_supply' ? sum + e.ohms : sum),
        0,
      );
    }
  },
});
