import { z } from 'zod';
import { lampBodies, type LampBodyName } from '../part/lamp-body';
import { tints } from '../part/tint';
import { decoderRecord, outputName } from './decoder-record';
import { endNames } from './ends';
import { lampRoles, type LampRoleName } from './lamp-roles';
import { topologyNames } from './topology-names';

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
  order: z.number(),
  role: z.enum(names<LampRoleName>(lampRoles)),
  /** When it shines otherwise than its role does; null to follow the role. */
  shows: z.enum(['leading', 'trailing', 'both']).nullable(),
  end: z.enum(endNames),
  /** Lamp type; the second is what the other way shows in a two-colour lamp, null for one colour. */
  part: z.string().min(1),
  secondPart: z.string().min(1).nullable(),
  body: z.enum(names<LampBodyName>(lampBodies)),
  tint: z.enum(names(tints)),
  acrossMillimetres: millimetres(-100, 100),
  heightMillimetres: millimetres(0, 300),
  /** For lamps inside only. */
  alongMillimetres: millimetres(0, 1500),
  lensMillimetres: millimetres(0.1, 30),
  /** Turned away from straight ahead, in degrees. */
  aimDegrees: z.number().min(-90).max(90),
  /** Sits on what is there, or a hole is drilled. */
  way: z.enum(['sits', 'drill']),
  /** The circuit it hangs in; null while its leads go nowhere. */
  circuitId: z.string().nullable(),
  /** Its own resistor, where the circuit gives each one. */
  ohms: z.number().min(0.1).max(1e7),
  /** Resistance it came with, in ohms: 0 for a bare one. */
  builtInOhms: z.number().min(0).max(1e6),
  /** As it is, or will be, soldered: the wrong way round. */
  reversed: z.boolean(),
});

/** Lamps that share how they are fed and limited. */
export const lampCircuitRecord = z.looseObject({
  order: z.number(),
  name: z.string().min(1).max(60),
  topology: z.enum(topologyNames),
  /** Its one resistor, where it has one. */
  ohms: z.number().min(0.1).max(1e7),
  ratedWatts: z.number().min(0.01).max(50),
  feed: z.discriminatedUnion('kind', [
    z.looseObject({
      kind: z.literal('track'),
      /** Where its two leads are taken from. */
      tap: z.enum(['pickups', 'motor-tags', 'board']),
    }),
    z.looseObject({
      kind: z.literal('output'),
      output: outputName,
      /** What its plus side hangs on: the common positive, or a rail where there is none. */
      returnTo: z.enum(['common', 'right-rail', 'left-rail']),
    }),
  ]),
  /** The diode that let the old bulb shine one way only, as it is left. */
  steering: z.enum(['none', 'kept', 'bridged', 'removed']),
  /** The two leads change places at their far end, as built. */
  leadsSwapped: z.boolean(),
  /** A switch of its own in its feed, as it is set; null without one. */
  switch: z.looseObject({ name: z.string().min(1).max(40), on: z.boolean() }).nullable(),
  /** Behind a bridge or diode of its own only. */
  reservoir: z
    .looseObject({ farads: z.number().min(1e-9).max(0.5), ratedVolts: z.number().min(1).max(500) })
    .nullable(),
  /** What a regulated board holds its lamps at. */
  regulatedVolts: z.number().min(1.5).max(24),
});

/** Holes and ways for leads, in millimetres. */
export const vehicleFitRecord = z.looseObject({
  /** The narrowest bore or slot that the leads of an end go through. */
  boreMillimetres: millimetres(0.2, 40),
  /** From the inside of an end wall to the nearest of motor, weight or glazing. */
  clearanceMillimetres: millimetres(0, 100),
  /** Drilled lamp holes: what a resistor or plug may have to pass. */
  threadedFirst: z.boolean(),
  /** What is taken off a peg or light pipe so that the lamp sits behind it. */
  pipeLeftMillimetres: millimetres(0, 40),
  pipeLengthMillimetres: millimetres(0, 40),
  /** Places that were looked at in the dark and found dark, by their id. */
  darkTested: z.array(z.string().max(80)).max(100),
});

/** A locomotive, a railcar, or one end of a train set, to be lit. */
export const locomotiveRecord = z.looseObject({
  order: z.number(),
  kind: z.literal('locomotive'),
  name: z.string().min(1).max(80),
  note: z.string().max(4000),
  supplyId: z.string(),
  /** A second track it is set on in trials; null for none. */
  otherSupplyId: z.string().nullable(),
  /** It stands with end B towards where right rail positive runs. */
  turned: z.boolean(),
  powered: z.boolean(),
  body: vehicleBodyRecord,
  lamps: z.record(z.string(), vehicleLampRecord),
  circuits: z.record(z.string(), lampCircuitRecord),
  decoder: decoderRecord.nullable(),
  fit: vehicleFitRecord,
  /** What the person tests with: battery volts and the resistor in its lead. */
  tester: z.looseObject({ volts: z.number().min(1).max(24), ohms: z.number().min(100).max(100_000) }),
});

export type LocomotiveRecord = z.infer<typeof locomotiveRecord>;
export type VehicleLampRecord = z.infer<typeof vehicleLampRecord>;
export type LampCircuitRecord = z.infer<typeof lampCircuitRecord>;
