import { screenColour } from '../../light/colour';
import { windowLightness } from '../../light/wanted';
import { DARK_SPOT, tenth, type SketchVehicle } from '../../study/sketch';
import { solvedCoach } from './solved-coach';
import { windowShape } from './usual-interior';
import type { Layout } from '../../document/layout';

/** A coach in outline with its windows as lit. */
export function coachSketch(layout: Layout, id: string): SketchVehicle {
  const { job, light } = solvedCoach(layout, id);
  const { dimensions } = job;
  const shape = windowShape(dimensions);
  const underside = dimensions.wheelMillimetres;
  return {
    length: dimensions.lengthMillimetres,
    underside,
    top: tenth(underside + dimensions.bodyHeightMillimetres),
    shape: 'coach',
    lights: shape.centres.map((centre, i) => {
      const seen = light?.near[i];
      return {
        x: tenth(centre - shape.width / 2),
        y: tenth(underside + shape.sill),
        width: tenth(shape.width),
        height: tenth(shape.head - shape.sill),
        lightness: tenth(windowLightness(seen?.lux ?? 0)),
        colour: seen?.xy ? screenColour(seen.xy) : DARK_SPOT,
      };
    }),
  };
}
