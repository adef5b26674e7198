import { windowShape } from '../../../../core/kinds/coach/usual-interior';
import type { CoachRecord } from '../../../../core/kinds/coach/record';

/** A coach's side in millimetres, x along it from its left end, y up from the rail head. */
export interface CoachShape {
  readonly length: number;
  readonly floor: number;
  readonly roof: number;
  readonly windowBottom: number;
  readonly windowTop: number;
  readonly windowWidth: number;
  readonly windows: readonly number[];
  readonly wheels: readonly number[];
  readonly wheelRadius: number;
  readonly trucks: readonly number[];
}

/** Shares of the body at which things usually lie; the person gives the body, this draws the rest. */
export function coachShape(dimensions: CoachRecord['dimensions']): CoachShape {
  const { lengthMillimetres: length, bodyHeightMillimetres: height, wheelMillimetres } = dimensions;
  const panes = windowShape(dimensions);
  const floor = wheelMillimetres * 1.1;
  const base = Math.min(length * 0.13, wheelMillimetres * 2.6) / 2;
  const trucks = [length * 0.16, length * 0.84];
  return {
    length,
    floor,
    roof: floor + height,
    windowBottom: floor + panes.sill,
    windowTop: floor + panes.head,
    windowWidth: panes.width,
    windows: panes.centres,
    wheels: trucks.flatMap((t) => [t - base, t + base]),
    wheelRadius: wheelMillimetres / 2,
    trucks,
  };
}
