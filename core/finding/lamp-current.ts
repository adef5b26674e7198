import { formatQuantity } from '../quantity/format';
import { rule, type Finding } from './finding';
import { lampNames, plural } from './names';
import { fitLabel, fitProposal, remedy } from './remedy';

/** Lamps that carry more than they may, or more than they should for a long life. */
export const lampCurrent = rule({
  id: 'lamp-current',
  needs: ['steady', 'extremes'],
  judge(bench, { steady, extremes }) {
    const findings: Finding[] = [];
    const groups = new Set(steady.lamps.map((l) => bench.job.lamps[l.lampId].groupId));
    for (const groupId of groups) {
      if (groupId === null) continue;
      const membersIn = (study: typeof steady): typeof steady.lamps =>
        study.lamps.filter((l) => bench.job.lamps[l.lampId].groupId === groupId);
      const greatest = (study: typeof steady): number =>
        Math.max(0, ...membersIn(study).map((l) => l.amps.greatest / l.led.greatestAmps));
      const worst = extremes.reduce((a, b) => (greatest(b.steady) > greatest(a.steady) ? b : a));
      const members = membersIn(worst.steady);
      const most = (l: (typeof members)[number]): number => l.led.greatestAmps;
      const longLife = (l: (typeof members)[number]): number => most(l) * l.led.longLifeShare;
      const over = members.filter((l) => l.amps.greatest > most(l));
      const warm = members.filter((l) => l.amps.mean > longLife(l));
      const stop = over.length > 0;
      const named = stop ? over : warm;
      if (named.length === 0) continue;
      const amps = Math.max(...named.map((l) => (stop ? l.amps.greatest : l.amps.mean)));
      const limit = Math.min(...named.map(stop ? most : longLife));
      const who = lampNames(named.map((l) => l.number));
      findings.push({
        id: `lamp-current ${groupId}`,
        rule: 'lamp-current',
        severity: stop ? 'stop' : 'mind',
        title: stop ? 'Too much current for the lamps' : 'The lamps will not last',
        sentence: stop
          ? `${who} ${plural(named.length, 'carries', 'carry')} up to ${formatQuantity(amps, 'amp')}${worst.says}; ${formatQuantity(limit, 'amp')} is the most.`
          : `${who} ${plural(named.length, 'carries', 'carry')} ${formatQuantity(amps, 'amp')}${worst.says}; up to ${formatQuantity(limit, 'amp')} they last for years.`,
        reason: 'A lamp run hard yellows, dims and dies early; half the current looks nearly as bright.',
        paths: named.map((l) => ['jobs', bench.jobId, 'lamps', l.lampId]),
        terminals: named.map((l) => ({ part: l.part, terminal: 'anode' })),
        figures: { amps, limitAmps: limit },
        remedies: remedy(fitLabel(bench.job.groups[groupId]), bench, steady, (draft) =>
          fitProposal(draft, bench.jobId, groupId, bench.layout),
        ),
      });
    }
    return findings;
  },
});
