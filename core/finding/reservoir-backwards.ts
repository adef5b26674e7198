import { formatQuantity } from '../quantity/format';
import { supplyKind } from '../supply';
import { reservoirsOf } from '../study/line-readings';
import { worstRow } from './about';
import { fitBridge } from './cures';
import { rule } from './finding';

/** Backwards voltage an aluminium electrolytic bears without harm (common practice, no source). */
const BEARABLE_VOLTS = 0.5;

/** A reservoir that is driven the wrong way, for good or half of the time. */
export const reservoirBackwards = rule({
  id: 'reservoir-backwards',
  needs: ['highest'],
  about: (bench) => reservoirsOf(bench).length > 0,
  judge: (bench, { highest }) =>
    reservoirsOf(bench).flatMap((part) => {
      const worst = worstRow(highest, ({ readings }) => -(readings.parts.get(part.id)?.across.least ?? 0));
      if (!worst || worst.figure <= BEARABLE_VOLTS) return [];
      const line = bench.job.lines[part.line!];
      const rectified = Object.values(line.stages).some((s) => s.kind === 'bridge' || s.kind === 'diode');
      const bare = !rectified && supplyKind(bench.supply).changesSides;
      return [
        {
          id: `reservoir-backwards ${part.id}`,
          severity: 'stop' as const,
          title: bare ? 'A reservoir needs a rectifier' : 'The reservoir is in backwards',
          sentence: `It is driven ${formatQuantity(worst.figure, 'volt')} the wrong way; ${formatQuantity(BEARABLE_VOLTS, 'volt')} is the most.`,
          reason: bare
            ? 'Straight on the track it is charged forwards and backwards: it heats and bursts.'
            : 'Its stripe and short leg are the negative side. Backwards it heats and bursts: switch off, turn it round, and replace it if it was powered.',
          subject: { part: part.id, line: part.line! },
          paths: [part.path],
          terminals: [
            { part: part.id, terminal: 'plus' },
            { part: part.id, terminal: 'minus' },
          ],
          figures: [{ is: worst.figure, limit: BEARABLE_VOLTS, unit: 'volt' as const }],
          cures: bare ? fitBridge(bench) : [],
        },
      ];
    }),
});
