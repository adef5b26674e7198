import { litSpots } from '../../study/sketch-spots';
import { signalIn } from './jobs';
import { signalSize, spotIn } from './head';
import type { Layout } from '../../document/layout';
import type { SketchVehicle } from '../../study/sketch';

/** Least size a lens is sketched with, in millimetres. */
const LEAST_LENS = 2;

/** A signal from the front, with its lamps as lit. */
export function signalSketch(layout: Layout, id: string): SketchVehicle {
  const job = signalIn(layout, id);
  const { width, top } = signalSize(job);
  return {
    length: width,
    underside: 0,
    top,
    shape: 'posts',
    lights: litSpots(layout, id, Math.max(LEAST_LENS, job.head.lensMillimetres), (lampId) => {
      const { x, y } = spotIn(job, lampId);
      return { x: width / 2 + x, y };
    }),
  };
}
