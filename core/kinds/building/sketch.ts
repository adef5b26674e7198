import { FAINT_LIGHTNESS } from '../../light/lamp-light';
import { screenColour } from '../../light/colour';
import { solvedJob } from '../../study/solved-job';
import { tenth, type SketchVehicle } from '../../study/sketch';
import { buildingIn } from './jobs';
import { roomsLight } from './light';
import { windowPlaces } from './rooms';
import type { Layout } from '../../document/layout';

/** A building from its front, with its windows as lit. */
export function buildingSketch(layout: Layout, id: string): SketchVehicle {
  const job = buildingIn(layout, id);
  const { readings } = solvedJob(layout, id);
  const { lengthMillimetres, floorMillimetres, floors, roofMillimetres } = job.body;
  return {
    length: lengthMillimetres,
    underside: 0,
    top: floors * floorMillimetres + roofMillimetres,
    shape: 'house',
    lights: (readings ? roomsLight(job, readings) : [])
      .filter((r) => r.lightness >= FAINT_LIGHTNESS && r.xy !== null)
      .flatMap((light) => {
        const room = job.rooms[light.id];
        return windowPlaces(room).map((x) => ({
          x: tenth(x),
          y: tenth(room.floor * floorMillimetres + room.sillMillimetres),
          width: room.windowWidthMillimetres,
          height: room.windowHeightMillimetres,
          lightness: tenth(light.lightness),
          colour: screenColour(light.xy!),
        }));
      }),
  };
}
