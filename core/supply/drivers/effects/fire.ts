import { milliseconds, percent, type MovingEffect } from './effect';
import { between, glide, ofPercent, p, q } from './shapes';
import { over, plus, times } from './whole';

export const fire: MovingEffect = {
  id: 'fire',
  name: 'Fire',
  says: 'a slow glow with quick tongues',
  parameters: [milliseconds('A tongue every', 170, 2000, 220), percent('At the least', 0, 100, 35)],
  level: between(ofPercent(q), 255, over(plus(glide(p, 3), times(glide(times(p, 5), 11), 2)), 3)),
  flashesPerSecond: ([slot]) => 1000 / (2 * slot),
};
