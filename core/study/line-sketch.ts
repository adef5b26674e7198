import { coachesOf, locomotiveIn, locomotivesOf } from '../document/jobs';
import { windowShape } from '../document/usual-interior';
import { lampRoles } from '../document/lamp-roles';
import { screenColour } from '../light/colour';
import { windowLightness } from '../light/wanted';
import { solvedJob } from './solved-job';
import { VehicleSolver } from './locomotive/lit';
import { everyday, vehicleOf } from './locomotive/vehicle';
import { undersideAboveRail } from './locomotive/vehicle-body';
import type { Layout } from '../document/layout';

/** A lit spot: a window, or a lamp as a square of its lens. Millimetres from the left end and above the rail. */
export interface SketchLight {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  /** Lightness L*, 0 to 100, as solved. */
  readonly lightness: number;
  readonly colour: string;
}

/** A vehicle in outline with its lights as solved. */
export interface SketchVehicle {
  readonly length: number;
  readonly underside: number;
  readonly top: number;
  readonly shape: 'coach' | 'hood' | 'two-cabs' | 'railcar';
  readonly lights: readonly SketchLight[];
}

/** The line at a glance, small enough to be kept beside a layout: plain figures, nothing to solve. */
export interface LineSketch {
  readonly vehicles: readonly SketchVehicle[];
}

/** More than this is not told apart in a small picture. */
const MOST_VEHICLES = 12;
const DARK = '#20282a';
const tenth = (x: number): number => Math.round(x * 10) / 10;

function coachSketch(layout: Layout, id: string): SketchVehicle {
  const { job, light } = solvedJob(layout, id);
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
        colour: seen?.xy ? screenColour(seen.xy) : DARK,
      };
    }),
  };
}

function locomotiveSketch(layout: Layout, id: string): SketchVehicle {
  const { body, lamps } = locomotiveIn(layout, id);
  let lights: SketchLight[];
  try {
    const vehicle = vehicleOf(layout, id);
    lights = new VehicleSolver(vehicle)
      .lit(everyday(vehicle))
      .lamps.filter((l) => l.lightness > 0)
      .map((l) => {
        const lamp = lamps[l.lampId];
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
          lightness: tenth(Math.min(100, l.lightness)),
          colour: screenColour(l.xy),
        };
      });
  } catch {
    // The bench says why; in a small picture it is dark.
    lights = [];
  }
  const underside = undersideAboveRail(body);
  return {
    length: body.lengthMillimetres,
    underside,
    top: tenth(underside + body.heightMillimetres),
    shape: body.shape,
    lights,
  };
}

/** Sketches a layout's line with the controls everything is made for: locomotives first, then coaches. */
export function lineSketch(layout: Layout): LineSketch {
  const heads = locomotivesOf(layout).map((j) => () => locomotiveSketch(layout, j.id));
  const coaches = coachesOf(layout).map((j) => () => coachSketch(layout, j.id));
  return { vehicles: [...heads, ...coaches].slice(0, MOST_VEHICLES).map((sketch) => sketch()) };
}
