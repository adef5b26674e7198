import { useId } from 'react';
import { screenColour } from '../../../../core/light/colour';
import { windowLightnessBy } from '../../../../core/light/wanted';
import { inOrder } from '../../../../core/document/in-order';
import { coachInterior } from '../../../../core/kinds/coach/interior';
import { endLampLightness } from '../../../../core/kinds/coach/tail-lamp';
import { bodyPath, coachShape, roofPath, shoulderOf, type CoachShape } from './coach-shape';
import { Pane } from './pane';
import { DARK_COLOUR } from '../../../drawings/lamp-colour';
import type { CoachRecord } from '../../../../core/kinds/coach/record';
import type { Readings } from '../../../../core/study/readings';
import type { CoachLight } from '../../../../core/kinds/coach/light';
import type { StageView } from '../../../store/run-store';

interface CoachOnStageProps {
  readonly job: CoachRecord;
  /** Null while it cannot be solved. */
  readonly steady: Readings | null;
  readonly light: CoachLight | null;
  readonly view: StageView;
  /** From the lightness solved to that of the moment. */
  readonly shown: (lightness: number) => number;
  /** Size of a pixel in millimetres, for the numbers of its lamps; null for none. */
  readonly numberMillimetres: number | null;
}

/** How far the roof is lifted to look at the lamps, as a share of the body's height. */
const LIFT_SHARE = 0.42;

/** How far the roof is lifted when it is off, in millimetres. */
export const roofLift = (shape: CoachShape): number => (shape.roof - shape.floor) * LIFT_SHARE;

/** The coach to scale in millimetres, y down from the rail head; every window as bright and as warm as computed. */
export function CoachOnStage({ job, steady, light, view, shown, numberMillimetres }: CoachOnStageProps) {
  const shape = coachShape(job.dimensions);
  const id = useId();
  const day = view.by === 'day';
  const fromFar = view.side === 'far';
  const windows = (fromFar ? light?.far : light?.near) ?? [];
  const lift = view.roof ? 0 : roofLift(shape);
  const flip = (x: number): number => (fromFar ? shape.length - x : x);
  return (
    <g>
      <defs>
        <linearGradient id={`${id}pane`} x1="0" y1="0" x2="0" y2="1">
          <stop offset="0" stopColor="#fffaf0" stopOpacity={0.62} />
          <stop offset="0.55" stopColor="#fffaf0" stopOpacity={0.16} />
          <stop offset="1" stopColor="#3a1c00" stopOpacity={0.16} />
        </linearGradient>
        <linearGradient id={`${id}body`} x1="0" y1="0" x2="0" y2="1">
          <stop offset="0" stopColor={day ? '#5c7a6d' : '#31443c'} />
          <stop offset="1" stopColor={day ? '#3f5a4e' : '#1d2a26'} />
        </linearGradient>
      </defs>
      {!view.roof && <InsideAbove job={job} shape={shape} flip={flip} lift={lift} />}
      <path
        d={bodyPath(shape, view.roof)}
        fill={`url(#${id}body)`}
        stroke={day ? '#2c3f37' : '#4a6157'}
        strokeWidth={0.35}
      />
      {!view.roof && (
        <path
          d={roofPath(shape, lift)}
          fill={day ? '#4d6a5d' : '#2a3a34'}
          stroke={day ? '#2c3f37' : '#4a6157'}
          strokeWidth={0.35}
        />
      )}
      <line
        x1={1.2}
        x2={shape.length - 1.2}
        y1={-(shape.floor + (shape.roof - shape.floor) * 0.3)}
        y2={-(shape.floor + (shape.roof - shape.floor) * 0.3)}
        stroke="#b98a3b"
        strokeWidth={0.7}
        opacity={0.65}
      />
      <rect x={2} y={-shape.floor} width={shape.length - 4} height={1.6} fill="#101715" />
      <RunningGear shape={shape} />
      {shape.windows.map((centre, i) => (
        <Pane
          key={centre}
          number={fromFar ? shape.windows.length - i : i + 1}
          centre={flip(centre)}
          shape={shape}
          job={job}
          window={windows[i] ?? null}
          lightness={shown(windowLightnessBy(windows[i]?.lux ?? 0, view.by))}
          glow={id}
        />
      ))}
      <EndLamps job={job} steady={steady} shape={shape} flip={flip} shown={shown} />
      {numberMillimetres !== null && (
        <LampNumbers job={job} shape={shape} flip={flip} lift={lift} pixel={numberMillimetres} />
      )}
    </g>
  );
}

