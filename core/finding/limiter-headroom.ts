import { LIMITER_KNEE_VOLTS } from '../assembly/lamp-elements';
import { formatQuantity } from '../quantity/format';
import { rule } from './finding';

/** Share of its setting below which a limiter is said not to hold its current. */
const HELD_SHARE = 0.85;

/** A limiter with too little voltage over it to hold its current. */
export const limiterHeadroom = rule({
  id: 'limiter-headroom',
  needs: ['now'],
  about: ({ assembly }) => assembly.parts.some((p) => p.kind === 'limiter'),
  judge: (bench, { now }) =>
    bench.assembly.parts.flatMap((part) => {
      if (part.kind !== 'limiter') return [];
      const reading = now.parts.get(part.id);
      const off = reading && reading.amps.mean <= 1e-6;
      const { eachWay } = bench.job.lines[part.line!];
      if (!reading || (off && eachWay) || reading.amps.mean >= HELD_SHARE * part.amps) return [];
      const across = Math.max(0, reading.across.mean);
      return [
        {
          id: `limiter-headroom ${part.id}`,
          severity: 'note' as const,
          title: 'The limiter does not come into play',
          sentence: `${formatQuantity(reading.amps.mean, 'amp')} flow, not the ${formatQuantity(part.amps, 'amp')} it is set to: ${formatQuantity(across, 'volt')} stand over it, and it needs ${formatQuantity(2 * LIMITER_KNEE_VOLTS, 'volt')}.`,
          reason:
            'The lamps take what there is before the limiter can hold anything back, so the light follows the supply. Fewer lamps in a string, or more volts, give it room.',
          subject: { part: part.id, circuit: part.circuit ?? undefined },
          paths: [part.decides.amps!],
          terminals: [{ part: part.id, terminal: 'in' }],
          figures: [
            { is: reading.amps.mean, limit: part.amps, unit: 'amp' as const },
            { is: across, limit: 2 * LIMITER_KNEE_VOLTS, unit: 'volt' as const },
          ],
        },
      ];
    }),
});
