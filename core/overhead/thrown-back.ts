import { bandsOf, bounceOnto, facing, type Band, type Standing } from '../light/bounce';
import { UPWARD } from '../light/illuminance';
import { rigHeight } from './geometry';
import type { Grid } from './grid';
import type { RigArea } from './area';
import type { Light } from './sources';
import type { RigRecord } from '../document/rig-record';

/** Places of the grid on which light that is thrown back is found; between them it is drawn straight. */
const COARSE = { along: 21, deep: 10 } as const;

/** What throws light back of a rig: its backscene and the inside of its fascia. */
export function standingOf(rig: RigRecord, area: RigArea): Standing[] {
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

/** The places of a grid that light thrown back is found at. */
interface Coarse {
  readonly along: readonly number[];
  /** Closer together near the backscene, where its light falls off. */
  readonly deep: readonly number[];
}

function coarseOf({ xs, ys }: Grid): Coarse {
  const spread = (over: readonly number[], count: number, power: number): number[] => {
    const [first, last] = [over[0], over[over.length - 1]];
    return Array.from({ length: count }, (_, i) => first + (i / (count - 1)) ** power * (last - first));
  };
  return { along: spread(xs, COARSE.along, 1), deep: spread(ys, COARSE.deep, 1.6) };
}

/** So many surfaces are remembered. */
const MOST_KEPT = 4;
const kept = new Map<string, Float64Array>();

/**
 * Lux at each coarse place for what each band throws back: geometry alone, kept while its surface stands
 * as it stood, for a row that is moved or dimmed leaves it.
 */
function ontoCoarse(surface: Standing, bands: readonly Band[], { along, deep }: Coarse): Float64Array {
  const key = JSON.stringify([{ ...surface, reflectance: 1 }, along, deep]);
  const known = kept.get(key);
  if (known) return known;
  const onto = new Float64Array(along.length * deep.length * bands.length);
  deep.forEach((y, d) =>
    along.forEach((x, a) =>
      bounceOnto(bands, x, y, 0, UPWARD, onto.subarray((d * along.length + a) * bands.length)),
    ),
  );
  if (kept.size >= MOST_KEPT) kept.delete([...kept.keys()][0]);
  kept.set(key, onto);
  return onto;
}

/**
 * What surfaces throw back once of a light, to be added to it at every place of a grid: found on a coarse
 * grid, between its places by straight lines.
 * @returns the adder, for as many lights as there are
 */
export function thrownBackBy(
  surfaces: readonly Standing[],
  grid: Grid,
): (light: Light, lux: Float64Array) => void {
  const coarse = coarseOf(grid);
  const all = surfaces.map((surface) => {
    const bands = bandsOf(surface);
    return { surface, bands, onto: ontoCoarse(surface, bands, coarse) };
  });
  return (light, lux) => {
    for (const { surface, bands, onto } of all) {
      // Lumens a square metre that each band throws back.
      const thrown = bands.map((b) => surface.reflectance * light.at(b.x, surface.y, b.z, facing(surface)));
      const found = new Float64Array(onto.length / bands.length);
      let i = 0;
      for (let place = 0; place < found.length; place++)
        for (const lumens of thrown) found[place] += lumens * onto[i++];
      addBetween(lux, grid, coarse, found);
    }
  };
}

/** Adds light known at coarse places to all of a grid, between them by straight lines. */
function addBetween(
  lux: Float64Array,
  { xs, ys, on }: Grid,
  { along, deep }: Coarse,
  found: Float64Array,
): void {
  const [first, last] = [xs[0], xs[xs.length - 1]];
  ys.forEach((y, r) => {
    let d = 0;
    while (d < deep.length - 2 && deep[d + 1] < y) d++;
    const v = deep[d + 1] > deep[d] ? (y - deep[d]) / (deep[d + 1] - deep[d]) : 0;
    xs.forEach((x, c) => {
      const i = r * xs.length + c;
      if (!on[i]) return;
      const at = last > first ? ((x - first) / (last - first)) * (along.length - 1) : 0;
      const a = Math.min(along.length - 2, Math.floor(at));
      const u = at - a;
      const [p, q] = [d * along.length + a, (d + 1) * along.length + a];
      lux[i] +=
        (1 - v) * ((1 - u) * found[p] + u * found[p + 1]) + v * ((1 - u) * found[q] + u * found[q + 1]);
    });
  });
}
