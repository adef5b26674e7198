import { LOADED_SHARE } from '../../supply';
import { formatQuantity } from '../../quantity/format';
import { placePath, type FeedRule } from './feed-rule';

/** A supply near what it gives, or over it. */
export const supplyLoaded: FeedRule = {
  id: 'supply-loaded',
  judge({ layout, reading }) {
    return [...(reading?.supplies ?? [])].flatMap(([id, { amps, limitAmps }]) => {
      if (amps <= LOADED_SHARE * limitAmps) return [];
      const { name } = layout.supplies[id];
      const stronger = Math.ceil((10 * amps) / LOADED_SHARE) / 10;
      const places = Object.entries(layout.network.nodes).filter(
        ([, { is }]) => is.kind === 'supply' && is.supplyId === id,
      );
      return [
        {
          id: `supply-loaded ${id}`,
          severity: amps > limitAmps ? ('stop' as const) : ('mind' as const),
          title: amps > limitAmps ? `${name} gives less than is asked of it` : `${name} runs near its limit`,
          sentence: `${formatQuantity(amps, 'amp')} are drawn; it gives ${formatQuantity(limitAmps, 'amp')} and is best loaded to ${formatQuantity(LOADED_SHARE * limitAmps, 'amp')}.`,
          reason:
            'Near its limit a unit runs hot and its volts fall; over it, it switches off or is the fuse itself. Buy units with their approvals, ready made: what lies before them is for a qualified person and local codes.',
          paths: [['supplies', id], ...places.map(([p]) => placePath(p))],
          terminals: [],
          figures: [{ is: amps, limit: limitAmps, unit: 'amp' as const }],
          cures: [
            {
              label: `A supply that gives ${formatQuantity(stronger, 'amp')}`,
              recipe: (draft) => {
                const own = draft.supplies[id];
                if (!('limitAmps' in own) || stronger > 20) return false;
                own.limitAmps = stronger;
                return true;
              },
            },
          ],
        },
      ];
    });
  },
};
