import { milliseconds, type MovingEffect } from './effect';
import { i, jump, p, q, s, t } from './shapes';
import { below, choose, minus, noise, plus, rest, times } from './whole';

/** A tube's own start: some are slower than others. */
const starts = plus(p, rest(times(noise(i, plus(s, 41)), 8), plus(p, 1)));

export const fluorescent: MovingEffect = {
  id: 'fluorescent',
  name: 'Fluorescent start',
  says: 'blinks a few times, then burns',
  parameters: [
    milliseconds('Until it burns, at least', 200, 20_000, 2000),
    milliseconds('A blink', 170, 1000, 180),
  ],
  level: choose(below(t, starts), choose(below(jump(q, 23), 90), 180, 0), minus(255, 0)),
  flashesPerSecond: ([, slot]) => 1000 / (2 * slot),
};
