import { formatQuantity } from '../../quantity/format';
import { sourceName } from '../about';
import type { TrainRule } from './train-rule';

/** Supplies are loaded to 80 % at most (common practice, no source). */
const MOST_SHARE = 0.8;

/** All coaches of a train together against what feeds them. */
export const trainOverload: TrainRule = {
  id: 'train-overload',
  judge: ({ layout, study }) =>
    study.draws.flatMap((draw) => {
      const { limitAmps } = draw;
      if (limitAmps === null || draw.amps <= MOST_SHARE * limitAmps) return [];
      const supply = layout.supplies[draw.supplyId];
      const over = draw.amps > limitAmps;
      return [
        {
          id: `train-overload ${draw.supplyId}`,
          severity: over ? ('stop' as const) : ('mind' as const),
          title: over ? 'The train draws too much' : 'The train draws most of the supply',
          sentence: `${draw.cars} vehicles draw ${formatQuantity(draw.amps, 'amp')}${draw.isRms ? ' RMS' : ''} from ${supply.name}; its ${sourceName(supply)} gives ${formatQuantity(limitAmps, 'amp')}, of which ${formatQuantity(MOST_SHARE * limitAmps, 'amp')} are for use.`,
          reason:
            'The locomotive wants its share too. Higher resistors dim the coaches little to the eye: half the light is barely noticed.',
          paths: [['supplies', draw.supplyId]],
          terminals: [],
          figures: [{ is: draw.amps, limit: limitAmps, unit: 'amp' as const }],
        },
      ];
    }),
};
