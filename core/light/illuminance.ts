/** A lamp seen as a point that sheds light like a matt surface (Lambertian), facing straight down. */
export interface DownLamp {
  readonly millimetres: number;
  readonly lumens: number;
}

/**
 * Illuminance of a level surface from Lambertian lamps above it: E = (flux/pi) cos a cos b / r^2,
 * with a = b for lamps that face straight down. Direct light only.
 * @param place along the coach, in millimetres
 * @param drop height of the lamps above the surface, in millimetres; above zero
 * @returns lux
 */
export function illuminanceBelow(lamps: readonly DownLamp[], place: number, drop: number): number {
  let lux = 0;
  for (const lamp of lamps) {
    const squared = ((lamp.millimetres - place) ** 2 + drop ** 2) * 1e-6;
    lux += ((lamp.lumens / Math.PI) * (drop * 1e-3) ** 2) / squared ** 2;
  }
  return lux;
}
