import { convertLrgbToRgb, convertRgbToLrgb, convertRgbToXyz65, convertXyz65ToRgb } from 'culori/fn';
import { planckianXy } from './colour';
import type { LedPart } from '../part/led';
import type { Tint } from '../part/tint';

/** What is left of a light behind a tint. */
export interface TintedLight {
  /** Luminous flux over that of the bare lamp. */
  readonly share: number;
  /** Chromaticity, CIE 1931. */
  readonly x: number;
  readonly y: number;
}

/** Chromaticity of a bare lamp, CIE 1931. */
export function bareXy(colour: LedPart['colour']): { x: number; y: number } {
  return 'kelvin' in colour ? planckianXy(colour.kelvin) : colour;
}

const known = new WeakMap<Tint, Map<string, TintedLight>>();

/**
 * Light of a lamp behind a tint: each of the three broad bands of the light (linear sRGB primaries)
 * is let through by its share, and luminous flux and chromaticity follow from what is left. A
 * three-band stand-in for a spectrum: right for whites behind broad filters, coarse for deep colours.
 */
export function tintedLight(colour: LedPart['colour'], tint: Tint): TintedLight {
  const { x, y } = bareXy(colour);
  let byColour = known.get(tint);
  if (!byColour) known.set(tint, (byColour = new Map()));
  const key = `${x} ${y}`;
  const before = byColour.get(key);
  if (before) return before;
  const linear = convertRgbToLrgb(convertXyz65ToRgb({ x: x / y, y: 1, z: (1 - x - y) / y }));
  const [r, g, b] = tint.passes;
  const left = convertRgbToXyz65(convertLrgbToRgb({ r: linear.r * r, g: linear.g * g, b: linear.b * b }));
  const sum = left.x + left.y + left.z;
  const light =
    left.y > 0 && sum > 0 ? { share: left.y, x: left.x / sum, y: left.y / sum } : { share: 0, x, y };
  byColour.set(key, light);
  return light;
}

/** Chromaticity of several lights together, weighted by their luminous flux (they add as XYZ); null in the dark. */
export function mixedXy(
  lights: readonly { readonly lumens: number; readonly x: number; readonly y: number }[],
): { x: number; y: number } | null {
  let [sx, sy, sz] = [0, 0, 0];
  for (const { lumens, x, y } of lights) {
    if (!(y > 0)) continue;
    sx += (lumens * x) / y;
    sy += lumens;
    sz += (lumens * (1 - x - y)) / y;
  }
  const sum = sx + sy + sz;
  return sum > 0 ? { x: sx / sum, y: sy / sum } : null;
}
