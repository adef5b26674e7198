import { useMemo } from 'react';
import { lampNames } from '../../../../core/kinds/locomotive/lamp-name';
import { lampRoles } from '../../../../core/document/lamp-roles';
import { undersideAboveRail } from '../../../../core/kinds/locomotive/body';
import { endOutline } from './vehicle-shape';
import { lampRadius, type LampGlow } from './lamp-glow';
import type { End } from '../../../../core/document/ends';
import type { LocomotiveRecord } from '../../../../core/kinds/locomotive/record';

interface EndViewProps {
  readonly job: LocomotiveRecord;
  readonly end: End;
  readonly glows: ReadonlyMap<string, LampGlow>;
}

/** An end as who faces it sees it, rail at y = 0, its lamps as bright as solved. */
export function EndView({ job, end, glows }: EndViewProps) {
  const { widthMillimetres: w, heightMillimetres: h, wheelMillimetres: wheel } = job.body;
  const floor = -undersideAboveRail(job.body);
  const roof = floor - h;
  const names = useMemo(() => lampNames(job), [job]);
  const lamps = Object.entries(job.lamps).filter(([, l]) => l.end === end);
  const cab = lamps.filter(([, l]) => lampRoles[l.role].inside).map(([id]) => glows.get(id));
  const inside = cab.filter((g) => g !== undefined).sort((a, b) => b.strength - a.strength)[0];
  const pane = { y: roof + h * 0.17, high: h * 0.25 };
  return (
    <g>
      <rect
        x={-w * 0.42}
        y={-wheel}
        width={w * 0.13}
        height={wheel}
        fill="#151d1d"
        stroke="#4b575b"
        strokeWidth={0.3}
      />
      <rect
        x={w * 0.29}
        y={-wheel}
        width={w * 0.13}
        height={wheel}
        fill="#151d1d"
        stroke="#4b575b"
        strokeWidth={0.3}
      />
      <path d={endOutline(job.body)} fill="#2a3734" stroke="#6a7b74" strokeWidth={0.4} />
      <rect x={-w / 2} y={floor - h * 0.06} width={w} height={h * 0.06} fill="#5a2f28" />
      {[-0.3, 0.3].map((x) => (
        <circle
          key={x}
          cx={w * x}
          cy={floor - h * 0.03}
          r={h * 0.055}
          fill="#2b3533"
          stroke="#84929a"
          strokeWidth={0.35}
        />
      ))}
      {[-0.36, 0.05].map((x) => (
        <g key={x}>
          <rect
            x={w * x}
            y={pane.y}
            width={w * 0.31}
            height={pane.high}
            rx={0.8}
            fill="#0b1213"
            stroke="#66756f"
            strokeWidth={0.35}
          />
          {inside && inside.strength > 0.03 && (
            <rect
              x={w * x}
              y={pane.y}
              width={w * 0.31}
              height={pane.high}
              rx={0.8}
              fill={inside.colour}
              opacity={0.2 + 0.7 * inside.strength}
            />
          )}
        </g>
      ))}
      {lamps.map(([id, lamp]) => {
        if (lampRoles[lamp.role].inside) return null;
        const glow = glows.get(id);
        const strength = glow?.strength ?? 0;
        const r = lampRadius(lamp);
        const [x, y] = [lamp.acrossMillimetres, -lamp.heightMillimetres];
        const lit = glow && strength > 0.03;
        const board =
          lamp.role === 'number-board' || lamp.role === 'destination' || lamp.role === 'head-code';
        return (
          <g key={id}>
            <title>{names.get(id)}</title>
            {lit && (
              <>
                <circle
                  cx={x}
                  cy={y}
                  r={r * (2 + 4 * strength)}
                  fill={glow.colour}
                  opacity={0.16 * strength}
                  style={{ filter: 'blur(1px)' }}
                />
                <circle
                  cx={x}
                  cy={y}
                  r={r * 1.9}
                  fill={glow.colour}
                  opacity={0.35 * strength}
                  style={{ filter: 'blur(0.5px)' }}
                />
              </>
            )}
            {board ? (
              <rect
                x={x - r * 1.8}
                y={y - r * 0.7}
                width={r * 3.6}
                height={r * 1.4}
                rx={0.3}
                fill={lit ? glow.colour : '#39433f'}
                fillOpacity={lit ? 0.35 + 0.65 * strength : 1}
                stroke="#84929a"
                strokeWidth={0.25}
              />
            ) : (
              <circle
                cx={x}
                cy={y}
                r={r}
                fill={lit ? glow.colour : '#39433f'}
                fillOpacity={lit ? 0.35 + 0.65 * strength : 1}
                stroke="#9aa7a0"
                strokeWidth={0.3}
              />
            )}
            {lit && strength > 0.5 && !board && (
              <circle cx={x} cy={y} r={r * 0.45} fill="#fffdf4" opacity={strength * 0.8} />
            )}
          </g>
        );
      })}
    </g>
  );
}
