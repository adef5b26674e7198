import { screenColour } from '../../light/colour';
import { lampRoles } from '../../document/lamp-roles';
import { solvedJob } from '../../study/solved-job';
import { tenth, type SketchLight, type SketchVehicle } from '../../study/sketch';
import { undersideAboveRail } from './body';
import { locomotiveIn } from './jobs';
import type { Layout } from '../../document/layout';

/** A locomotive in outline with its lamps as lit. */
export function locomotiveSketch(layout: Layout, id: string): SketchVehicle {
  const { body, lamps } = locomotiveIn(layout, id);
  const lights = (solvedJob(layout, id).readings?.dies ?? [])
    .filter((d) => d.lightness > 0)
    .map((d): SketchLight => {
      const lamp = lamps[d.lampId];
      const size = Math.max(1, lamp.lensMillimetres);
      const along = lampRoles[lamp.role].inside
        ? lamp.alongMillimetres
        : lamp.end === 'A'
          ? 0
          : body.lengthMillimetres;
      return {
        x: tenth(along - size / 2),
        y: tenth(lamp.heightMillimetres - size / 2),
        width: size,
        height: size,
        lightness: tenth(Math.min(100, d.lightness)),
        colour: screenColour(d.xy),
      };
    });
  const underside = undersideAboveRail(body);
  return {
    length: body.lengthMillimetres,
    underside,
    top: tenth(underside + body.heightMillimetres),
    shape: body.shape,
    lights,
  };
}
