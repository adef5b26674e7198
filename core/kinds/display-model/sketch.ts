import { litSpots } from '../../study/sketch-spots';
import { tenth, type SketchVehicle } from '../../study/sketch';
import { displayModelIn } from './jobs';
import type { Layout } from '../../document/layout';

/** Size a lamp is sketched with, in millimetres. */
const LAMP = 2;

/** A display model in outline on its stand, with its lamps as lit. */
export function displayModelSketch(layout: Layout, id: string): SketchVehicle {
  const { body, lamps } = displayModelIn(layout, id);
  return {
    length: body.lengthMillimetres,
    underside: body.standMillimetres,
    top: tenth(body.standMillimetres + body.heightMillimetres),
    shape: 'stand',
    lights: litSpots(layout, id, LAMP, (lampId) => ({
      x: lamps[lampId].alongMillimetres,
      y: body.standMillimetres + lamps[lampId].heightMillimetres,
    })),
  };
}
