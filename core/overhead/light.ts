import { bandsOf } from '../light/bounce';
import { lightness } from '../light/lightness';
import { shadowOf, type Shadow } from '../light/penumbra';
import { chromaticityOf, mixed, tristimulus, whiteOf, whiteXy, type White } from '../light/white';
import { channels } from '../part/overhead-lamp';
import { areaOf, type RigArea } from './area';
import { driftOf } from './drift';
import { leavesOf, litRows } from './geometry';
import { gridOf } from './grid';
import { jointsOf, type Joint } from './joints';
import { sightOf, type Sight } from './sight';
import { lightOf, sourcesOf, type Light } from './sources';
import { standingOf, thrownBackBy } from './thrown-back';
import type { Chromaticity } from '../light/difference';
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

/** What one light gives: on the boards with what is thrown back of it, by place of a grid, and on the backscene as it stands. */
interface Given {
  readonly lux: Float64Array;
  readonly backsceneLux: number;
}

/**
 * What rows give, kept for as long as a row, and what throws its light back, hang as they hung. For one
 * rig, on one grid.
 */
export class KeptLux {
  private around = '';
  private known = new WeakMap<object, Given>();

  /**
   * @param of the record of a row, or a light of a rig beside it
   * @param around what throws light back, in words: another one leaves nothing as it was
   */
  find(of: object, around: string, find: () => Given): Given {
    if (around !== this.around) {
      this.around = around;
      this.known = new WeakMap();
    }
    const given = this.known.get(of) ?? find();
    this.known.set(of, given);
    return given;
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
  const { xs, ys, on, places } = grid;
  const [columns, rows] = [xs.length, ys.length];
  const surfaces = standingOf(rig, area);
  const addThrownBack = thrownBackBy(surfaces, grid);
  const around = JSON.stringify([surfaces, rig.backscene]);
  const litBy = (light: Light, of: object): Given & { readonly xy: Chromaticity } => ({
    xy: light.xy,
    ...kept.find(of, around, () => {
      const lux = light.onBoards(grid);
      addThrownBack(light, lux);
      return { lux, backsceneLux: onBackscene(rig, area, light) };
    }),
  });
  const own = sources.map((source) => litBy(lightOf(source), rig.rows[source.rowId]));
  const lit = [...own, ...beside.map((light) => litBy(light, light))];
  const room = { lux: rig.room.lux, xy: whiteXy({ kelvin: rig.room.kelvin, duv: 0 }) };
  const lux = new Float64Array(on.length);
  for (const i of places) {
    lux[i] = room.lux;
    for (const row of lit) lux[i] += row.lux[i];
  }
  const mean = (of: Float64Array): number => {
    let sum = 0;
    for (const i of places) sum += of[i];
    return sum / places.length;
  };
  const meanLux = mean(lux);
  const means = lit.map((row) => mean(row.lux));
  const byRow = new Map(sources.map((s, k) => [s.rowId, { xy: s.xy, meanLux: means[k] }]));
  const there = tristimulus(room.xy, room.lux);
  const mix = mixed([...lit.map((row, k) => tristimulus(row.xy, means[k])), there]);
  const xy = chromaticityOf(mix) ?? room.xy;
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
    backsceneLux: rig.backscene ? lit.reduce((sum, row) => sum + row.backsceneLux, room.lux) : null,
    roomShare: meanLux > 0 ? room.lux / meanLux : 0,
    besideLux: means.slice(own.length).reduce((sum, lux) => sum + lux, 0),
    white: whiteOf(xy),
    xy,
    drift: driftOf(lit, there, places, xy),
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

/** Mean direct light of one light on a backscene as it stands; 0 without one. */
function onBackscene(rig: RigRecord, area: RigArea, light: Light): number {
  if (!rig.backscene) return 0;
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
    sum += line.lumensPerMetre * light.at(x, 0, z, [0, 1, 0]);
    weight += line.lumensPerMetre;
  }
  return sum / weight;
}

/** Steps of the eye between two illuminances against a white of what is wanted: differences of lightness (CIE 1976). */
export const eyeSteps = (lux: number, wantedLux: number): number => lightness(lux / wantedLux) - lightness(1);
