import { coachIn } from '../document/jobs';
import { inOrder } from '../document/in-order';
import { THERMAL_VOLTS } from '../part/junction-model';
import { rule } from './finding';
import { fitProposal, remedy } from './remedy';
import { change } from '../document/patch';

/** How far the forward voltages of lamps of one bag lie apart (common practice, no source). */
const BAG_VOLTS = 0.1;

/** Bare lamps side by side behind one resistor or limiter: they share as their forward voltages happen to be. */
export const unevenSharing = rule({
  id: 'uneven-sharing',
  needs: ['steady'],
  judge(bench, { steady }) {
    const { job, jobId, layout } = bench;
    return inOrder(job.groups).flatMap((group) => {
      if (group.drive !== 'resistor-shared' && group.drive !== 'limiter') return [];
      if (group.builtIn.kind === 'resistor' || group.builtIn.kind === 'limiter') return [];
      const bare = steady.lamps.filter(
        (l) => job.lamps[l.lampId].groupId === group.id && l.led.builtInOhms === 0,
      );
      if (Math.ceil(bare.length / group.inSeries) < 2) return [];
      const [first] = bare;
      const own = first.led.seriesOhms * Math.max(0, first.amps.mean);
      const slope = first.led.emission * THERMAL_VOLTS;
      // The lamp that takes most has more drop in its own resistance too.
      const ratio = Math.exp(BAG_VOLTS / (slope + own));
      return [
        {
          id: `uneven-sharing ${group.id}`,
          rule: 'uneven-sharing',
          severity: 'note' as const,
          title: 'One limit for several lamps',
          sentence: `Of ${bare.length} lamps side by side, one that lights ${BAG_VOLTS * 1e3} mV earlier than its neighbours takes ${ratio.toFixed(1)} times their current.`,
          reason:
            'Lamps of one bag differ by about that much. A resistor each keeps them even; one shared is enough where only one lamp lights at a time, or where they were matched.',
          paths: [['jobs', jobId, 'groups', group.id, 'drive']],
          terminals: bare.map((l) => ({ part: l.part, terminal: 'anode' })),
          figures: { lamps: bare.length, ratio },
          remedies: remedy('Fit a resistor to each lamp', bench, steady, (draft) => {
            coachIn(draft, jobId).groups[group.id].drive = 'resistor-each';
            const each = change(
              layout,
              (d) => void (coachIn(d, jobId).groups[group.id].drive = 'resistor-each'),
            ).layout;
            return fitProposal(draft, jobId, group.id, each);
          }),
        },
      ];
    });
  },
});
