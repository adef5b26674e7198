import { rule } from './finding';
import { lampNames, plural } from './names';
import { remedy } from './remedy';

/** Light that the eye can see flicker, judged against the low-risk level of IEEE 1789-2015. */
export const flicker = rule({
  id: 'flicker',
  needs: ['steady'],
  judge(bench, { steady }) {
    const seen = steady.lamps.filter((l) => l.flicker && l.flicker.percent > l.flicker.lowRiskPercent);
    if (seen.length === 0) return [];
    const worst = seen
      .map((l) => l.flicker!)
      .reduce((a, b) => (b.percent / b.lowRiskPercent > a.percent / a.lowRiskPercent ? b : a));
    const bare = bench.job.conditioning.rectifier === 'none';
    return [
      {
        id: 'flicker',
        rule: 'flicker',
        severity: 'mind' as const,
        title: 'The light flickers',
        sentence: `${lampNames(seen.map((l) => l.number))} ${plural(seen.length, 'flickers', 'flicker')} at ${worst.hertz.toPrecision(3)} Hz by ${worst.percent.toFixed(0)} %; up to ${worst.lowRiskPercent.toPrecision(2)} % goes unnoticed.`,
        reason:
          'The track dwells on one side for so long that the eye sees the lamps go out. A bridge uses both sides.',
        paths: [['jobs', bench.jobId, 'conditioning', 'rectifier']],
        terminals: seen.map((l) => ({ part: l.part, terminal: 'anode' })),
        figures: { hertz: worst.hertz, percent: worst.percent, lowRiskPercent: worst.lowRiskPercent },
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
