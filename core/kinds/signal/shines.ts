import { lensLightness } from '../../light/lens';
import type { LampView } from '../../study/readings';
import type { SignalRecord } from './record';

/** Lamps of a signal shine when their output conducts, or always; one is looked at straight, through its lens. */
export const signalShines: LampView<SignalRecord> = {
  shines: (_, __, ___, second) => !second,
  lightness: ({ head }, die) => lensLightness(die, head.lensMillimetres),
};
