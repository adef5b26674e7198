import { sourceOfLamp } from '../study/sources';
import { formatQuantity } from '../quantity/format';
import { inOrder } from '../document/in-order';
import { stageBefore } from '../document/line-stages';
import { aboutLamps, atHighest, lampWords, worstRow } from './about';
import { resistorEach, wantedLimit } from './cures';
import { heldOnBoard } from './outputs';
import { rule } from './finding';
import type { LedPart } from '../part/led';

/** A lamp whose own resistance takes this share of its volts at its most limits itself (a tenth more supply is then borne). */
const SELF_LIMITING = 0.2;

const limitsItself = (led: LedPart): boolean =>
  led.builtInOhms > 0 || led.seriesOhms * led.greatestAmps >= SELF_LIMITING * led.forwardVolts;

/** What in a line limits the current of all that hangs on it. */
const limiting = ['charge', 'constant-current', 'socket'] as const;

/** Lamps with nothing in their way but the wires. */
export const noCurrentLimit = rule({
  id: 'no-current-limit',
  needs: ['highest'],
  judge(bench, { highest }) {
    const { job, jobId } = bench;
    return inOrder(job.circuits).flatMap((circuit) => {
      if (circuit.limit !== 'none') return [];
      if (heldOnBoard(job, circuit.lineId) !== null) return [];
      if (limiting.some((kind) => stageBefore(job, circuit.id, kind))) return [];
      const bare = bench.assembly.parts.filter(
        (p) =>
          p.kind === 'lamp' &&
          p.circuit === circuit.id &&
          !limitsItself(p.led) &&
          (p.builtIn.kind === 'nothing' || p.builtIn.kind === 'unknown'),
      );
      const ids = bare.map((p) => p.lamp!);
      if (ids.length === 0) return [];
      const share = (d: { amps: { greatest: number }; led: LedPart | null }): number =>
        d.led ? d.amps.greatest / d.led.greatestAmps : 0;
      const worst = worstRow(highest, ({ dies }) =>
        Math.max(0, ...dies.filter((d) => ids.includes(d.lampId)).map(share)),
      );
      if (!worst) return [];
      // The resistance of a small cell may be limit enough.
      const source = sourceOfLamp(bench, ids[0]);
      if (source.supply.kind === 'cell' && worst.figure <= 1) return [];
      const dies = worst.row.dies.filter((d) => ids.includes(d.lampId) && d.led);
      const amps = Math.max(...dies.map((d) => d.amps.greatest));
      const limit = Math.min(...dies.map((d) => d.led!.greatestAmps));
      return [
        {
          id: `no-current-limit ${circuit.id}`,
          severity: 'stop' as const,
          title: 'Nothing limits the current',
          sentence: `${lampWords(bench, ids)} would draw ${formatQuantity(amps, 'amp')} each${atHighest(source, worst.row)}, ${formatQuantity(limit, 'amp')} being the most, with no resistor anywhere.`,
          reason:
            'Above its forward voltage a lamp takes whatever the supply can give. A resistor decides how much.',
          subject: { circuit: circuit.id, lamps: ids },
          paths: [['jobs', jobId, 'circuits', circuit.id, 'limit']],
          terminals: aboutLamps(bench, ids).terminals,
          figures: [{ is: amps, limit, unit: 'amp' as const }],
          cures: [
            [
              ...wantedLimit(bench, [circuit.id], 'Fit a resistor to each lamp'),
              { label: 'Fit a resistor to each lamp', recipe: resistorEach(jobId, circuit.id) },
            ],
          ],
        },
      ];
    });
  },
});
