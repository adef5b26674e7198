import { milliseconds, type MovingEffect } from './effect';
import { i, p, q, t } from './shapes';
import { below, choose, least, minus, over, plus, times } from './whole';

const since = minus(t, times(i, q));

export const gas: MovingEffect = {
  id: 'gas',
  name: 'Gas lighting up',
  says: 'one after the other, each coming up slowly',
  parameters: [
    milliseconds('Coming up', 200, 60_000, 4000),
    milliseconds('The next one after', 0, 60_000, 1500),
  ],
  level: choose(below(t, times(i, q)), 0, least(255, plus(40, over(times(least(since, p), 215), p)))),
  flashesPerSecond: () => 0,
};
