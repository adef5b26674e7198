import { luxPerLumen, type LightSource, type Normal } from './illuminance';

/** An upright screen that stands on the floor: a partition, a seat-back, the wall of a corridor. Millimetres. */
export interface Screen {
  /** `across` stands at a place along the coach, `along` at a distance from the near wall. */
  readonly lies: 'across' | 'along';
  readonly at: number;
  /** From and to in the direction it lies. */
  readonly from: number;
  readonly to: number;
  readonly top: number;
}

/** A pane in both side walls: light that falls on it is gone. */
export interface Opening {
  readonly from: number;
  readonly to: number;
  readonly sill: number;
  readonly head: number;
}

/** The inside of a coach as light meets it, in millimetres: x along, y across from the near wall, z up from the floor. */
export interface Interior {
  readonly length: number;
  readonly width: number;
  readonly ceiling: number;
  /** Share of the light that walls and screens throw back, matt. */
  readonly reflectance: number;
  readonly screens: readonly Screen[];
  readonly openings: readonly Opening[];
}

export interface Place {
  readonly x: number;
  readonly y: number;
}

/** How near to an end of a line a crossing counts as touching, as a share of it. */
const TOUCHING = 1e-9;

/** Screens of one direction as rows of figures, for the many lines that are tried against them. */
function rowsOf(screens: readonly Screen[], lies: Screen['lies']): Float64Array {
  const own = screens.filter((s) => s.lies === lies);
  return Float64Array.from(own.flatMap((s) => [s.at, s.from, s.to, s.top]));
}

/** Answers whether a straight line between two points meets no screen on its way. */
export class Sight {
  private readonly across: Float64Array;
  private readonly along: Float64Array;

  constructor(screens: readonly Screen[]) {
    this.across = rowsOf(screens, 'across');
    this.along = rowsOf(screens, 'along');
  }

  /**
   * Between which places along the coach anything at a distance from the near wall can be seen from a
   * patch at all: screens that stand wholly between, and as high as the patch, end the view.
   */
  reachAlong(patch: Patch, y: number): readonly [from: number, to: number] {
    const inX = patch.normal[0] === 0;
    const halfX = inX ? patch.halfAlong : 0;
    const halfY = inX ? 0 : patch.halfAlong;
    const low = Math.min(patch.y - halfY, y);
    const high = Math.max(patch.y + halfY, y);
    const top = patch.z + patch.halfHigh;
    let from = -Infinity;
    let to = Infinity;
    const { across: rows } = this;
    for (let i = 0; i < rows.length; i += 4) {
      if (rows[i + 3] < top || rows[i + 1] > low || rows[i + 2] < high) continue;
      // A line along the very edge of a screen is not stopped by it.
      if (low === high && (rows[i + 1] === low || rows[i + 2] === high)) continue;
      // A patch on the screen itself looks away from it.
      if (inX ? rows[i] >= patch.x + halfX : rows[i] > patch.x) to = Math.min(to, rows[i]);
      if (inX ? rows[i] <= patch.x - halfX : rows[i] < patch.x) from = Math.max(from, rows[i]);
    }
    return [from, to];
  }

  isClear(ax: number, ay: number, az: number, bx: number, by: number, bz: number): boolean {
    return passes(this.across, ax, ay, az, bx, by, bz) && passes(this.along, ay, ax, az, by, bx, bz);
  }
}

/** Points by their distance from the near wall. */
function linesOf(points: readonly Place[]): { readonly y: number; readonly indices: readonly number[] }[] {
  const lines = new Map<number, number[]>();
  points.forEach(({ y }, i) => {
    const line = lines.get(y);
    if (line) line.push(i);
    else lines.set(y, [i]);
  });
  return [...lines].map(([y, indices]) => ({ y, indices }));
}

/** Whether a line passes screens that stand at places along its first axis. */
function passes(
  rows: Float64Array,
  a: number,
  c: number,
  az: number,
  b: number,
  d: number,
  bz: number,
): boolean {
  if (a === b) return true;
  for (let i = 0; i < rows.length; i += 4) {
    const t = (rows[i] - a) / (b - a);
    if (t <= TOUCHING || t >= 1 - TOUCHING) continue;
    if (az + t * (bz - az) >= rows[i + 3]) continue;
    const other = c + t * (d - c);
    if (other > rows[i + 1] && other < rows[i + 2]) return false;
  }
  return true;
}

/** A rectangle of wall or screen that throws light back. */
interface Patch {
  readonly x: number;
  readonly y: number;
  readonly z: number;
  /** Half its size along the wall, and in height. */
  readonly halfAlong: number;
  readonly halfHigh: number;
  readonly normal: Normal;
  readonly reflectance: number;
}

