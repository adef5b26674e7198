import { milliseconds, percent, type MovingEffect } from './effect';
import { ofPercent, p, q, r, t } from './shapes';
import { below, choose, minus, most, over, rest, times } from './whole';

const width = over(times(p, q), 100);
const phase = rest(t, p);
/** Up and down while the beam passes. */
const beam = over(
  times(choose(below(times(phase, 2), width), phase, minus(width, phase)), 510),
  most(1, width),
);

export const beacon: MovingEffect = {
  id: 'beacon',
  name: 'Beacon',
  says: 'a beam that turns past the eye',
  parameters: [
    milliseconds('A turn', 340, 20_000, 1400),
    percent('In the beam', 2, 90, 20),
    percent('Outside it', 0, 100, 4),
  ],
  level: choose(below(phase, width), most(ofPercent(r), beam), ofPercent(r)),
  flashesPerSecond: ([period]) => 1000 / period,
};
