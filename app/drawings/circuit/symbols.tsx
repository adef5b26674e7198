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

/** A switch lying between its terminals, closed. */
export function SwitchSymbol({ from, to, on }: SpanProps & { readonly on: boolean }) {
  const [x, y] = [(from.x + to.x) / 2, (from.y + to.y) / 2];
  const upright = from.x === to.x;
  const half = upright ? 9 : 13;
  const length = Math.hypot(to.x - from.x, to.y - from.y) / 2;
  return (
    <g className="symbol" transform={`translate(${x} ${y})${upright ? ' rotate(90)' : ''}`}>
      <line x1={-length} y1={0} x2={-half - 1} y2={0} />
      <line x1={half + 1} y1={0} x2={length} y2={0} />
      <circle cx={-half} cy={0} r={2.6} />
      <circle cx={half} cy={0} r={2.6} />
      <line x1={2 - half} y1={-1.5} x2={half} y2={on ? -4 : -13} />
    </g>
  );
}

/** A constant-current limiter standing between its terminals: a box with the sign of a current held. */
export function LimiterSymbol({ from, to }: SpanProps) {
  const y = (from.y + to.y) / 2;
  return (
    <g className="symbol">
      <line x1={from.x} y1={from.y} x2={to.x} y2={to.y} />
      <rect x={from.x - 11} y={y - 14} width={22} height={28} rx={2} />
      <path d={`M${from.x} ${y - 8}v14m-4 -5l4 6l4 -6M${from.x - 6} ${y + 9}h12`} />
    </g>
  );
}

/** A linear regulator: a box with input, output and common. */
export function RegulatorSymbol({
  input,
  output,
  common,
}: {
  readonly input: Point;
  readonly output: Point;
  readonly common: Point;
}) {
  return (
    <g className="symbol">
      <line x1={common.x} y1={input.y + 17} x2={common.x} y2={common.y} />
      <line x1={input.x} y1={input.y} x2={output.x} y2={output.y} />
      <rect x={input.x + 4} y={input.y - 17} width={output.x - input.x - 8} height={34} rx={3} />
    </g>
  );
}

interface LampSymbolProps extends SpanProps {
  readonly glow: string;
  /** Lightness of its light, 0 to 1. */
  readonly strength: number;
  /** Symbols in a row inside it: the lamps of a strip unit. */
  readonly inside: number;
  /** A resistance built in, drawn before them. */
  readonly resistor: boolean;
}

/** Room one junction takes along the line. */
const JUNCTION = 22;
const BUILT_IN = 26;

/** A lamp standing between its terminals, glowing as much as it does, with what is built into it. */
export function LampSymbol({ from, to, glow, strength, inside, resistor }: LampSymbolProps) {
  const room = to.y - from.y;
  const needed = inside * JUNCTION + (resistor ? BUILT_IN : 0);
  const scale = Math.min(1, (room - 6) / needed);
  // A single lamp hangs low, where its number and current are; a full column is centred.
  const top =
    inside === 1 && !resistor && room > 110
      ? Math.max(from.y + 24, 212)
      : from.y + (room - needed * scale) / 2;
  const first = top + (resistor ? BUILT_IN * scale : 0);
  const size = 10 * Math.min(1, scale * 1.1);
  const centres = Array.from({ length: inside }, (_, i) => first + (i + 0.5) * JUNCTION * scale);
  return (
    <g>
      <circle
        cx={from.x}
        cy={(centres[0] + centres[centres.length - 1]) / 2}
        r={18 * Math.max(0.7, scale)}
        fill={glow}
        opacity={0.55 * strength}
      />
      <g className="symbol">
        <line x1={from.x} y1={from.y} x2={to.x} y2={to.y} />
        {resistor && <rect x={from.x - 5} y={top + 2} width={10} height={BUILT_IN * scale - 6} rx={1} />}
        <path
          d={`M${from.x + 11} ${centres[0] - 3}l7 -7m-4 0h4v4M${from.x + 11} ${centres[0] + 5}l7 -7m-4 0h4v4`}
          strokeWidth={1.2}
        />
      </g>
      {centres.map((y) => (
        <DiodeSymbol
          key={y}
          from={{ x: from.x, y: y - 12 * scale }}
          to={{ x: from.x, y: y + 12 * scale }}
          size={size}
        />
      ))}
    </g>
  );
}
