import { inOrder } from '../../../core/document/in-order';
import type { Layout } from '../../../core/document/layout';
import type { Room } from '../../drawings/use-room';

/** From the plan in millimetres to the drawing in pixels; seen from beneath left and right change over. */
export interface PlanView {
  readonly x: (millimetres: number) => number;
  readonly y: (millimetres: number) => number;
  /** Pixels for a millimetre. */
  readonly scale: number;
  /** Millimetres of the plan for a step of a hand to the right. */
  readonly right: 1 | -1;
  readonly height: number;
}

/** Room round the boards, in pixels; room of a plan without boards, in millimetres. */
const MARGIN = 34;
const EMPTY = { width: 2000, depth: 600 };
const TALLEST = 520;

/** Fits boards, and what stands beside them, into a width. */
export function planView(layout: Layout, room: Room, beneath: boolean): PlanView {
  const boards = inOrder(layout.boards);
  const places = Object.values(layout.network.nodes);
  const xs = [
    ...boards.flatMap((b) => [b.xMillimetres, b.xMillimetres + b.widthMillimetres]),
    ...places.map((p) => p.xMillimetres),
  ];
  const ys = [
    ...boards.flatMap((b) => [b.yMillimetres, b.yMillimetres + b.depthMillimetres]),
    ...places.map((p) => p.yMillimetres),
  ];
  const [left, right] = xs.length > 0 ? [Math.min(...xs), Math.max(...xs)] : [0, EMPTY.width];
  const [top, bottom] = ys.length > 0 ? [Math.min(...ys), Math.max(...ys)] : [0, EMPTY.depth];
  const wide = Math.max(300, right - left);
  const deep = Math.max(200, bottom - top);
  const scale = Math.min((room.width - 2 * MARGIN) / wide, (TALLEST - 2 * MARGIN) / deep);
  const spare = Math.max(0, room.width - 2 * MARGIN - wide * scale) / 2;
  return {
    x: (mm) => MARGIN + spare + (beneath ? right - mm : mm - left) * scale,
    y: (mm) => MARGIN + (mm - top) * scale,
    scale,
    right: beneath ? -1 : 1,
    height: deep * scale + 2 * MARGIN,
  };
}
