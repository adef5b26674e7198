import { percent, type MovingEffect } from './effect';
import { ofPercent, p } from './shapes';

export const steady: MovingEffect = {
  id: 'steady',
  name: 'Steady',
  says: 'lit, and stays so',
  parameters: [percent('How bright', 0, 100, 100)],
  level: ofPercent(p),
  flashesPerSecond: () => 0,
};
