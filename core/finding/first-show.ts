import { aboutLamps, lampWords } from './about';
import { rule } from './finding';

/** People shunt at a third of the throttle and run at half of it (common practice, no source). */
const SLOW_THROTTLE = 0.4;

/** Lamps that begin to show late on the throttle. */
export const firstShow = rule({
  id: 'first-show',
  needs: ['sweep'],
  about: ({ supply }) => supply.kind === 'dc-track',
  judge(bench, { sweep }) {
    const late = sweep?.lamps.filter((l) => l.showsAt !== null && l.showsAt > SLOW_THROTTLE) ?? [];
    if (late.length === 0) return [];
    const worst = Math.max(...late.map((l) => l.showsAt!));
    const ids = late.map((l) => l.lampId);
    return [
      {
        id: 'first-show',
        severity: 'note' as const,
        title: 'Lamps begin to show late',
        sentence: `${lampWords(bench, ids)} first show at ${(worst * 100).toFixed(0)} % throttle; people shunt at a third.`,
        reason:
          'A lamp needs its own volts, and those of bridge and regulator before it, until anything flows. Fewer in series, no bridge, or a controller that works in pulses lets it show sooner.',
        subject: { lamps: ids },
        ...aboutLamps(bench, ids),
        figures: [{ is: 100 * worst, limit: 100 * SLOW_THROTTLE, unit: '%' as const }],
      },
    ];
  },
});
