import { screenColour } from '../../../../core/light/colour';
import { DARK_COLOUR } from '../../../drawings/lamp-colour';
import type { CoachShape } from './coach-shape';
import type { CoachRecord } from '../../../../core/kinds/coach/record';
import type { WindowLight } from '../../../../core/kinds/coach/light';

/** Whether people sit behind a window. */
const SOMEONE = { compartment: true, saloon: true, corridor: false } as Readonly<Record<string, boolean>>;

interface PaneProps {
  readonly number: number;
  readonly centre: number;
  readonly shape: CoachShape;
  readonly job: CoachRecord;
  readonly window: WindowLight | null;
  readonly lightness: number;
  readonly glow: string;
}

/** A window with who sits behind it, as bright and as warm as computed. */
export function Pane({ number, centre, shape, job, window, lightness, glow: id }: PaneProps) {
  const left = centre - shape.windowWidth / 2;
  const height = shape.windowTop - shape.windowBottom;
  const colour = window?.xy ? screenColour(window.xy) : DARK_COLOUR;
  const kind: string = window ? (job.interior.rooms[window.room]?.kind ?? window.room) : 'saloon';
  const box = { x: left, y: -shape.windowTop, width: shape.windowWidth, height, rx: 0.8 };
  return (
    <g data-window={number} data-lightness={lightness.toFixed(1)} data-colour={colour}>
      <radialGradient id={`${id}glow${number}`}>
        <stop offset="0" stopColor={colour} stopOpacity={0.55} />
        <stop offset="0.45" stopColor={colour} stopOpacity={0.2} />
        <stop offset="1" stopColor={colour} stopOpacity={0} />
      </radialGradient>
      <ellipse
        cx={centre}
        cy={-(shape.windowBottom + height / 2)}
        rx={shape.windowWidth * 1.5}
        ry={height * 1.75}
        fill={`url(#${id}glow${number})`}
        opacity={Math.min(1, lightness / 75)}
      />
      <rect {...box} fill="#0c1312" stroke="#0a100f" strokeWidth={0.5} />
      <rect {...box} fill={colour} opacity={Math.min(1, lightness / 82)} />
      {kind === 'toilet' && <rect {...box} fill="#8d948f" opacity={0.35} />}
      {SOMEONE[kind] && number % 2 === 1 && (
        <Passenger x={left + shape.windowWidth * 0.28} y={-shape.windowBottom} size={height} />
      )}
      {SOMEONE[kind] && number % 3 === 2 && (
        <Passenger x={left + shape.windowWidth * 0.74} y={-shape.windowBottom} size={height * 0.9} />
      )}
      {kind === 'corridor' && number % 4 === 2 && (
        <Passenger x={left + shape.windowWidth * 0.5} y={-shape.windowBottom} size={height * 1.25} />
      )}
      <rect {...box} fill={`url(#${id}pane)`} opacity={Math.min(1, lightness / 70)} />
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
