import { inOrder } from '../document/in-order';
import { kindOf } from '../kinds';
import type { Layout } from '../document/layout';
import type { SketchVehicle } from './sketch';

/** The line at a glance, small enough to be kept beside a layout: plain figures, nothing to solve. */
export interface LineSketch {
  readonly vehicles: readonly SketchVehicle[];
}

/** More than this is not told apart in a small picture. */
const MOST_VEHICLES = 16;

/** Sketches a layout's line with everything as it stands every day: what heads a train first. */
export function lineSketch(layout: Layout): LineSketch {
  const jobs = inOrder(layout.jobs)
    .map((job) => ({ id: job.id, kind: kindOf(job.kind) }))
    .sort((a, b) => Number(b.kind.heads) - Number(a.kind.heads));
  return { vehicles: jobs.slice(0, MOST_VEHICLES).map(({ id, kind }) => kind.sketch(layout, id)) };
}
