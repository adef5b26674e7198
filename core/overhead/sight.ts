import type { RigArea } from './area';
import { litRows, rigHeight } from './geometry';
import type { RigRecord } from '../document/rig-record';

/** What who stands before it sees of the lamps. */
export interface Sight {
  /** Rows seen past the fascia, or past nothing. */
  readonly seen: readonly string[];
  /** How far down the fascia would have to reach from the highest row to hide them all, in millimetres. */
  readonly hidingMillimetres: number;
}

/** Which rows are seen from before it: the sight from the eye to the row, where it crosses the fascia. */
export function sightOf(rig: RigRecord, area: RigArea): Sight {
  const eyeY = area.depth + rig.eye.awayMillimetres;
  const eyeZ = rig.eye.heightMillimetres;
  const top = rigHeight(rig);
  const edgeY = area.depth + (rig.fascia?.forwardMillimetres ?? 0);
  const edgeZ = rig.fascia ? top - rig.fascia.dropMillimetres : Infinity;
  let hiding = 0;
  const seen = litRows(rig).flatMap((row) => {
    if (row.depthMillimetres >= edgeY) return [row.id];
    const crosses = eyeZ + ((row.heightMillimetres - eyeZ) * (eyeY - edgeY)) / (eyeY - row.depthMillimetres);
    hiding = Math.max(hiding, top - crosses);
    return crosses < edgeZ ? [row.id] : [];
  });
  return { seen, hidingMillimetres: hiding };
}
