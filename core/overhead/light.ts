import { lightness } from '../light/lightness';
import { bandsOf, bouncedLux, facing, type Band, type Standing } from '../light/bounce';
import { colourDifference, type Chromaticity } from '../light/difference';
import { beamExponent, luxPerLumen, type Normal } from '../light/illuminance';
import { across, alongLux, lineLux, type LineSource } from '../light/line-source';
import { shadowOf, type Shadow } from '../light/penumbra';
import { chromaticityOf, mixed, tristimulus, whiteOf, whiteXy, type White } from '../light/white';
import { channels } from '../part/overhead-lamp';
import { areaOf, type RigArea } from './area';
import { leavesOf, litRows, piecesOf, rigHeight, spotsOf } from './geometry';
import { sightOf, type Sight } from './sight';
import type { Layout } from '../document/layout';
import type { RigRecord, RigRowRecord } from '../document/rig-record';
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
  /** At each joint: where, the light there and beside it. */
  readonly joints: readonly { readonly at: number; readonly lux: number; readonly besideLux: number }[];
  /** Mean on the backscene, as it stands; null without one. */
  readonly backsceneLux: number | null;
  /** Share of the mean that is the room's own. */
  readonly roomShare: number;
  readonly white: White;
  readonly xy: Chromaticity;
  /** The most that colour differs on the boards from its mean, in u', v'. */
  readonly drift: number;
  /** Chromaticity and lux of each lit row alone. */
  readonly byRow: ReadonlyMap<string, { readonly xy: Chromaticity; readonly meanLux: number }>;
  readonly shadow: Shadow | null;
  readonly sight: Sight;
}

const UPWARD: Normal = [0, 0, 1];
/** Pieces of a strip that is dimmer far out. */
const PARTS = 4;
const UNEVEN = 0.96;
/** Places of the grid on which light that is thrown back is found; between them it is drawn straight. */
const COARSE = { along: 21, deep: 10 } as const;
/** The map is as fine as this, of long boards as so many columns. */
const DECK = 10;
const MOST_COLUMNS = 200;

/** A source of a rig, lines and spots alike, with the chromaticity of its row. */
interface Source {
  readonly rowId: string;
  readonly lines: readonly LineSource[];
  readonly spots: readonly {
    readonly x: number;
    readonly y: number;
    readonly z: number;
    readonly lumens: number;
  }[];
  readonly tilt: number;
  readonly exponent: number;
  readonly xy: Chromaticity;
}

const frosts = (row: RigRowRecord): number => (row.channel === 'frosted' ? 120 : row.beamDegrees);

/**
 * Rows as lines and points of light. A strip that is dimmer far out is some lines, each of its own mean.
 * @param runs as pieces were solved, by row; at their full where left out
 */
function sourcesOf(rig: RigRecord, area: RigArea, runs: ReadonlyMap<string, readonly PieceRun[]>): Source[] {
  return litRows(rig).map((row) => {
    const leaves = leavesOf(row);
    const own = runs.get(row.id);
    const shareOver = (k: number, from: number, to: number): number => {
      const shares = own?.[k]?.shares;
      if (!shares) return 1;
      const [a, b] = [Math.floor(from * shares.length), Math.max(1, Math.ceil(to * shares.length))];
      const part = shares.slice(Math.min(a, shares.length - 1), b);
      return part.reduce((s, v) => s + v, 0) / part.length;
    };
    const line = (from: number, to: number, share: number): LineSource => ({
      from,
      to,
      y: row.depthMillimetres,
      z: row.heightMillimetres,
      tiltDegrees: row.tiltDegrees,
      beamDegrees: frosts(row),
      lumensPerMetre: row.lumens * leaves * share,
    });
    const pieces = piecesOf(row, rig, area);
    return {
      rowId: row.id,
      xy: whiteXy(row),
      tilt: row.tiltDegrees,
      exponent: beamExponent(frosts(row)),
      lines:
        row.form === 'spot'
          ? []
          : pieces.flatMap(({ from, to }, k) => {
              const parts = (own?.[k]?.leastShare ?? 1) < UNEVEN ? PARTS : 1;
              return Array.from({ length: parts }, (_, i) =>
                line(
                  from + (i * (to - from)) / parts,
                  from + ((i + 1) * (to - from)) / parts,
                  shareOver(k, i / parts, (i + 1) / parts),
                ),
              );
            }),
      spots:
        row.form === 'spot'
          ? spotsOf(row, rig, area).map((x) => ({
              x,
              y: row.depthMillimetres,
              z: row.heightMillimetres,
              lumens: row.lumens * leaves,
            }))
          : [],
    };
  });
}

/** Direct light of one row at a place, on a surface that looks some way. */
function directLux(
  { lines, spots, tilt, exponent }: Source,
  x: number,
  y: number,
  z: number,
  normal: Normal,
): number {
  let lux = 0;
  for (const line of lines) lux += lineLux(line, x, y, z, normal);
  for (const s of spots)
    // Sources are turned towards the far side of their room; here that is the front.
    lux += s.lumens * luxPerLumen({ x: s.x, y: s.y, z: s.z, aimDegrees: -tilt, exponent }, x, y, z, normal);
  return lux;
}

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
 * The light of a rig over its boards: each row by its closed form, what backscene and fascia throw back
 * once, and the room's own. Colours mix as tristimulus values (CIE 15).
 * @param stepMillimetres of the map; what a screen shows where it is left out
 */
