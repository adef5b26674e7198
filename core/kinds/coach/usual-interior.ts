import { scales, type ScaleName } from '../../quantity/scale';
import type { coachDimensions } from './record';
import type { InteriorRecord, RoomRecord } from './interior-record';
import type { RoomKind } from './room-kinds';
import type { z } from 'zod';

type Dimensions = Pick<
  z.infer<typeof coachDimensions>,
  'lengthMillimetres' | 'widthMillimetres' | 'bodyHeightMillimetres' | 'windowCount'
>;

/** Ways a coach is commonly divided inside. */
export const interiorPlans = {
  open: { name: 'Open saloon, seat-backs across' },
  compartment: { name: 'Compartments with a side corridor' },
  sleeping: { name: 'Sleeping compartments with a side corridor' },
  divided: { name: 'Compartments across the whole width' },
  luggage: { name: 'One luggage room' },
  bare: { name: 'One room, nothing in it' },
} as const;
export type InteriorPlan = keyof typeof interiorPlans;

/** Figures of the prototype in metres (common practice, no source). */
export const PROTOTYPE = { seat: 0.45, seatBack: 1.15, wall: 0.1, corridor: 0.75 } as const;
/** A strip or lamp with its board below the ceiling of a model, in millimetres (common practice, no source). */
const LAMPS_BELOW = 1.5;
/** What plain light-coloured plastic throws back (common practice, no source). */
export const USUAL_REFLECTANCE = 0.4;

/** Centres of a coach's windows along its length, in millimetres: evenly spaced, ends kept clear. */
export function windowCentres(dimensions: Pick<Dimensions, 'lengthMillimetres' | 'windowCount'>): number[] {
  const { lengthMillimetres, windowCount } = dimensions;
  const pitch = lengthMillimetres / (windowCount + 0.6);
  return Array.from({ length: windowCount }, (_, i) => (i + 0.8) * pitch);
}

/** The windows of a side, in millimetres: centres along the coach, and heights above the floor. */
export interface WindowShape {
  readonly centres: readonly number[];
  readonly width: number;
  readonly sill: number;
  readonly head: number;
}

/** Shares of the body's height at which windows begin and end, and of their pitch that they fill (common practice, no source). */
const SILL_SHARE = 0.42;
const HEAD_SHARE = 0.76;
const PANE_SHARE = 0.62;

/** Windows as a coach of such dimensions commonly has them. */
export function windowShape(
  dimensions: Pick<Dimensions, 'lengthMillimetres' | 'windowCount' | 'bodyHeightMillimetres'>,
): WindowShape {
  const centres = windowCentres(dimensions);
  const { lengthMillimetres, bodyHeightMillimetres: height } = dimensions;
  const pitch = centres.length > 1 ? centres[1] - centres[0] : lengthMillimetres / 3;
  return {
    centres,
    width: Math.min(pitch * PANE_SHARE, height),
    sill: height * SILL_SHARE,
    head: height * HEAD_SHARE,
  };
}

