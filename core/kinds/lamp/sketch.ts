import { litSpots } from '../../study/sketch-spots';
import { lampsIn } from './jobs';
import { rowMillimetres } from './row';
import type { Layout } from '../../document/layout';
import type { SketchVehicle } from '../../study/sketch';

/** Least size a head is sketched with, in millimetres. */
const LEAST_HEAD = 2;

/** A row of lamps from its side: posts with their heads, as lit. */
export function lampSketch(layout: Layout, id: string): SketchVehicle {
  const job = lampsIn(layout, id);
  const { heightMillimetres, headMillimetres } = job.fitting;
  return {
    length: rowMillimetres(job),
    underside: 0,
    top: heightMillimetres,
    shape: 'posts',
    lights: litSpots(layout, id, Math.max(LEAST_HEAD, headMillimetres), (lampId) => ({
      x: job.lamps[lampId].alongMillimetres,
      y: heightMillimetres,
    })),
  };
}
