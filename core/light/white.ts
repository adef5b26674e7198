import { planckianXy } from './colour';
import type { Chromaticity } from './difference';

/** Chromaticity in the diagram of CIE 1960, u and v. */
export function uv1960({ x, y }: Chromaticity): { u: number; v: number } {
  const d = -2 * x + 12 * y + 3;
  return { u: (4 * x) / d, v: (6 * y) / d };
}
const xyOf = (u: number, v: number): Chromaticity => {
  const d = 2 * u - 8 * v + 4;
  return { x: (3 * u) / d, y: (2 * v) / d };
};

/** A white by how a lamp is sold: its colour temperature, and how far off the black body it lies. */
export interface White {
  /** Correlated colour temperature, in kelvin. */
  readonly kelvin: number;
  /** Distance from the Planckian locus in CIE 1960 u, v: above it (green) positive, below (magenta) negative. */
  readonly duv: number;
}

const LEAST_KELVIN = 1000;
const MOST_KELVIN = 15_000;
const GOLDEN = (Math.sqrt(5) - 1) / 2;
const TURNS = 60;

/**
 * Correlated colour temperature and Duv of a light: the nearest point of the Planckian locus (Krystek
 * 1985) in CIE 1960 u, v (CIE 15), searched over reciprocal temperature, where the locus runs evenly.
 */
export function whiteOf(light: Chromaticity): White {
  const at = uv1960(light);
  const distance = (mired: number): number => {
    const p = uv1960(planckianXy(1e6 / mired));
    return Math.hypot(at.u - p.u, at.v - p.v);
  };
  let [low, high] = [1e6 / MOST_KELVIN, 1e6 / LEAST_KELVIN];
  for (let i = 0; i < TURNS; i++) {
    const [a, b] = [high - GOLDEN * (high - low), low + GOLDEN * (high - low)];
    if (distance(a) < distance(b)) high = b;
    else low = a;
  }
  const mired = (low + high) / 2;
  const { v } = uv1960(planckianXy(1e6 / mired));
  return { kelvin: 1e6 / mired, duv: Math.sign(at.v - v) * distance(mired) };
}

/** Step along the locus, in mired, by which its direction is told. */
const STEP = 0.5;

/** Chromaticity of a white of a colour temperature and a Duv: off the locus at a right angle, in CIE 1960 u, v. */
export function whiteXy({ kelvin, duv }: White): Chromaticity {
  const mired = 1e6 / kelvin;
  const [p, q, o] = [mired - STEP, mired + STEP, mired].map((m) => uv1960(planckianXy(1e6 / m)));
  const [du, dv] = [q.u - p.u, q.v - p.v];
  const length = Math.hypot(du, dv);
  // Towards warm u grows; green lies above, where v is larger.
  const [nu, nv] = [-dv / length, du / length];
  const side = nv > 0 ? 1 : -1;
  return xyOf(o.u + side * duv * nu, o.v + side * duv * nv);
}

/** Tristimulus values; Y in the unit the light is measured in. */
export interface Tristimulus {
  readonly X: number;
  readonly Y: number;
  readonly Z: number;
}

/** A light of an amount and a chromaticity. */
export const tristimulus = ({ x, y }: Chromaticity, amount: number): Tristimulus => ({
  X: (x / y) * amount,
  Y: amount,
  Z: ((1 - x - y) / y) * amount,
});

/**
 * Lights together: their tristimulus values add (CIE 15).
 * @param amountOf how much of each, by its number; each as it is where left out
 */
export function mixed(
  lights: readonly Tristimulus[],
  amountOf: (index: number) => number = () => 1,
): Tristimulus {
  let [X, Y, Z] = [0, 0, 0];
  for (let k = 0; k < lights.length; k++) {
    const amount = amountOf(k);
    X += amount * lights[k].X;
    Y += amount * lights[k].Y;
    Z += amount * lights[k].Z;
  }
  return { X, Y, Z };
}

/** Chromaticity of tristimulus values; null where there is no light. */
export function chromaticityOf({ X, Y, Z }: Tristimulus): Chromaticity | null {
  const sum = X + Y + Z;
  return sum > 0 ? { x: X / sum, y: Y / sum } : null;
}

/** A Duv as it is told: four decimals with its sign, none where it rounds to nothing. */
export function duvWords(duv: number): string {
  const told = Math.abs(duv).toFixed(4);
  return Number(told) === 0 ? told : `${duv < 0 ? '−' : '+'}${told}`;
}
