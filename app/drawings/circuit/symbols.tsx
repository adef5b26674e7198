import type { Point } from './ladder';

interface SpanProps {
  readonly from: Point;
  readonly to: Point;
}

/** A resistor (IEC 60617: a box), lying or standing between its terminals. */
export function ResistorSymbol({ from, to }: SpanProps) {
  const lying = from.y === to.y;
  const length = Math.abs(lying ? to.x - from.x : to.y - from.y);
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

/** A polarised capacitor standing between its terminals, from plus to minus; the open plate is the plus side. */
export function ElectrolyticSymbol({ from, to }: SpanProps) {
  const y = (from.y + to.y) / 2;
  const down = to.y > from.y ? 1 : -1;
  return (
    <g className="symbol" transform={`translate(${from.x} ${y}) scale(1 ${down})`}>
      <line x1={0} y1={-Math.abs(y - from.y)} x2={0} y2={-8} />
      <line x1={0} y1={8} x2={0} y2={Math.abs(to.y - y)} />
      <rect x={-15} y={-8} width={30} height={5} />
      <rect x={-15} y={3} width={30} height={5} className="solid" />
      <path d="M-24 -14h8M-20 -18v8" />
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

/** A constant-current limiter between its terminals: a box with the sign of a current held. */
export function LimiterSymbol({ from, to }: SpanProps) {
  const [x, y] = [(from.x + to.x) / 2, (from.y + to.y) / 2];
  const angle = (Math.atan2(to.y - from.y, to.x - from.x) * 180) / Math.PI - 90;
  return (
    <g className="symbol">
      <line x1={from.x} y1={from.y} x2={to.x} y2={to.y} />
      <g transform={`translate(${x} ${y}) rotate(${angle})`}>
        <rect x={-11} y={-14} width={22} height={28} rx={2} />
        <path d="M0 -8v14m-4 -5l4 6l4 -6M-6 9h12" />
      </g>
    </g>
  );
}

interface BoxProps {
  readonly at: Readonly<Record<string, Point>>;
  readonly words: string;
  readonly flagged: boolean;
}

/** A box between two of its terminals, with a leg to the third: a regulator, a socket of a hub. */
export function BoxSymbol({ at, words, flagged }: BoxProps) {
  const [input, out, common] = Object.values(at);
  const lies = input.y === out.y;
  const box = lies
    ? { x: input.x + 14, y: input.y - 20, width: out.x - input.x - 28, height: 40 }
    : {
        x: input.x - 26,
        y: Math.min(input.y, out.y) + 10,
        width: 52,
        height: Math.abs(out.y - input.y) - 20,
      };
  return (
    <g>
      <g className="symbol">
        <line x1={input.x} y1={input.y} x2={out.x} y2={out.y} />
        <line x1={lies ? common.x : box.x + box.width} y1={common.y} x2={common.x} y2={common.y} />
        <rect {...box} rx={3} />
      </g>
      <text
        className={flagged ? 'value flagged' : 'value'}
        x={box.x + box.width / 2}
        y={box.y + box.height / 2 + 5}
        textAnchor="middle"
      >
        {words}
      </text>
    </g>
  );
}

/** A bridge rectifier: a box with its four diodes, the alternating side at the left. */
export function BridgeSymbol({ at, words, flagged }: BoxProps) {
  const points = Object.values(at);
  const [top, bottom] = [Math.min(...points.map((p) => p.y)), Math.max(...points.map((p) => p.y))];
  const left = at.right.x + 14;
  const right = at.plus.x - 14;
  const [x, y] = [(left + right) / 2, (top + bottom) / 2];
  const r = 26;
  const corners = {
    up: { x, y: y - r },
    down: { x, y: y + r },
    left: { x: x - r, y },
    right: { x: x + r, y },
  };
  return (
    <g>
      <g className="symbol">
        {points.map((p) => (
          <line key={`${p.x} ${p.y}`} x1={p.x} y1={p.y} x2={p.x === at.right.x ? left : right} y2={p.y} />
        ))}
        <rect x={left} y={top - 14} width={right - left} height={bottom - top + 28} rx={6} />
      </g>
      <DiodeSymbol from={corners.left} to={corners.up} size={7} />
      <DiodeSymbol from={corners.left} to={corners.down} size={7} />
      <DiodeSymbol from={corners.down} to={corners.right} size={7} />
      <DiodeSymbol from={corners.up} to={corners.right} size={7} />
      <g className="note" textAnchor="middle">
        <text x={left + 9} y={at.right.y + 5}>
          ~
        </text>
        <text x={left + 9} y={at.left.y + 5}>
          ~
        </text>
        <text x={right - 9} y={at.plus.y + 5}>
          +
        </text>
        <text x={right - 9} y={at.minus.y + 5}>
          −
        </text>
      </g>
      <text className={flagged ? 'value flagged' : 'value'} x={x} y={y + r + 20} textAnchor="middle">
        {words}
      </text>
    </g>
  );
}

/** A filament bulb (IEC 60617: a circle with a cross), glowing as much as it does. */
export function BulbSymbol({ from, to, strength }: SpanProps & { readonly strength: number }) {
  const { x } = from;
  const y = (from.y + to.y) / 2;
  return (
    <g>
      <circle cx={x} cy={y} r={20} fill="#ffb85c" opacity={0.6 * strength} />
      <g className="symbol">
        <line x1={x} y1={from.y} x2={x} y2={to.y} />
        <circle className="body" cx={x} cy={y} r={10} />
        <path d={`M${x - 7} ${y - 7}l14 14m0 -14l-14 14`} />
      </g>
    </g>
  );
}

interface LampSymbolProps extends SpanProps {
  readonly glow: string;
  /** How bright it looks, 0 to 1. */
  readonly strength: number;
  /** Symbols in a row inside it: the lamps of a strip unit. */
  readonly inside: number;
  /** A resistance built in, drawn before them. */
  readonly resistor: boolean;
  /** Another colour lies the other way round behind the same leads. */
  readonly second: boolean;
}

/** Room one junction takes along the line. */
const JUNCTION = 24;
const BUILT_IN = 26;

/** A lamp standing from its anode to its cathode, glowing as much as it does, with what is built into it. */
export function LampSymbol({ from, to, glow, strength, inside, resistor, second }: LampSymbolProps) {
  const { x } = from;
  const down = to.y > from.y ? 1 : -1;
  const needed = inside * JUNCTION + (resistor ? BUILT_IN : 0);
  const scale = Math.min(1, (Math.abs(to.y - from.y) - 6) / needed);
  const middle = (from.y + to.y) / 2;
  const first = middle - (down * (needed * scale)) / 2 + (resistor ? down * BUILT_IN * scale : 0);
  const centres = Array.from({ length: inside }, (_, i) => first + down * (i + 0.5) * JUNCTION * scale);
  const half = 12 * scale;
  const size = 10 * Math.min(1, scale * 1.1);
  return (
    <g>
      <circle cx={x} cy={middle} r={20 * Math.max(0.7, scale)} fill={glow} opacity={0.7 * strength} />
      <g className="symbol">
        <line x1={x} y1={from.y} x2={x} y2={to.y} />
        {resistor && (
          <rect
            x={x - 5}
            y={Math.min(first, first - down * (BUILT_IN * scale - 4))}
            width={10}
            height={BUILT_IN * scale - 6}
            rx={1}
          />
        )}
        {second && <path d={`M${x} ${centres[0] - half - 6}h17v${2 * half + 12}h-17`} />}
        <path
          d={`M${x - 11} ${centres[0] - 3}l-7 -7m4 0h-4v4M${x - 11} ${centres[0] + 5}l-7 -7m4 0h-4v4`}
          strokeWidth={1.2}
        />
      </g>
      {centres.map((y) => (
        <DiodeSymbol key={y} from={{ x, y: y - down * half }} to={{ x, y: y + down * half }} size={size} />
      ))}
      {second && (
        <DiodeSymbol
          from={{ x: x + 17, y: centres[0] + down * half }}
          to={{ x: x + 17, y: centres[0] - down * half }}
          size={7}
        />
      )}
    </g>
  );
}
