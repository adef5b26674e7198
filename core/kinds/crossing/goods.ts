import { hoodsFor, lensesFor, postTube } from '../../part/post-kit';
import type { SoldNeed } from '../../part/sold-need';
import type { CrossingRecord } from './record';

type Of = Pick<CrossingRecord, 'road' | 'lamps'>;

/** What stands in front of the lamps of its posts. */
export function frontGoods({ road, lamps }: Of): SoldNeed[] {
  const count = Object.values(lamps).filter((l) => l.place === 'left' || l.place === 'right').length;
  return [
    lensesFor('crossing', road.lensMillimetres, count),
    ...(road.hoodMillimetres > 0 ? [hoodsFor('crossing', count)] : []),
  ].filter((need) => need.count > 0);
}

/** Its posts. */
export const postGoods = ({ road, lamps }: Of): SoldNeed[] => [
  postTube(
    { outside: road.postMillimetres, inside: road.boreMillimetres, height: road.heightMillimetres },
    Math.max(1, ...Object.values(lamps).map((l) => l.post)),
  ),
];

/** What a crossing is made from beside its circuit. */
export const crossingGoods = (of: Of): SoldNeed[] => [...postGoods(of), ...frontGoods(of)];
