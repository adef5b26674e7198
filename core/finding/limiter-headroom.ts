import { LIMITER_KNEE_VOLTS } from '../assembly/elements';
import { inOrder } from '../document/in-order';
import { formatQuantity } from '../quantity/format';
import { rule } from './finding';

/** Share of its setting below which a limiter is said not to hold its current. */
const HELD_SHARE = 0.85;

/** A limiter with too little voltage over it to hold its current. */
export const limiterHeadroom = rule({
  id: 'limiter-headroom',
  needs: ['steady'],
  judge(bench, { steady }) {
    return inOrder(bench.job.groups).flatMap((group) => {
      const reading = group.drive === 'limiter' ? steady.holders.get(`limiter-${group.id}`) : undefined;
      if (!reading || reading.amps.mean >= HELD_SHARE * group.limiterAmps) return [];
      return [
        {
          id: `limiter-headroom ${group.id}`,
          rule: 'limiter-headroom',
          severity: 'note' as const,
          title: 'The limiter does not come into play',
          sentence: `${formatQuantity(reading.amps.mean, 'amp')} flow, not the ${formatQuantity(group.limiterAmps, 'amp')} it is set to: ${formatQuantity(Math.max(0, reading.across.mean), 'volt')} stand over it, and it needs ${formatQuantity(2 * LIMITER_KNEE_VOLTS, 'volt')}.`,
          reason:
            'The lamps take what there is before the limiter can hold anything back, so the light follows the supply. Fewer lamps in a string, or more volts, give it room.',
          paths: [['jobs', bench.jobId, 'groups', group.id, 'limiterAmps']],
          terminals: [{ part: `limiter-${group.id}`, terminal: 'in' }],
          figures: { amps: reading.amps.mean, setAmps: group.limiterAmps, acrossVolts: reading.across.mean },
          remedies: [],
        },
      ];
    });
  },
});
