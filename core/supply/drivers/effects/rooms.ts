import { milliseconds, percent, type MovingEffect } from './effect';
import { i, p, q, s, t } from './shapes';
import { below, choose, noise, over, plus, times } from './whole';

export const rooms: MovingEffect = {
  id: 'rooms',
  name: 'Rooms of an evening',
  says: 'now this room is lit, now that',
  parameters: [
    milliseconds('Somebody stays for', 1000, 3_600_000, 20_000),
    percent('Lit at a time', 5, 100, 60),
  ],
  level: choose(
    below(
      times(noise(over(plus(t, times(noise(i, s), over(p, 256))), p), plus(times(i, 31), s)), 100),
      times(q, 256),
    ),
    255,
    0,
  ),
  flashesPerSecond: ([stay]) => 1000 / (2 * stay),
};
