import { coachIn } from '../document/jobs';
import { formatQuantity } from '../quantity/format';
import { supplyKind } from '../supply';
import { rule } from './finding';
import { lampNames, plural } from './names';
import { remedy } from './remedy';

/** How far a lamp's own share of a leak may lie from the roof line's. */
const LEAK_ROOM_VOLTS = 1;

/** Lamps that are pushed backwards harder than they stand. */
export const reverseVoltage = rule({
  id: 'reverse-voltage',
  needs: ['steady', 'extremes'],
  judge(bench, { steady, extremes }) {
    // Behind a rectifier a roof line that goes negative is fed by the rectifier's leak alone, which hurts nothing.
    const leaksOnly = (study: typeof steady, volts: number): boolean =>
      bench.job.conditioning.rectifier !== 'none' && -(study.roofVolts?.least ?? 0) > volts - LEAK_ROOM_VOLTS;
    const pushedIn = (study: typeof steady): typeof steady.lamps =>
      study.lamps.filter((l) => -l.volts.least > l.led.reverseVolts && !leaksOnly(study, -l.volts.least));
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
              coachIn(draft, bench.jobId).conditioning.rectifier = 'silicon-bridge';
              return true;
            })
          : [],
      },
    ];
  },
});
