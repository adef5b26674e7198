import { useId } from 'react';
import { lampRoles } from '../../../../core/document/lamp-roles';
import { BodyDetails, RunningGear } from './running-gear';
import { faceAt, vehicleShape } from './vehicle-shape';
import { lampRadius, type LampGlow } from './lamp-glow';
import type { End } from '../../../../core/document/ends';
import type { LocomotiveRecord } from '../../../../core/kinds/locomotive/record';

interface SideViewProps {
  readonly job: LocomotiveRecord;
  readonly glows: ReadonlyMap<string, LampGlow>;
}

/** How far a beam is drawn, in shares of the body's height. */
const BEAM = 1.5;

/** The vehicle from its side, end A at the left, rail at y = 0, lamps as bright as solved. */
export function SideView({ job, glows }: SideViewProps) {
  const id = useId();
  const shape = vehicleShape(job.body);
  const { lengthMillimetres: l, heightMillimetres: h } = job.body;
  const lamps = Object.entries(job.lamps);
  const cab = (end: 'A' | 'B'): LampGlow | undefined =>
    lamps
      .filter(([, lamp]) => lamp.end === end && lampRoles[lamp.role].inside)
      .map(([lampId]) => glows.get(lampId))
      .filter((g) => g !== undefined)
      .sort((a, b) => b.strength - a.strength)[0];
  // The strongest lamp of each end throws its light on the track.
  const ahead = new Map<End, LampGlow>();
  for (const [lampId, lamp] of lamps) {
    const glow = glows.get(lampId);
    if (!glow || lampRoles[lamp.role].inside) continue;
    if (glow.strength > (ahead.get(lamp.end)?.strength ?? 0.05)) ahead.set(lamp.end, glow);
  }
  return (
    <g>
      <defs>
        <linearGradient id={`${id}-body`} x1="0" y1="0" x2="0" y2="1">
          <stop offset="0" stopColor="#3b4c47" />
          <stop offset="0.5" stopColor="#2a3734" />
          <stop offset="1" stopColor="#1a2422" />
        </linearGradient>
      </defs>
      <RunningGear body={job.body} shape={shape} />
      {[...ahead].map(([end, glow]) => (
        <LightOnTrack key={end} end={end} glow={glow} length={l} reach={h * 1.6} id={`${id}-track-${end}`} />
      ))}
      <path d={shape.outline} fill={`url(#${id}-body)`} stroke="#5a6b64" strokeWidth={0.5} />
      <path d={`M1 ${shape.floor - h * 0.16}H${l - 1}`} stroke="#b98a3b" strokeWidth={0.7} opacity={0.55} />
      <BodyDetails body={job.body} shape={shape} />
      {shape.windows.map((w) => {
        const glow = w.x + w.w / 2 < l * 0.4 ? cab('A') : w.x + w.w / 2 > l * 0.6 ? cab('B') : undefined;
        const near = job.body.shape === 'hood' ? (cab('A') ?? cab('B')) : glow;
        const strength = near?.strength ?? 0;
        const atCab = job.body.shape === 'hood' || w.x < l * 0.1 || w.x + w.w > l * 0.9;
        return (
          <g key={`${w.x} ${w.y}`}>
            <rect
              x={w.x}
              y={w.y}
              width={w.w}
              height={w.h}
              rx={0.6}
              fill="#0b1213"
              stroke="#56655f"
              strokeWidth={0.35}
            />
            {near && atCab && strength > 0.03 && (
              <rect
                x={w.x}
                y={w.y}
                width={w.w}
                height={w.h}
                rx={0.6}
                fill={near.colour}
                opacity={0.25 + 0.7 * strength}
              />
            )}
          </g>
        );
      })}
      {lamps.map(([lampId, lamp]) => {
        if (lampRoles[lamp.role].inside) return null;
        const glow = glows.get(lampId);
        const strength = glow?.strength ?? 0;
        const atA = lamp.end === 'A';
        const x = faceAt(job.body, lamp.end, lamp.heightMillimetres);
        const y = -lamp.heightMillimetres;
        const r = lampRadius(lamp);
        const out = atA ? -1 : 1;
        const reach = h * BEAM * (0.35 + strength);
        return (
          <g key={lampId}>
            {strength > 0.05 && glow && (
              <>
                <linearGradient
                  id={`${id}-${lampId}`}
                  x1={atA ? '1' : '0'}
                  x2={atA ? '0' : '1'}
                  y1="0"
                  y2="0"
                >
                  <stop offset="0" stopColor={glow.colour} stopOpacity={0.34 * strength} />
                  <stop offset="1" stopColor={glow.colour} stopOpacity={0} />
                </linearGradient>
                <path
                  d={`M${x} ${y}l${out * reach} ${-reach * 0.2}v${reach * 0.42}Z`}
                  fill={`url(#${id}-${lampId})`}
                  style={{ filter: `blur(${h * 0.02}px)` }}
                />
                <circle
                  cx={x + out * 0.4}
                  cy={y}
                  r={r * 3.4}
                  fill={glow.colour}
                  opacity={0.4 * strength}
                  style={{ filter: 'blur(1.2px)' }}
                />
              </>
            )}
            <rect
              x={atA ? x - 0.9 : x - 0.3}
              y={y - r}
              width={1.2}
              height={2 * r}
              rx={0.4}
              fill={strength > 0.03 && glow ? glow.colour : '#3a4544'}
              stroke="#84929a"
              strokeWidth={0.2}
            />
          </g>
        );
      })}
    </g>
  );
}

interface LightOnTrackProps {
  readonly id: string;
  readonly end: End;
  readonly glow: LampGlow;
  readonly length: number;
  readonly reach: number;
}

/** The light an end throws on the rails before it. */
function LightOnTrack({ id, end, glow, length, reach }: LightOnTrackProps) {
  const x = end === 'A' ? -reach * 0.55 : length + reach * 0.55;
  return (
    <>
      <radialGradient id={id}>
        <stop offset="0" stopColor={glow.colour} stopOpacity={0.5 * glow.strength} />
        <stop offset="1" stopColor={glow.colour} stopOpacity={0} />
      </radialGradient>
      <ellipse cx={x} cy={0.8} rx={reach * 0.6} ry={2.2} fill={`url(#${id})`} />
    </>
  );
}