const LEFT: Normal = [-1, 0, 0];
const RIGHT: Normal = [1, 0, 0];
const NEAR: Normal = [0, -1, 0];
const FAR: Normal = [0, 1, 0];
const UP: Normal = [0, 0, 1];

/** Rows of patches between the level where light is wanted and the ceiling. */
const ROWS = 6;
/** Patches at the most: where the level lies just below the ceiling they are made larger, not more. */
const MOST_PATCHES = 4000;
/** A patch nearer than this many of its sizes is looked at in parts. */
const NEAR_SIZES = 2;
const MOST_PARTS = 6;
/** Sources whose light is remembered. */
const MOST_KNOWN = 4000;

/**
 * Light on a level of a coach's inside: direct, with the shadows of screens, and thrown back once by
 * walls and screens, matt. The floor throws nothing at a surface that looks up, and the ceiling gets
 * nothing from lamps that hang from it and shine down; so both are left out, and nothing is lost by it.
 */
export class LightField {
  private readonly sight: Sight;
  private readonly patches: readonly Patch[];
  /** For every patch the points it lights, and lux there per lux on it. */
  private readonly reach: readonly { readonly points: Int32Array; readonly shares: Float64Array }[];
  private readonly known = new Map<string, Float64Array>();

  /**
   * @param points where the light is asked for, on the level
   * @param level height of the level above the floor
   */
  constructor(
    readonly interior: Interior,
    readonly points: readonly Place[],
    readonly level: number,
  ) {
    this.sight = new Sight(interior.screens);
    this.patches = interior.reflectance > 0 ? patchesAbove(interior, level) : [];
    const lines = linesOf(points);
    this.reach = this.patches.map((patch) => {
      const found: number[] = [];
      const shares: number[] = [];
      for (const line of lines) {
        const [from, to] = this.sight.reachAlong(patch, line.y);
        for (const i of line.indices) {
          const { x, y } = points[i];
          if (x < from || x > to) continue;
          const share = thrown(this.sight, patch, x, y, level);
          if (share > 0) {
            found.push(i);
            shares.push(share);
          }
        }
      }
      return { points: Int32Array.from(found), shares: Float64Array.from(shares) };
    });
  }

  /** How many patches throw light back: what the work hangs on. */
  get patchCount(): number {
    return this.patches.length;
  }

  /** Lux per lumen of a source at every point; not to be written to. */
  perLumen(source: LightSource): Float64Array {
    const { x, y, z, aimDegrees, exponent } = source;
    const key = `${x} ${y} ${z} ${aimDegrees} ${exponent}`;
    let lux = this.known.get(key);
    if (lux) return lux;
    if (this.known.size >= MOST_KNOWN) this.known.clear();
    this.known.set(key, (lux = this.reckon(source)));
    return lux;
  }

  private reckon(source: LightSource): Float64Array {
    const { sight } = this;
    const { x, y, z } = source;
    const lux = new Float64Array(this.points.length);
    this.points.forEach((p, i) => {
      const direct = luxPerLumen(source, p.x, p.y, this.level, UP);
      if (direct > 0 && sight.isClear(x, y, z, p.x, p.y, this.level)) lux[i] = direct;
    });
    this.patches.forEach((patch, j) => {
      const { points, shares } = this.reach[j];
      if (points.length === 0) return;
      const falls = received(sight, patch, source);
      if (falls === 0) return;
      for (let k = 0; k < points.length; k++) lux[points[k]] += falls * shares[k];
    });
    return lux;
  }
}

/** Walls, ends and both faces of every screen above a level, in patches. */
function patchesAbove(interior: Interior, level: number): Patch[] {
  const { length, width, ceiling, screens, reflectance, openings } = interior;
  const size = patchSize(interior, level);
  const patches: Patch[] = [];
  const lay = (face: Screen, normal: Normal, glazed = false): void => {
    const high = face.top - level;
    if (high <= 0) return;
    const rows = Math.max(1, Math.round(high / size));
    const halfHigh = high / rows / 2;
    for (const [from, to] of piecesOf(face, screens)) {
      const columns = Math.max(1, Math.round((to - from) / size));
      const halfAlong = (to - from) / columns / 2;
      for (let c = 0; c < columns; c++) {
        const along = from + (2 * c + 1) * halfAlong;
        for (let r = 0; r < rows; r++) {
          const z = level + (2 * r + 1) * halfHigh;
          const open =
            glazed && openings.some((o) => along > o.from && along < o.to && z > o.sill && z < o.head);
          if (open) continue;
          const [x, y] = face.lies === 'across' ? [face.at, along] : [along, face.at];
          patches.push({ x, y, z, halfAlong, halfHigh, normal, reflectance });
        }
      }
    }
  };
  const side = { lies: 'along' as const, from: 0, to: length, top: ceiling };
  const end = { lies: 'across' as const, from: 0, to: width, top: ceiling };
  lay({ ...side, at: 0 }, FAR, true);
  lay({ ...side, at: width }, NEAR, true);
  lay({ ...end, at: 0 }, RIGHT);
  lay({ ...end, at: length }, LEFT);
  for (const s of screens) {
    const [front, back] = s.lies === 'across' ? [LEFT, RIGHT] : [NEAR, FAR];
    lay(s, front);
    lay(s, back);
  }
  return patches;
}

