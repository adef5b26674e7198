import { useId } from 'react';
import { coachShape } from './coach-shape';
import { mixedColour } from './lamp-colour';
import type { CoachRecord } from '../../../core/document/coach-record';
import type { SteadyStudy } from '../../../core/study/steady';
import type { WindowLight } from '../../../core/study/window-light';

interface CoachOnStageProps {
  readonly job: CoachRecord;
  /** Null while it cannot be solved. */
  readonly steady: SteadyStudy | null;
  readonly windows: readonly WindowLight[];
  /** Share of the solved light that shines now; 1 in the steady state. */
  readonly light: (lightness: number) => number;
  readonly numbers: boolean;
}

/** The coach to scale in millimetres, y down from the rail head; every window as bright as computed. */
export function CoachOnStage({ job, steady, windows, light, numbers }: CoachOnStageProps) {
  const shape = coachShape(job.dimensions);
  const glow = mixedColour(steady);
  const id = useId();
  const lamps = Object.values(job.lamps).sort((a, b) => a.order - b.order);
  return (
    <g>
      <defs>
        <radialGradient id={`${id}glow`}>
          <stop offset="0" stopColor={glow} stopOpacity={0.55} />
          <stop offset="0.45" stopColor={glow} stopOpacity={0.2} />
          <stop offset="1" stopColor={glow} stopOpacity={0} />
        </radialGradient>
        <linearGradient id={`${id}pane`} x1="0" y1="0" x2="0" y2="1">
          <stop offset="0" stopColor="#fffaf0" stopOpacity={0.62} />
          <stop offset="0.55" stopColor="#fffaf0" stopOpacity={0.16} />
          <stop offset="1" stopColor="#3a1c00" stopOpacity={0.16} />
        </linearGradient>
        <linearGradient id={`${id}body`} x1="0" y1="0" x2="0" y2="1">
          <stop offset="0" stopColor="#31443c" />
          <stop offset="1" stopColor="#1d2a26" />
        </linearGradient>
      </defs>
      <g>
        <path d={bodyPath(shape)} fill={`url(#${id}body)`} stroke="#4a6157" strokeWidth={0.35} />
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
      </g>
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
      {shape.windows.map((centre, i) => {
        const shown = light(windows[i]?.lightness ?? 0);
        const left = centre - shape.windowWidth / 2;
        const height = shape.windowTop - shape.windowBottom;
        return (
          <g key={centre} data-window={i + 1} data-lightness={shown.toFixed(1)}>
            <ellipse
              cx={centre}
              cy={-(shape.windowBottom + height / 2)}
              rx={shape.windowWidth * 1.5}
              ry={height * 1.75}
              fill={`url(#${id}glow)`}
              opacity={Math.min(1, shown / 75)}
            />
            <rect
              x={left}
              y={-shape.windowTop}
              width={shape.windowWidth}
              height={height}
              rx={0.8}
              fill="#0c1312"
              stroke="#0a100f"
              strokeWidth={0.5}
            />
            <rect
              x={left}
              y={-shape.windowTop}
              width={shape.windowWidth}
              height={height}
              rx={0.8}
              fill={glow}
              opacity={Math.min(1, shown / 82)}
            />
            {i % 2 === 0 && (
              <Passenger x={left + shape.windowWidth * 0.28} y={-shape.windowBottom} size={height} />
            )}
            {i % 3 === 1 && (
              <Passenger x={left + shape.windowWidth * 0.74} y={-shape.windowBottom} size={height * 0.9} />
            )}
            <rect
              x={left}
              y={-shape.windowTop}
              width={shape.windowWidth}
              height={height}
              rx={0.8}
              fill={`url(#${id}pane)`}
              opacity={Math.min(1, shown / 70)}
            />
            <line
              x1={centre}
              x2={centre}
              y1={-shape.windowTop}
              y2={-shape.windowBottom}
              stroke="#1d2a26"
              strokeWidth={0.7}
            />
          </g>
        );
      })}
      {numbers &&
        lamps.map((lamp, i) => (
          <g key={`${lamp.order} ${lamp.placeMillimetres}`} opacity={lamp.groupId === null ? 0.45 : 1}>
            <line
              x1={lamp.placeMillimetres}
              x2={lamp.placeMillimetres}
              y1={-shape.roof - 0.6}
              y2={-shape.roof - 3.2}
              stroke="#b98a3b"
              strokeWidth={0.4}
            />
            <circle
              cx={lamp.placeMillimetres}
              cy={-shape.roof - 6.4}
              r={3.2}
              fill="#16211f"
              stroke="#b98a3b"
              strokeWidth={0.4}
              strokeDasharray={lamp.groupId === null ? '1 1' : undefined}
            />
            <text
              x={lamp.placeMillimetres}
              y={-shape.roof - 5.2}
              fill="#ffc46b"
              fontSize={3.4}
              textAnchor="middle"
              fontFamily="IBM Plex Mono"
            >
              {i + 1}
            </text>
          </g>
        ))}
    </g>
  );
}

function bodyPath({ length, floor, roof }: { length: number; floor: number; roof: number }): string {
  const shoulder = (roof - floor) * 0.2;
  return `M0 ${-floor}V${-(roof - shoulder)}Q0 ${-roof} ${shoulder * 1.4} ${-roof}H${length - shoulder * 1.4}Q${length} ${-roof} ${length} ${-(roof - shoulder)}V${-floor}Z`;
}

/** Someone seen against the light. */
function Passenger({ x, y, size }: { readonly x: number; readonly y: number; readonly size: number }) {
  const head = size * 0.15;
  return (
    <path
      fill="#20150a"
      opacity={0.8}
      d={`M${x - head * 2} ${y}v${-size * 0.16}q0 ${-size * 0.18} ${head * 1.3} ${-size * 0.18}h${head * 1.4}q${head * 1.3} 0 ${head * 1.3} ${size * 0.18}v${size * 0.16}zM${x - head} ${y - size * 0.5}a${head} ${head} 0 1 1 ${head * 2} 0a${head} ${head} 0 1 1 ${-head * 2} 0z`}
    />
  );
}
