import { bandsOf, bouncedLux, facing, type Band, type Standing } from '../light/bounce';
import { UPWARD } from '../light/illuminance';
import { rigHeight } from './geometry';
import { directLux, type Source } from './sources';
import type { Grid } from './grid';
import type { RigArea } from './area';
import type { RigRecord } from '../document/rig-record';

/** Places of the grid on which light that is thrown back is found; between them it is drawn straight. */
const COARSE = { along: 21, deep: 10 } as const;

/** What throws light back. */
function standingOf(rig: RigRecord, area: RigArea): Standing[] {
  const high = rigHeight(rig);
  const along = { fromX: 0, toX: area.width };
  return [
    ...(rig.backscene && rig.backscene.reflectance > 0
      ? [
          {
            ...along,
            y: 0,
            fromZ: 0,
            toZ: rig.backscene.heightMillimetres,
            faces: 1 as const,
            reflectance: rig.backscene.reflectance,
          },
        ]
      : []),
    ...(rig.fascia && rig.fascia.reflectance > 0 && rig.fascia.dropMillimetres > 0
      ? [
          {
            ...along,
            y: area.depth + rig.fascia.forwardMillimetres,
            fromZ: Math.max(0, high - rig.fascia.dropMillimetres),
            toZ: high,
            faces: -1 as const,
            reflectance: rig.fascia.reflectance,
          },
        ]
      : []),
  ];
}

interface Bounced {
  readonly bands: readonly Band[];
  /** Lumens a square metre thrown back by each band, by row of light. */
  readonly thrown: readonly (readonly number[])[];
}

const bouncedOf = (surface: Standing, sources: readonly Source[]): Bounced => {
  const bands = bandsOf(surface);
  const normal = facing(surface);
  return {
    bands,
    thrown: sources.map((s) =>
      bands.map((b) => surface.reflectance * directLux(s, b.x, surface.y, b.z, normal)),
    ),
  };
};

/**
 * Adds to the light of each row, at every place of a grid, what backscene and fascia throw back of it once:
 * found on a coarse grid, between its places by straight lines.
 */
export function addThrownBack(
  bySource: readonly Float64Array[],
  grid: Grid,
  rig: RigRecord,
  area: RigArea,
  sources: readonly Source[],
): void {
  for (const surface of standingOf(rig, area)) addBounced(bySource, grid, bouncedOf(surface, sources));
}

function addBounced(
  bySource: readonly Float64Array[],
  { xs, ys, on }: Grid,
  { bands, thrown }: Bounced,
): void {
  const [first, last] = [xs[0], xs[xs.length - 1]];
  const [near, far] = [ys[0], ys[ys.length - 1]];
  // Closer together near the backscene, where its light falls off.
  const deep = Array.from(
    { length: COARSE.deep },
    (_, i) => near + (i / (COARSE.deep - 1)) ** 1.6 * (far - near),
  );
  const along = Array.from(
    { length: COARSE.along },
    (_, i) => first + (i / (COARSE.along - 1)) * (last - first),
  );
  const found = deep.map((y) => along.map((x) => bouncedLux(bands, thrown, x, y, 0, UPWARD)));
  ys.forEach((y, r) => {
    let d = 0;
    while (d < COARSE.deep - 2 && deep[d + 1] < y) d++;
    const v = deep[d + 1] > deep[d] ? (y - deep[d]) / (deep[d + 1] - deep[d]) : 0;
    xs.forEach((x, c) => {
      const i = r * xs.length + c;
      if (!on[i]) return;
      const at = last > first ? ((x - first) / (last - first)) * (COARSE.along - 1) : 0;
      const a = Math.min(COARSE.along - 2, Math.floor(at));
      const u = at - a;
      const [p, q, s, t] = [found[d][a], found[d][a + 1], found[d + 1][a], found[d + 1][a + 1]];
      bySource.forEach((lux, k) => {
        lux[i] += (1 - v) * ((1 - u) * p[k] + u * q[k]) + v * ((1 - u) * s[k] + u * t[k]);
      });
    });
  });
}
