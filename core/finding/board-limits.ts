import { formatQuantity } from '../quantity/format';
import { inOrder } from '../document/in-order';
import { aboutLamps } from './about';
import { heldOnBoard } from './outputs';
import { rule } from './finding';

/** Lamps with a limit of their own on an output whose board limits it already. */
export const boardLimits = rule({
  id: 'board-limits',
  needs: ['now'],
  judge: (bench, { now }) =>
    inOrder(bench.job.circuits).flatMap((circuit) => {
      const { job, jobId } = bench;
      const held = heldOnBoard(job, circuit.lineId);
      if (held === null || circuit.limit === 'none') return [];
      const ids = Object.keys(job.lamps).filter((id) => job.lamps[id].circuitId === circuit.id);
      if (ids.length === 0) return [];
      const amps = Math.max(0, ...now.dies.filter((d) => ids.includes(d.lampId)).map((d) => d.litAmps));
      const by =
        held.kind === 'resistor'
          ? `a resistor of ${formatQuantity(held.ohms, 'ohm')}`
          : `a limiter of ${formatQuantity(held.amps, 'amp')}`;
      return [
        {
          id: `board-limits ${circuit.id}`,
          severity: 'note' as const,
          title: 'The board limits these lamps already',
          sentence: `Its output has ${by}, and ${circuit.name} a limit of its own: ${formatQuantity(amps, 'amp')} flow in each lamp.`,
          reason:
            'What the board holds is enough by itself. A second limit is right only to make the lamps dimmer.',
          subject: { circuit: circuit.id, lamps: ids },
          ...aboutLamps(bench, ids),
          figures: [{ is: amps, limit: null, unit: 'amp' as const }],
          cures: [
            {
              label: 'Leave the second limit out',
              recipe: (draft) => void (draft.jobs[jobId].circuits[circuit.id].limit = 'none'),
            },
          ],
        },
      ];
    }),
});
