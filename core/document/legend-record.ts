import { z } from 'zod';
import { wireColours } from './wire-legend';

const colour = z.enum(wireColours);

/** Which colour means what in a job. */
export const legendRecord = z.looseObject({
  right: colour,
  left: colour,
  plus: colour,
  minus: colour,
  lamp: colour,
});
