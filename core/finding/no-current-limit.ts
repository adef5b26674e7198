import { formatQuantity } from '../quantity/format';
import { inOrder } from '../document/in-order';
import { rule } from './finding';
import { lampNames } from './names';
import { fitProposal, remedy } from './remedy';

/** Lamps with nothing in their way but the wires. */
export const noCurrentLimit = rule({
  id: 'no-current-limit',
  needs: ['steady'],
  judge(bench, { steady }) {
    if (bench.job.conditioning.chargeResistor) return [];
    return inOrder(bench.job.groups).flatMap((group) => {
      if (group.drive !== 'none') return [];
      const members = steady.lamps.filter((l) => bench.job.lamps[l.lampId].groupId === group.id);
      if (members.length === 0) return [];
      // Strip units, fairy lamps and boards bring their own limit with them.
      const bare = members.filter((l) => l.led.builtInOhms === 0);
      if (bare.length === 0 || group.builtIn.kind === 'resistor' || group.builtIn.kind === 'limiter')
        return [];
      const amps = Math.max(...members.map((l) => l.amps.greatest));
      // The resistance of a small cell may be limit enough.
      const enough = bench.supply.kind === 'cell' && bare.every((l) => l.amps.greatest <= l.led.greatestAmps);
      if (enough) return [];
      const limit = Math.min(...members.map((l) => l.led.greatestAmps));
      return [
        {
          id: `no-current-limit ${group.id}`,
          rule: 'no-current-limit',
          severity: 'stop' as const,
          title: 'Nothing limits the current',
          sentence: `${lampNames(members.map((l) => l.number))} would draw ${formatQuantity(amps, 'amp')} each, ${formatQuantity(limit, 'amp')} being the most, with no resistor anywhere.`,
          reason:
            'Above its forward voltage a lamp takes whatever the supply can give. A resistor decides how much.',
          paths: [['jobs', bench.jobId, 'groups', group.id, 'drive']],
          terminals: members.map((l) => ({ part: l.part, terminal: 'anode' })),
          figures: { amps, limitAmps: limit },
          remedies: remedy('Fit a resistor to each lamp', bench, steady, (draft) =>
            fitProposal(draft, bench.jobId, group.id, bench.layout),
          ),
        },
      ];
    });
  },
});
