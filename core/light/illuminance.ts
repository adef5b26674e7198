/**
 * A lamp as a point. Its intensity falls off from where it points as a power of the cosine: a matt
 * surface (Lambertian) has the exponent 1.
 */
export interface LightSource {
  /** Along the coach, across it from the near wall, and up from the floor, in millimetres. */
  readonly x: number;
  readonly y: number;
  readonly z: number;
  /** Turned from straight down towards the far side, in degrees. */
  readonly aimDegrees: number;
  readonly exponent: number;
}

/** Which way a small surface looks, as a unit vector along the axes. */
export type Normal = readonly [x: number, y: number, z: number];
/** Of the scenery. */
export const UPWARD: Normal = [0, 0, 1];

/** Millimetres to metres, squared: lux are lumens a square metre. */
const SQUARE_MILLIMETRES = 1e6;

/**
 * Exponent of the cosine law for a beam.
 * @param beamDegrees whole angle between the directions of half the greatest intensity; 120 is Lambertian
 */
export function beamExponent(beamDegrees: number): number {
  return Math.log(0.5) / Math.log(Math.cos((beamDegrees * Math.PI) / 360));
}

/**
 * Direct illuminance of a small surface by a source of one lumen, nothing in between:
 * E = I cos b / r^2 with I = (m + 1) / (2 pi) cos^m a. For m = 1 this is E = (flux/pi) cos a cos b / r^2.
 * @returns lux per lumen
 */
export function luxPerLumen(source: LightSource, px: number, py: number, pz: number, normal: Normal): number {
  const dx = px - source.x;
  const dy = py - source.y;
  const dz = pz - source.z;
  const squared = dx * dx + dy * dy + dz * dz;
  const towards = -(dx * normal[0] + dy * normal[1] + dz * normal[2]);
  if (towards <= 0 || squared === 0) return 0;
  const aim = (source.aimDegrees * Math.PI) / 180;
  const along = aim === 0 ? -dz : dy * Math.sin(aim) - dz * Math.cos(aim);
  if (along <= 0) return 0;
  const r = Math.sqrt(squared);
  const { exponent } = source;
  const beam = exponent === 1 ? along / r : (along / r) ** exponent;
  return ((exponent + 1) / (2 * Math.PI)) * beam * (towards / r) * (SQUARE_MILLIMETRES / squared);
}
