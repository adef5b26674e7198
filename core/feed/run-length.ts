import { isRail } from '../part/rail';
import type { Layout } from '../document/layout';
import type { RunRecord } from '../document/network-record';

/** A run is cut longer than it lies: so much at each end, and a share for how it goes (common practice, no source). */
const END_MILLIMETRES = 60;
const SLACK_SHARE = 0.05;
/** Ten millimetres more or less are the same length to a hand. */
const ROUND = 10;

/** Length of one conductor of a run, in millimetres: as it was typed, else along and across the boards and some slack; of track straight from end to end. */
export function runMillimetres({ network }: Pick<Layout, 'network'>, run: RunRecord): number {
  if (run.millimetres !== null) return run.millimetres;
  const [from, to] = [network.nodes[run.from], network.nodes[run.to]];
  // Track is as long as it lies.
  if (isRail(run.wire))
    return Math.max(
      1,
      Math.round(Math.hypot(from.xMillimetres - to.xMillimetres, from.yMillimetres - to.yMillimetres)),
    );
  const along = Math.abs(from.xMillimetres - to.xMillimetres) + Math.abs(from.yMillimetres - to.yMillimetres);
  return Math.ceil((along * (1 + SLACK_SHARE) + 2 * END_MILLIMETRES) / ROUND) * ROUND;
}
