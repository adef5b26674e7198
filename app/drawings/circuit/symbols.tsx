import type { Point } from './geometry';

interface SpanProps {
  readonly from: Point;
  readonly to: Point;
}

/** A resistor (IEC 60617: a box), lying or standing between its terminals. */
export function ResistorSymbol({ from, to }: SpanProps) {
  const lying = from.y === to.y;
  const length = lying ? to.x - from.x : to.y - from.y;
  const body = Math.min(44, length - 6);
  const middle = { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 };
  return (
    <g className="symbol">
      <line x1={from.x} y1={from.y} x2={to.x} y2={to.y} />
      <rect
        x={middle.x - (lying ? body / 2 : 8)}
        y={middle.y - (lying ? 8 : body / 2)}
        width={lying ? body : 16}
        height={lying ? 16 : body}
        rx={1.5}
      />
    </g>
  );
}

/** A polarised capacitor standing between its terminals; the open plate is the plus side. */
export function ElectrolyticSymbol({ from, to }: SpanProps) {
  const y = (from.y + to.y) / 2;
  return (
    <g className="symbol">
      <line x1={from.x} y1={from.y} x2={from.x} y2={y - 6} />
      <line x1={to.x} y1={y + 6} x2={to.x} y2={to.y} />
      <rect x={from.x - 15} y={y - 8} width={30} height={5} />
      <rect x={from.x - 15} y={y + 3} width={30} height={5} className="solid" />
      <path d={`M${from.x - 24} ${y - 14}h8M${from.x - 20} ${y - 18}v8`} />
    </g>
  );
}

/** A diode's arrow and bar from anode to cathode, centred between two points. */
export function DiodeSymbol({ from, to, size = 9 }: SpanProps & { readonly size?: number }) {
  const angle = (Math.atan2(to.y - from.y, to.x - from.x) * 180) / Math.PI;
  const length = Math.hypot(to.x - from.x, to.y - from.y);
  return (
    <g className="symbol" transform={`translate(${from.x} ${from.y}) rotate(${angle})`}>
      <line x1={0} y1={0} x2={length} y2={0} />
      <path
        className="filled"
        d={`M${length / 2 - size * 0.8} ${-size * 0.8}L${length / 2 + size * 0.7} 0L${length / 2 - size * 0.8} ${size * 0.8}Z`}
      />
      <line x1={length / 2 + size * 0.7} y1={-size * 0.9} x2={length / 2 + size * 0.7} y2={size * 0.9} />
    </g>
  );
}

interface LampSymbolProps extends SpanProps {
  readonly glow: string;
  /** Lightness of its light, 0 to 1. */
  readonly strength: number;
}

/** A light-emitting diode standing between its terminals, glowing as much as it does. */
export function LampSymbol({ from, to, glow, strength }: LampSymbolProps) {
  const y = Math.max(from.y + 34, 222);
  return (
    <g>
      <circle cx={from.x} cy={y} r={18} fill={glow} opacity={0.55 * strength} />
      <DiodeSymbol from={from} to={{ x: from.x, y: 2 * y - from.y }} size={10} />
      <g className="symbol">
        <line x1={from.x} y1={2 * y - from.y} x2={to.x} y2={to.y} />
        <path
          d={`M${from.x + 11} ${y - 5}l7 -7m-4 0h4v4M${from.x + 11} ${y + 3}l7 -7m-4 0h4v4`}
          strokeWidth={1.2}
        />
      </g>
    </g>
  );
}
