import { undersideAboveRail } from '../../../../core/kinds/locomotive/body';
import type { LocomotiveRecord } from '../../../../core/kinds/locomotive/record';

type Body = LocomotiveRecord['body'];

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
  readonly wheels: readonly number[];
}

/** Shares of length and height that the parts of a body take; a drawing, nothing is computed by them. */
const HOOD = { cab: 0.3, cabStart: 0.58, hoodUp: 0.68 };
const NOSE = { slope: 0.035 };

/** The body as seen from its side, end A at the left. */
export function vehicleShape(body: Body): VehicleShape {
  const { lengthMillimetres: l, heightMillimetres: h } = body;
  const floor = -undersideAboveRail(body);
  const roof = floor - h;
  const wheels = wheelPlaces(body);
  if (body.shape === 'hood') {
    const cab0 = l * HOOD.cabStart;
    const cab1 = cab0 + l * HOOD.cab;
    const hood = floor - h * HOOD.hoodUp;
    const r = h * 0.06;
    return {
      length: l,
      floor,
      roof,
      wheels,
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
  return { length: l, floor, roof, wheels, outline, windows: [...cabs, ...between] };
}

/** How far a sloped end has come in, at a height above the rail, in millimetres. */
export function noseAt(body: Body, aboveRail: number): number {
  if (body.shape === 'hood') return 0;
  const slope = body.lengthMillimetres * NOSE.slope;
  const from = undersideAboveRail(body) + body.heightMillimetres * 0.42;
  const to = undersideAboveRail(body) + body.heightMillimetres * 0.86;
  return slope * Math.min(1, Math.max(0, (aboveRail - from) / (to - from)));
}

function wheelPlaces({ axles, lengthMillimetres: l, wheelMillimetres: wheel }: Body): number[] {
  if (axles <= 3)
    return Array.from({ length: axles }, (_, i) => l * (0.2 + (0.6 * i) / Math.max(1, axles - 1)));
  const each = Math.floor(axles / 2);
  const pitch = Math.min(wheel * 1.6, (l * 0.3) / each);
  const truck = (middle: number, n: number): number[] =>
    Array.from({ length: n }, (_, i) => middle + (i - (n - 1) / 2) * pitch);
  return [...truck(l * 0.18, each), ...truck(l * 0.82, axles - each)];
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
