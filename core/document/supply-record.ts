import { z } from 'zod';

/** A supply as the file holds it. NMRA S-9.1 puts the amplitude of a DCC track between 7 and 22 V. */
export const supplyRecord = z.looseObject({
  order: z.number(),
  name: z.string().min(1).max(80),
  kind: z.literal('dcc-track'),
  amplitudeVolts: z.number().min(7).max(22),
  highestVolts: z.number().min(7).max(22),
  limitAmps: z.number().min(0.1).max(20),
  tripSeconds: z.number().min(0.0001).max(5),
  trackOhms: z.number().min(0.01).max(100),
  bits: z.string().regex(/^[01]{1,400}$/, 'only 0 and 1, at most 400 of them'),
  zeroHalfMicroseconds: z.number().min(95).max(9900),
});

export type SupplyRecord = z.infer<typeof supplyRecord>;
