import { bandsOf, type Standing } from '../light/bounce';
import { lightness } from '../light/lightness';
import { colourDifference, type Chromaticity } from '../light/difference';
import { shadowOf, type Shadow } from '../light/penumbra';
import { chromaticityOf, mixed, tristimulus, whiteOf, whiteXy, type White } from '../light/white';
import { channels } from '../part/overhead-lamp';
import { areaOf, type RigArea } from './area';
import { leavesOf, litRows } from './geometry';
import { gridOf } from './grid';
import { jointsOf, type Joint } from './joints';
import { sightOf, type Sight } from './sight';
import { lightOf, sourcesOf, type Light } from './sources';
import { standingOf, thrownBackBy } from './thrown-back';
import type { Layout } from '../document/layout';
import type { RigRecord } from '../document/rig-record';
import type { PieceRun } from './strip-run';

/** Light on the boards at places in a grid, row by row from the backscene. */
export interface LightMap {
  readonly columns: number;
  readonly rows: number;
  readonly stepMillimetres: number;
  /** Lux at each place; 0 where no board lies. */
  readonly lux: Float64Array;
  /** Whether a board lies there. */
  readonly on: Uint8Array;
}

/** What a rig's light comes to. Lux are on the level of the scenery. */
export interface RigLight {
  readonly area: RigArea;
  readonly map: LightMap;
  readonly meanLux: number;
  readonly leastLux: number;
  readonly mostLux: number;
  /** Along the front edge, and at the ends. */
  readonly frontLux: number;
  readonly joints: readonly Joint[];
  /** Mean on the backscene, as it stands; null without one. */
  readonly backsceneLux: number | null;
  /** Share of the mean that is the room's own. */
  readonly roomShare: number;
  /** Mean that rigs beside it give of it. */
  readonly besideLux: number;
  readonly white: White;
  readonly xy: Chromaticity;
  /** The most that colour differs on the boards from its mean, in u', v'. */
  readonly drift: number;
  /** Chromaticity and lux of each lit row alone. */
  readonly byRow: ReadonlyMap<string, { readonly xy: Chromaticity; readonly meanLux: number }>;
  readonly shadow: Shadow | null;
  readonly sight: Sight;
}

/** The map is as fine as this, of long boards as so many columns. */
const DECK = 10;
const MOST_COLUMNS = 200;

/** What else there is to say of a rig's light. */
export interface LitAs {
  /** Pieces as they were solved, by row; at their full where left out. */
  readonly runs?: ReadonlyMap<string, readonly PieceRun[]>;
  /** Step of the map; what a screen shows where it is left out. */
  readonly stepMillimetres?: number;
  /** What rows of other rigs are to it. */
  readonly beside?: readonly Light[];
  /** What is known of its rows already, as while one of them is moved. */
  readonly kept?: KeptLux;
}

/**
 * Lux of rows on the boards with what is thrown back of them, by place of a grid: kept for as long as a
 * row, and what throws its light back, hang as they hung. For one rig, on one grid.
 */
export class KeptLux {
  private around = '';
  private known = new WeakMap<object, Float64Array>();

  /** @param of the record of a row, or a light of a rig beside it */
  find(of: object, surfaces: readonly Standing[], find: () => Float64Array): Float64Array {
    const around = JSON.stringify(surfaces);
    if (around !== this.around) {
      this.around = around;
      this.known = new WeakMap();
    }
    const lux = this.known.get(of) ?? find();
    this.known.set(of, lux);
    return lux;
  }
}

/**
 * The light of a rig over its boards: each row by its closed form and what rigs beside it give, what
 * backscene and fascia throw back once of both, and the room's own. Colours mix as tristimulus values (CIE 15).
 */
