import { z } from 'zod';
import { decoderTypes } from '../part/decoder-type';
import { plugs } from '../part/plug';
import { effects, type EffectName } from '../part/output-effect';

/** A function output by its number. */
export const outputName = z.templateLiteral(
  ['out', z.number().int()],
  'an output by its number: out1, out2 and so on',
);
const functionNumber = z.number().int().min(0).max(28);

/** A press that switches an output on: a function, in one direction or in both. */
export const outputKeyRecord = z.looseObject({
  function: functionNumber,
  direction: z.enum(['both', 'forward', 'reverse']),
});

/** What one output does: the presses that light it, further conditions, how bright, how. */
export const outputRecord = z.looseObject({
  /** Any of these lights it. */
  keys: z.array(outputKeyRecord).max(58),
  /** Only while it moves, only while it stands, or whatever it does. */
  moving: z.enum(['any', 'moving', 'standing']),
  /** A function that keeps it dark; null for none. */
  unless: functionNumber.nullable(),
  /** Share of the time it conducts while it is on. */
  brightness: z.number().min(0).max(1),
  effect: z.enum(Object.keys(effects) as [EffectName, ...EffectName[]]),
});

/** A decoder on board, and what its table says. */
export const decoderRecord = z.looseObject({
  type: z.enum(Object.keys(decoderTypes) as [string, ...string[]]),
  plug: z.enum(Object.keys(plugs) as [string, ...string[]]),
  outputs: z.record(z.string(), outputRecord),
  /** Outputs of which only the first that is asked for shines. */
  exclusive: z.array(outputName).max(8),
  /** A function that at every press goes on to the next of these outputs, and to none after the last. */
  stepped: z.looseObject({ function: functionNumber, outputs: z.array(outputName).min(1).max(8) }).nullable(),
});

export type DecoderRecord = z.infer<typeof decoderRecord>;
export type OutputRecord = z.infer<typeof outputRecord>;