/** The inside of a coach as it commonly is, from how it is divided, its body and the scale. */
export function usualInterior(plan: InteriorPlan, dimensions: Dimensions, scale: ScaleName): InteriorRecord {
  const mm = (metres: number): number => tenth((metres * 1000) / scales[scale]);
  const { lengthMillimetres: length, widthMillimetres, bodyHeightMillimetres, windowCount } = dimensions;
  const ceiling = tenth(Math.max(5, bodyHeightMillimetres - mm(PROTOTYPE.wall)));
  const seat = tenth(Math.min(mm(PROTOTYPE.seat), ceiling / 3));
  const pitch = length / (windowCount + 0.6);
  const plain = plan === 'bare' || plan === 'luggage';
  const between = plain ? [] : Array.from({ length: windowCount + 1 }, (_, i) => tenth((i + 0.3) * pitch));
  const beside = plan === 'compartment' || plan === 'sleeping';
  const rooms: RoomRecord[] = [];
  const room = (kind: RoomKind, endMillimetres: number, leftDark = false): void => {
    rooms.push({
      order: rooms.length + 1,
      kind,
      endMillimetres,
      partitionMillimetres: ceiling,
      partitionCutMillimetres: 0,
      partitionAcross: beside ? 'to-corridor' : 'full',
      leftDark,
    });
  };
  if (plain) room(plan === 'bare' ? 'saloon' : 'luggage', length);
  else if (plan === 'divided') {
    for (const end of between.slice(1, -1)) room('compartment', end);
    room('compartment', length);
  } else {
    room('vestibule', between[0]);
    if (plan === 'open') room('saloon', between[windowCount]);
    else {
      between.slice(1).forEach((end, i) => {
        const toilet = (i === 0 || (plan === 'sleeping' && i === windowCount - 1)) && windowCount > 3;
        room(toilet ? 'toilet' : 'compartment', end);
      });
    }
    room('vestibule', length);
  }
  const backs = plan === 'open' ? between.slice(1, -1) : [];
  return {
    widthMillimetres: tenth(Math.max(3, widthMillimetres - 2 * mm(PROTOTYPE.wall))),
    ceilingMillimetres: ceiling,
    seatMillimetres: seat,
    lampsBelowCeilingMillimetres: tenth(Math.min(LAMPS_BELOW, (ceiling - seat) / 4)),
    reflectance: USUAL_REFLECTANCE,
    corridor: beside
      ? { side: 'far', widthMillimetres: Math.max(1, mm(PROTOTYPE.corridor)), wallMillimetres: ceiling }
      : null,
    rooms: Object.fromEntries(rooms.map((r, i) => [`room-${i + 1}`, r])),
    seatBacks: Object.fromEntries(
      backs.map((placeMillimetres, i) => [
        `back-${i + 1}`,
        {
          order: i + 1,
          placeMillimetres,
          heightMillimetres: Math.min(ceiling, mm(PROTOTYPE.seatBack)),
          cutMillimetres: 0,
        },
      ]),
    ),
  };
}

/** The plan an inside is exactly, untouched; null when it has been changed by hand. */
export function planOf(
  interior: InteriorRecord,
  dimensions: Dimensions,
  scale: ScaleName,
): InteriorPlan | null {
  const text = JSON.stringify(interior);
  const plans = Object.keys(interiorPlans) as InteriorPlan[];
  return plans.find((p) => JSON.stringify(usualInterior(p, dimensions, scale)) === text) ?? null;
}

/**
 * The inside of a coach whose body has been given other dimensions: laid out anew where it was one of
 * the usual plans, else stretched with its body.
 */
export function interiorAfter(
  interior: InteriorRecord,
  before: Dimensions,
  after: Dimensions,
  scale: ScaleName,
): InteriorRecord {
  const plan = planOf(interior, before, scale);
  if (plan) return usualInterior(plan, after, scale);
  const along = after.lengthMillimetres / before.lengthMillimetres;
  const wider = after.widthMillimetres - before.widthMillimetres;
  const higher = after.bodyHeightMillimetres - before.bodyHeightMillimetres;
  const { ceilingMillimetres, corridor } = interior;
  const ceiling = tenth(Math.min(250, Math.max(5, ceilingMillimetres + higher)));
  // What reached the ceiling still does.
  const height = (mm: number): number => (mm >= ceilingMillimetres ? ceiling : Math.min(mm, ceiling));
  const mapped = <T>(record: Readonly<Record<string, T>>, to: (entry: T) => T): Record<string, T> =>
    Object.fromEntries(Object.entries(record).map(([id, entry]) => [id, to(entry)]));
  return {
    ...interior,
    widthMillimetres: tenth(Math.min(200, Math.max(3, interior.widthMillimetres + wider))),
    ceilingMillimetres: ceiling,
    corridor: corridor && { ...corridor, wallMillimetres: height(corridor.wallMillimetres) },
    rooms: mapped(interior.rooms, (r) => ({
      ...r,
      endMillimetres: Math.min(1500, tenth(r.endMillimetres * along)),
      partitionMillimetres: height(r.partitionMillimetres),
    })),
    seatBacks: mapped(interior.seatBacks, (b) => ({
      ...b,
      placeMillimetres: Math.min(1500, tenth(b.placeMillimetres * along)),
      heightMillimetres: height(b.heightMillimetres),
    })),
  };
}

const tenth = (mm: number): number => Math.round(mm * 10) / 10;
