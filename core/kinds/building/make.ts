import { freeName } from '../../document/free-name';
import { plainLamp } from '../../document/lamp-record';
import { change, type Change } from '../../document/patch';
import { seenAmps } from '../../study/seen-amps';
import { windowLightness } from '../../light/wanted';
import { roomLux } from './light';
import { passLeads } from '../../study/pass-leads';
import { usualCircuit } from '../../document/usual-circuit';
import { freeId } from '../../document/usual-supply';
import { modelMillimetres } from '../../quantity/scale';
import { sceneryStart, supplyFor, type SupplyWish } from '../../study/begin-scenery';
import { FEED, hookUp } from '../../study/hook-up';
import { LAMP_SHARE, usualRooms } from './rooms';
import { buildingPassages } from './usual-passages';
import type { HookUpName } from '../../document/scenery-record';
import type { Layout } from '../../document/layout';
import type { BuildingRecord, RoomLamp } from './record';
import type { ShellName } from './shell';

/** A building as wanted by someone who has not said more than this. */
export interface BuildingWish {
  readonly name: string;
  readonly lengthMillimetres: number;
  readonly rooms: number;
  readonly shell: ShellName;
  readonly part: string;
  readonly supply: SupplyWish;
  readonly hookUp: HookUpName;
}

/** Metres of a floor, and of the roof above the last; depth over length (common practice, no source). */
const FLOOR = 3.2;
const ROOF = 2.6;
const DEPTH_SHARE = 0.6;
/** More rooms than this are laid on two floors. */
const ONE_FLOOR = 2;
/** What a lamp of a small room is given (common practice, no source). */
const ROOM_AMPS = 6e-3;

/** Current at which the windows of a room are plainly lit, in amperes. */
const roomAmps = (layout: Layout, job: BuildingRecord, roomId: string, part: string): number =>
  seenAmps(layout, part, ROOM_AMPS, (lumens) => windowLightness(roomLux(job, job.rooms[roomId], lumens)));

/**
 * Adds a building: rooms over its floors, a lamp under the ceiling of each, each room limited by itself.
 * @returns the change, and the id of the new job
 */
export function newBuilding(layout: Layout, wish: BuildingWish): Change & { readonly jobId: string } {
  const jobId = freeId(layout.jobs, 'building');
  const made = change(layout, (draft) => {
    const supplyId = supplyFor(draft, wish.supply);
    const at = (metres: number): number => Math.round(modelMillimetres(metres, layout.scale));
    const body: BuildingRecord['body'] = {
      lengthMillimetres: wish.lengthMillimetres,
      depthMillimetres: Math.max(5, Math.round(wish.lengthMillimetres * DEPTH_SHARE)),
      floorMillimetres: Math.max(5, at(FLOOR)),
      floors: wish.rooms > ONE_FLOOR ? 2 : 1,
      roofMillimetres: at(ROOF),
      shell: wish.shell,
      blackened: true,
      baseGapMillimetres: 0,
    };
    const rooms = usualRooms(
      body,
      Array.from({ length: wish.rooms }, (_, i) => `Room ${i + 1}`),
    );
    const job: BuildingRecord = {
      ...sceneryStart(draft as Layout, wish.name, supplyId, wish.hookUp),
      kind: 'building',
      body,
      rooms,
      circuits: Object.fromEntries(
        Object.entries(rooms).map(([id, room], i) => [id, usualCircuit(i + 1, room.name, FEED)]),
      ),
      passages: buildingPassages({ rooms }),
      lamps: Object.fromEntries(
        Object.entries(rooms).map(([id, room], i): [string, RoomLamp] => [
          `lamp-${i + 1}`,
          {
            ...plainLamp,
            order: i + 1,
            part: wish.part,
            circuitId: id,
            roomId: id,
            alongMillimetres: (room.fromMillimetres + room.toMillimetres) / 2,
            heightMillimetres: Math.round(body.floorMillimetres * LAMP_SHARE * 10) / 10,
          },
        ]),
      ),
    };
    // A colour that the eye sees little of gets as much as it lasts with.
    draft.jobs[jobId] = job;
    hookUp(
      draft as Layout,
      draft.jobs[jobId] as BuildingRecord,
      wish.hookUp,
      (id) => roomAmps(layout, job, id, wish.part),
      'rooms',
    );
    passLeads(draft as Layout, jobId);
  });
  return { ...made, jobId };
}

/** A building of three rooms, on what feeds it. */
export const usualBuilding = (layout: Layout, supplyId: string): Change & { readonly jobId: string } =>
  newBuilding(layout, {
    name: freeName(layout, 'Building'),
    lengthMillimetres: 140,
    rooms: 3,
    shell: 'thin-plastic',
    part: 'white-warm',
    supply: { id: supplyId },
    hookUp: layout.supplies[supplyId].kind === 'accessory-output' ? 'output' : 'strip',
  });
