import { milliseconds, percent, type MovingEffect } from './effect';
import { c, i, n, p, q, t, triangle } from './shapes';
import { least, minus, most, over, plus, times } from './whole';

/** Where on the wheel: in time, along the lamps, and a third further for each colour. */
const at = plus(plus(t, over(times(times(i, q), over(p, 100)), n)), times(c, over(p, 3)));

export const colourWheel: MovingEffect = {
  id: 'colour-wheel',
  name: 'Colour wheel',
  says: 'through all colours, along the lamps',
  parameters: [
    milliseconds('Once round', 1000, 600_000, 6000),
    percent('Of the wheel along the lamps', 0, 100, 100),
  ],
  level: least(255, most(0, minus(over(times(triangle(at, p), 3), 2), 127))),
  flashesPerSecond: ([period]) => 1000 / period,
};
