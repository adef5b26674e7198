import { beamExponent, luxPerLumen, UPWARD, type Normal } from '../light/illuminance';
import { across, alongLux, lineLux, type LineSource } from '../light/line-source';
import { whiteXy } from '../light/white';
import { leavesOf, litRows, piecesOf, spotsIn } from './geometry';
import type { Chromaticity } from '../light/difference';
import type { RigArea } from './area';
import type { Grid } from './grid';
import type { RigRecord, RigRowRecord } from '../document/rig-record';
import type { PieceRun } from './strip-run';

/** Pieces of a strip that is dimmer far out. */
const PARTS = 4;
const UNEVEN = 0.96;

/** What lights the boards of a rig: a row of its own, or one of a rig beside it. Millimetres of its area, lux. */
export interface Light {
  readonly xy: Chromaticity;
  /** Direct light on the boards, by place of a grid. */
  onBoards(grid: Grid): Float64Array;
  /** Direct light at a place, on a surface that looks some way. */
  at(x: number, y: number, z: number, normal: Normal): number;
}

/** Which module of a rig something hangs in, from the left; all in the first where it is of one piece. */
interface InModule {
  readonly module: number;
}

interface Spot {
  readonly x: number;
  readonly y: number;
  readonly z: number;
  readonly lumens: number;
}

/** A row as a source of light, lines and spots alike, with the chromaticity of its row. */
export interface Source {
  readonly rowId: string;
  readonly lines: readonly (LineSource & InModule)[];
  readonly spots: readonly (Spot & InModule)[];
  readonly tilt: number;
  readonly exponent: number;
  readonly xy: Chromaticity;
}

const frosts = (row: RigRowRecord): number => (row.channel === 'frosted' ? 120 : row.beamDegrees);

/**
 * Rows as lines and points of light. A strip that is dimmer far out is some lines, each of its own mean.
 * @param runs as pieces were solved, by row; at their full where left out
 */
export function sourcesOf(
  rig: RigRecord,
  area: RigArea,
  runs: ReadonlyMap<string, readonly PieceRun[]>,
): Source[] {
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
    const line = (module: number, from: number, to: number, share: number): LineSource & InModule => ({
      module,
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
                  k,
                  from + (i * (to - from)) / parts,
                  from + ((i + 1) * (to - from)) / parts,
                  shareOver(k, i / parts, (i + 1) / parts),
                ),
              );
            }),
      spots:
        row.form === 'spot'
          ? pieces.flatMap((piece, module) =>
              spotsIn(row, piece).map((x) => ({
                module,
                x,
                y: row.depthMillimetres,
                z: row.heightMillimetres,
                lumens: row.lumens * leaves,
              })),
            )
          : [],
    };
  });
}

/** A row as light on its own boards. */
export const lightOf = (source: Source): Light => ({
  xy: source.xy,
  onBoards: (grid) => luxOnBoards(source, grid),
  at: (x, y, z, normal) => directLux(source, x, y, z, normal),
});

/** Direct light of one row at a place, on a surface that looks some way. */
export function directLux(
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

/** Direct light of one row on the boards, by place of a grid, in lux. */
function luxOnBoards(source: Source, { xs, ys, on }: Grid): Float64Array {
  const columns = xs.length;
  const lux = new Float64Array(on.length);
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
        if (on[r * columns + c]) lux[r * columns + c] += directLux({ ...source, lines: [] }, x, y, 0, UPWARD);
      });
  });
  return lux;
}
