import { formatQuantity } from '../quantity/format';
import { supplyKind } from '../supply';
import { rule } from './finding';
import { fitProposal, remedy } from './remedy';
import { change } from '../document/patch';
import { coachIn } from '../document/jobs';
import type { Remedy } from './finding';
import type { Bench } from '../study/bench';
import type { SteadyStudy } from '../study/steady';

/** Heat a small regulator sheds beside thin plastic without softening it, and the most its body stands (common practice, no source). */
const MIND_WATTS = 0.4;
const STOP_WATTS = 1;

function leaveOut(bench: Bench, steady: SteadyStudy): Remedy[] {
  const { jobId, layout } = bench;
  // The regulator kept the wrong sides off the lamps; without a rectifier it has to stay.
  if (bench.job.conditioning.rectifier === 'none' && supplyKind(bench.supply).changesSides) return [];
  const without = change(
    layout,
    (draft) => void (coachIn(draft, jobId).conditioning.regulator = null),
  ).layout;
  const groups = Object.keys(bench.job.groups).filter((id) =>
    Object.values(bench.job.lamps).some((l) => l.groupId === id),
  );
  return remedy(
    'Leave the regulator out, and fit the resistor for the wanted light',
    bench,
    steady,
    (draft) => {
      coachIn(draft, jobId).conditioning.regulator = null;
      return groups.map((g) => fitProposal(draft, jobId, g, without)).every(Boolean);
    },
  );
}

/** A regulator that runs hot beside thin plastic. */
export const regulatorHeat = rule({
  id: 'regulator-heat',
  needs: ['steady', 'extremes'],
  judge(bench, { steady, extremes }) {
    const heat = (s: SteadyStudy): number => s.holders.get('regulator')?.watts ?? 0;
    const worst = extremes.reduce((a, b) => (heat(b.steady) > heat(a.steady) ? b : a));
    const watts = heat(worst.steady);
    if (watts <= MIND_WATTS) return [];
    const across = worst.steady.holders.get('regulator')!.across.mean;
    return [
      {
        id: 'regulator-heat',
        rule: 'regulator-heat',
        severity: watts > STOP_WATTS ? ('stop' as const) : ('mind' as const),
        title: 'The regulator runs hot',
        sentence: `It turns ${formatQuantity(watts, 'watt')} into heat${worst.says}, ${formatQuantity(across, 'volt')} standing over it; beside thin plastic ${formatQuantity(MIND_WATTS, 'watt')} is enough.`,
        reason:
          'A linear regulator burns whatever the supply has too much. Keep it off the roof, feed it from less, draw less, or let a resistor share the heat.',
        paths: [['jobs', bench.jobId, 'conditioning', 'regulator']],
        terminals: [{ part: 'regulator', terminal: 'in' }],
        figures: { watts, limitWatts: MIND_WATTS, acrossVolts: across },
        remedies: leaveOut(bench, steady),
      },
    ];
  },
});

/** A regulator with too little before it to hold its output. */
export const regulatorDropout = rule({
  id: 'regulator-dropout',
  needs: ['steady'],
  judge(bench, { steady }) {
    const { regulator } = bench.job.conditioning;
    const reading = steady.holders.get('regulator');
    if (!regulator || !reading || !steady.roofVolts) return [];
    const least = steady.roofVolts.least;
    // A tenth of a volt below its setting is the give of a sound one.
    if (least >= regulator.outVolts - 0.1) return [];
    return [
      {
        id: 'regulator-dropout',
        rule: 'regulator-dropout',
        severity: 'note' as const,
        title: 'The regulator has too little to work with',
        sentence: `Its output falls to ${formatQuantity(Math.max(0, least), 'volt')}, not ${formatQuantity(regulator.outVolts, 'volt')}: it needs ${formatQuantity(regulator.outVolts + regulator.dropoutVolts, 'volt')} before it.`,
        reason:
          'Below its output and its dropout together it only passes on what comes, less the dropout, and every dip with it.',
        paths: [['jobs', bench.jobId, 'conditioning', 'regulator']],
        terminals: [{ part: 'regulator', terminal: 'out' }],
        figures: {
          leastVolts: least,
          outVolts: regulator.outVolts,
          neededVolts: regulator.outVolts + regulator.dropoutVolts,
        },
        remedies: leaveOut(bench, steady),
      },
    ];
  },
});
