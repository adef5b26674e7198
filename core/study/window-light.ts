import { illuminanceBelow, type DownLamp } from '../light/illuminance';
import { lightSpots } from '../part/led';
import { windowLightness } from '../light/wanted';
import type { CoachRecord } from '../document/coach-record';
import type { SteadyStudy } from './steady';

/** A window as it shows from outside. */
export interface WindowLight {
  /** Centre of the window along the coach, in millimetres. */
  readonly millimetres: number;
  readonly lux: number;
  /** Perceived lightness, 0 to 100. */
  readonly lightness: number;
}

/** Centres of a coach's windows along its length, in millimetres: evenly spaced, ends kept clear. */
export function windowCentres(dimensions: CoachRecord['dimensions']): number[] {
  const { lengthMillimetres, windowCount } = dimensions;
  const pitch = lengthMillimetres / (windowCount + 0.6);
  return Array.from({ length: windowCount }, (_, i) => (i + 0.8) * pitch);
}

/** Illuminance at seat height behind each window, from the lamps as solved. */
export function windowLight(job: CoachRecord, steady: SteadyStudy): WindowLight[] {
  const lamps = steady.lamps.flatMap((l) => spotsAlong(job, l));
  return windowCentres(job.dimensions).map((millimetres) => {
    const lux = illuminanceBelow(lamps, millimetres, job.dimensions.lampDropMillimetres);
    return { millimetres, lux, lightness: windowLightness(lux) };
  });
}

/** Where a lamp's light comes out along the coach, and how much. */
function spotsAlong(job: CoachRecord, reading: SteadyStudy['lamps'][number]): DownLamp[] {
  const place = job.lamps[reading.lampId].placeMillimetres;
  const { lengthMillimetres } = job.dimensions;
  // A bar runs from its lamp to the farther end.
  const along = place < lengthMillimetres / 2 ? 1 : -1;
  const room = along > 0 ? lengthMillimetres - place : place;
  return lightSpots(reading.led, along * Math.max(1, room - BAR_END_MILLIMETRES)).map((spot) => ({
    millimetres: place + spot.millimetres,
    lumens: reading.lumens * spot.share,
  }));
}

/** A bar stops short of the end wall. */
const BAR_END_MILLIMETRES = 6;

/** Mean illuminance over all windows, in lux. */
export function meanLux(windows: readonly WindowLight[]): number {
  return windows.reduce((sum, w) => sum + w.lux, 0) / Math.max(1, windows.length);
}

/** Places for a number of lamps along a coach, evenly, half a pitch clear of each end, in millimetres. */
export function spreadPlaces(count: number, lengthMillimetres: number): number[] {
  const pitch = lengthMillimetres / (count + 0.6);
  return Array.from({ length: count }, (_, i) => Math.round((i + 0.8) * pitch * 10) / 10);
}

/** Illuminance that would be there without a tint which lets a share of the light through, in lux. */
export function untintedLux(lux: number, share: number): number {
  return share > 0 ? lux / share : 0;
}
