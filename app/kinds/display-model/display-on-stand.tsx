import { useId } from 'react';
import { screenColour } from '../../../core/light/colour';
import { outlines } from './outlines';
import type { DisplayModelRecord } from '../../../core/kinds/display-model/record';
import type { Readings } from '../../../core/study/readings';

interface DisplayOnStandProps {
  readonly job: DisplayModelRecord;
  readonly readings: Readings | null;
  /** From the lightness solved to that of the moment, 0 to 100. */
  readonly shown: (lightness: number) => number;
}

/** Radius of a lamp and of its glow, as shares of the model's height. */
const LAMP_SHARE = 0.025;
const GLOW_SHARE = 0.3;

/** A display model to scale in millimetres, y down from the table; its lamps in their own colour as bright as they are. */
export function DisplayOnStand({ job, readings, shown }: DisplayOnStandProps) {
  const id = useId();
  const { shape, lengthMillimetres: length, heightMillimetres: height, standMillimetres: stand } = job.body;
  const { body, lines } = outlines[shape];
  const lamp = Math.max(1.2, height * LAMP_SHARE);
  const dies = readings?.dies ?? [];
  return (
    <g>
      <defs>
        <linearGradient id={`${id}body`} x1="0" y1="1" x2="0" y2="0">
          <stop offset="0" stopColor="#3a4f46" />
          <stop offset="1" stopColor="#1d2a26" />
        </linearGradient>
      </defs>
      {stand > 0 && (
        <g fill="#2b2520" stroke="#5b4a35" strokeWidth={0.5}>
          <rect x={length * 0.2} y={-stand * 0.35} width={length * 0.6} height={stand * 0.35} rx={1.5} />
          <path
            d={`M${length * 0.44} ${-stand * 0.35}L${length * 0.47} ${-stand}H${length * 0.53}L${length * 0.56} ${-stand * 0.35}Z`}
          />
        </g>
      )}
      <g transform={`translate(0 ${-stand}) scale(${length / 100} ${-height / 100})`}>
        {body.map((d) => (
          <path
            key={d}
            d={d}
            fill={`url(#${id}body)`}
            stroke="#4f665b"
            strokeWidth={1}
            vectorEffect="non-scaling-stroke"
          />
        ))}
        {lines.map((d) => (
          <path
            key={d}
            d={d}
            fill="none"
            stroke="#b98a3b"
            strokeWidth={1}
            opacity={0.6}
            vectorEffect="non-scaling-stroke"
          />
        ))}
      </g>
      {Object.entries(job.lamps).map(([lampId, l]) => {
        const own = dies.filter((d) => d.lampId === lampId);
        const brightest = own.reduce<(typeof own)[number] | null>(
          (best, d) => (best && best.lightness >= d.lightness ? best : d),
          null,
        );
        const level = shown(brightest?.lightness ?? 0) / 100;
        const colour = brightest ? screenColour(brightest.xy) : '#39423e';
        const [x, y] = [l.alongMillimetres, -stand - l.heightMillimetres];
        return (
          <g key={lampId} data-lamp={lampId} data-lightness={(100 * level).toFixed(1)}>
            <radialGradient id={`${id}${lampId}`}>
              <stop offset="0" stopColor={colour} stopOpacity={0.75} />
              <stop offset="0.4" stopColor={colour} stopOpacity={0.22} />
              <stop offset="1" stopColor={colour} stopOpacity={0} />
            </radialGradient>
            <circle cx={x} cy={y} r={height * GLOW_SHARE} fill={`url(#${id}${lampId})`} opacity={level} />
            <circle cx={x} cy={y} r={lamp} fill="#141b19" stroke="#7b8a83" strokeWidth={0.4} />
            <circle cx={x} cy={y} r={lamp * 0.85} fill={colour} opacity={level} />
          </g>
        );
      })}
    </g>
  );
}
