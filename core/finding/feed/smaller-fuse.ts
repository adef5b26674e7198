import { formatQuantity } from '../../quantity/format';
import { CLEARED_SECONDS, goesWithin } from '../../part/fuse-speed';
import { FUSE_ABOVE, fuseRatings } from '../../part/fuse-ratings';
import type { Guarded } from '../../feed/study';
import type { Cure } from '../finding';

/** A fuse of a lower rating that holds what flows, in amperes, and goes at what it carries in a short; none where none does. */
export function smallerFuse(fuse: Guarded['fuses'][number], flows: number): Cure[] {
  const amps = fuseRatings
    .filter((r) => r < fuse.amps && r >= FUSE_ABOVE * flows)
    .filter((r) => (goesWithin(fuse.speed, fuse.carries / r) ?? Infinity) <= CLEARED_SECONDS)
    .at(-1);
  if (amps === undefined) return [];
  return [
    {
      label: `A fuse of ${formatQuantity(amps, 'amp')}`,
      recipe: (draft) => {
        const part = draft.network.runs[fuse.run].parts[fuse.index];
        if (part.kind !== 'fuse') return false;
        part.amps = amps;
        return true;
      },
    },
  ];
}
