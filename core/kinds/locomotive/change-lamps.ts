import { emptyCircuits, takeEmptyOut } from '../../document/empty-circuits';
import { lampRoles, showsOf, type LampRoleName } from '../../document/lamp-roles';
import { wireAnew } from './lay-circuits';
import { isBulb, suitLimits } from './suit-limits';
import type { LocomotiveRecord, VehicleLampRecord } from './record';

/**
 * Hangs lamps that are loose where their like hang: on a decoder on the output of their role, on the
 * rails with those of their end; where there are none of their like, all is wired anew.
 * @returns what was left out, in words
 */
export function hangLoose(job: LocomotiveRecord): string[] {
  if (job.decoder) return wireAnew(job);
  const steady = (l: VehicleLampRecord): boolean => showsOf(l) === 'both';
  const lamps = Object.values(job.lamps);
  const like = (lamp: VehicleLampRecord): string | null =>
    lamps.find(
      (l) =>
        l.circuitId !== null &&
        l.end === lamp.end &&
        steady(l) === steady(lamp) &&
        isBulb(l) === isBulb(lamp),
    )?.circuitId ?? null;
  for (const lamp of lamps) if (lamp.circuitId === null) lamp.circuitId = like(lamp);
  return lamps.some((l) => l.circuitId === null) ? wireAnew(job) : [];
}

/**
 * Gives a lamp another role: its usual part, and a place on the wires with its like where it had one.
 * @returns what was left out, in words
 */
export function setRole(job: LocomotiveRecord, lampId: string, role: LampRoleName): string[] {
  const lamp = job.lamps[lampId];
  const was = showsOf(lamp);
  lamp.role = role;
  lamp.part = lampRoles[role].part;
  lamp.ohms = Object.entries(job.lamps).find(([id, l]) => id !== lampId && l.role === role)?.[1].ohms ?? null;
  // On the rails each lamp of an end lies as it shines: it may stay where it hangs.
  if (!job.decoder && (was === 'both') === (showsOf(lamp) === 'both')) {
    suitLimits(job);
    return [];
  }
  lamp.circuitId = null;
  const said = hangLoose(job);
  takeEmptyOut(job);
  suitLimits(job);
  return said;
}

/** Takes a lamp away, and what led to it alone. */
export function takeLamp(job: LocomotiveRecord, lampId: string): void {
  const empty = new Set(emptyCircuits(job));
  Reflect.deleteProperty(job.lamps, lampId);
  takeEmptyOut(
    job,
    emptyCircuits(job).filter((id) => !empty.has(id)),
  );
}
