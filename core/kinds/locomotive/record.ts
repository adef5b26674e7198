import { z } from 'zod';
import { lampBodies, type LampBodyName } from '../../part/lamp-body';
import { endNames } from '../../document/ends';
import { jobCore, onRailsCore } from '../../document/job-record';
import { lampCore } from '../../document/lamp-record';
import { lampRoles, type LampRoleName } from '../../document/lamp-roles';

const millimetres = (least: number, most: number) => z.number().min(least).max(most);
const names = <T extends string>(of: Readonly<Record<T, unknown>>): [T, ...T[]] =>
  Object.keys(of) as [T, ...T[]];

/** The body on the model, in millimetres, and how it is made. */
export const vehicleBodyRecord = z.looseObject({
  /** Drawn with a cab at one end and a hood, a cab at both ends, or windows all along. */
  shape: z.enum(['hood', 'two-cabs', 'railcar']),
  lengthMillimetres: millimetres(20, 1500),
  widthMillimetres: millimetres(5, 200),
  /** Underside to roof. */
  heightMillimetres: millimetres(8, 250),
  wheelMillimetres: millimetres(2, 60),
  axles: z.number().int().min(2).max(16),
  /** Thickness of an end wall. */
  wallMillimetres: millimetres(0.2, 10),
  shell: z.enum(['opaque', 'thin-plastic']),
  blackedOut: z.boolean(),
});

/** One lamp at an end or inside. Heights are above the rail, sideways from the centre line, along from end A. */
export const vehicleLampRecord = z.looseObject({
  ...lampCore,
  role: z.enum(names<LampRoleName>(lampRoles)),
  /** When it shines otherwise than its role does; null to follow the role. */
  shows: z.enum(['leading', 'trailing', 'both']).nullable(),
  end: z.enum(endNames),
  body: z.enum(names<LampBodyName>(lampBodies)),
  acrossMillimetres: millimetres(-100, 100),
  heightMillimetres: millimetres(0, 300),
  /** For lamps inside only. */
  alongMillimetres: millimetres(0, 1500),
  lensMillimetres: millimetres(0.1, 30),
  /** Turned away from straight ahead, in degrees. */
  aimDegrees: z.number().min(-90).max(90),
  /** Sits on what is there, or a hole is drilled. */
  way: z.enum(['sits', 'drill']),
});

/** Room for lamps, in millimetres. */
export const vehicleFitRecord = z.looseObject({
  /** From the inside of an end wall to the nearest of motor, weight or glazing. */
  clearanceMillimetres: millimetres(0, 100),
  /** What is taken off a peg or light pipe so that the lamp sits behind it. */
  pipeLeftMillimetres: millimetres(0, 40),
  pipeLengthMillimetres: millimetres(0, 40),
  /** Places that were looked at in the dark and found dark, by their id. */
  darkTested: z.array(z.string().max(80)).max(100),
});

/** A locomotive, a railcar, or one end of a train set, to be lit. */
export const locomotiveRecord = z.looseObject({
  ...jobCore,
  ...onRailsCore,
  kind: z.literal('locomotive'),
  /** A second track it is set on in trials; null for none. */
  otherSupplyId: z.string().nullable(),
  /** It stands with end B towards where right rail positive runs. */
  turned: z.boolean(),
  powered: z.boolean(),
  body: vehicleBodyRecord,
  lamps: z.record(z.string(), vehicleLampRecord),
  fit: vehicleFitRecord,
});

export type LocomotiveRecord = z.infer<typeof locomotiveRecord>;
export type VehicleLampRecord = z.infer<typeof vehicleLampRecord>;
