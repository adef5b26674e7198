import { decoderTypes } from '../part/decoder-type';
import { formatQuantity } from '../quantity/format';
import { stateWords } from '../study/state-words';
import { worstRow } from './about';
import { largerResistors } from './cures';
import { rule } from './finding';

const SPARE_SHARE = 0.9;

/** All outputs together, and what the decoder takes for itself. */
export const decoderOverload = rule({
  id: 'decoder-overload',
  needs: ['highest'],
  about: ({ job }) => job.decoder !== null,
  judge(bench, { highest }) {
    const { job, jobId, assembly } = bench;
    const { totalAmps } = decoderTypes[job.decoder!.type];
    const worst = worstRow(highest, ({ readings }) =>
      [...readings.outputAmps.values()].reduce((a, b) => a + b, 0),
    );
    if (!worst || worst.figure <= totalAmps) return [];
    const factor = worst.figure / (SPARE_SHARE * totalAmps);
    return [
      {
        id: 'decoder-overload',
        severity: 'stop' as const,
        title: 'The decoder’s outputs together carry too much',
        sentence: `${stateWords(bench, worst.row.state, { phase: worst.row.phase })}: ${formatQuantity(worst.figure, 'amp')} in all outputs; the decoder’s limit for them is ${formatQuantity(totalAmps, 'amp')}.`,
        reason:
          'Every output has its limit, and all of them together share the decoder’s bridge and its heat.',
        paths: [['jobs', jobId, 'decoder']],
        terminals: [{ part: 'decoder', terminal: 'blue' }],
        figures: [{ is: worst.figure, limit: totalAmps, unit: 'amp' as const }],
        cures: [
          {
            label: 'Larger resistors everywhere',
            recipe: largerResistors(
              assembly.parts.filter((p) => p.circuit !== null),
              () => factor,
            ),
          },
        ],
      },
    ];
  },
});
