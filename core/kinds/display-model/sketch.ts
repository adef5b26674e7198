import { FAINT_LIGHTNESS } from '../../light/lamp-light';
import { screenColour } from '../../light/colour';
import { solvedJob } from '../../study/solved-job';
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
    lights: (solvedJob(layout, id).readings?.dies ?? [])
      .filter((d) => d.lightness >= FAINT_LIGHTNESS)
      .map((d) => ({
        x: tenth(lamps[d.lampId].alongMillimetres - LAMP / 2),
        y: tenth(body.standMillimetres + lamps[d.lampId].heightMillimetres - LAMP / 2),
        width: LAMP,
        height: LAMP,
        lightness: tenth(Math.min(100, d.lightness)),
        colour: screenColour(d.xy),
      })),
  };
}
