import { formatQuantity } from '../../quantity/format';
import { sourceName } from '../about';
import type { TrainRule } from './train-rule';

/** All reservoirs charging at once, against what the booster bears before it trips. */
export const trainInrushRule: TrainRule = {
  id: 'train-inrush',
  judge: ({ layout, study, inrush }) =>
    (inrush ?? []).flatMap((rush) => {
      if (!rush.trips) return [];
      const supply = layout.supplies[rush.supplyId];
      const needed = rush.staggerNeeded;
      return [
        {
          id: `train-inrush ${rush.supplyId}`,
          severity: 'stop' as const,
          title: 'Charging together trips the supply',
          sentence: `When ${supply.name} comes on, the train draws up to ${formatQuantity(rush.peakAmps, 'amp')}, and more than ${formatQuantity(rush.limitAmps, 'amp')} for ${formatQuantity(rush.overSeconds, 'second')}; the ${sourceName(supply)} trips after ${formatQuantity(rush.tripSeconds, 'second')}.`,
          reason:
            'Every empty reservoir is a short for a moment, and those of a train are empty together. Larger charge resistors, or reservoirs that begin one after another, keep the sum low.',
          paths: [['trains', study.trainId, 'staggerSeconds']],
          terminals: [],
          figures: [
            { is: rush.peakAmps, limit: rush.limitAmps, unit: 'amp' as const },
            { is: rush.overSeconds, limit: rush.tripSeconds, unit: 'second' as const },
          ],
          cures:
            needed === null
              ? []
              : [
                  {
                    label: `Begin to charge ${formatQuantity(needed, 'second')} after one another`,
                    recipe: (draft) => void (draft.trains[study.trainId].staggerSeconds = needed),
                  },
                ],
        },
      ];
    }),
};
