import { coachIn } from '../document/jobs';
import { rule } from './finding';
import { remedy } from './remedy';
import { FIRST_SHOW_AMPS } from './too-low-to-light';

/** Lamps that light one way only, on a track whose direction changes. */
export const oneDirection = rule({
  id: 'one-direction',
  needs: ['steady', 'extremes'],
  judge(bench, { steady, extremes }) {
    if (bench.supply.kind !== 'dc-track' || extremes.length < 2) return [];
    const amps = extremes.map((e) => Math.max(0, ...e.steady.lamps.map((l) => l.amps.mean)));
    const [most, least] = [Math.max(...amps), Math.min(...amps)];
    if (most < FIRST_SHOW_AMPS || least >= FIRST_SHOW_AMPS) return [];
    const dark = amps[0] === least ? 'forward' : 'in reverse';
    return [
      {
        id: 'one-direction',
        rule: 'one-direction',
        severity: 'mind' as const,
        title: 'Dark in one direction',
        sentence: `The lamps carry ${(most * 1e3).toPrecision(3)} mA one way and ${(least * 1e3).toFixed(2)} mA ${dark}, at full throttle.`,
        reason:
          'The direction changes which rail is positive, and lamps pass current one way. A bridge turns both ways into one.',
        paths: [['jobs', bench.jobId, 'conditioning', 'rectifier']],
        terminals: [{ part: 'rails', terminal: 'right' }],
        figures: { mostAmps: most, leastAmps: least },
        remedies: remedy('Fit a silicon bridge', bench, steady, (draft) => {
          coachIn(draft, bench.jobId).conditioning.rectifier = 'silicon-bridge';
          return true;
        }),
      },
    ];
  },
});
