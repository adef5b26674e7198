import { scales, type ScaleName } from '../quantity/scale';
import type { OnRails } from '../document/job-record';

/** Millimetres a second on the model at a speed of the prototype, 1 km/h being 1000/3.6 mm/s at full size. */
export function modelSpeed(kilometresPerHour: number, scale: ScaleName): number {
  return (kilometresPerHour * 1e6) / 3600 / scales[scale];
}

/**
 * Length over which a dead stretch leaves the vehicle without current, in millimetres: what is left
 * of it when its pickup base is subtracted, as one collecting wheel of each rail is enough.
 */
export function deadLength(deadMillimetres: number, pickups: OnRails['pickups']): number {
  return Math.max(0, deadMillimetres - pickups.baseMillimetres);
}

/** Length of a dead stretch that the pickups bridge, in millimetres. */
export function bridgedLength(deadMillimetres: number, pickups: OnRails['pickups']): number {
  return deadMillimetres - deadLength(deadMillimetres, pickups);
}

/** How long a dead stretch takes the current away, in seconds. */
export function gapSeconds(job: OnRails, scale: ScaleName): number {
  const { deadMillimetres, kilometresPerHour } = job.ride;
  return deadLength(deadMillimetres, job.pickups) / modelSpeed(kilometresPerHour, scale);
}
