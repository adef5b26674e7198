import { litSpots } from '../../study/sketch-spots';
import { sceneIn } from './jobs';
import type { Layout } from '../../document/layout';
import type { SketchVehicle } from '../../study/sketch';

/** Size a lamp of a scene is sketched with, in millimetres. */
const LAMP = 2;

/** A scene from the front, with its lamps as lit. */
export function sceneSketch(layout: Layout, id: string): SketchVehicle {
  const { body, lamps } = sceneIn(layout, id);
  return {
    length: body.widthMillimetres,
    underside: 0,
    top: body.heightMillimetres,
    shape: 'house',
    lights: litSpots(layout, id, LAMP, (lampId) => ({
      x: lamps[lampId].alongMillimetres,
      y: lamps[lampId].heightMillimetres,
    })),
  };
}