/** Partitions, seat-backs and lamps between the body and its lifted roof. */
function InsideAbove({
  job,
  shape,
  flip,
  lift,
}: {
  readonly job: CoachRecord;
  readonly shape: CoachShape;
  readonly flip: (x: number) => number;
  readonly lift: number;
}) {
  const { screens } = coachInterior(job).light;
  const under = shape.roof - shoulderOf(shape) + lift;
  return (
    <g>
      {screens
        .filter((s) => s.lies === 'across')
        .map((s) => (
          <rect
            key={s.at}
            x={flip(s.at) - 0.5}
            y={-(shape.floor + s.top)}
            width={1}
            height={s.top}
            fill="#6f6a58"
          />
        ))}
      {Object.entries(job.lamps)
        .filter(([, l]) => l.role === 'room')
        .map(([lampId, l]) => (
          <g key={lampId}>
            <circle cx={flip(l.placeMillimetres)} cy={-(under - 1)} r={5} fill="#ffc46b" opacity={0.16} />
            <rect x={flip(l.placeMillimetres) - 1.5} y={-under + 0.2} width={3} height={1.2} fill="#ffe2ab" />
          </g>
        ))}
    </g>
  );
}

function RunningGear({ shape }: { readonly shape: CoachShape }) {
  return (
    <>
      {shape.trucks.map((t) => (
        <rect
          key={t}
          x={t - shape.wheelRadius * 3}
          y={-shape.wheelRadius * 1.7}
          width={shape.wheelRadius * 6}
          height={shape.wheelRadius * 0.9}
          rx={0.8}
          fill="#1a2421"
          stroke="#38483f"
          strokeWidth={0.3}
        />
      ))}
      {shape.wheels.map((w) => (
        <g key={w}>
          <circle
            cx={w}
            cy={-shape.wheelRadius}
            r={shape.wheelRadius}
            fill="#121a18"
            stroke="#84929a"
            strokeWidth={0.6}
          />
          <circle cx={w} cy={-shape.wheelRadius} r={shape.wheelRadius * 0.25} fill="#4a585f" />
        </g>
      ))}
    </>
  );
}

/** Tail and marker lamps at the coach's ends, in their own colour. */
function EndLamps({
  job,
  steady,
  shape,
  flip,
  shown,
}: {
  readonly job: CoachRecord;
  readonly steady: Readings | null;
  readonly shape: CoachShape;
  readonly flip: (x: number) => number;
  readonly shown: (lightness: number) => number;
}) {
  const ends = Object.entries(job.lamps).filter(([, l]) => l.role !== 'room');
  return (
    <>
      {ends.map(([lampId, l]) => {
        const reading = steady?.dies.find((r) => r.lampId === lampId);
        const level = shown(endLampLightness(reading?.amps.mean ?? 0));
        const colour = reading ? screenColour(reading.xy) : DARK_COLOUR;
        const left = flip(l.placeMillimetres) < shape.length / 2;
        const x = left ? -0.4 : shape.length + 0.4;
        const y = -(shape.floor + (shape.roof - shape.floor) * (l.role === 'tail' ? 0.22 : 0.8));
        return (
          <g key={lampId} data-end-lamp={lampId} data-lightness={level.toFixed(1)}>
            <circle cx={x} cy={y} r={4.2} fill={colour} opacity={(0.16 * level) / 100} />
            <circle cx={x} cy={y} r={2.4} fill={colour} opacity={(0.3 * level) / 100} />
            <circle cx={x} cy={y} r={1.2} fill="#1a1210" stroke="#6b5a3c" strokeWidth={0.3} />
            <circle cx={x} cy={y} r={1} fill={colour} opacity={level / 100} />
          </g>
        );
      })}
    </>
  );
}

function LampNumbers({
  job,
  shape,
  flip,
  lift,
  pixel,
}: {
  readonly job: CoachRecord;
  readonly shape: CoachShape;
  readonly flip: (x: number) => number;
  readonly lift: number;
  readonly pixel: number;
}) {
  const lamps = inOrder(job.lamps);
  const top = -shape.roof - lift;
  // A circle that the next one would touch is smaller, down to what a letter needs.
  const places = lamps.map((l) => l.placeMillimetres).sort((a, b) => a - b);
  const apart = Math.min(
    Infinity,
    ...places
      .slice(1)
      .map((p, i) => p - places[i])
      .filter((d) => d > 0.5),
  );
  const radius = Math.min(10, Math.max(7.5, apart / pixel / 2 - 1)) * pixel;
  return (
    <>
      {lamps.map((lamp, i) => {
        const x = flip(lamp.placeMillimetres);
        // Of two rows, the one away from the eye stands higher.
        const away = lamp.acrossMillimetres * (flip(0) > 0 ? -1 : 1) > 0.5 ? 2.1 * radius : 0;
        const y = top - 5 * pixel - radius - away;
        return (
          <g key={lamp.id} opacity={lamp.circuitId === null ? 0.45 : 1}>
            <line x1={x} x2={x} y1={top - pixel} y2={y + radius} stroke="#b98a3b" strokeWidth={pixel} />
            <circle
              cx={x}
              cy={y}
              r={radius}
              fill="#16211f"
              stroke="#b98a3b"
              strokeWidth={pixel}
              strokeDasharray={lamp.circuitId === null ? `${3 * pixel} ${3 * pixel}` : undefined}
            />
            <text
              x={x}
              y={y + 4.2 * pixel}
              fill="#ffc46b"
              fontSize={12 * pixel}
              textAnchor="middle"
              fontFamily="IBM Plex Mono"
            >
              {i + 1}
            </text>
          </g>
        );
      })}
    </>
  );
}
