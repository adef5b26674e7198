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

/** How far down the roof is rounded. */
export const shoulderOf = ({ floor, roof }: { floor: number; roof: number }): number => (roof - floor) * 0.2;

/** Outline of the body, with its roof or without. */
export function bodyPath(shape: CoachShape, roofed: boolean): string {
  const { length, floor, roof } = shape;
  const shoulder = shoulderOf(shape);
  if (!roofed) return `M0 ${-floor}V${-(roof - shoulder)}H${length}V${-floor}Z`;
  return `M0 ${-floor}V${-(roof - shoulder)}${roofEdge(shape, 0)}V${-floor}Z`;
}

/** Outline of a roof that is lifted, in millimetres. */
export function roofPath(shape: CoachShape, lift: number): string {
  const low = -(shape.roof - shoulderOf(shape)) - lift;
  return `M0 ${low}${roofEdge(shape, lift)}Z`;
}

function roofEdge(shape: CoachShape, lift: number): string {
  const { length, roof } = shape;
  const shoulder = shoulderOf(shape);
  const top = -roof - lift;
  return `Q0 ${top} ${shoulder * 1.4} ${top}H${length - shoulder * 1.4}Q${length} ${top} ${length} ${top + shoulder}`;
}
