/**
 * Modulation that IEEE 1789-2015 calls low risk at a frequency, in percent: 0.025 f below 90 Hz,
 * 0.08 f up to 1250 Hz, anything above.
 */
export function lowRiskPercent(hertz: number): number {
  return hertz < 90 ? 0.025 * hertz : hertz <= 1250 ? 0.08 * hertz : Infinity;
}

/** One component of a light that rises and falls. */
export interface FlickerComponent {
  readonly hertz: number;
  /** (greatest - least) / (greatest + least) of this component on the mean light, in percent. */
  readonly percent: number;
  readonly lowRiskPercent: number;
}

const HARMONICS = 40;

/**
 * The component of a periodic light that stands highest against the low-risk limit. Each harmonic
 * is judged at its own frequency, so that a fast carrier with a slow beat is not judged by either alone.
 * @param samples [seconds, light] ascending over exactly one period, any spacing, both ends included
 * @returns null for a light that is constant or dark
 */
export function worstFlicker(samples: readonly (readonly [number, number])[]): FlickerComponent | null {
  const period = samples[samples.length - 1][0] - samples[0][0];
  if (!(period > 0)) return null;
  const integral = (weight: (t: number) => number): number => {
    let sum = 0;
    for (let i = 1; i < samples.length; i++) {
      const [t0, y0] = samples[i - 1];
      const [t1, y1] = samples[i];
      const middle = (t0 + t1) / 2;
      sum += ((t1 - t0) * (y0 * weight(t0) + 2 * (y0 + y1) * weight(middle) + y1 * weight(t1))) / 6;
    }
    return sum / period;
  };
  const mean = integral(() => 1);
  if (!(mean > 0)) return null;
  let worst: FlickerComponent | null = null;
  for (let k = 1; k <= HARMONICS; k++) {
    const hertz = k / period;
    const limit = lowRiskPercent(hertz);
    if (!Number.isFinite(limit)) break;
    const w = 2 * Math.PI * hertz;
    const c = integral((t) => Math.cos(w * t));
    const s = integral((t) => Math.sin(w * t));
    const percent = (200 * Math.hypot(c, s)) / mean;
    if (!worst || percent / limit > worst.percent / worst.lowRiskPercent) {
      worst = { hertz, percent, lowRiskPercent: limit };
    }
  }
  return worst;
}
