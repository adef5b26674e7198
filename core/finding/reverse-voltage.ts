import { formatQuantity } from '../quantity/format';
import { leds } from '../part/led';
import { rule } from './finding';
import { lampNames, plural } from './names';
import { remedy } from './remedy';

/** Lamps that are pushed backwards harder than they stand. */
export const reverseVoltage = rule({
  id: 'reverse-voltage',
  needs: ['steady'],
  judge(bench, { steady }) {
    const limitOf = (lampId: string): number => leds[bench.job.lamps[lampId].part].reverseVolts;
    const pushed = steady.lamps.filter((l) => -l.volts.least > limitOf(l.lampId));
    if (pushed.length === 0) return [];
    const volts = Math.max(...pushed.map((l) => -l.volts.least));
    const limit = Math.min(...pushed.map((l) => limitOf(l.lampId)));
    const bare = bench.job.conditioning.rectifier === 'none';
    return [
      {
        id: 'reverse-voltage',
        rule: 'reverse-voltage',
        severity: 'stop' as const,
        title: 'Voltage the wrong way through the lamps',
        sentence: `${lampNames(pushed.map((l) => l.number))} ${plural(pushed.length, 'sees', 'see')} ${formatQuantity(volts, 'volt')} backwards; ${formatQuantity(limit, 'volt')} is the most.`,
        reason: bare
          ? 'The track changes sign all the time and nothing turns it round. Lamps break down backwards and go dark, soon or late.'
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
