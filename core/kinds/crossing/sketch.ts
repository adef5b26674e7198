import { litSpots } from '../../study/sketch-spots';
import { crossingIn } from './jobs';
import { crossingSize, lampAt } from './road';
import type { Layout } from '../../document/layout';
import type { SketchVehicle } from '../../study/sketch';

/** Least size a lens is sketched with, in millimetres. */
const LEAST_LENS = 2;

/** A crossing from the road, with its lamps as lit. */
export function crossingSketch(layout: Layout, id: string): SketchVehicle {
  const job = crossingIn(layout, id);
  const { width, top } = crossingSize(job);
  return {
    length: width,
    underside: 0,
    top,
    shape: 'posts',
    lights: litSpots(layout, id, Math.max(LEAST_LENS, job.road.lensMillimetres), (lampId) =>
      lampAt(job, job.lamps[lampId]),
    ),
  };
}
