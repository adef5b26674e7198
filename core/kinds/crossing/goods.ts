import type { SoldNeed } from '../../part/sold-need';
import type { CrossingRecord } from './record';

/** What a hood costs, bought or made of tube (common practice, no source). */
const HOOD_PRICE = 0.1;

/** The hoods of its lamps; none where they have none. */
export function crossingGoods({ road, lamps }: Pick<CrossingRecord, 'road' | 'lamps'>): SoldNeed[] {
  const count = Object.values(lamps).filter((l) => l.place === 'left' || l.place === 'right').length;
  if (!(road.hoodMillimetres > 0) || count === 0) return [];
  return [{ key: 'hood:crossing', name: 'Hood of a crossing lamp', count, priceEach: HOOD_PRICE }];
}
