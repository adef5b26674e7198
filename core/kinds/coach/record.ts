import { z } from 'zod';
import { fitRecord } from './fit-record';
import { interiorRecord } from './interior-record';
import { jobCore, onRailsCore, type Say } from '../../document/job-record';
import { lampCore } from '../../document/lamp-record';

const millimetres = (least: number, most: number) => z.number().min(least).max(most);

/** The body of a coach on the model, in millimetres; what is drawn, and where light has to reach. */
export const coachDimensions = z.looseObject({
  lengthMillimetres: millimetres(30, 1500),
  widthMillimetres: millimetres(5, 200),
  /** Floor to roof, outside. */
  bodyHeightMillimetres: millimetres(8, 250),
  windowCount: z.number().int().min(1).max(40),
  wheelMillimetres: millimetres(2, 60),
});

/** One lamp, strip unit, fairy lamp or light bar in the roof. */
export const lampRecord = z.looseObject({
  ...lampCore,
  placeMillimetres: z.number().min(0).max(1500),
  /** From the centre line towards the far side; below zero towards the near one. */
  acrossMillimetres: z.number().min(-100).max(100),
  /** Turned from straight down towards the far side, in degrees; below zero towards the near one. */
  aimDegrees: z.number().min(-90).max(90),
  /** What it lights: the rooms, or the track behind and before the train. */
  role: z.enum(['room', 'tail', 'marker']),
});

/** The bulbs that are, or were, in it: volts and true RMS amperes as read, all together. */
export const oldBulbsRecord = z.looseObject({
  volts: z.number().min(0.5).max(60),
  amps: z.number().min(1e-3).max(10),
});

/** A coach to be lit. */
export const coachRecord = z.looseObject({
  ...jobCore,
  ...onRailsCore,
  kind: z.literal('coach'),
  dimensions: coachDimensions,
  interior: interiorRecord,
  fit: fitRecord,
  /** Wanted light at seat height, in lux inside the model. */
  wantedLux: z.number().min(0.1).max(100000),
  lamps: z.record(z.string(), lampRecord),
  oldBulbs: oldBulbsRecord.nullable(),
});

export type CoachRecord = z.infer<typeof coachRecord>;

/** What is wrong with a coach beyond its schema. */
export function brokenInCoach(job: CoachRecord, say: Say): void {
  if (Object.keys(job.interior.rooms).length === 0)
    say(['interior', 'rooms'], 'a coach has at least one room');
}
