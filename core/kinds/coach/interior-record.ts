import { z } from 'zod';
import { roomKinds, type RoomKind } from './room-kinds';

const millimetres = (least: number, most: number) => z.number().min(least).max(most);

const roomKindNames = Object.keys(roomKinds) as [RoomKind, ...RoomKind[]];

/** One room, from the end of the room before it to its own end; its far wall is the one at its end. */
export const roomRecord = z.looseObject({
  order: z.number(),
  kind: z.enum(roomKindNames),
  endMillimetres: millimetres(0, 1500),
  /** Height of the partition at its end, from the floor; 0 for none. The coach's end wall stands anyway. */
  partitionMillimetres: millimetres(0, 250),
  /** What is, or will be, taken off its top. */
  partitionCutMillimetres: millimetres(0, 100),
  /** Whether the partition stops at the corridor or goes through from side to side. */
  partitionAcross: z.enum(['full', 'to-corridor']),
  /** Left dark on purpose: not counted where the light is judged. */
  leftDark: z.boolean(),
});

/** A seat-back or a low screen across the coach. */
export const seatBackRecord = z.looseObject({
  order: z.number(),
  placeMillimetres: millimetres(0, 1500),
  heightMillimetres: millimetres(0, 250),
  cutMillimetres: millimetres(0, 100),
});

/** The inside of a coach, in millimetres on the model; heights are from the floor. */
export const interiorRecord = z.looseObject({
  /** Between the side walls. */
  widthMillimetres: millimetres(3, 200),
  ceilingMillimetres: millimetres(5, 250),
  /** Top of a seat or table: where light is wanted. */
  seatMillimetres: millimetres(0, 100),
  /** How far below the ceiling the light comes out. */
  lampsBelowCeilingMillimetres: millimetres(0, 50),
  /** Share of the light that walls and partitions throw back. */
  reflectance: z.number().min(0).max(0.95),
  corridor: z
    .looseObject({
      side: z.enum(['near', 'far']),
      widthMillimetres: millimetres(1, 100),
      /** Height of the wall between corridor and compartments. */
      wallMillimetres: millimetres(0, 250),
    })
    .nullable(),
  rooms: z.record(z.string(), roomRecord),
  seatBacks: z.record(z.string(), seatBackRecord),
});

export type InteriorRecord = z.infer<typeof interiorRecord>;
export type RoomRecord = z.infer<typeof roomRecord>;
