import { milliseconds, type MovingEffect } from './effect';
import { i, p, t } from './shapes';
import { below, choose, over, rest, plus } from './whole';

export const alternate: MovingEffect = {
  id: 'alternate',
  name: 'Alternate',
  says: 'every other lamp, then the others',
  parameters: [milliseconds('From one flash to the next', 100, 10_000, 1333)],
  level: choose(below(rest(plus(over(rest(t, p), over(p, 2)), i), 2), 1), 255, 0),
  flashesPerSecond: ([period]) => 1000 / period,
};
