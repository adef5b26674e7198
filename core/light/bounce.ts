import { across, alongLux, type Across, type LineSource } from './line-source';
import type { Normal } from './illuminance';

/** A standing surface along x that throws light back from one side: a backscene, the inside of a fascia. */
export interface Standing {
  readonly y: number;
  readonly fromZ: number;
  readonly toZ: number;
  readonly fromX: number;
  readonly toX: number;
  /** Towards the front (1), or towards the backscene (-1). */
  readonly faces: 1 | -1;
  readonly reflectance: number;
}

/** A band of a surface as a row of light for each lumen a square metre of it throws back. */
export interface Band {
  readonly line: LineSource;
  /** Where its light is looked at. */
  readonly x: number;
  readonly z: number;
}

/** Bands of a surface up, closer together near the ground, where what it lights is nearest; and along. */
const UP = 11;
const GROWS = 1.4;
const ALONG = 10;

/** A surface as bands, each of them a Lambertian row that looks straight off it. */
export function bandsOf(surface: Standing): Band[] {
  const { y, fromZ, toZ, fromX, toX, faces } = surface;
  const edges = Array.from({ length: UP + 1 }, (_, i) => (GROWS ** i - 1) / (GROWS ** UP - 1));
  return edges.slice(1).flatMap((edge, i) => {
    const [low, top] = [edges[i], edge].map((e) => fromZ + e * (toZ - fromZ));
    const z = (low + top) / 2;
    return Array.from({ length: ALONG }, (_, k): Band => {
      const [from, to] = [k, k + 1].map((n) => fromX + (n * (toX - fromX)) / ALONG);
      return {
        // A row turned towards the backscene by a right angle looks there; by the other it looks to the front.
        line: {
          from,
          to,
          y,
          z,
          tiltDegrees: -90 * faces,
          beamDegrees: 120,
          lumensPerMetre: (top - low) / 1000,
        },
        x: (from + to) / 2,
        z,
      };
    });
  });
}

/** Which way a surface looks. */
export const facing = ({ faces }: Standing): Normal => [0, faces, 0];

/**
 * Lux at a place for a lumen a square metre that each band throws back: the first bounce,
 * E = Int M cos cos / (pi r^2).
 * @param onto where it is written, by band
 */
export function bounceOnto(
  bands: readonly Band[],
  x: number,
  y: number,
  z: number,
  normal: Normal,
  onto: Float64Array,
): void {
  // Bands of one height share what is known across.
  let known: { readonly z: number; readonly there: Across | null } | null = null;
  bands.forEach((band, i) => {
    if (known?.z !== band.z) known = { z: band.z, there: across(band.line, y, z, normal) };
    onto[i] = known.there ? alongLux(known.there, band.line, x) : 0;
  });
}
