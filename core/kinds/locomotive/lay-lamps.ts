import { bulbs } from '../../part/bulb';
import { scales, type ScaleName } from '../../quantity/scale';
import { lampRoles } from '../../document/lamp-roles';
import { plainLamp } from '../../document/lamp-record';
import { freeId } from '../../document/usual-supply';
import { undersideAboveRail } from './body';
import type { LampSet } from './lamp-sets';
import type { End } from '../../document/ends';
import type { LocomotiveRecord, VehicleLampRecord } from './record';

/** The smallest lens that is worth drilling for, in millimetres. */
const SMALLEST_LENS = 0.5;

/** Puts the lamps of a set at an end, in place of those that are there. */
export function layLampSet(
  job: Pick<LocomotiveRecord, 'lamps' | 'body'>,
  end: End,
  { lamps }: Pick<LampSet, 'lamps'>,
  scale: ScaleName,
): void {
  for (const [id, l] of Object.entries(job.lamps)) if (l.end === end) Reflect.deleteProperty(job.lamps, id);
  let order = Math.max(0, ...Object.values(job.lamps).map((l) => l.order));
  for (const l of lamps) {
    const id = freeId(job.lamps, `${l.role}-${end.toLowerCase()}`);
    job.lamps[id] = usualVehicleLamp(job, l.role, end, ++order, scale, {
      acrossMillimetres: round((l.across * job.body.widthMillimetres) / 2),
      heightMillimetres: round(undersideAboveRail(job.body) + l.up * job.body.heightMillimetres),
      alongMillimetres: round(
        (end === 'A' ? (l.along ?? 0) : 1 - (l.along ?? 0)) * job.body.lengthMillimetres,
      ),
      ...(l.part === undefined ? {} : { part: l.part }),
      // An old bulb sits in its holder.
      ...(l.part !== undefined && Object.hasOwn(bulbs, l.part)
        ? { body: 'bulb' as const, way: 'sits' as const }
        : {}),
      ...(l.secondPart === undefined ? {} : { secondPart: l.secondPart }),
      ...(l.tint === undefined ? {} : { tint: l.tint }),
      ...(l.shows === undefined ? {} : { shows: l.shows }),
    });
  }
}

const round = (mm: number): number => Number(mm.toFixed(1));

/** A lamp of a role as it commonly is. */
export function usualVehicleLamp(
  job: Pick<LocomotiveRecord, 'body'>,
  role: VehicleLampRecord['role'],
  end: End,
  order: number,
  scale: ScaleName,
  set: Partial<VehicleLampRecord> = {},
): VehicleLampRecord {
  const usual = lampRoles[role];
  const lens = Math.max(SMALLEST_LENS, (usual.lensMetres * 1000) / scales[scale]);
  return {
    ...plainLamp,
    order,
    role,
    shows: null,
    end,
    part: usual.part,
    body: lens >= 1.9 ? 'tower-2' : 'chip-0603',
    tint: usual.tint,
    acrossMillimetres: 0,
    heightMillimetres: undersideAboveRail(job.body) + job.body.heightMillimetres / 3,
    alongMillimetres: end === 'A' ? 0 : job.body.lengthMillimetres,
    lensMillimetres: Number(lens.toFixed(1)),
    aimDegrees: 0,
    way: usual.inside ? 'sits' : 'drill',
    circuitId: null,
    ohms: usual.ohms,
    ...set,
  };
}
