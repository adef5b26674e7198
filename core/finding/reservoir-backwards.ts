import { coachIn } from '../document/jobs';
import { formatQuantity } from '../quantity/format';
import { supplyKind } from '../supply';
import { rule } from './finding';
import { remedy } from './remedy';

/** Backwards voltage an aluminium electrolytic bears without harm (common practice, no source). */
const BEARABLE_VOLTS = 0.5;

/** A reservoir that is driven the wrong way, for good or half of the time. */
export const reservoirBackwards = rule({
  id: 'reservoir-backwards',
  needs: ['steady', 'extremes'],
  judge(bench, { steady, extremes }) {
    if (!steady.reservoirVolts) return [];
    const volts = -Math.min(...extremes.map((e) => e.steady.reservoirVolts?.least ?? 0));
    if (volts <= BEARABLE_VOLTS) return [];
    const bare = bench.job.conditioning.rectifier === 'none' && supplyKind(bench.supply).changesSides;
    return [
      {
        id: 'reservoir-backwards',
        rule: 'reservoir-backwards',
        severity: 'stop' as const,
        title: bare ? 'A reservoir needs a rectifier' : 'The reservoir is in backwards',
        sentence: `It is driven ${formatQuantity(volts, 'volt')} the wrong way; ${formatQuantity(BEARABLE_VOLTS, 'volt')} is the most.`,
        reason: bare
          ? 'Straight on the track it is charged forwards and backwards: it heats and bursts.'
          : 'Its stripe and short leg are the negative side. Backwards it heats and bursts: switch off, turn it round, and replace it if it was powered.',
        paths: [['jobs', bench.jobId, 'conditioning', bare ? 'rectifier' : 'reservoir']],
        terminals: [
          { part: 'reservoir', terminal: 'plus' },
          { part: 'reservoir', terminal: 'minus' },
        ],
        figures: { volts, limitVolts: BEARABLE_VOLTS },
        remedies: bare
          ? remedy('Fit a silicon bridge', bench, steady, (draft) => {
              coachIn(draft, bench.jobId).conditioning.rectifier = 'silicon-bridge';
              return true;
            })
          : [],
      },
    ];
  },
});
