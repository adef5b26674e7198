import { milliseconds, percent, type MovingEffect } from './effect';
import { i, jump, p, q, r, s, t } from './shapes';
import { below, choose, noise, over, plus, times } from './whole';

export const welder: MovingEffect = {
  id: 'welder',
  name: 'Welder',
  says: 'bursts of flicker, with pauses',
  parameters: [
    milliseconds('A flicker every', 30, 1000, 170),
    milliseconds('A burst lasts', 500, 20_000, 2000),
    percent('At work', 5, 100, 55),
  ],
  level: choose(
    below(times(noise(over(t, q), plus(s, times(i, 17))), 100), times(r, 256)),
    choose(below(jump(p, 5), 120), 255, 20),
    0,
  ),
  flashesPerSecond: ([slot]) => 1000 / (2 * slot),
};
