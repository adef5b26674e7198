import { z } from 'zod';
import { addressableStrings, type AddressableName } from '../part/addressable';
import { movingEffectNames, type MovingEffectName } from '../supply/drivers/effects';
import { timelineDoubts, type Timeline } from '../supply/drivers/timeline';
import { wireNames } from '../part/wire';
import { inOrder } from './in-order';
import type { Say } from './job-record';

const sorts = Object.keys(addressableStrings) as [AddressableName, ...AddressableName[]];
const effects = movingEffectNames as [MovingEffectName, ...MovingEffectName[]];
const level = z.number().int().min(0).max(255);
const milliseconds = z.number().int().min(0).max(43_200_000);

/** Lamps of a scene that move together: some that hang on outputs, or a part of its string. */
const groupRecord = z.discriminatedUnion('of', [
  z.looseObject({
    of: z.literal('lamps'),
    order: z.number(),
    name: z.string().min(1).max(40),
    lamps: z.array(z.string()).min(1).max(40),
  }),
  z.looseObject({
    of: z.literal('string'),
    order: z.number(),
    name: z.string().min(1).max(40),
    /** Its first lamp on the string, from 0, and how many. */
    first: z.number().int().min(0).max(999),
    count: z.number().int().min(1).max(1000),
  }),
]);

/** An effect of a group from one moment to another. */
const clipRecord = z.looseObject({
  order: z.number(),
  group: z.string(),
  fromMilliseconds: milliseconds,
  toMilliseconds: milliseconds,
  effect: z.enum(effects),
  parameters: z.array(z.number().int()).max(3),
  /** Red, green and blue at full; of plain lamps not heeded. */
  colour: z.tuple([level, level, level]),
});
export type ClipRecord = z.infer<typeof clipRecord>;

/** What happens when, over and over. */
export const timelineRecord = z.looseObject({
  groups: z.record(z.string(), groupRecord),
  clips: z.record(z.string(), clipRecord),
  lastsMilliseconds: z.number().int().min(100).max(43_200_000),
  seed: z.number().int().min(0).max(65_535),
  frameMilliseconds: z.number().int().min(10).max(1000),
  /** Share of full that nothing goes above. */
  capPercent: z.number().int().min(1).max(100),
});
export type TimelineRecord = z.infer<typeof timelineRecord>;

/** An addressable string, with a supply of its own whose minus is joined with that of what drives it. */
export const stringRecord = z.looseObject({
  name: z.string().min(1).max(40),
  sort: z.enum(sorts),
  count: z.number().int().min(1).max(1000),
  laid: z.enum(['ring', 'line']),
  /** Of a ring its diameter, of a line its length. */
  acrossMillimetres: z.number().min(1).max(20_000),
  /** Its middle above the ground, and from the left end. */
  heightMillimetres: z.number().min(0).max(2000),
  alongMillimetres: z.number().min(0).max(5000),
  supplyVolts: z.number().min(3).max(30),
  supplyAmps: z.number().min(0.05).max(60),
  /** Where power comes in: at which lamp, through how much wire one way. */
  feeds: z
    .array(
      z.looseObject({ at: z.number().int().min(0).max(999), wireMillimetres: z.number().min(0).max(10_000) }),
    )
    .min(1)
    .max(20),
  wire: z.enum(wireNames),
  /** In the data line; 0 for none. */
  dataOhms: z.number().min(0).max(10_000),
  /** From the pin to the first lamp. */
  dataMillimetres: z.number().min(0).max(20_000),
  /** Reservoir across its start; 0 for none. */
  farads: z.number().min(0).max(0.1),
  /** A level shifter lifts the pin's ones to the string's own volts. */
  shifter: z.boolean(),
});
export type StringRecord = z.infer<typeof stringRecord>;

/** A motor on the same supply as the lamps. */
export const motorRecord = z.looseObject({
  name: z.string().min(1).max(40),
  /** Volts it is made for, and what it draws at these under way. */
  volts: z.number().min(0.5).max(30),
  amps: z.number().min(0.001).max(5),
});
export type MotorRecord = z.infer<typeof motorRecord>;

/** What every job has whose light moves by a time line. */
export const movingCore = {
  timeline: timelineRecord,
  string: stringRecord.nullable(),
  motor: motorRecord.nullable(),
};
export type Moving = z.infer<z.ZodObject<typeof movingCore, z.core.$loose>>;

/** Whether the light of a job moves by a time line. */
export const isMoving = <J extends object>(job: J): job is J & Moving => 'timeline' in job && 'string' in job;

/** The motor of a job; null without one. */
export const motorOf = (job: object): MotorRecord | null => (isMoving(job) ? job.motor : null);

/**
 * The time line of a job as its sums want it.
 * @param channels how many channels there are
 * @param channelOf the channel of a lamp; null for one that hangs on none
 */
export function timelineWith(
  { timeline, string }: Moving,
  channels: number,
  channelOf: (lampId: string) => number | null,
): Timeline {
  return {
    groups: inOrder(timeline.groups).map((g) => ({
      id: g.id,
      name: g.name,
      kind: g.of === 'lamps' ? 'channels' : 'string',
      lamps:
        g.of === 'lamps'
          ? [...new Set(g.lamps.flatMap((id) => channelOf(id) ?? []))]
          : Array.from({ length: g.count }, (_, i) => g.first + i),
    })),
    clips: inOrder(timeline.clips),
    lastsMilliseconds: timeline.lastsMilliseconds,
    seed: timeline.seed,
    frameMilliseconds: timeline.frameMilliseconds,
    capPercent: timeline.capPercent,
    channels,
    lamps: string?.count ?? 0,
  };
}

/** Says what is wrong with the time line and the string of a job beyond their schema. */
export function brokenInMoving(job: Moving & { readonly lamps: object }, say: Say): void {
  const lamps = Object.keys(job.lamps);
  const groups = inOrder(job.timeline.groups);
  const clips = inOrder(job.timeline.clips);
  let known = true;
  for (const g of groups)
    if (g.of === 'lamps')
      g.lamps.forEach((id, i) => {
        if (lamps.includes(id)) return;
        known = false;
        say(['timeline', 'groups', g.id, 'lamps', i], `there is no lamp “${id}”`);
      });
  if (known)
    for (const { path, reason } of timelineDoubts(
      timelineWith(job, lamps.length, (id) => lamps.indexOf(id)),
    )) {
      const [room, index, ...rest] = path;
      if (room === 'groups') say(['timeline', room, groups[index as number].id], reason);
      else if (room === 'clips') say(['timeline', room, clips[index as number].id, ...rest], reason);
      else say(['timeline', ...path], reason);
    }
  job.string?.feeds.forEach(({ at }, i) => {
    if (at >= job.string!.count) say(['string', 'feeds', i, 'at'], `the string has no lamp ${at}`);
  });
}
