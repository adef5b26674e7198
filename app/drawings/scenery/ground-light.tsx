import { useId } from 'react';
import { lightness } from '../../../core/light/lightness';
import { FULL_GROUND_LUX, type Pool } from '../../../core/light/pool';

interface GroundLightProps {
  readonly pool: Pool;
  readonly colour: string;
  /** How deep the ground is drawn, in millimetres. */
  readonly deep: number;
  /** From the lightness solved to that of the moment, 0 to 100. */
  readonly shown: (lightness: number) => number;
}

/** Places of the gradient. */
const STOPS = 61;

/** The ground below the lamps, as bright as its lux make it, fading towards the front. */
export function GroundLight({ pool, colour, deep, shown }: GroundLightProps) {
  const id = useId();
  const [from, to] = [pool.along[0], pool.along[pool.along.length - 1]];
  const step = (pool.along.length - 1) / (STOPS - 1);
  const stops = Array.from({ length: STOPS }, (_, i) => {
    const lux = pool.lux[Math.round(i * step)];
    return { at: i / (STOPS - 1), level: shown(Math.min(100, lightness(lux / FULL_GROUND_LUX))) / 100 };
  });
  return (
    <g data-ground={pool.mostLux.toFixed(1)}>
      <defs>
        <linearGradient id={`${id}along`} x1="0" x2="1" y1="0" y2="0">
          {stops.map((s) => (
            <stop key={s.at} offset={s.at} stopColor={colour} stopOpacity={0.72 * s.level} />
          ))}
        </linearGradient>
        <linearGradient id={`${id}fade`} x1="0" x2="0" y1="0" y2="1">
          <stop offset="0" stopColor="#fff" />
          <stop offset="1" stopColor="#fff" stopOpacity="0" />
        </linearGradient>
        <mask id={`${id}mask`} maskUnits="userSpaceOnUse" x={from} y={0} width={to - from} height={deep}>
          <rect x={from} y={0} width={to - from} height={deep} fill={`url(#${id}fade)`} />
        </mask>
      </defs>
      <rect
        x={from}
        y={0}
        width={to - from}
        height={deep}
        fill={`url(#${id}along)`}
        mask={`url(#${id}mask)`}
      />
    </g>
  );
}
