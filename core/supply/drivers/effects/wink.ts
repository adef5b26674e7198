import { milliseconds, percent, type MovingEffect } from './effect';
import { p, q, t } from './shapes';
import { below, choose, over, rest, times } from './whole';

export const wink: MovingEffect = {
  id: 'wink',
  name: 'Wink',
  says: 'all together, on and off',
  parameters: [milliseconds('From one flash to the next', 100, 10_000, 1333), percent('Lit', 5, 95, 50)],
  level: choose(below(rest(t, p), over(times(p, q), 100)), 255, 0),
  flashesPerSecond: ([period]) => 1000 / period,
};
