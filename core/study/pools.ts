import { poolOf, type Pool, type ShiningLamp } from '../light/pool';
import { shinesOf } from '../kinds/shines';
import type { Bench } from './bench';
import type { Readings } from './readings';

/** A filament shines all round. */
const BULB_BEAM = 120;
/** How far past its last lamp a row is looked at, in heights of the lamp. */
const BEYOND_HEIGHTS = 4;

/** The lamps of a job over the ground with what they shine; none where they are not there to light it. */
export function shiningLamps({ job }: Pick<Bench, 'job'>, readings: Pick<Readings, 'dies'>): ShiningLamp[] {
  const lamps = shinesOf(job.kind).pool?.(job) ?? [];
  return lamps.map((lamp) => {
    const own = readings.dies.filter((d) => d.lampId === lamp.lampId);
    return {
      ...lamp,
      lumens: own.reduce((sum, d) => sum + d.lumens, 0),
      beamDegrees: own[0]?.led?.beamDegrees ?? BULB_BEAM,
    };
  });
}

/**
 * Light on the ground along a job's lamps, to four heights beyond the first and the last.
 * @returns null in the dark, and for what lights no ground
 */
export function groundPool(bench: Pick<Bench, 'job'>, readings: Pick<Readings, 'dies'>): Pool | null {
  const lamps = shiningLamps(bench, readings);
  if (lamps.length === 0) return null;
  const beyond = BEYOND_HEIGHTS * Math.max(...lamps.map((l) => l.heightMillimetres));
  return poolOf(
    lamps,
    Math.min(...lamps.map((l) => l.along)) - beyond,
    Math.max(...lamps.map((l) => l.along)) + beyond,
  );
}
