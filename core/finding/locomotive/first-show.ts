import { aboutLamps, lampsNamed, type VehicleRule } from './vehicle-rule';

/** People shunt at a third of the throttle and run at half of it (common practice, no source). */
const SLOW_THROTTLE = 0.4;

export const firstShow: VehicleRule = {
  id: 'first-show',
  judge({ vehicle, sweep }) {
    const late = sweep?.lamps.filter((l) => l.showsAt !== null && l.showsAt > SLOW_THROTTLE) ?? [];
    if (late.length === 0) return [];
    const worst = late.reduce((a, b) => (b.showsAt! > a.showsAt! ? b : a));
    const ids = late.map((l) => l.lampId);
    return [
      {
        id: 'first-show',
        rule: 'first-show',
        severity: 'note' as const,
        title: 'Lamps begin to show late',
        sentence: `${lampsNamed(vehicle, ids)} first show at ${(worst.showsAt! * 100).toFixed(0)} % throttle; people shunt at a third.`,
        reason:
          'A lamp needs its own volts, and those of bridge and regulator before it, until anything flows. Fewer in series, no bridge, or a controller that works in pulses lets it show sooner.',
        ...aboutLamps(vehicle, ids),
        figures: { throttle: worst.showsAt! },
        remedies: [],
      },
    ];
  },
};