export function rigLight(
  layout: Pick<Layout, 'boards'>,
  rig: RigRecord,
  { runs = new Map(), stepMillimetres, beside = [], kept = new KeptLux() }: LitAs = {},
): RigLight {
  const area = areaOf(layout, rig);
  const sources = sourcesOf(rig, area, runs);
  const grid = gridOf(area, stepMillimetres ?? Math.max(DECK, area.width / MOST_COLUMNS));
  const { xs, ys, on } = grid;
  const [columns, rows] = [xs.length, ys.length];
  const surfaces = standingOf(rig, area);
  const addThrownBack = thrownBackBy(surfaces, grid);
  const luxOf = (light: Light, of: object): Float64Array =>
    kept.find(of, surfaces, () => {
      const lux = light.onBoards(grid);
      addThrownBack(light, lux);
      return lux;
    });
  const own = sources.map(lightOf);
  const lights = [...own, ...beside];
  const lit = [
    ...own.map((light, k) => ({ xy: light.xy, lux: luxOf(light, rig.rows[sources[k].rowId]) })),
    ...beside.map((light) => ({ xy: light.xy, lux: luxOf(light, light) })),
  ];
  const room = { lux: rig.room.lux, xy: whiteXy({ kelvin: rig.room.kelvin, duv: 0 }) };
  const lux = Float64Array.from(on, (there) => (there ? room.lux : 0));
  for (const row of lit) row.lux.forEach((l, i) => (lux[i] += l));
  const places = Uint32Array.from(lux.keys()).filter((i) => on[i] > 0);
  const mean = (of: Float64Array): number => {
    let sum = 0;
    for (const i of places) sum += of[i];
    return sum / places.length;
  };
  const meanLux = mean(lux);
  const means = lit.map((row) => mean(row.lux));
  const byRow = new Map(sources.map((s, k) => [s.rowId, { xy: s.xy, meanLux: means[k] }]));
  const colours = [...lit, room].map((of) => tristimulus(of.xy, 1));
  const mixAt = (luxOf: (row: number) => number): Chromaticity | null =>
    chromaticityOf(mixed(colours, (k) => (k < lit.length ? luxOf(k) : room.lux)));
  const xy = mixAt((k) => means[k]) ?? room.xy;
  // Colour moves slowly: every few places are enough to find the most.
  const every = Math.max(1, Math.floor(places.length / 600));
  let drift = 0;
  for (let n = 0; n < places.length; n += every)
    drift = Math.max(drift, colourDifference(mixAt((k) => lit[k].lux[places[n]]) ?? xy, xy));
  const front = xs.map((_, c) => {
    for (let r = rows - 1; r >= 0; r--) if (on[r * columns + c]) return lux[r * columns + c];
    return 0;
  });
  const middle = Math.floor(rows / 2);
  const atColumn = (x: number): number =>
    lux[middle * columns + Math.min(columns - 1, Math.max(0, Math.floor((x / area.width) * columns)))];
  return {
    area,
    map: { columns, rows, stepMillimetres: area.width / columns, lux, on },
    meanLux,
    leastLux: places.reduce((least, i) => Math.min(least, lux[i]), Infinity),
    mostLux: places.reduce((most, i) => Math.max(most, lux[i]), 0),
    frontLux: front.reduce((a, b) => a + b, 0) / front.length,
    joints: jointsOf(rig, area, sources, atColumn),
    backsceneLux: backsceneOf(rig, area, lights),
    roomShare: meanLux > 0 ? room.lux / meanLux : 0,
    besideLux: means.slice(own.length).reduce((sum, lux) => sum + lux, 0),
    white: whiteOf(xy),
    xy,
    drift,
    byRow,
    shadow: shadowOf(
      litRows(rig).map((r) => ({
        y: r.depthMillimetres,
        z: r.heightMillimetres,
        shinesMillimetres: channels[r.channel].shinesMillimetres,
        lumens: r.lumens * leavesOf(r),
      })),
    ),
    sight: sightOf(rig, area),
  };
}

/** Mean light on a backscene as it stands, direct and the room's. */
function backsceneOf(rig: RigRecord, area: RigArea, lights: readonly Light[]): number | null {
  if (!rig.backscene) return null;
  const bands = bandsOf({
    y: 0,
    fromZ: 0,
    toZ: rig.backscene.heightMillimetres,
    fromX: 0,
    toX: area.width,
    faces: 1,
    reflectance: 1,
  });
  // Bands are of unlike height: each counts by its own.
  let [sum, weight] = [0, 0];
  for (const { line, x, z } of bands) {
    const lux = lights.reduce((s, light) => s + light.at(x, 0, z, [0, 1, 0]), 0);
    sum += line.lumensPerMetre * (lux + rig.room.lux);
    weight += line.lumensPerMetre;
  }
  return sum / weight;
}

/** Steps of the eye between two illuminances against a white of what is wanted: differences of lightness (CIE 1976). */
export const eyeSteps = (lux: number, wantedLux: number): number => lightness(lux / wantedLux) - lightness(1);
