import { SEEN_COLOUR, SEEN_LIGHTNESS } from '../../light/difference';

import { commonCar, isSeen, matchBeside } from '../../study/train';
import type { TrainRule } from './train-rule';

/** Coaches that an eye beside the track sees differ from the rest, by brightness or by colour. */
export const trainLooks: TrainRule = {
  id: 'train-looks',
  judge({ study }) {
    const common = commonCar(study);
    if (!common) return [];
    return matchBeside(study, common.carId)
      .filter(isSeen)
      .flatMap((m) => {
        const car = study.cars.find((c) => c.carId === m.carId)!;
        const colour = m.colour >= SEEN_COLOUR;
        const bright = m.lightness >= SEEN_LIGHTNESS;
        const dark = !((car.look?.lux ?? 0) > 0);
        const words = [
          ...(bright ? [dark ? 'dark' : m.brighter ? 'brighter' : 'dimmer'] : []),
          ...(colour ? [m.word] : []),
        ].join(' and ');
        const figures = [
          ...(bright ? [`${m.lightness.toFixed(0)} of 100 in lightness (${SEEN_LIGHTNESS} are seen)`] : []),
          ...(colour ? [`${m.colour.toFixed(3)} in colour (${SEEN_COLOUR} are seen)`] : []),
        ].join(' and ');
        return [
          {
            id: `train-looks ${m.carId}`,
            severity: 'mind' as const,
            title: `${car.job.name} is ${words}`,
            sentence: `It differs from ${common.job.name} by ${figures}.`,
            reason:
              'One coach that differs is what the eye finds first in a train. “Match all to this one” changes lamps, tints and resistors of the others; or make it a choice, and leave it.',
            paths: [['jobs', car.id]],
            terminals: [],
            figures: [
              { is: m.lightness, limit: SEEN_LIGHTNESS, unit: 'of 100' as const },
              { is: m.colour, limit: SEEN_COLOUR, unit: 'times' as const },
            ],
          },
        ];
      });
  },
};
