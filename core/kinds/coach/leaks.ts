import { luxPerLumen, type Normal } from '../../light/illuminance';
import { Sight } from '../../light/interior';
import { FULL_LUX } from '../../light/wanted';
import { coachInterior } from './interior';
import { coachLight, lampSources } from './light';
import type { CoachRecord } from './record';
import type { Readings } from '../../study/readings';

/** A place of the shell through which light comes that should not. */
export interface Leak {
  readonly place: 'roof' | 'left end' | 'right end';
  /** On the shell's inside, and what an eye outside sees of it, as if it were a window’s light. */
  readonly insideLux: number;
  readonly outsideLux: number;
}

/** What unpainted thin plastic lets through (common practice, no source). */
const THIN_PLASTIC_SHARE = 0.03;
/** A hundredth of a bright window is gone to the eye (L* 9). */
export const LEAK_LUX = 0.01 * FULL_LUX;

/**
 * Places to black out: an end wall by the lamps that shine on it, the roof by what the inside throws
 * back up, which is at most its reflectance of the light at the seats. Only what an eye sees is told.
 */
export function leaks(job: CoachRecord, steady: Pick<Readings, 'dies'>): Leak[] {
  const { fit, interior } = job;
  if (fit.shell === 'opaque') return [];
  const found: { place: Leak['place']; insideLux: number }[] = [];
  if (!fit.blackedOut.roof) {
    const most = Math.max(0, ...coachLight(job, steady).rooms.map((r) => r.lux));
    found.push({ place: 'roof', insideLux: interior.reflectance * most });
  }
  if (!fit.blackedOut.ends) {
    found.push({ place: 'left end', insideLux: onEnd(job, steady, 0, [1, 0, 0]) });
    found.push({
      place: 'right end',
      insideLux: onEnd(job, steady, job.dimensions.lengthMillimetres, [-1, 0, 0]),
    });
  }
  return found
    .map((f) => ({ ...f, outsideLux: THIN_PLASTIC_SHARE * f.insideLux }))
    .filter((f) => f.outsideLux > LEAK_LUX);
}

const GRID = 5;

/** The most direct light anywhere on an end wall. */
function onEnd(job: CoachRecord, steady: Pick<Readings, 'dies'>, x: number, normal: Normal): number {
  const { light } = coachInterior(job);
  const sight = new Sight(light.screens);
  let most = 0;
  for (let i = 0; i < GRID; i++) {
    for (let j = 0; j < GRID; j++) {
      const y = ((i + 0.5) / GRID) * light.width;
      const z = ((j + 0.5) / GRID) * light.ceiling;
      let lux = 0;
      for (const reading of steady.dies) {
        const lamp = job.lamps[reading.lampId];
        if (lamp.role !== 'room') continue;
        for (const { source, share } of lampSources(job, lamp, reading.led)) {
          const direct = luxPerLumen(source, x, y, z, normal);
          if (direct > 0 && sight.isClear(source.x, source.y, source.z, x, y, z))
            lux += direct * share * reading.lumens;
        }
      }
      most = Math.max(most, lux);
    }
  }
  return most;
}
