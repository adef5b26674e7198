import { z } from 'zod';
import { wireColours } from '../part/wire-colour';

const colour = z.enum(wireColours);

/** Which colour means what in a job. */
export const legendRecord = z.looseObject({
  right: colour,
  left: colour,
  plus: colour,
  minus: colour,
  lamp: colour,
});
