import { inOrder } from '../../document/in-order';
import { mixedXy } from '../../light/tinted';
import { windowLightness } from '../../light/wanted';
import { BLACKENED_PASSES, BLACKENED_REFLECTS, curtains, shells } from './shell';
import type { Readings } from '../../study/readings';
import type { BuildingRecord, Room } from './record';

const SQUARE_METRES = 1e-6;

/** A room as it is lit and as it is seen. */
export interface RoomLight {
  readonly id: string;
  readonly name: string;
  readonly leftDark: boolean;
  /** Mean illuminance of its surfaces. */
  readonly lux: number;
  /** What its windows show behind curtain or pane, as lux, and how bright that looks, 0 to 100. */
  readonly windowLux: number;
  readonly lightness: number;
  readonly xy: { readonly x: number; readonly y: number } | null;
  /** How bright its outer walls look by what comes through them, 0 to 100. */
  readonly leakLightness: number;
}

type Body = Pick<BuildingRecord, 'body' | 'rooms'>;

const lined = ({ body }: Body): { readonly passes: number; readonly reflects: number } =>
  body.blackened ? { passes: BLACKENED_PASSES, reflects: BLACKENED_REFLECTS } : shells[body.shell];

/** Rooms whose light is one: a closed-off room alone, the others of a floor together. */
const sharing = ({ rooms }: Body, room: Room): Room[] =>
  room.closedOff ? [room] : Object.values(rooms).filter((r) => r.floor === room.floor && !r.closedOff);

/**
 * Mean illuminance of the surfaces of a room by so many lumens in it: the balance of a closed space,
 * E = flux/(A (1 - reflectance)), with windows throwing nothing back (Ulbricht's sphere, for a room of
 * any shape: what is absorbed is what is shed).
 * @returns lux
 */
export function roomLux(of: Body, room: Room, lumens: number): number {
  const rooms = sharing(of, room);
  const { depthMillimetres: depth, floorMillimetres: high } = of.body;
  const length = rooms.reduce((sum, r) => sum + r.toMillimetres - r.fromMillimetres, 0);
  const area = 2 * (length * depth + length * high + depth * high);
  const glass = rooms.reduce(
    (sum, r) => sum + r.windows * r.windowWidthMillimetres * r.windowHeightMillimetres,
    0,
  );
  const absorbed = area - Math.max(0, area - glass) * lined(of).reflects;
  return lumens / (absorbed * SQUARE_METRES);
}

/** Every room of a building as it is lit by what was solved. */
export function roomsLight(job: BuildingRecord, readings: Pick<Readings, 'dies'>): RoomLight[] {
  return inOrder(job.rooms).map((room): RoomLight => {
    const inside = new Set(
      room.closedOff
        ? [room.id]
        : Object.entries(job.rooms)
            .filter(([, r]) => r.floor === room.floor && !r.closedOff)
            .map(([id]) => id),
    );
    const dies = readings.dies.filter((d) => inside.has(job.lamps[d.lampId].roomId));
    const lux = roomLux(
      job,
      room,
      dies.reduce((sum, d) => sum + d.lumens, 0),
    );
    const windowLux = lux * curtains[room.curtain].passes;
    return {
      id: room.id,
      name: room.name,
      leftDark: room.leftDark,
      lux,
      windowLux,
      lightness: windowLightness(windowLux),
      xy: mixedXy(dies.map((d) => ({ lumens: d.lumens, ...d.xy }))),
      leakLightness: windowLightness(lux * lined(job).passes),
    };
  });
}

/** Height of the upper edge of a room's windows above its floor. */
export const windowHead = ({ sillMillimetres, windowHeightMillimetres }: Room): number =>
  sillMillimetres + windowHeightMillimetres;

/** Whether a lamp is seen through the windows of its room by an eye level with them or above: it hangs below their upper edge. */
export const lampIsSeen = (room: Room, heightMillimetres: number): boolean =>
  room.windows > 0 && heightMillimetres < windowHead(room);
