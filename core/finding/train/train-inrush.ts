import { formatQuantity } from '../../quantity/format';
import { sourceName } from '../about';
import { chargeThrough } from '../../study/train-inrush';
import type { Cure } from '../finding';
import type { TrainRule } from './train-rule';

/** All reservoirs charging at once, against what the supply bears before it switches off. */
export const trainInrushRule: TrainRule = {
  id: 'train-inrush',
  judge: ({ layout, study, inrush }) =>
    (inrush ?? []).flatMap((rush) => {
      if (!rush.trips) return [];
      const supply = layout.supplies[rush.supplyId];
      const { staggerNeeded: stagger, chargeOhmsNeeded: ohms, rms } = rush;
      const limit = formatQuantity(rush.limitAmps, 'amp');
      const felt = rms
        ? `${formatQuantity(rms.worstAmps, 'amp')} RMS over ${formatQuantity(rms.overSeconds, 'second', { significant: 2 })}, which is what it feels; its limit is ${limit}`
        : `more than ${limit} for ${formatQuantity(rush.overSeconds, 'second', { significant: 2 })}; the ${sourceName(supply)} trips after ${formatQuantity(rush.tripSeconds, 'second')}`;
      const atOnce =
        rush.atOnce === 0
          ? 'Not one of its vehicles can be switched on by itself.'
          : `${rush.atOnce} of its ${rush.cars} vehicles can be switched on at once.`;
      const cures: Cure[] = [];
      if (ohms !== null)
        cures.push({
          label: `Charge resistors of ${formatQuantity(ohms, 'ohm')} with a diode across, in every vehicle that has less`,
          recipe: (draft) => chargeThrough(draft, study.trainId, rush.supplyId, ohms),
        });
      if (stagger !== null)
        cures.push({
          label: `Begin to charge ${formatQuantity(stagger, 'second')} after one another`,
          recipe: (draft) => void (draft.trains[study.trainId].staggerSeconds = stagger),
        });
      return [
        {
          id: `train-inrush ${rush.supplyId}`,
          severity: 'stop' as const,
          title: 'Charging together trips the supply',
          sentence: `When ${supply.name} comes on, the train draws up to ${formatQuantity(rush.peakAmps, 'amp')}, and ${felt}. ${atOnce}`,
          reason:
            'Every empty reservoir is a short for a moment, and those of a train are empty together. Charge resistors, or reservoirs that begin one after another, keep the sum low. A diode across the resistor lets the reservoir give back all it has.',
          paths: [['trains', study.trainId, 'staggerSeconds']],
          terminals: [],
          figures: [
            { is: rms ? rms.worstAmps : rush.peakAmps, limit: rush.limitAmps, unit: 'amp' as const },
            { is: rush.overSeconds, limit: rush.tripSeconds, unit: 'second' as const },
          ],
          cures,
        },
      ];
    }),
};
