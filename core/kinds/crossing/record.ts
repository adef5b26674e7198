import { z } from 'zod';
import { drivenCore } from '../../document/aspect-record';
import { jobCore } from '../../document/job-record';
import { lampCore } from '../../document/lamp-record';

/** What a lamp of a crossing is: one of a pair on a post, one on a barrier, or the tell-tale of the bell on the panel. */
export const crossingPlaces = ['left', 'right', 'barrier', 'bell'] as const;
export type CrossingPlace = (typeof crossingPlaces)[number];

export const crossingLampRecord = z.looseObject({
  ...lampCore,
  place: z.enum(crossingPlaces),
  /** Which post or barrier it is on, from 1. */
  post: z.number().int().min(1).max(4),
  /** Along its barrier from the post; 0 for others. */
  outMillimetres: z.number().min(0).max(300),
});

/** A level crossing: posts with two lamps that flash in turn, barriers with lamps, a tell-tale for the bell. */
export const crossingRecord = z.looseObject({
  ...jobCore,
  ...drivenCore,
  kind: z.literal('crossing'),
  road: z.looseObject({
    /** Of the lamps above the ground. */
    heightMillimetres: z.number().min(1).max(300),
    /** From one lamp of a pair to the other. */
    spacingMillimetres: z.number().min(0.5).max(100),
    lensMillimetres: z.number().min(0.2).max(30),
    hoodMillimetres: z.number().min(0).max(30),
    postMillimetres: z.number().min(0.5).max(30),
    boreMillimetres: z.number().min(0.2).max(28),
    /** From post to post, across the line. */
    apartMillimetres: z.number().min(5).max(1000),
    barrierMillimetres: z.number().min(0).max(500),
    viewMetres: z.number().min(0.1).max(10),
  }),
  lamps: z.record(z.string(), crossingLampRecord),
});

export type CrossingRecord = z.infer<typeof crossingRecord>;
export type CrossingLamp = CrossingRecord['lamps'][string];
