import { undersideAboveRail } from '../../../../core/kinds/locomotive/body';
import type { End } from '../../../../core/document/ends';
import type { LocomotiveRecord } from '../../../../core/kinds/locomotive/record';

type Body = LocomotiveRecord['body'];

/** Wheels that turn together in a bogie, or in the frame itself. */
export interface WheelGroup {
  readonly wheels: readonly number[];
  readonly bogie: boolean;
}

/** Outlines of a vehicle from its dimensions; millimetres, rail at y = 0, up is negative. */
export interface VehicleShape {
  readonly length: number;
  readonly floor: number;
  readonly roof: number;
  readonly outline: string;
  readonly windows: readonly {
    readonly x: number;
    readonly y: number;
    readonly w: number;
    readonly h: number;
  }[];
  readonly gear: readonly WheelGroup[];
}

/** Shares of length and height that the parts of a body take; a drawing, nothing is computed by them. */
export const HOOD = { cab: 0.3, cabStart: 0.58, hoodUp: 0.68 };
const NOSE = { slope: 0.035 };

const shapes = new WeakMap<Body, VehicleShape>();

/** The body as seen from its side, end A at the left: the same for as long as the body is. */
export function vehicleShape(body: Body): VehicleShape {
  const known = shapes.get(body) ?? shapeOf(body);
  shapes.set(body, known);
  return known;
}

function shapeOf(body: Body): VehicleShape {
  const { lengthMillimetres: l, heightMillimetres: h } = body;
  const floor = -undersideAboveRail(body);
  const roof = floor - h;
  const gear = wheelGroups(body);
  if (body.shape === 'hood') {
    const cab0 = l * HOOD.cabStart;
    const cab1 = cab0 + l * HOOD.cab;
    const hood = floor - h * HOOD.hoodUp;
    const r = h * 0.06;
    return {
      length: l,
      floor,
      roof,
      gear,
      outline: `M0 ${floor}V${hood + r}q0 ${-r} ${r} ${-r}H${cab0}V${roof + r}q0 ${-r} ${r} ${-r}H${cab1 - r}q${r} 0 ${r} ${r}V${hood}H${l - r}q${r} 0 ${r} ${r}V${floor}Z`,
      windows: [
        { x: cab0 + l * 0.03, y: roof + h * 0.1, w: l * 0.1, h: h * 0.24 },
        { x: cab0 + l * 0.16, y: roof + h * 0.1, w: l * 0.1, h: h * 0.24 },
      ],
    };
  }
  const slope = l * NOSE.slope;
  const r = h * 0.14;
  const windowTop = roof + h * 0.16;
  const windowHigh = h * 0.26;
  const outline = `M0 ${floor}V${floor - h * 0.42}L${slope} ${roof + r}q${r * 0.2} ${-r} ${r} ${-r}H${l - slope - r}q${r * 0.8} 0 ${r} ${r}L${l} ${floor - h * 0.42}V${floor}Z`;
  const cabs = [l * 0.05, l * 0.95 - h * 0.3].map((x) => ({ x, y: windowTop, w: h * 0.3, h: windowHigh }));
  const count = Math.max(3, Math.round(l / 26));
  const pitch = (l * 0.78) / count;
  const between =
    body.shape === 'railcar'
      ? Array.from({ length: count }, (_, i) => ({
          x: l * 0.11 + pitch * (i + 0.14),
          y: windowTop,
          w: pitch * 0.72,
          h: windowHigh,
        }))
      : [];
  return { length: l, floor, roof, gear, outline, windows: [...cabs, ...between] };
}

/** Where the face of an end is at a height above the rail, from end A: on a slope, and on the cab over a hood. */
export function faceAt(body: Body, end: End, aboveRail: number): number {
  const { lengthMillimetres: l, heightMillimetres: h } = body;
  const share = (aboveRail - undersideAboveRail(body)) / h;
  if (body.shape === 'hood') {
    if (share <= HOOD.hoodUp) return end === 'A' ? 0 : l;
    return l * (end === 'A' ? HOOD.cabStart : HOOD.cabStart + HOOD.cab);
  }
  const nose = l * NOSE.slope * Math.min(1, Math.max(0, (share - 0.42) / 0.44));
  return end === 'A' ? nose : l - nose;
}

function wheelGroups({ axles, lengthMillimetres: l, wheelMillimetres: wheel }: Body): WheelGroup[] {
  if (axles <= 3) {
    const wheels = Array.from({ length: axles }, (_, i) => l * (0.2 + (0.6 * i) / Math.max(1, axles - 1)));
    return [{ wheels, bogie: false }];
  }
  const each = Math.floor(axles / 2);
  const pitch = Math.min(wheel * 1.6, (l * 0.3) / each);
  const bogie = (middle: number, n: number): WheelGroup => ({
    wheels: Array.from({ length: n }, (_, i) => middle + (i - (n - 1) / 2) * pitch),
    bogie: true,
  });
  return [bogie(l * 0.18, each), bogie(l * 0.82, axles - each)];
}

/** The end of a vehicle as seen by who faces it. */
export function endOutline(body: Body): string {
  const { widthMillimetres: w, heightMillimetres: h } = body;
  const floor = -undersideAboveRail(body);
  const roof = floor - h;
  const half = w / 2;
  const shoulder = `${half * 0.5} ${h * 0.17}`;
  return `M${-half} ${floor}V${roof + h * 0.17}q0 ${-h * 0.14} ${half * 0.5} ${-h * 0.17}H${half * 0.5}q${half * 0.5} ${h * 0.03} ${shoulder}V${floor}Z`;
}
