import { z } from 'zod';
import { jobCore, type Say } from '../../document/job-record';
import { lampCore } from '../../document/lamp-record';
import { sceneryCore } from '../../document/scenery-record';
import { curtains, shells, type CurtainName, type ShellName } from './shell';

const keys = <K extends string>(of: Readonly<Record<K, unknown>>): [K, ...K[]] =>
  Object.keys(of) as [K, ...K[]];

/** A lamp in a room: along the building from its left end, and above the floor of the room. */
export const roomLampRecord = z.looseObject({
  ...lampCore,
  roomId: z.string().min(1),
  alongMillimetres: z.number().min(0).max(3000),
  heightMillimetres: z.number().min(0).max(300),
});

/** A room behind windows, on one of the floors. */
export const roomRecord = z.looseObject({
  order: z.number(),
  name: z.string().min(1).max(60),
  floor: z.number().int().min(0).max(30),
  fromMillimetres: z.number().min(0).max(3000),
  toMillimetres: z.number().min(0).max(3000),
  windows: z.number().int().min(0).max(20),
  windowWidthMillimetres: z.number().min(0.5).max(200),
  windowHeightMillimetres: z.number().min(0.5).max(200),
  sillMillimetres: z.number().min(0).max(200),
  curtain: z.enum(keys<CurtainName>(curtains)),
  /** It has walls of its own inside; without, its light is that of the whole floor. */
  closedOff: z.boolean(),
  leftDark: z.boolean(),
});

/** A building with lit rooms. */
export const buildingRecord = z.looseObject({
  ...jobCore,
  ...sceneryCore,
  kind: z.literal('building'),
  body: z.looseObject({
    lengthMillimetres: z.number().min(10).max(3000),
    depthMillimetres: z.number().min(5).max(1000),
    floorMillimetres: z.number().min(5).max(300),
    floors: z.number().int().min(1).max(30),
    roofMillimetres: z.number().min(0).max(500),
    shell: z.enum(keys<ShellName>(shells)),
    /** Blackened or lined inside. */
    blackened: z.boolean(),
    /** Between walls and ground. */
    baseGapMillimetres: z.number().min(0).max(20),
  }),
  rooms: z.record(z.string(), roomRecord),
  lamps: z.record(z.string(), roomLampRecord),
});

export type BuildingRecord = z.infer<typeof buildingRecord>;
export type Room = BuildingRecord['rooms'][string];
export type RoomLamp = BuildingRecord['lamps'][string];

/** Says what is wrong with a building beyond its schema: lamps in rooms that are not there, rooms of no width or above the roof. */
export function brokenInBuilding({ body, rooms, lamps }: BuildingRecord, say: Say): void {
  for (const [id, lamp] of Object.entries(lamps))
    if (!Object.hasOwn(rooms, lamp.roomId)) say(['lamps', id, 'roomId'], `there is no room ${lamp.roomId}`);
  for (const [id, room] of Object.entries(rooms)) {
    if (!(room.toMillimetres > room.fromMillimetres))
      say(['rooms', id, 'toMillimetres'], 'a room ends where it begins, or before');
    if (room.floor >= body.floors) say(['rooms', id, 'floor'], `the building has ${body.floors} floors`);
  }
}