/** Size of a patch: a share of the room's height above the level, as long as there are not too many. */
function patchSize({ length, width, ceiling, screens }: Interior, level: number): number {
  const size = Math.max(0.5, ceiling - level) / ROWS;
  const faces = [
    ...[length, length, width, width].map((long) => ({ long, high: ceiling - level })),
    ...screens.flatMap((s) => [1, 2].map(() => ({ long: s.to - s.from, high: s.top - level }))),
  ].filter((f) => f.high > 0);
  const count = (of: number): number =>
    faces.reduce((sum, f) => sum + Math.max(1, f.long / of) * Math.max(1, f.high / of), 0);
  let fitting = size;
  while (count(fitting) > MOST_PATCHES) fitting *= 1.1;
  return fitting;
}

/** A face cut where screens stand at right angles to it, so that no patch belongs to two rooms. */
function piecesOf(face: Screen, screens: readonly Screen[]): [from: number, to: number][] {
  const cuts = screens
    .filter((s) => s.lies !== face.lies && s.at > face.from && s.at < face.to)
    .map((s) => s.at);
  const ends = [...new Set([face.from, ...cuts.sort((a, b) => a - b), face.to])];
  return ends.slice(1).map((to, i): [number, number] => [ends[i], to]);
}

/** Into how many parts a side of a patch is cut when it is looked at from a point. */
function partsSeenFrom(patch: Patch, x: number, y: number, z: number): number {
  const size = 2 * Math.max(patch.halfAlong, patch.halfHigh);
  const squared = (patch.x - x) ** 2 + (patch.y - y) ** 2 + (patch.z - z) ** 2;
  const near = NEAR_SIZES * size;
  if (squared >= near * near) return 1;
  return Math.min(MOST_PARTS, Math.ceil(near / Math.max(size / MOST_PARTS, Math.sqrt(squared))));
}

/** Mean lux on a patch per lumen of a source. */
function received(sight: Sight, patch: Patch, source: LightSource): number {
  const { x, y, z } = source;
  const parts = partsSeenFrom(patch, x, y, z);
  const inX = patch.normal[0] === 0;
  let sum = 0;
  for (let i = 0; i < parts; i++) {
    const along = patch.halfAlong * ((2 * i + 1) / parts - 1);
    const px = inX ? patch.x + along : patch.x;
    const py = inX ? patch.y : patch.y + along;
    for (let j = 0; j < parts; j++) {
      const pz = patch.z + patch.halfHigh * ((2 * j + 1) / parts - 1);
      const lux = luxPerLumen(source, px, py, pz, patch.normal);
      if (lux > 0 && sight.isClear(x, y, z, px, py, pz)) sum += lux;
    }
  }
  return sum / (parts * parts);
}

/** Lux at a point that looks up per lux on a patch: E = M/pi cos a cos b A / r^2 with M = reflectance E. */
function thrown(sight: Sight, patch: Patch, x: number, y: number, level: number): number {
  const away = (x - patch.x) * patch.normal[0] + (y - patch.y) * patch.normal[1];
  if (away <= 0) return 0;
  const parts = partsSeenFrom(patch, x, y, level);
  const inX = patch.normal[0] === 0;
  let sum = 0;
  for (let i = 0; i < parts; i++) {
    const along = patch.halfAlong * ((2 * i + 1) / parts - 1);
    const px = inX ? patch.x + along : patch.x;
    const py = inX ? patch.y : patch.y + along;
    for (let j = 0; j < parts; j++) {
      const pz = patch.z + patch.halfHigh * ((2 * j + 1) / parts - 1);
      const up = pz - level;
      if (up <= 0 || !sight.isClear(px, py, pz, x, y, level)) continue;
      const squared = (x - px) ** 2 + (y - py) ** 2 + up * up;
      sum += (away * up) / (squared * squared);
    }
  }
  const area = (4 * patch.halfAlong * patch.halfHigh) / (parts * parts);
  return (patch.reflectance / Math.PI) * sum * area;
}
