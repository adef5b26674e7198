import { milliseconds, percent, type MovingEffect } from './effect';
import { between, glide, ofPercent, p, q } from './shapes';

export const twinkle: MovingEffect = {
  id: 'twinkle',
  name: 'Twinkle',
  says: 'each lamp now brighter, now dimmer',
  parameters: [milliseconds('How slowly', 170, 10_000, 700), percent('At the least', 0, 100, 25)],
  level: between(ofPercent(q), 255, glide(p, 7)),
  flashesPerSecond: ([slot]) => 1000 / (2 * slot),
};
