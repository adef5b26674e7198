import { milliseconds, percent, type MovingEffect } from './effect';
import { between, jump, ofPercent, p, q } from './shapes';

export const television: MovingEffect = {
  id: 'television',
  name: 'Television',
  says: 'a pale light that jumps',
  parameters: [milliseconds('A picture lasts', 170, 10_000, 800), percent('At the least', 0, 100, 30)],
  level: between(ofPercent(q), 255, jump(p, 13)),
  flashesPerSecond: ([slot]) => 1000 / (2 * slot),
};
