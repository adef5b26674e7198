import { useId } from 'react';

interface GlowProps {
  readonly x: number;
  readonly y: number;
  /** Of the lamp itself, and of the glow round it, in millimetres. */
  readonly radius: number;
  readonly reach: number;
  readonly colour: string;
  /** 0 to 1. */
  readonly level: number;
  readonly lampId: string;
}

/** A lamp as bright as it is, in its own colour, with the glow round it. */
export function Glow({ x, y, radius, reach, colour, level, lampId }: GlowProps) {
  const id = useId();
  return (
    <g data-lamp={lampId} data-lightness={(100 * level).toFixed(1)}>
      <radialGradient id={id}>
        <stop offset="0" stopColor={colour} stopOpacity={0.75} />
        <stop offset="0.35" stopColor={colour} stopOpacity={0.2} />
        <stop offset="1" stopColor={colour} stopOpacity={0} />
      </radialGradient>
      <circle cx={x} cy={y} r={reach} fill={`url(#${id})`} opacity={level} />
      <circle cx={x} cy={y} r={radius} fill="#141b19" stroke="#7b8a83" strokeWidth={radius * 0.12} />
      <circle cx={x} cy={y} r={radius * 0.9} fill={colour} opacity={level} />
    </g>
  );
}
