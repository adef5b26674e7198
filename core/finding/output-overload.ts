import { formatQuantity } from '../quantity/format';
import { chainOf } from '../document/line-stages';
import { sourcesOf } from '../study/sources';
import { atHighest, worstRow } from './about';
import { contactsOf, switchingOf } from './outputs';
import { largerResistors } from './cures';
import { rule } from './finding';

/** A cure leaves this share of a limit unused. */
const SPARE_SHARE = 0.9;

/** An output that is asked for more than its transistor bears. */
export const outputOverload = rule({
  id: 'output-overload',
  needs: ['highest'],
  about: ({ job }) => switchingOf(job) !== null,
  judge(bench, { highest }) {
    const { job, jobId, assembly } = bench;
    const { part, outputs } = switchingOf(job)!;
    return outputs.flatMap((output) => {
      const worst = worstRow(highest, (r) => r.readings.outputAmps.get(output.id) ?? 0);
      if (!worst || worst.figure <= output.limitAmps) return [];
      const amps = worst.figure;
      const circuits = Object.keys(job.circuits).filter((id) => {
        const { from } = chainOf(job, job.circuits[id].lineId)[0];
        return from.kind === 'output' && contactsOf(job, from.output).includes(output.id);
      });
      const factor = amps / (SPARE_SHARE * output.limitAmps);
      const parts = assembly.parts.filter((p) => p.circuit !== null && circuits.includes(p.circuit));
      return [
        {
          id: `output-overload ${output.id}`,
          severity: 'stop' as const,
          title: `${output.name} is asked for too much`,
          sentence: `It would carry ${formatQuantity(amps, 'amp')}${atHighest(sourcesOf(bench)[0], worst.row)}; its limit is ${formatQuantity(output.limitAmps, 'amp')}.`,
          reason:
            'An output switches a small transistor. Beyond its limit it shuts off, or burns. Larger resistors, lamps in series, or another output take the load off it.',
          paths: circuits.map((id) => ['jobs', jobId, 'circuits', id]),
          terminals: [{ part, terminal: output.id }],
          figures: [{ is: amps, limit: output.limitAmps, unit: 'amp' as const }],
          cures: [
            {
              label: `Larger resistors on ${output.name.toLowerCase()}`,
              recipe: largerResistors(parts, () => factor),
            },
          ],
        },
      ];
    });
  },
});
