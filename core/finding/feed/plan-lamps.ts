import { formatQuantity } from '../../quantity/format';
import { lampType } from '../../document/lamp-type';
import { nextPreferred } from '../../part/preferred';
import { placePath, type FeedRule } from './feed-rule';

/** Steps of a resistor's series that are tried, most. */
const MOST_STEPS = 6;

/** Lamps on the plan that are no job yet, held to what the bench holds them to: they carry more than they bear, or than lasts for years. */
export const planLamps: FeedRule = {
  id: 'plan-lamps',
  judge({ layout, reading }) {
    if (!reading) return [];
    return Object.entries(layout.network.nodes).flatMap(([id, { is, name }]) => {
      const there = reading.places.get(id);
      if (is.kind !== 'lamps' || !there || is.count === 0) return [];
      const led = lampType(layout, is.part);
      const amps = there.amps / is.count;
      const lasting = led.greatestAmps * led.longLifeShare;
      if (amps <= lasting) return [];
      const over = amps > led.greatestAmps;
      const larger: number[] = [];
      for (let ohms = is.ohms; larger.length < MOST_STEPS; larger.push(ohms))
        ohms = nextPreferred(Math.max(1, ohms * 1.01), 'E12');
      return [
        {
          id: `plan-lamps ${id}`,
          severity: over ? ('stop' as const) : ('mind' as const),
          title: over ? `${name}: too much current for its lamps` : `${name}: its lamps will not last`,
          sentence: `Each carries ${formatQuantity(amps, 'amp')} at the ${formatQuantity(there.volts, 'volt')} that come there; ${
            over
              ? `${formatQuantity(led.greatestAmps, 'amp')} is the most`
              : `up to ${formatQuantity(lasting, 'amp')} they last for years`
          }.`,
          reason:
            'A lamp at its limit loses its light within months, and half the current looks nearly as bright to the eye.',
          paths: [[...placePath(id), 'is', 'ohms']],
          terminals: [],
          subject: { part: id },
          figures: [{ is: amps, limit: over ? led.greatestAmps : lasting, unit: 'amp' as const }],
          cures: [
            larger.map((ohms) => ({
              label: `${formatQuantity(ohms, 'ohm')} to each lamp instead of ${formatQuantity(is.ohms, 'ohm')}`,
              recipe: (draft) => {
                const at = draft.network.nodes[id].is;
                if (at.kind !== 'lamps') return false;
                at.ohms = ohms;
                return true;
              },
            })),
          ],
        },
      ];
    });
  },
};
