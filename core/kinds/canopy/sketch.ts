import { litSpots } from '../../study/sketch-spots';
import { canopyIn } from './jobs';
import type { Layout } from '../../document/layout';
import type { SketchVehicle } from '../../study/sketch';

/** Size a lamp is sketched with, and how thick the roof, in millimetres. */
const LAMP = 2;
const ROOF = 4;

/** A canopy from its side, with its lamps as lit. */
export function canopySketch(layout: Layout, id: string): SketchVehicle {
  const { roof, lamps } = canopyIn(layout, id);
  return {
    length: roof.lengthMillimetres,
    underside: roof.heightMillimetres,
    top: roof.heightMillimetres + ROOF,
    shape: 'roof',
    lights: litSpots(layout, id, LAMP, (lampId) => ({
      x: lamps[lampId].alongMillimetres,
      y: roof.heightMillimetres - LAMP / 2,
    })),
  };
}
