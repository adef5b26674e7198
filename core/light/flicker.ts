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
  /**
   * Percent flicker: 100 (greatest - least) / (greatest + least), 0 to 100 (IES Lighting Handbook, from memory), of
   * this component on the mean light, and never more than that of the whole light.
   */
  readonly percent: number;
  readonly lowRiskPercent: number;
}

/** Whether anything of a light of a period, in seconds, is slow enough to be judged. */
export const mayFlicker = (period: number): boolean =>
  period > 0 && Number.isFinite(lowRiskPercent(1 / period));

const HARMONICS = 40;

/** Percent flicker of a light: 100 (greatest - least) / (greatest + least), 0 to 100; 0 in the dark. */
export function percentFlicker(samples: readonly (readonly [number, number])[]): number {
  let [least, greatest] = [Infinity, 0];
  for (const [, light] of samples) {
    least = Math.min(least, Math.max(0, light));
    greatest = Math.max(greatest, light);
  }
  return greatest > 0 ? (100 * (greatest - least)) / (greatest + least) : 0;
}

/** Magnitude of the integral of a light times exp(-i w t), exact for straight lines between its samples. */
function fourier(samples: readonly (readonly [number, number])[], w: number): number {
  let real = 0;
  let imaginary = 0;
  for (let i = 1; i < samples.length; i++) {
    const [t0, y0] = samples[i - 1];
    const [t1, y1] = samples[i];
    if (!(t1 > t0)) continue;
    const slope = (y1 - y0) / (t1 - t0);
    real +=
      (y1 * Math.sin(w * t1) - y0 * Math.sin(w * t0)) / w +
      (slope * (Math.cos(w * t1) - Math.cos(w * t0))) / (w * w);
    imaginary +=
      (y1 * Math.cos(w * t1) - y0 * Math.cos(w * t0)) / w -
      (slope * (Math.sin(w * t1) - Math.sin(w * t0))) / (w * w);
  }
  return Math.hypot(real, imaginary);
}

/**
 * The component of a periodic light that stands highest against the low-risk limit. Each harmonic
 * is judged at its own frequency, so that a fast carrier with a slow beat is not judged by either alone.
 * @param samples [seconds, light] ascending over exactly one period, any spacing, both ends included
 * @returns null for a light that is constant or dark
 */
export function worstFlicker(samples: readonly (readonly [number, number])[]): FlickerComponent | null {
  const period = samples[samples.length - 1][0] - samples[0][0];
  if (!(period > 0)) return null;
  let mean = 0;
  for (let i = 1; i < samples.length; i++) {
    mean += ((samples[i][0] - samples[i - 1][0]) * (samples[i][1] + samples[i - 1][1])) / 2 / period;
  }
  if (!(mean > 0)) return null;
  const whole = percentFlicker(samples);
  let worst: FlickerComponent | null = null;
  for (let k = 1; k <= HARMONICS; k++) {
    const hertz = k / period;
    const limit = lowRiskPercent(hertz);
    if (!Number.isFinite(limit)) break;
    const w = 2 * Math.PI * hertz;
    const percent = Math.min(whole, (200 * fourier(samples, w)) / (mean * period));
    if (!worst || percent / limit > worst.percent / worst.lowRiskPercent) {
      worst = { hertz, percent, lowRiskPercent: limit };
    }
  }
  return worst;
}
