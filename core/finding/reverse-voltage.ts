import { formatQuantity } from '../quantity/format';
import { supplyKind } from '../supply';
import { rule } from './finding';
import { lampNames, plural } from './names';
import { remedy } from './remedy';

/** Lamps that are pushed backwards harder than they stand. */
export const reverseVoltage = rule({
  id: 'reverse-voltage',
  needs: ['steady', 'extremes'],
  judge(bench, { steady, extremes }) {
    const pushedIn = (study: typeof steady): typeof steady.lamps =>
      study.lamps.filter((l) => -l.volts.least > l.led.reverseVolts);
    const worst = extremes.find((e) => pushedIn(e.steady).length > 0);
    if (!worst) return [];
    const pushed = pushedIn(worst.steady);
    const volts = Math.max(...pushed.map((l) => -l.volts.least));
    const limit = Math.min(...pushed.map((l) => l.led.reverseVolts));
    const bare = bench.job.conditioning.rectifier === 'none' && supplyKind(bench.supply).changesSides;
    return [
      {
        id: 'reverse-voltage',
        rule: 'reverse-voltage',
        severity: 'stop' as const,
        title: 'Voltage the wrong way through the lamps',
        sentence: `${lampNames(pushed.map((l) => l.number))} ${plural(pushed.length, 'sees', 'see')} ${formatQuantity(volts, 'volt')} backwards${worst.says}; ${formatQuantity(limit, 'volt')} is the most.`,
        reason: bare
          ? 'The track changes sides and nothing turns it round. Lamps break down backwards and go dark, soon or late.'
          : 'The lamp is in the wrong way round.',
        paths: [['jobs', bench.jobId, 'conditioning', 'rectifier']],
        terminals: pushed.map((l) => ({ part: l.part, terminal: 'cathode' })),
        figures: { volts, limitVolts: limit },
        remedies: bare
          ? remedy('Fit a silicon bridge', bench, steady, (draft) => {
              draft.jobs[bench.jobId].conditioning.rectifier = 'silicon-bridge';
              return true;
            })
          : [],
      },
    ];
  },
});
