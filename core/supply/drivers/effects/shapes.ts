import { choose, below, given, least, minus, noise, over, plus, rest, times, type Whole } from './whole';

export const [t, i, n, s, c, p, q, r] = (['t', 'i', 'n', 's', 'c', 'p', 'q', 'r'] as const).map(given);

/** Up from 0 to 255 and down again over a period. */
export const triangle = (at: Whole, period: Whole): Whole => {
  const phase = over(times(rest(at, period), 510), period);
  return choose(below(phase, 256), phase, minus(510, phase));
};

/** A noise that glides from slot to slot, of so many milliseconds each, apart for each lamp. */
export const glide = (slot: Whole | number, salt: Whole | number): Whole => {
  const at = over(t, slot);
  const share = over(times(rest(t, slot), 256), slot);
  const of = plus(times(i, 31), plus(s, salt));
  return over(plus(times(noise(at, of), minus(256, share)), times(noise(plus(at, 1), of), share)), 256);
};

/** A noise that jumps from slot to slot. */
export const jump = (slot: Whole | number, salt: Whole | number): Whole =>
  noise(over(t, slot), plus(times(i, 31), plus(s, salt)));

/** Between two levels, by a level of 0 to 255. */
export const between = (low: Whole | number, high: Whole | number, by: Whole): Whole =>
  plus(low, over(times(minus(high, low), by), 255));

/** 0 to 255 from a percentage. */
export const ofPercent = (share: Whole): Whole => least(255, over(times(share, 255), 100));
