import type { LineSketch, SketchVehicle } from '../../core/study/line-sketch';

interface LinePictureProps {
  readonly sketch: LineSketch | null;
  readonly name: string;
}

const GAP = 8;
const SKY = 44;

/** A small picture of a layout's line by night: every vehicle in outline, its lights as bright as they were solved. */
export function LinePicture({ sketch, name }: LinePictureProps) {
  const vehicles = sketch?.vehicles ?? [];
  const places = vehicles.map((_, i) => vehicles.slice(0, i).reduce((x, v) => x + v.length + GAP, 0));
  const length = vehicles.reduce((x, v) => x + v.length + GAP, -GAP);
  const top = Math.max(SKY, ...vehicles.map((v) => v.top));
  // Never so near that one short vehicle fills it.
  const width = Math.max(length * 1.06, top * 7);
  const height = Math.max(top * 1.5, width / 4.6);
  return (
    <svg
      className="line-picture"
      viewBox={`${(length - width) / 2} ${-height * 0.82} ${width} ${height}`}
      preserveAspectRatio="xMidYMax slice"
      role="img"
      aria-label={vehicles.length === 0 ? `${name}: nothing on its line yet` : `The line of ${name} by night`}
    >
      <rect x={-4 * width} y={-1} width={9 * width} height={1.2} fill="#8f8577" />
      <rect x={-4 * width} y={0.2} width={9 * width} height={height} fill="#1b2121" />
      {vehicles.map((v, i) => (
        <Outline key={places[i]} vehicle={v} x={places[i]} />
      ))}
    </svg>
  );
}

function Outline({ vehicle: v, x }: { readonly vehicle: SketchVehicle; readonly x: number }) {
  const high = v.top - v.underside;
  // The hood of a shunter is lower than its cab.
  const body =
    v.shape === 'hood'
      ? `M0 ${-v.underside}V${-v.underside - high * 0.66}H${v.length * 0.58}V${-v.top}H${v.length * 0.88}V${-v.underside - high * 0.66}H${v.length}V${-v.underside}Z`
      : `M0 ${-v.underside}V${-v.top + high * 0.16}Q0 ${-v.top} ${high * 0.2} ${-v.top}H${v.length - high * 0.2}Q${v.length} ${-v.top} ${v.length} ${-v.top + high * 0.16}V${-v.underside}Z`;
  const radius = Math.max(1.5, v.underside * 0.45);
  return (
    <g transform={`translate(${x} 0)`}>
      <path d={body} fill="#2b3b35" stroke="#4a6157" strokeWidth={0.6} />
      {[0.16, 0.26, 0.74, 0.84].map((share) => (
        <circle key={share} cx={v.length * share} cy={-radius - 0.6} r={radius} fill="#10171a" />
      ))}
      {v.lights.map((l) => (
        <rect
          key={`${l.x} ${l.y}`}
          x={l.x}
          y={-l.y - l.height}
          width={l.width}
          height={l.height}
          rx={Math.min(l.width, l.height) * (v.shape === 'coach' ? 0.1 : 0.5)}
          fill={l.colour}
          opacity={0.12 + (0.88 * l.lightness) / 100}
        />
      ))}
    </g>
  );
}
