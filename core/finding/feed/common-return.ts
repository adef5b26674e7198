import { supplyKind, type Supply } from '../../supply';
import { formatQuantity } from '../../quantity/format';
import { placePath, type FeedRule } from './feed-rule';
import type { Judgement } from '../finding';

/** Its return may be shared with a supply that is isolated from it, where a throttle alone reverses (common practice, no source). */
const reversesBySwitch = (supply: Supply): boolean => supply.kind === 'dc-track';

/** Supplies whose minus is joined, one of which changes its sides. */
export const commonReturn: FeedRule = {
  id: 'common-return',
  judge({ layout }) {
    const joined = Object.entries(layout.network.nodes).flatMap(([place, { is }]) =>
      is.kind === 'supply' && is.joinsMinus ? [{ place, supply: layout.supplies[is.supplyId] }] : [],
    );
    return joined
      .filter(({ supply }) => supplyKind(supply).changesSides)
      .flatMap(({ place, supply }): Judgement[] => {
        const others = joined.filter((j) => j.supply !== supply);
        if (others.length === 0) return [];
        const volts = (of: Supply): number => supplyKind(of).highestVolts(of);
        const most = others.reduce((a, b) => (volts(b.supply) > volts(a.supply) ? b : a));
        const apart = volts(supply) + volts(most.supply);
        const mild = reversesBySwitch(supply);
        return [
          {
            id: `common-return ${place}`,
            severity: mild ? 'mind' : 'stop',
            title: `${supply.name} changes its sides on a common return`,
            sentence: `While its minus is the positive side, ${formatQuantity(apart, 'volt', { significant: 3 })} stand between its plus and that of ${most.supply.name}, of ${formatQuantity(volts(most.supply), 'volt', { significant: 3 })}.`,
            reason: mild
              ? 'A throttle may share its return only with units that are isolated from it and from one another. Wherever their plus wires meet, at a gap a wheel runs over or in a relay, both drive into each other in series.'
              : 'What alternates by itself lifts everything joined to its return with it. A booster or transformer keeps both its wires to itself, else it and the other unit can be destroyed.',
            paths: [placePath(place, 'is', 'joinsMinus')],
            terminals: [],
            subject: { part: place },
            figures: [{ is: apart, limit: volts(most.supply), unit: 'volt' }],
            cures: [
              {
                label: `A return of its own for ${supply.name}`,
                recipe: (draft) => {
                  const { is } = draft.network.nodes[place];
                  if (is.kind === 'supply') is.joinsMinus = false;
                },
              },
            ],
          },
        ];
      });
  },
};
