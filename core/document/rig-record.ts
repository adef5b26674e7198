import { z } from 'zod';
import { channels, type ChannelName } from '../part/overhead-lamp';
import { feedWireNames } from '../part/feed-wire';
import type { Say } from './job-record';

const name = z.string().min(1).max(60);
const order = z.number();
const millimetres = z.number().min(0).max(20_000);
const share = z.number().min(0).max(1);
const kelvin = z.number().min(1500).max(12_000);

/** One row of light: strip, tubes end to end, or spots; from the left of its boards, or of each module. */
export const rigRowRecord = z.looseObject({
  order,
  name,
  form: z.enum(['strip', 'tube', 'spot']),
  /** For a metre of strip or tube, for one spot; as the bag says, or as it was measured. */
  lumens: z.number().min(1).max(10_000),
  watts: z.number().min(0.1).max(200),
  volts: z.number().min(3).max(48),
  kelvin,
  duv: z.number().min(-0.03).max(0.03),
  beamDegrees: z.number().min(10).max(170),
  cutMillimetres: z.number().min(1).max(2000),
  copperOhms: z.number().min(0).max(10),
  pieceMillimetres: z.number().min(10).max(5000),
  price: z.number().min(0).max(1000),
  /** Where it begins along, and how much is wanted of it. */
  fromMillimetres: millimetres,
  lengthMillimetres: z.number().min(10).max(20_000),
  /** Before the backscene, and above the scenery. */
  depthMillimetres: millimetres,
  heightMillimetres: z.number().min(20).max(3000),
  /** From straight down towards the backscene. */
  tiltDegrees: z.number().min(-80).max(80),
  channel: z.enum(Object.keys(channels) as [ChannelName, ...ChannelName[]]),
  /** What it is dimmed to. */
  level: share,
  on: z.boolean(),
  fed: z.enum(['one end', 'both ends']),
  /** A step-down converter stands before it, set to its volts. */
  converter: z.boolean(),
});
export type RigRowRecord = z.infer<typeof rigRowRecord>;

/** What lights a layout from above. */
export const rigRecord = z.looseObject({
  order,
  name,
  note: z.string().max(4000),
  /** Boards it hangs over; none for one of typed width and depth. */
  boards: z.array(z.string()).max(60),
  /** Rigs over other boards that are lit with it. */
  litWith: z.array(z.string()).max(20),
  widthMillimetres: z.number().min(50).max(20_000),
  depthMillimetres: z.number().min(50).max(5000),
  /** The side of the boards, seen from above, that its backscene stands at and its rows run along. */
  backsceneAt: z.enum(['far', 'left', 'near', 'right']),
  /** It is built of modules of this length that repeat and join; null for one piece. */
  moduleMillimetres: z.number().min(100).max(5000).nullable(),
  backscene: z
    .looseObject({ heightMillimetres: z.number().min(10).max(3000), reflectance: share })
    .nullable(),
  /** A board before the rows that hides them: so far before the front edge, so far down from the highest row. */
  fascia: z
    .looseObject({ forwardMillimetres: millimetres, dropMillimetres: millimetres, reflectance: share })
    .nullable(),
  room: z.looseObject({ lux: z.number().min(0).max(5000), kelvin }),
  /** Where the eye of who stands before it is: above the scenery, before the front edge. */
  eye: z.looseObject({
    heightMillimetres: z.number().min(-1000).max(3000),
    awayMillimetres: z.number().min(50).max(5000),
  }),
  wanted: z.looseObject({ lux: z.number().min(1).max(20_000), leastKelvin: kelvin, mostKelvin: kelvin }),
  supply: z.looseObject({
    volts: z.number().min(3).max(48),
    amps: z.number().min(0.05).max(100),
    wire: z.enum(feedWireNames),
    wireMillimetres: z.number().min(0).max(50_000),
    /** What a plug from module to module bears. */
    plugAmps: z.number().min(0.1).max(50),
  }),
  dimming: z.discriminatedUnion('kind', [
    z.looseObject({ kind: z.literal('none') }),
    z.looseObject({ kind: z.literal('pulse-width'), hertz: z.number().min(10).max(100_000) }),
    z.looseObject({ kind: z.literal('voltage') }),
  ]),
  rows: z.record(z.string(), rigRowRecord),
});
export type RigRecord = z.infer<typeof rigRecord>;

/** Says what is wrong with a rig beyond its schema. */
export function brokenInRig(
  rig: RigRecord,
  { boards, rigs }: { readonly boards: object; readonly rigs: object },
  say: Say,
): void {
  rig.boards.forEach((id, i) => {
    if (!Object.hasOwn(boards, id)) say(['boards', i], `there is no board “${id}”`);
  });
  rig.litWith.forEach((id, i) => {
    if (!Object.hasOwn(rigs, id)) say(['litWith', i], `there is no rig “${id}”`);
  });
  if (rig.wanted.mostKelvin < rig.wanted.leastKelvin)
    say(['wanted', 'mostKelvin'], 'it is below the least colour temperature');
}
