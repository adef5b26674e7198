import { FUSE_OHM_AMPS } from '../assembly/elements';
import { formatQuantity } from '../quantity/format';
import { sourceOfLine } from '../study/sources';
import { atHighest, worstRow } from './about';
import { rule } from './finding';

/** A fuse carries this share of its rating for good (common practice, no source). */
const HELD_SHARE = 0.75;

/** A fuse that what it feeds blows sooner or later. */
export const fuseBlows = rule({
  id: 'fuse-blows',
  needs: ['highest'],
  about: ({ assembly }) => assembly.parts.some((p) => p.kind === 'fuse'),
  judge: (bench, { highest }) =>
    bench.assembly.parts.flatMap((part) => {
      if (part.kind !== 'fuse') return [];
      // Its heat, and so what blows it, follows the square of the current.
      const worst = worstRow(highest, ({ readings }) =>
        Math.sqrt((readings.parts.get(part.id)?.watts ?? 0) * (part.amps / FUSE_OHM_AMPS)),
      );
      if (!worst || worst.figure <= HELD_SHARE * part.amps) return [];
      return [
        {
          id: `fuse-blows ${part.id}`,
          severity: worst.figure > part.amps ? ('stop' as const) : ('mind' as const),
          title: `${part.label} is too small`,
          sentence: `${formatQuantity(worst.figure, 'amp')} flow in it${atHighest(sourceOfLine(bench, part.line), worst.row)}; rated ${formatQuantity(part.amps, 'amp')}, it carries ${formatQuantity(HELD_SHARE * part.amps, 'amp')} for good.`,
          reason:
            'Near its rating a fuse ages and blows one day for no cause. The next size up still guards the wire.',
          subject: { part: part.id },
          paths: [part.decides.amps!],
          terminals: [{ part: part.id, terminal: 'one' }],
          figures: [{ is: worst.figure, limit: HELD_SHARE * part.amps, unit: 'amp' as const }],
        },
      ];
    }),
});