export function rigLight(
  layout: Pick<Layout, 'boards'>,
  rig: RigRecord,
  runs: ReadonlyMap<string, readonly PieceRun[]> = new Map(),
  stepMillimetres?: number,
): RigLight {
  const area = areaOf(layout, rig);
  const step = stepMillimetres ?? Math.max(DECK, area.width / MOST_COLUMNS);
  const sources = sourcesOf(rig, area, runs);
  const surfaces = standingOf(rig, area).map((s) => bouncedOf(s, sources));
  const columns = Math.max(2, Math.round(area.width / step));
  const rows = Math.max(2, Math.round(area.depth / step));
  const xs = Array.from({ length: columns }, (_, i) => ((i + 0.5) * area.width) / columns);
  const ys = Array.from({ length: rows }, (_, i) => ((i + 0.5) * area.depth) / rows);
  const on = new Uint8Array(columns * rows);
  ys.forEach((y, r) =>
    xs.forEach((x, c) => {
      on[r * columns + c] = Number(
        area.boards.some((b) => x >= b.x && x <= b.x + b.width && y >= b.y && y <= b.y + b.depth),
      );
    }),
  );
  const bySource = sources.map((source) => {
    const lux = new Float64Array(columns * rows);
    ys.forEach((y, r) => {
      for (const line of source.lines) {
        const there = across(line, y, 0, UPWARD);
        if (!there) continue;
        xs.forEach((x, c) => {
          if (on[r * columns + c]) lux[r * columns + c] += alongLux(there, line, x);
        });
      }
      if (source.spots.length > 0)
        xs.forEach((x, c) => {
          if (on[r * columns + c])
            lux[r * columns + c] += directLux({ ...source, lines: [] }, x, y, 0, UPWARD);
        });
    });
    return lux;
  });
  for (const surface of surfaces) addBounced(bySource, on, xs, ys, surface);
  const room = { lux: rig.room.lux, xy: whiteXy({ kelvin: rig.room.kelvin, duv: 0 }) };
  const lux = new Float64Array(columns * rows);
  bySource.forEach((own) => own.forEach((l, i) => (lux[i] += l)));
  lux.forEach((_, i) => {
    if (on[i]) lux[i] += room.lux;
  });
  const places = [...lux.keys()].filter((i) => on[i]);
  const mean = (of: Float64Array): number => places.reduce((sum, i) => sum + of[i], 0) / places.length;
  const meanLux = mean(lux);
  const byRow = new Map(sources.map((s, k) => [s.rowId, { xy: s.xy, meanLux: mean(bySource[k]) }]));
  const mixAt = (i: number | null): Chromaticity | null =>
    chromaticityOf(
      mixed([
        ...sources.map((s, k) => tristimulus(s.xy, i === null ? mean(bySource[k]) : bySource[k][i])),
        tristimulus(room.xy, room.lux),
      ]),
    );
  const xy = mixAt(null) ?? room.xy;
  // Colour moves slowly: every few places are enough to find the most.
  const every = Math.max(1, Math.floor(places.length / 600));
  const drift = places
    .filter((_, k) => k % every === 0)
    .reduce((most, i) => Math.max(most, colourDifference(mixAt(i) ?? xy, xy)), 0);
  const front = xs.map((_, c) => {
    for (let r = rows - 1; r >= 0; r--) if (on[r * columns + c]) return lux[r * columns + c];
    return 0;
  });
  const middle = Math.floor(rows / 2);
  const atColumn = (x: number): number =>
    lux[middle * columns + Math.min(columns - 1, Math.max(0, Math.floor((x / area.width) * columns)))];
  const beside = Math.min(200, area.width / 4);
  return {
    area,
    map: { columns, rows, stepMillimetres: area.width / columns, lux, on },
    meanLux,
    leastLux: places.reduce((least, i) => Math.min(least, lux[i]), Infinity),
    mostLux: places.reduce((most, i) => Math.max(most, lux[i]), 0),
    frontLux: front.reduce((a, b) => a + b, 0) / front.length,
    joints: area.joints.map((at) => ({
      at,
      lux: atColumn(at),
      besideLux: (atColumn(at - beside) + atColumn(at + beside)) / 2,
    })),
    backsceneLux: backsceneOf(rig, area, sources),
    roomShare: meanLux > 0 ? room.lux / meanLux : 0,
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

/** Adds what a surface throws back to the map of each row: found on a coarse grid, between its places by straight lines. */
function addBounced(
  bySource: readonly Float64Array[],
  on: Uint8Array,
  xs: readonly number[],
  ys: readonly number[],
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
  const grid = deep.map((y) => along.map((x) => bouncedLux(bands, thrown, x, y, 0, UPWARD)));
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
      const [p, q, s, t] = [grid[d][a], grid[d][a + 1], grid[d + 1][a], grid[d + 1][a + 1]];
      bySource.forEach((lux, k) => {
        lux[i] += (1 - v) * ((1 - u) * p[k] + u * q[k]) + v * ((1 - u) * s[k] + u * t[k]);
      });
    });
  });
}

/** Mean light on a backscene as it stands, direct and the room's. */
function backsceneOf(rig: RigRecord, area: RigArea, sources: readonly Source[]): number | null {
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
    const lux = sources.reduce((s, source) => s + directLux(source, x, 0, z, [0, 1, 0]), 0);
    sum += line.lumensPerMetre * (lux + rig.room.lux);
    weight += line.lumensPerMetre;
  }
  return sum / weight;
}

/** Steps of the eye between two illuminances against a white of what is wanted: differences of lightness (CIE 1976). */
export const eyeSteps = (lux: number, wantedLux: number): number => lightness(lux / wantedLux) - lightness(1);
