import { supplyKind } from '../../supply';
import { usualVoltsOf } from '../../supply/usual-volts';
import { placePath, type FeedRule } from './feed-rule';
import type { Supply } from '../../supply';

/** What comes out of a supply: only like may meet like. */
const nature = (supply: Supply): string =>
  supply.kind === 'dcc-track'
    ? 'DCC'
    : supply.kind === 'ac-track'
      ? 'AC'
      : supplyKind(supply).onTrack
        ? 'a throttle'
        : 'DC';

/** Two supplies on the same wires. */
export const suppliesJoined: FeedRule = {
  id: 'supplies-joined',
  judge({ layout, reading }) {
    const { nodes } = layout.network;
    return (reading?.network.islands ?? []).flatMap((island) => {
      const own = island.sources.filter((s) => s.supplyId !== null);
      const ids = [...new Set(own.map((s) => s.supplyId!))];
      if (ids.length < 2) return [];
      const [one, other] = ids.map((id) => layout.supplies[id]);
      const natures = new Set(ids.map((id) => nature(layout.supplies[id])));
      const between = Math.abs((usualVoltsOf(one) ?? 0) - (usualVoltsOf(other) ?? 0));
      return [
        {
          id: `supplies-joined ${ids.join(' ')}`,
          severity: 'stop' as const,
          title:
            natures.size > 1
              ? `${[...natures].join(' and ')} on the same wires`
              : 'Two supplies on the same wires',
          sentence: `${one.name} and ${other.name} are joined by ${own.length} places; ${between.toFixed(1)} V lie between what they are set to.`,
          reason:
            natures.size > 1
              ? 'What alternates drives current into what does not, and both can be destroyed. One sort of supply on a pair of wires.'
              : 'The higher one feeds the lower one backwards, and neither shares the load as one would think. A pair of wires for each, and their minus joined only where it is meant to be.',
          paths: own.map((s) => placePath(s.node)),
          terminals: [],
          figures: [{ is: ids.length, limit: 1, unit: 'pieces' as const }],
          // The places where the later ones come in are taken off the wires.
          cures: own
            .filter((s) => s.supplyId !== ids[0])
            .slice(0, 1)
            .map((s) => ({
              label: `Take ${nodes[s.node].name} off these wires`,
              recipe: (draft) => {
                for (const [id, run] of Object.entries(draft.network.runs))
                  if (run.from === s.node || run.to === s.node)
                    Reflect.deleteProperty(draft.network.runs, id);
              },
            })),
        },
      ];
    });
  },
};
