import { inOrder } from '../../document/in-order';
import type { InteriorRecord, RoomRecord } from './interior-record';
import { roomKinds } from './room-kinds';
import { windowShape } from './usual-interior';
import { LightField, type Interior, type Place, type Screen } from '../../light/interior';
import type { CoachRecord } from './record';

/** A room with where it begins and ends, and how far it reaches across, in millimetres. */
export interface LaidRoom extends RoomRecord {
  readonly id: string;
  readonly from: number;
  readonly to: number;
  /** From the near wall. */
  readonly nearest: number;
  readonly farthest: number;
}

/** The inside of a coach laid out, with the lines along its windows on which the light is looked at. */
export interface CoachInterior {
  readonly rooms: readonly LaidRoom[];
  /** Where the corridor runs, along and across; null without one. */
  readonly corridor: {
    readonly from: number;
    readonly to: number;
    readonly nearest: number;
    readonly farthest: number;
  } | null;
  readonly light: Interior;
  readonly field: LightField;
  /** Places along the coach at which both lines are looked at. */
  readonly along: readonly number[];
  readonly lineNear: number;
  readonly lineFar: number;
}

/** How far inside a side wall the light of a window is looked at, as a share of the width. */
const LINE_SHARE = 0.12;
/** Points on each line. */
const LEAST_POINTS = 96;
const POINTS_A_WINDOW = 12;
const MOST_POINTS = 240;

type Dimensions = CoachRecord['dimensions'];
const known = new WeakMap<InteriorRecord, { of: string; laid: CoachInterior }>();

/** Lays out the inside of a coach. What has not changed is not laid out again. */
export function coachInterior(job: Pick<CoachRecord, 'interior' | 'dimensions'>): CoachInterior {
  const { lengthMillimetres, windowCount, bodyHeightMillimetres } = job.dimensions;
  const of = `${lengthMillimetres} ${windowCount} ${bodyHeightMillimetres}`;
  const before = known.get(job.interior);
  if (before?.of === of) return before.laid;
  const laid = layInterior(job.interior, job.dimensions);
  known.set(job.interior, { of, laid });
  return laid;
}

function layInterior(interior: InteriorRecord, dimensions: Dimensions): CoachInterior {
  const { widthMillimetres: width, ceilingMillimetres: ceiling, reflectance, seatMillimetres } = interior;
  const length = dimensions.lengthMillimetres;
  const rooms = layRooms(interior, length);
  const screens: Screen[] = [];
  rooms.forEach((room, i) => {
    const next = rooms[i + 1];
    // Nothing stands higher than the ceiling, whatever the figures say.
    const top = Math.min(ceiling, room.partitionMillimetres - room.partitionCutMillimetres);
    if (!next || top <= 0) return;
    const stops = room.partitionAcross === 'to-corridor' && interior.corridor !== null;
    const { nearest, farthest } = stops ? besideCorridor(interior) : { nearest: 0, farthest: width };
    screens.push({
      lies: 'across',
      at: room.to,
      from: nearest,
      to: farthest,
      top,
    });
  });
  const beside = rooms.filter((r) => interior.corridor !== null && roomKinds[r.kind].besideCorridor);
  if (interior.corridor) {
    const { side, widthMillimetres, wallMillimetres } = interior.corridor;
    const at = side === 'far' ? width - widthMillimetres : widthMillimetres;
    for (const r of beside)
      screens.push({ lies: 'along', at, from: r.from, to: r.to, top: Math.min(ceiling, wallMillimetres) });
  }
  for (const back of inOrder(interior.seatBacks)) {
    const room = rooms.find((r) => back.placeMillimetres > r.from && back.placeMillimetres < r.to);
    if (!room) continue;
    screens.push({
      lies: 'across',
      at: back.placeMillimetres,
      from: room.nearest,
      to: room.farthest,
      top: Math.min(ceiling, back.heightMillimetres - back.cutMillimetres),
    });
  }
  const shape = windowShape(dimensions);
  const light: Interior = {
    length,
    width,
    ceiling,
    reflectance,
    screens,
    openings: shape.centres.map((c) => ({
      from: c - shape.width / 2,
      to: c + shape.width / 2,
      sill: shape.sill,
      head: shape.head,
    })),
  };
  const count = Math.min(MOST_POINTS, Math.max(LEAST_POINTS, POINTS_A_WINDOW * dimensions.windowCount));
  const along = Array.from({ length: count }, (_, i) => ((i + 0.5) * length) / count);
  const inset = LINE_SHARE * width;
  const corridorInset = interior.corridor ? interior.corridor.widthMillimetres / 2 : inset;
  const onSide = (side: 'near' | 'far'): number =>
    interior.corridor?.side === side ? Math.min(inset, corridorInset) : inset;
  const lineNear = onSide('near');
  const lineFar = width - onSide('far');
  const points: Place[] = [lineNear, lineFar].flatMap((y) => along.map((x) => ({ x, y })));
  const level = Math.min(seatMillimetres, ceiling - 0.5);
  return {
    rooms,
    corridor: corridorOf(interior, beside),
    light,
    field: new LightField(light, points, level),
    along,
    lineNear,
    lineFar,
  };
}

/** Rooms one after another; an end beyond the coach, or before its room's beginning, is taken to there. */
function layRooms(interior: InteriorRecord, length: number): LaidRoom[] {
  const ordered = inOrder(interior.rooms);
  const { widthMillimetres: width } = interior;
  let from = 0;
  const rooms = ordered.map((room, i) => {
    const to = i === ordered.length - 1 ? length : Math.min(length, Math.max(from, room.endMillimetres));
    const beside = interior.corridor !== null && roomKinds[room.kind].besideCorridor;
    const { nearest, farthest } = beside ? besideCorridor(interior) : { nearest: 0, farthest: width };
    const laid = { ...room, from, to, nearest, farthest };
    from = to;
    return laid;
  });
  return rooms.filter((r) => r.to > r.from);
}

/** What a side corridor leaves of the width. */
function besideCorridor({ corridor, widthMillimetres: width }: InteriorRecord): {
  nearest: number;
  farthest: number;
} {
  if (!corridor) return { nearest: 0, farthest: width };
  return corridor.side === 'far'
    ? { nearest: 0, farthest: Math.max(0, width - corridor.widthMillimetres) }
    : { nearest: Math.min(width, corridor.widthMillimetres), farthest: width };
}

function corridorOf(interior: InteriorRecord, beside: readonly LaidRoom[]): CoachInterior['corridor'] {
  if (!interior.corridor || beside.length === 0) return null;
  const rest = besideCorridor(interior);
  const far = interior.corridor.side === 'far';
  return {
    from: Math.min(...beside.map((r) => r.from)),
    to: Math.max(...beside.map((r) => r.to)),
    nearest: far ? rest.farthest : 0,
    farthest: far ? interior.widthMillimetres : rest.nearest,
  };
}

/**
 * The room seen through a window at a place of a side.
 * @returns `corridor` where the corridor runs behind it; null beyond the coach
 */
export function roomBehind(
  interior: CoachInterior,
  millimetres: number,
  side: 'near' | 'far',
): LaidRoom | 'corridor' | null {
  const room = interior.rooms.find((r) => millimetres >= r.from && millimetres < r.to);
  if (!room) return null;
  const y = side === 'near' ? interior.lineNear : interior.lineFar;
  return y >= room.nearest && y <= room.farthest ? room : 'corridor';
}
