import type { CoachRecord } from './record';

/** Light that misses what is wanted by more than these shares is seen to do so side by side (common practice, no source). */
const LESS_SHARE = 0.6;
const MORE_SHARE = 1.8;

/** From this share of its long-life current on a lamp is said to have no more to give. */
export const LONG_LIFE_NEAR = 0.75;

/**
 * Whether the light of a coach misses what is wanted.
 * @param litLux mean over the lit windows; what is dark is told as that
 */
export function missOf(
  { wantedLux }: Pick<CoachRecord, 'wantedLux'>,
  litLux: number,
): 'less' | 'more' | null {
  if (!(litLux > 0)) return null;
  if (litLux < LESS_SHARE * wantedLux) return 'less';
  return litLux > MORE_SHARE * wantedLux ? 'more' : null;
}
