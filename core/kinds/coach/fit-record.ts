import { z } from 'zod';
import { reaches, thingKinds, type Reach, type ThingKind } from './thing-kinds';

const millimetres = (least: number, most: number) => z.number().min(least).max(most);

const thingNames = Object.keys(thingKinds) as [ThingKind, ...ThingKind[]];

/** A box in the body; places are of its middle, heights above the floor. */
export const thingRecord = z.looseObject({
  order: z.number(),
  kind: z.enum(thingNames),
  placeMillimetres: millimetres(0, 1500),
  acrossMillimetres: millimetres(-100, 100),
  bottomMillimetres: millimetres(-50, 250),
  lengthMillimetres: millimetres(0.5, 500),
  widthMillimetres: millimetres(0.5, 200),
  heightMillimetres: millimetres(0.5, 200),
  reach: z.enum(Object.keys(reaches) as [Reach, ...Reach[]]),
});

/** Tabs or clips of the roof that stand inside both side walls, opposite one another. */
export const tabsRecord = z.looseObject({
  /** Between a tab and the one opposite. */
  apartMillimetres: millimetres(0.5, 200),
  /** Length of each along the coach. */
  lengthMillimetres: millimetres(0.2, 200),
  placesMillimetres: z.array(millimetres(0, 1500)).max(40),
});

/** A board or strip under the ceiling, on the centre line. */
export const boardRecord = z.looseObject({
  startMillimetres: millimetres(0, 1500),
  lengthMillimetres: millimetres(1, 1500),
  widthMillimetres: millimetres(0.5, 200),
  thicknessMillimetres: millimetres(0.1, 30),
  /** The tallest part on it, hanging down; its middle along the coach. */
  tallest: z
    .looseObject({
      heightMillimetres: millimetres(0, 50),
      placeMillimetres: millimetres(0, 1500),
      lengthMillimetres: millimetres(0.2, 300),
    })
    .nullable(),
});

/** How the body comes open, and what it holds. */
export const fitRecord = z.looseObject({
  opening: z.looseObject({
    how: z.enum(['clips', 'tabs', 'screws', 'glued']),
    /** At which end the roof stays while it is opened; none where it lifts off whole. */
    hinge: z.enum(['none', 'left', 'right']),
    /** An arrow inside that must point the same way as the one on the floor. */
    arrow: z.boolean(),
    /** The end at which leads go from roof to floor. */
    leadsEnd: z.enum(['none', 'left', 'right']),
  }),
  tabs: tabsRecord.nullable(),
  board: boardRecord.nullable(),
  things: z.record(z.string(), thingRecord),
  /** The eye of a person beside the track: above the rail, and away from the coach’s side. */
  eye: z.looseObject({
    aboveRailMillimetres: millimetres(-500, 3000),
    awayMillimetres: millimetres(10, 5000),
  }),
  /** What the shell is made of, and whether it is blacked out inside. */
  shell: z.enum(['opaque', 'thin-plastic']),
  blackedOut: z.looseObject({ roof: z.boolean(), ends: z.boolean() }),
});

export type FitRecord = z.infer<typeof fitRecord>;
export type ThingRecord = z.infer<typeof thingRecord>;
export type BoardRecord = z.infer<typeof boardRecord>;
