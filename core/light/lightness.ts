const EDGE = 6 / 29;

/**
 * Perceived lightness L* of a light against a white (CIE 1976).
 * @param share luminance over the white's, Y/Yn
 * @returns 0 (black) to 100 (the white); above 100 for brighter
 */
export function lightness(share: number): number {
  const t = Math.max(0, share);
  return t > EDGE ** 3 ? 116 * Math.cbrt(t) - 16 : 116 * (t / (3 * EDGE * EDGE));
}

/** The share of the white that gives a lightness; the inverse of `lightness`. */
export function shareOfLightness(lstar: number): number {
  const f = (lstar + 16) / 116;
  return f > EDGE ? f ** 3 : (lstar / 116) * 3 * EDGE * EDGE;
}
