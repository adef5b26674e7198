import { milliseconds, percent, type MovingEffect } from './effect';
import { i, n, ofPercent, p, q, r, t } from './shapes';
import { below, choose, minus, over, plus, rest } from './whole';

export const chase: MovingEffect = {
  id: 'chase',
  name: 'Chase',
  says: 'a few lit lamps run round',
  parameters: [
    milliseconds('A lamp further every', 20, 5000, 180),
    { name: 'Lit together', unit: 'lamps', least: 1, most: 100, usual: 3 },
    percent('The others', 0, 100, 0),
  ],
  level: choose(below(rest(plus(i, minus(n, rest(over(t, p), n))), n), q), 255, ofPercent(r)),
  // Each lamp is lit once in a round.
  flashesPerSecond: ([step], lamps) => (lamps > 1 ? 1000 / (step * lamps) : 0),
};
