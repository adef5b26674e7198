import { fittingSorts } from '../../part/lamp-fitting';
import { BALL_PRICE, bases, hoods, mastStock } from '../../part/lamp-kit';
import { formatQuantity } from '../../quantity/format';
import type { SoldNeed } from '../../part/sold-need';
import type { LampRecord } from './record';

/** What masts, hoods and feet of a row are made from, as it is bought; nothing where lamps stand on no mast. */
export function lampGoods({
  kit,
  fitting,
  lamps,
}: Pick<LampRecord, 'kit' | 'fitting' | 'lamps'>): SoldNeed[] {
  if (fittingSorts[fitting.sort].stands !== 'mast') return [];
  const count = Object.keys(lamps).length;
  const { name, pricePerMetre } = mastStock[kit.mast];
  const { heightMillimetres } = fitting;
  return [
    {
      key: `mast:${kit.mast}:${heightMillimetres}`,
      name: `${name}, ${formatQuantity(heightMillimetres, 'millimetre', { significant: 3 })} for a mast`,
      count,
      priceEach: (pricePerMetre * heightMillimetres) / 1000,
    },
    ...[hoods[kit.hood], bases[kit.base]]
      .filter((p) => p.price > 0)
      .map((p) => ({ key: `kit:${p.id}`, name: p.name, count, priceEach: p.price })),
    ...(kit.ball ? [{ key: 'kit:ball', name: 'Ball or bead for a hood', count, priceEach: BALL_PRICE }] : []),
  ].filter((need) => need.count > 0);
}
