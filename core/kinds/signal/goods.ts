import type { SoldNeed } from '../../part/sold-need';
import type { SignalRecord } from './record';

/** What a hood costs, bought or made of tube (common practice, no source). */
const HOOD_PRICE = 0.1;

/** The hoods of its lamps; none where they have none. */
export function signalGoods({ head, lamps }: Pick<SignalRecord, 'head' | 'lamps'>): SoldNeed[] {
  const count = Object.keys(lamps).length;
  if (!(head.hoodMillimetres > 0) || count === 0) return [];
  return [{ key: 'hood:signal', name: 'Hood of a signal lamp', count, priceEach: HOOD_PRICE }];
}
