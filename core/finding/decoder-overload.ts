import { formatQuantity } from '../quantity/format';
import { isMoving } from '../document/moving-record';
import { stateWords } from '../study/state-words';
import { sourcesOf } from '../study/sources';
import { atHighest, worstRow } from './about';
import { switchingOf } from './outputs';
import { largerResistors } from './cures';
import { rule } from './finding';

const SPARE_SHARE = 0.9;

/** All outputs together, and what the decoder takes for itself. */
export const decoderOverload = rule({
  id: 'decoder-overload',
  needs: ['highest'],
  // Where a time line says what is lit together, its worst moment is judged.
  about: ({ job }) => switchingOf(job) !== null && !isMoving(job),
  judge(bench, { highest }) {
    const { job, jobId, assembly } = bench;
    const { part, word, totalAmps, common } = switchingOf(job)!;
    const worst = worstRow(highest, ({ readings }) =>
      [...readings.outputAmps.values()].reduce((a, b) => a + b, 0),
    );
    if (!worst || worst.figure <= totalAmps) return [];
    const factor = worst.figure / (SPARE_SHARE * totalAmps);
    return [
      {
        id: 'decoder-overload',
        severity: 'stop' as const,
        title: `The outputs of the ${word} together carry too much`,
        sentence: `${stateWords(bench, worst.row.state, { phase: worst.row.phase })}: ${formatQuantity(worst.figure, 'amp')} in all outputs${atHighest(sourcesOf(bench)[0], worst.row)}; its limit for them is ${formatQuantity(totalAmps, 'amp')}.`,
        reason: 'Every output has its limit, and all of them together share what feeds them and its heat.',
        paths: [['jobs', jobId, part]],
        terminals: [{ part, terminal: common }],
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
