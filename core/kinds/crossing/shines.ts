import { lensLightness } from '../../light/lens';
import type { LampView } from '../../study/readings';
import type { CrossingRecord } from './record';

/** Lamps of a crossing shine while their output conducts; one is looked at straight, through its lens. */
export const crossingShines: LampView<CrossingRecord> = {
  shines: (_, __, ___, second) => !second,
  lightness: ({ road }, die) => lensLightness(die, road.lensMillimetres),
};
