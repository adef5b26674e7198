import { runConductors } from '../part/rail';
import { fuseSpeeds } from '../part/fuse-speed';
import { runMillimetres } from './run-length';
import type { Layout } from '../document/layout';

/** What the wires and fuses of some runs cost, in the layout's currency. */
export function costOfRuns(layout: Layout, ids: readonly string[]): number {
  return ids.reduce((sum, id) => {
    const run = layout.network.runs[id];
    const wire = (2 * runMillimetres(layout, run) * runConductors[run.wire].metrePrice) / 1000;
    return (
      sum + wire + run.parts.reduce((s, p) => s + (p.kind === 'fuse' ? fuseSpeeds[p.speed].price : 0), 0)
    );
  }, 0);
}
