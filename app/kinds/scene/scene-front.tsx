import { shapes } from '../../../core/kinds/scene/shapes';
import type { LampSpot } from '../../drawings/moving/moving-lamps';
import type { SceneRecord } from '../../../core/kinds/scene/record';

const WALL = '#4b4a45';
const DARK = '#2b302d';
const TRIM = '#8a7d62';
const CANVAS = ['#7d3b33', '#c9bfa6'] as const;
/** Stripes of a canopy. */
const STRIPES = 8;

type Shape = SceneRecord['body']['shape'];
type Drawn = (w: number, h: number) => React.ReactNode;

/** What each shape looks like from the front, y down from the ground, from its left end. */
const fronts: Readonly<Record<Shape, Drawn>> = {
  ride: (w, h) => (
    <>
      <rect x={0} y={-h * 0.08} width={w} height={h * 0.08} fill={TRIM} />
      <rect x={w * 0.47} y={-h * 0.7} width={w * 0.06} height={h * 0.62} fill={WALL} />
      {[0.06, 0.28, 0.7, 0.92].map((x) => (
        <rect key={x} x={w * x} y={-h * 0.62} width={w * 0.02} height={h * 0.54} fill={TRIM} />
      ))}
      <rect x={0} y={-h * 0.7} width={w} height={h * 0.1} fill={DARK} />
      {Array.from({ length: STRIPES }, (_, i) => (
        <path
          key={i}
          d={`M${w / 2} ${-h}L${(w * i) / STRIPES} ${-h * 0.7}H${(w * (i + 1)) / STRIPES}Z`}
          fill={CANVAS[i % 2]}
        />
      ))}
    </>
  ),
  sign: (w, h) => (
    <>
      {[0.15, 0.82].map((x) => (
        <rect key={x} x={w * x} y={-h * 0.6} width={w * 0.03} height={h * 0.6} fill={WALL} />
      ))}
      <rect x={0} y={-h} width={w} height={h * 0.55} fill={DARK} stroke={TRIM} strokeWidth={w * 0.012} />
      <rect x={w * 0.08} y={-h * 0.75} width={w * 0.84} height={h * 0.2} fill={WALL} />
    </>
  ),
  shop: (w, h) => (
    <>
      <rect x={0} y={-h} width={w} height={h} fill={WALL} />
      <rect
        x={w * 0.05}
        y={-h * 0.66}
        width={w * 0.9}
        height={h * 0.15}
        fill={DARK}
        stroke={TRIM}
        strokeWidth={w * 0.008}
      />
      {[0.06, 0.56].map((x) => (
        <rect
          key={x}
          x={w * x}
          y={-h * 0.46}
          width={w * 0.38}
          height={h * 0.38}
          fill="#151c1a"
          stroke={TRIM}
          strokeWidth={w * 0.008}
        />
      ))}
      <rect x={w * 0.46} y={-h * 0.46} width={w * 0.08} height={h * 0.46} fill={DARK} />
      {[0.14, 0.42, 0.7].map((x) => (
        <rect key={x} x={w * x} y={-h * 0.92} width={w * 0.16} height={h * 0.18} fill={DARK} />
      ))}
    </>
  ),
  shed: (w, h) => (
    <>
      <path d={`M0 0V${-h * 0.62}L${w / 2} ${-h}L${w} ${-h * 0.62}V0Z`} fill={WALL} />
      <rect
        x={w * 0.24}
        y={-h * 0.52}
        width={w * 0.52}
        height={h * 0.52}
        fill="#10161a"
        stroke={TRIM}
        strokeWidth={w * 0.01}
      />
      <rect x={w * 0.1} y={-h * 0.52} width={w * 0.13} height={h * 0.52} fill={DARK} />
    </>
  ),
  fire: (w, h) => (
    <>
      <path
        d={`M${w * 0.15} ${-h * 0.5}H${w * 0.85}L${w * 0.75} ${-h * 0.12}H${w * 0.25}Z`}
        fill={DARK}
        stroke={WALL}
        strokeWidth={w * 0.03}
      />
      {[0.28, 0.7].map((x) => (
        <rect key={x} x={w * x} y={-h * 0.14} width={w * 0.03} height={h * 0.14} fill={WALL} />
      ))}
    </>
  ),
  lighthouse: (w, h) => (
    <>
      <path d={`M${w * 0.2} 0L${w * 0.3} ${-h * 0.78}H${w * 0.7}L${w * 0.8} 0Z`} fill={WALL} />
      <path
        d={`M${w * 0.245} ${-h * 0.34}L${w * 0.268} ${-h * 0.52}H${w * 0.732}L${w * 0.755} ${-h * 0.34}Z`}
        fill={CANVAS[0]}
      />
      {[0.2, 0.44, 0.64].map((y) => (
        <rect
          key={y}
          x={w * 0.43}
          y={-h * (y + 0.03)}
          width={w * 0.14}
          height={h * 0.06}
          fill="#151c1a"
          stroke={TRIM}
          strokeWidth={w * 0.01}
        />
      ))}
      <rect x={w * 0.16} y={-h * 0.8} width={w * 0.68} height={h * 0.025} fill={TRIM} />
      <rect
        x={w * 0.34}
        y={-h * 0.92}
        width={w * 0.32}
        height={h * 0.12}
        fill="#151c1a"
        stroke={TRIM}
        strokeWidth={w * 0.02}
      />
      <path d={`M${w * 0.28} ${-h * 0.92}L${w / 2} ${-h}L${w * 0.72} ${-h * 0.92}Z`} fill={CANVAS[0]} />
    </>
  ),
};

/** What a scene is, without its lamps. */
export function SceneFront({ body }: Pick<SceneRecord, 'body'>) {
  return (
    <g data-shape={shapes[body.shape].name}>
      {fronts[body.shape](body.widthMillimetres, body.heightMillimetres)}
    </g>
  );
}

/** A ring is seen so much from above that its far side shows behind its near one. */
const RING_TILT = 0.22;

/** Where the lamps of the string are drawn: round a ring seen from a little above, or along a line. */
export function stringSpots({ string }: Pick<SceneRecord, 'string'>): LampSpot[] {
  if (!string) return [];
  const { count, laid, acrossMillimetres: across, alongMillimetres: x, heightMillimetres: y } = string;
  return Array.from({ length: count }, (_, k) => {
    if (laid === 'line')
      return { x: x - across / 2 + (count === 1 ? across / 2 : (across * k) / (count - 1)), y: -y };
    const turn = (2 * Math.PI * k) / count;
    return { x: x + (across / 2) * Math.sin(turn), y: -y + (across / 2) * RING_TILT * Math.cos(turn) };
  });
}

/** How wide a scene is with its string, and how far the string stands out to the left, in millimetres. */
export function sceneRoom({ body, string }: Pick<SceneRecord, 'body' | 'string'>): {
  readonly left: number;
  readonly width: number;
  readonly top: number;
} {
  const half = (string?.acrossMillimetres ?? 0) / 2;
  const middle = string?.alongMillimetres ?? body.widthMillimetres / 2;
  const left = Math.max(0, half - middle);
  return {
    left,
    width: left + Math.max(body.widthMillimetres, middle + half),
    top: Math.max(body.heightMillimetres, (string?.heightMillimetres ?? 0) + half * RING_TILT) * 1.06,
  };
}

/** Size a lamp is drawn with, in millimetres. */
export const lampRadius = ({ body }: Pick<SceneRecord, 'body'>): number =>
  Math.min(1.6, Math.max(0.5, body.heightMillimetres / 45));
