import { z } from 'zod';
import { lampColours, type LampColourName } from '../part/printed-lamp';

const count = z.number().int().min(0).max(100_000);
const price = z.number().min(0).max(10_000);

/** Where it is kept: "third drawer, left". */
const kept = z.string().max(60);

/** Resistors a person owns. */
export const resistorStock = z.looseObject({
  order: z.number(),
  ohms: z.number().min(0.1).max(1e7),
  ratedWatts: z.number().min(0.01).max(50),
  count,
  price,
  kept,
});

/** Reservoir capacitors a person owns. */
export const reservoirStock = z.looseObject({
  order: z.number(),
  farads: z.number().min(1e-9).max(0.5),
  ratedVolts: z.number().min(1).max(500),
  count,
  price,
  kept,
});

/** Everything else a person owns, by the key of its sort (`lamp:white-warm`, `wire:decoder:red`): pieces, wire in metres. */
export const sundryStock = z.looseObject({
  order: z.number(),
  key: z.string().min(1).max(80),
  name: z.string().min(1).max(80),
  count: z.number().min(0).max(100_000),
  price,
  kept,
});

const colourNames = Object.keys(lampColours) as [LampColourName, ...LampColourName[]];

/** A lamp type of one's own, from readings on the bench. */
export const ownLamp = z.looseObject({
  order: z.number(),
  name: z.string().min(1).max(80),
  readings: z
    .array(z.looseObject({ volts: z.number().min(0.1).max(60), amps: z.number().min(1e-6).max(2) }))
    .min(2)
    .max(40),
  greatestAmps: z.number().min(1e-4).max(2),
  /** Luminous flux at the highest reading. */
  lumens: z.number().min(1e-4).max(1000),
  /** Of a white one; other colours have a chromaticity of their own. */
  kelvin: z.number().min(1000).max(15_000),
  colour: z.enum(colourNames),
  /** Whole angle between the directions of half its greatest intensity. */
  beamDegrees: z.number().min(5).max(170),
  /** Length between cut marks of a piece of strip; null for a single lamp. */
  unitMillimetres: z.number().min(1).max(1000).nullable(),
});

/** What lies in the drawer. */
export const drawerRecord = z.looseObject({
  resistors: z.record(z.string(), resistorStock),
  reservoirs: z.record(z.string(), reservoirStock),
  sundries: z.record(z.string(), sundryStock),
  lamps: z.record(z.string(), ownLamp),
  /** What the person tests with: battery volts and the resistor in its lead. */
  tester: z.looseObject({ volts: z.number().min(1).max(24), ohms: z.number().min(1).max(100_000) }),
});

/** A 9 V block and 1 kohm (common practice, no source). */
export const USUAL_TESTER = { volts: 9, ohms: 1000 };

/** A lamp of one's own as one commonly is: white, matt, single. */
export const usualOwnLamp = {
  kelvin: 2800,
  colour: 'white',
  beamDegrees: 120,
  unitMillimetres: null,
} as const;

export type OwnLamp = z.infer<typeof ownLamp>;
