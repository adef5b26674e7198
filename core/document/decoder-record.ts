import { z } from 'zod';
import { decoderTypes, type DecoderType } from '../part/decoder-type';
import { plugs } from '../part/plug';
import { effects, type EffectName } from '../part/output-effect';

/** A function output by its number. */
export const outputName = z.templateLiteral(
  ['out', z.number().int()],
  'an output by its number: out1, out2 and so on',
);
const functionNumber = z.number().int().min(0).max(28);
const effect = z.enum(Object.keys(effects) as [EffectName, ...EffectName[]]);

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
  effect,
  /** A function that while it is on gives it another effect: a ditch pair that is steady, and winks with the horn. */
  withKey: z.looseObject({ function: functionNumber, effect }).nullable(),
});

/** What on a board limits the current of an output. */
export const outputHoldRecord = z.discriminatedUnion('kind', [
  z.looseObject({ kind: z.literal('nothing') }),
  z.looseObject({ kind: z.literal('resistor'), ohms: z.number().min(1).max(1e6) }),
  z.looseObject({ kind: z.literal('limiter'), amps: z.number().min(0.0001).max(1) }),
]);

const plugName = z.enum(Object.keys(plugs) as [string, ...string[]]);
const millimetres = z.number().min(1).max(200);

/** Most outputs a decoder or board of one's own may have. */
export const MOST_OWN_OUTPUTS = 16;

/** A decoder or lighting board that is in no list, by the figures of its leaflet. */
export const ownDecoderRecord = z.looseObject({
  name: z.string().trim().min(1).max(60),
  outputs: z
    .array(
      z.looseObject({
        name: z.string().trim().min(1).max(40),
        limitAmps: z.number().min(0.001).max(5),
        level: z.enum(['full', 'logic']),
        holds: outputHoldRecord,
      }),
    )
    .min(1)
    .max(MOST_OWN_OUTPUTS),
  totalAmps: z.number().min(0.001).max(20),
  onOhms: z.number().min(0.01).max(1000),
  switches: z.enum(['minus', 'plus']),
  brightnessSteps: z.union([z.literal(100), z.literal(31)]),
  /** Number of the output that bit 0 of CV 33 to 46 stands for; null where any press may light any output. */
  windows: z.array(z.number().int().min(1).max(MOST_OWN_OUTPUTS)).length(14).nullable(),
  runsOnDc: z.boolean(),
  wakeVolts: z.number().min(0).max(30),
  ownAmps: z.number().min(0).max(1),
  plugs: z.array(plugName).min(1).max(Object.keys(plugs).length),
  lengthMillimetres: millimetres,
  widthMillimetres: millimetres,
  heightMillimetres: millimetres,
});

/** A decoder on board, and what its table says. */
export const decoderRecord = z.looseObject({
  type: z.enum(Object.keys(decoderTypes) as [string, ...string[]]),
  /** Figures of one that is in no list; they stand in place of those of the type. */
  own: ownDecoderRecord.nullable(),
  plug: plugName,
  outputs: z.record(z.string(), outputRecord),
  /** Outputs of which only the first that is asked for shines. */
  exclusive: z.array(outputName).max(8),
  /** A function that at every press goes on to the next of these outputs, and to none after the last. */
  stepped: z.looseObject({ function: functionNumber, outputs: z.array(outputName).min(1).max(8) }).nullable(),
  /** A function that while it is on dims these outputs to a share of their light. */
  dim: z
    .looseObject({
      function: functionNumber,
      share: z.number().min(0).max(1),
      outputs: z.array(outputName).min(1).max(MOST_OWN_OUTPUTS),
    })
    .nullable(),
});

export type DecoderRecord = z.infer<typeof decoderRecord>;
export type OutputRecord = z.infer<typeof outputRecord>;
export type OwnDecoderRecord = z.infer<typeof ownDecoderRecord>;

/** What a decoder on board is: its own figures where it has them, else those of its type. */
export function decoderTypeOf({ type, own }: Pick<DecoderRecord, 'type' | 'own'>): DecoderType {
  if (own === null) return decoderTypes[type];
  return { ...own, id: 'own', outputs: own.outputs.map((o, i) => ({ ...o, id: `out${i + 1}` })) };
}

/** One's own figures to begin from: those of what is on board. */
export function ownFrom(of: DecoderType): OwnDecoderRecord {
  const { id, ...figures } = of;
  void id;
  return structuredClone({
    ...figures,
    name: `Own, from ${figures.name.charAt(0).toLowerCase()}${figures.name.slice(1)}`.slice(0, 60),
    outputs: of.outputs.map(({ name, limitAmps, level, holds }) => ({ name, limitAmps, level, holds })),
    windows: of.windows === null ? null : [...of.windows],
    plugs: [...of.plugs],
  });
}
