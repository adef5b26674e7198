import { THERMAL_VOLTS } from '../part/junction-model';
import { inOrder } from '../document/in-order';
import { aboutLamps } from './about';
import { resistorEach, wantedLimit } from './cures';
import { rule } from './finding';
import type { DieReading } from '../study/readings';

/** How far the forward voltages of lamps of one bag lie apart (common practice, no source). */
const BAG_VOLTS = 0.1;

/**
 * How many times the current of its neighbours a lamp takes that lights so much earlier: exp(dV / (n Vt + Rs I)),
 * as the lamp that takes most has more drop in its own resistance too (Shockley's law).
 */
function ratioOf([{ led, litAmps }]: readonly DieReading[]): number {
  return Math.exp(BAG_VOLTS / (led!.emission * THERMAL_VOLTS + led!.seriesOhms * litAmps));
}

/** Bare lamps side by side behind one resistor or limiter: they share as their forward voltages happen to be. */
export const unevenSharing = rule({
  id: 'uneven-sharing',
  needs: ['usual'],
  judge: (bench, { usual }) =>
    inOrder(bench.job.circuits).flatMap((circuit) => {
      const { job, jobId } = bench;
      if (circuit.limit !== 'shared' && circuit.limit !== 'limiter') return [];
      const isBare = (d: DieReading): boolean =>
        d.circuitId === circuit.id &&
        d.led !== null &&
        d.led.builtInOhms === 0 &&
        job.lamps[d.lampId].builtIn.kind !== 'resistor' &&
        job.lamps[d.lampId].builtIn.kind !== 'limiter';
      // Those that burn at the same time lie side by side; one that lies backwards shares nothing.
      const groups = usual
        .flatMap((row) => {
          const dies = row.dies.filter((d) => isBare(d) && d.should && d.does === 'lit');
          // Unlike ones do not share: the one of least volts takes all.
          return [...new Set(dies.map((d) => d.led))].map((led) => dies.filter((d) => d.led === led));
        })
        .filter((dies) => Math.ceil(dies.length / circuit.inSeries) >= 2);
      if (groups.length === 0) return [];
      // Of all states the one in which they share worst.
      const together = groups.reduce((worst, dies) => (ratioOf(dies) > ratioOf(worst) ? dies : worst));
      const ratio = ratioOf(together);
      const ids = together.map((d) => d.lampId);
      return [
        {
          id: `uneven-sharing ${circuit.id}`,
          severity: 'note' as const,
          title: `${circuit.name}: one limit for several lamps`,
          sentence: `Of ${together.length} lamps side by side, one that lights ${BAG_VOLTS * 1e3} mV earlier than its neighbours takes ${ratio.toFixed(1)} times their current.`,
          reason:
            'Lamps of one bag differ by about that much. A resistor each keeps them even; one shared is enough where only one lamp lights at a time, or where they were matched.',
          subject: { circuit: circuit.id, lamps: ids },
          paths: [['jobs', jobId, 'circuits', circuit.id, 'limit']],
          terminals: aboutLamps(bench, ids).terminals,
          figures: [
            { is: ratio, limit: 1, unit: 'times' as const },
            { is: together.length, limit: 1, unit: 'pieces' as const },
          ],
          cures: [
            {
              label: 'Fit a resistor to each lamp',
              recipe: (draft) => {
                resistorEach(jobId, circuit.id)(draft);
                for (const cure of wantedLimit(bench, [circuit.id])) cure.recipe(draft);
              },
            },
          ],
        },
      ];
    }),
});
