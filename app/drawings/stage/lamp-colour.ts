import { screenColour } from '../../../core/light/colour';
import { leds } from '../../../core/part/led';

/** The screen colour of the light of a coach: that of its most frequent lamp type. */
export function mixedColour(parts: readonly string[]): string {
  const counts = new Map<string, number>();
  for (const p of parts) counts.set(p, (counts.get(p) ?? 0) + 1);
  const most = [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? 'white-warm';
  return screenColour(leds[most].colour);
}
