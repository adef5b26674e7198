/** A row of light as a shadow sees it: where it lies before a wall and how high, how wide it shines, how much. */
export interface ShadowRow {
  readonly y: number;
  readonly z: number;
  readonly shinesMillimetres: number;
  readonly lumens: number;
}

/** The thing whose shadow is told: so high, so far before the wall, in millimetres. */
export const SHADOW_OF = { high: 50, before: 20 } as const;

/** How the edge of a shadow reads. */
export interface Shadow {
  /** From a tenth to nine tenths of the light on the wall, in millimetres. */
  readonly penumbraMillimetres: number;
  readonly words: 'crisp' | 'clear' | 'soft' | 'diffuse';
}

const STEPS = 400;
const WITHIN = [0.1, 0.9] as const;

/**
 * The upper edge of the shadow that a thing throws on a wall behind it: of each place of the wall the
 * light of what is seen of each row past the thing's top, Lambertian rows of small width, so that
 * E ~ flux cos a cos b / r, and the part of a row that is seen grows evenly over its width.
 * @returns null where nothing shines over it
 */
export function shadowOf(rows: readonly ShadowRow[]): Shadow | null {
  const { high, before } = SHADOW_OF;
  const lit = rows.filter((r) => r.lumens > 0 && r.z > high && r.y > before);
  if (lit.length === 0) return null;
  const at = (z: number, whole: boolean): number =>
    lit.reduce((sum, row) => {
      const [dy, dz] = [row.y, row.z - z];
      const squared = dy * dy + dz * dz;
      const light = (row.lumens * dy * dz) / squared ** 1.5;
      if (whole) return sum + light;
      // Where the sight from the wall over the thing's top meets the row's height.
      const seenFrom = z >= high ? Infinity : (before * (row.z - z)) / (high - z);
      const [near, far] = [row.y - row.shinesMillimetres / 2, row.y + row.shinesMillimetres / 2];
      const share = Math.min(1, Math.max(0, (seenFrom - near) / (far - near)));
      return sum + share * light;
    }, 0);
  // Rows far forward look down flat: their shadow begins right under the top.
  const shares = Array.from({ length: STEPS + 1 }, (_, i) => {
    const z = (high * i) / STEPS;
    return { z, share: at(z, false) / at(z, true) };
  });
  const [low, top] = WITHIN.map((wanted) => shares.find((s) => s.share >= wanted)?.z ?? high);
  const penumbraMillimetres = Math.max(0, top - low);
  const words =
    penumbraMillimetres < 1
      ? 'crisp'
      : penumbraMillimetres < 4
        ? 'clear'
        : penumbraMillimetres < 12
          ? 'soft'
          : 'diffuse';
  return { penumbraMillimetres, words };
}
