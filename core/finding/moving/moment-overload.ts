import { formatQuantity } from '../../quantity/format';
import { supplyKind } from '../../supply';
import { largerResistors } from '../cures';
import { switchingOf } from '../outputs';
import { momentWords, moves, studyOf } from './moving';
import { rule } from '../finding';

const SPARE_SHARE = 0.9;

/** What switches the channels of a scene carries too much in its worst moment. */
export const momentOverload = rule({
  id: 'moment-overload',
  needs: ['highest'],
  about: (bench) => moves(bench) && switchingOf(bench.job) !== null,
  judge(bench, { highest }) {
    const moving = studyOf(bench, highest);
    const { job, jobId, assembly } = bench;
    const { word, totalAmps } = switchingOf(job)!;
    const { milliseconds, amps } = moving.worst.channels;
    if (amps <= totalAmps) return [];
    return [
      {
        id: 'moment-overload',
        severity: 'stop' as const,
        title: `At ${momentWords(milliseconds)} the ${word} carries too much`,
        sentence: `${formatQuantity(amps, 'amp')} in all channels that are lit together then${supplyKind(bench.supply).highestWords(bench.supply)}; its limit for them is ${formatQuantity(totalAmps, 'amp')}.`,
        reason:
          'Every pin has its limit, and all of them share another. Pulses that dim begin together: for a moment each lamp draws all it draws at full.',
        paths: [['jobs', jobId, 'driver']],
        terminals: [{ part: 'driver', terminal: 'common' }],
        figures: [{ is: amps, limit: totalAmps, unit: 'amp' as const }],
        cures: [
          {
            label: 'Larger resistors everywhere',
            recipe: largerResistors(
              assembly.parts.filter((p) => p.circuit !== null),
              () => amps / (SPARE_SHARE * totalAmps),
            ),
          },
        ],
      },
    ];
  },
});
