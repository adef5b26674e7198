import { milliseconds, percent, type MovingEffect } from './effect';
import { between, ofPercent, p, q, t, triangle } from './shapes';
import { over, times } from './whole';

/** Squared, so that it looks even to an eye. */
const swell = over(times(triangle(t, p), triangle(t, p)), 255);

export const breathing: MovingEffect = {
  id: 'breathing',
  name: 'Breathing',
  says: 'slowly up and down',
  parameters: [milliseconds('A breath', 340, 60_000, 4000), percent('At the least', 0, 100, 0)],
  level: between(ofPercent(q), 255, swell),
  flashesPerSecond: ([period]) => 1000 / period,
};
