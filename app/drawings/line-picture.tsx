import type { LineSketch } from '../../core/study/line-sketch';
import type { SketchVehicle } from '../../core/study/sketch';

interface LinePictureProps {
  readonly sketch: LineSketch | null;
  readonly name: string;
}

/** Between vehicles, and from track to track, in millimetres. */
const GAP = 8;
const TRACK_APART = 1.5;
/** Width over height of the picture. */
const ASPECT = 3.6;
const MOST_TRACKS = 4;
/** Glow around a lamp that would be a speck at this size, in millimetres. */
const HALO = 5;

interface Track {
  readonly vehicles: readonly { readonly vehicle: SketchVehicle; readonly x: number }[];
  readonly length: number;
}

/** Vehicles on so many tracks in their order, each about as long as the others. */
function tracksOf(vehicles: readonly SketchVehicle[], count: number): Track[] {
  const total = vehicles.reduce((sum, v) => sum + v.length + GAP, 0);
  const tracks: { vehicles: { vehicle: SketchVehicle; x: number }[]; length: number }[] = [];
  let before = 0;
  for (const vehicle of vehicles) {
    const wanted = Math.min(count - 1, Math.floor(((before + vehicle.length / 2) / total) * count));
    while (tracks.length <= wanted) tracks.push({ vehicles: [], length: 0 });
    const track = tracks[wanted];
    track.vehicles.push({ vehicle, x: track.length });
    track.length += vehicle.length + GAP;
    before += vehicle.length + GAP;
  }
  return tracks.filter((t) => t.vehicles.length > 0);
}

/** A small picture of a layout's line by night: every vehicle in outline, its lights as bright as they were solved. */
export function LinePicture({ sketch, name }: LinePictureProps) {
  const vehicles = sketch?.vehicles ?? [];
  const top = Math.max(44, ...vehicles.map((v) => v.top));
  // As many tracks as show the vehicles largest.
  const laid = Array.from({ length: MOST_TRACKS }, (_, i) => tracksOf(vehicles, i + 1)).map((tracks) => {
    const length = Math.max(top * 3, ...tracks.map((t) => t.length));
    const height = top * TRACK_APART * Math.max(1, tracks.length);
    return { tracks, width: Math.max(length * 1.08, height * ASPECT), height };
  });
  const { tracks, width, height } = laid.reduce((best, l) => (l.width < best.width ? l : best));
  return (
    <svg
      className="line-picture"
      viewBox={`${-width / 2} ${-height + top * 0.12} ${width} ${height}`}
      preserveAspectRatio="xMidYMax meet"
      role="img"
      aria-label={vehicles.length === 0 ? `${name}: nothing on its line yet` : `The line of ${name} by night`}
    >
      {(tracks.length > 0 ? tracks : [{ vehicles: [], length: 0 }]).map((track, i, all) => (
        <g key={track.length} transform={`translate(0 ${-(all.length - 1 - i) * top * TRACK_APART})`}>
          <rect x={-4 * width} y={-1} width={8 * width} height={1.4} fill="#8f8577" />
          <rect x={-4 * width} y={0.4} width={8 * width} height={top * 0.2} fill="#1b2121" />
          {track.vehicles.map((v) => (
            <Outline key={v.x} vehicle={v.vehicle} x={v.x - (track.length - GAP) / 2} />
          ))}
        </g>
      ))}
    </svg>
  );
}

/** What stands on the ground has no wheels. */
const onGround: ReadonlySet<SketchVehicle['shape']> = new Set(['posts', 'roof', 'house']);

/** A post under each lamp. */
const postsOf = ({ lights, top }: SketchVehicle): string =>
  lights.map((l) => `M${l.x + l.width / 2 - 0.6} 0V${-top}h1.2V0Z`).join('');

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
      <path d={v.shape === 'posts' ? postsOf(v) : body} fill="#2b3b35" stroke="#4a6157" strokeWidth={0.6} />
      {v.shape === 'stand' ? (
        <path
          d={`M${v.length * 0.36} 0L${v.length * 0.5} ${-v.underside}L${v.length * 0.64} 0Z`}
          fill="#10171a"
        />
      ) : onGround.has(v.shape) ? null : (
        [0.16, 0.26, 0.74, 0.84].map((share) => (
          <circle key={share} cx={v.length * share} cy={-radius - 0.6} r={radius} fill="#10171a" />
        ))
      )}
      {v.shape !== 'coach' &&
        v.lights.map((l) => (
          <circle
            key={`halo ${l.x} ${l.y}`}
            cx={l.x + l.width / 2}
            cy={-l.y - l.height / 2}
            r={HALO}
            fill={l.colour}
            opacity={(0.4 * l.lightness) / 100}
          />
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
