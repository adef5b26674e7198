import { beamExponent } from './illuminance';
import type { Normal } from './illuminance';

/** A straight row of light along x, all of it alike: a strip, a tube, its diffuser. */
export interface LineSource {
  /** Where it begins and ends along, where it lies from the backscene forward, and how high, in millimetres. */
  readonly from: number;
  readonly to: number;
  readonly y: number;
  readonly z: number;
  /** Turned from straight down towards the backscene, in degrees. */
  readonly tiltDegrees: number;
  /** Whole angle between the directions of half the greatest intensity; 120 is Lambertian. */
  readonly beamDegrees: number;
  readonly lumensPerMetre: number;
}

/** Places of the table of a beam's integral; its error is far below a thousandth. */
const PLACES = 2048;
const RIGHT_ANGLE = Math.PI / 2;

const tables = new Map<number, Float64Array>();

/** Integral of cos^p from 0 to each of evenly spaced angles up to a right angle, by Simpson's rule. */
function tableOf(power: number): Float64Array {
  const known = tables.get(power);
  if (known) return known;
  const table = new Float64Array(PLACES + 1);
  const step = RIGHT_ANGLE / PLACES;
  const f = (angle: number): number => Math.max(0, Math.cos(angle)) ** power;
  for (let i = 0; i < PLACES; i++)
    table[i + 1] = table[i] + (step / 6) * (f(i * step) + 4 * f((i + 0.5) * step) + f((i + 1) * step));
  tables.set(power, table);
  return table;
}

/** Integral of cos^p from 0 to an angle, odd in the angle. */
function cosinePower(power: number, angle: number): number {
  if (power === 2) return angle / 2 + Math.sin(2 * angle) / 4;
  const table = tableOf(power);
  const at = Math.min(PLACES, (Math.abs(angle) / RIGHT_ANGLE) * PLACES);
  const i = Math.min(PLACES - 1, Math.floor(at));
  return Math.sign(angle) * (table[i] + (at - i) * (table[i + 1] - table[i]));
}

/** What of a row's light does not hang on where along it a place lies. */
export interface Across {
  /** Distance of the place from the line, in metres. */
  readonly metres: number;
  /** Lux for each unit of the integral over the angle along. */
  readonly factor: number;
  readonly power: number;
}

/**
 * What decides a row's light on places at one distance across and one height. A surface that looks
 * along the row is not told.
 */
export function across(line: LineSource, y: number, z: number, [, ny, nz]: Normal): Across | null {
  const tilt = (line.tiltDegrees * Math.PI) / 180;
  const [dy, dz] = [(y - line.y) / 1000, (z - line.z) / 1000];
  const metres = Math.hypot(dy, dz);
  // Down, turned towards the backscene.
  const out = -dy * Math.sin(tilt) - dz * Math.cos(tilt);
  const onto = -(dy * ny + dz * nz);
  if (out <= 0 || onto <= 0 || metres === 0) return null;
  const m = beamExponent(line.beamDegrees);
  const factor = ((line.lumensPerMetre * (m + 1)) / (2 * Math.PI)) * out ** m * onto * metres ** -(m + 2);
  return { metres, factor, power: m + 1 };
}

/** Lux of a row at a place along, from what is known across. */
export function alongLux({ metres, factor, power }: Across, { from, to }: LineSource, x: number): number {
  return (
    factor *
    (cosinePower(power, Math.atan((to - x) / 1000 / metres)) -
      cosinePower(power, Math.atan((from - x) / 1000 / metres)))
  );
}

/**
 * Illuminance of a small surface by a straight row of elements that each shine as cos^m:
 * E = Phi'(m+1)/(2 pi) A^m B Int dx / r^(m+3), A and B the parts across of the two cosines; with
 * x = rho tan t the integral is rho^-(m+2) Int cos^(m+1) t dt. For m = 1 and an endless line straight
 * above E = Phi' / (2 h).
 * @returns lux
 */
export function lineLux(line: LineSource, x: number, y: number, z: number, normal: Normal): number {
  const there = across(line, y, z, normal);
  return there ? alongLux(there, line, x) : 0;
}
