import { hoodsFor, lensesFor, postTube } from '../../part/post-kit';
import type { SoldNeed } from '../../part/sold-need';
import type { SignalRecord } from './record';

type Of = Pick<SignalRecord, 'head' | 'lamps'>;

/** What stands in front of its lamps; the dots of a route indicator have no lenses. */
export function frontGoods({ head, lamps }: Of): SoldNeed[] {
  const count = Object.keys(lamps).length;
  return [
    ...(head.form === 'route' ? [] : [lensesFor('signal', head.lensMillimetres, count)]),
    ...(head.hoodMillimetres > 0 ? [hoodsFor('signal', count)] : []),
  ].filter((need) => need.count > 0);
}

/** Its post, up to the lowest lamp; none on the ground. */
export const postGoods = ({ head }: Pick<SignalRecord, 'head'>): SoldNeed[] =>
  head.form === 'ground'
    ? []
    : [
        postTube(
          { outside: head.postMillimetres, inside: head.boreMillimetres, height: head.heightMillimetres },
          1,
        ),
      ];

/** What a signal is made from beside its circuit. */
export const signalGoods = (of: Of): SoldNeed[] => [...postGoods(of), ...frontGoods(of)];
