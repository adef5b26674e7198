import { z } from 'zod';
import { tints } from '../part/tint';

const tintNames = Object.keys(tints) as [string, ...string[]];

/** What a ready-wired lamp or board holds, as far as the person knows. */
export const builtInRecord = z.discriminatedUnion('kind', [
  z.looseObject({ kind: z.literal('nothing') }),
  z.looseObject({ kind: z.literal('unknown') }),
  z.looseObject({ kind: z.literal('resistor'), ohms: z.number().min(0.1).max(1e7) }),
  z.looseObject({ kind: z.literal('limiter'), amps: z.number().min(1e-4).max(2) }),
]);

/** What every lamp of every kind of job has; a kind adds where it sits. */
export const lampCore = {
  order: z.number(),
  /** Lamp type, or a bulb; the second is what the other way shows in a two-colour lamp, null for one colour. */
  part: z.string().min(1),
  secondPart: z.string().min(1).nullable(),
  tint: z.enum(tintNames),
  /** The circuit it hangs in; null while its leads go nowhere. */
  circuitId: z.string().nullable(),
  /** Its own resistor, where the circuit gives each one; null for the circuit’s value. */
  ohms: z.number().min(0.1).max(1e7).nullable(),
  builtIn: builtInRecord,
  /** As it is, or will be, soldered: the wrong way round. */
  reversed: z.boolean(),
};

export type BuiltInRecord = z.infer<typeof builtInRecord>;
/** What can be asked of a lamp without knowing its kind of job. */
export type LampCore = z.infer<z.ZodObject<typeof lampCore, z.core.$loose>>;

/** A lamp as it comes: one colour, bare, the right way round, with the circuit's resistor. */
export const plainLamp = {
  secondPart: null,
  tint: 'none',
  ohms: null,
  builtIn: { kind: 'nothing' },
  reversed: false,
} as const satisfies Partial<LampCore>;
