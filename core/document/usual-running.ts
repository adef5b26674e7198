/** Shares of a coach's length from axle to axle of a truck, and between its outermost wheels (common practice, no source). */
export const TRUCK_BASE_SHARE = 0.11;
export const ALL_AXLES_BASE_SHARE = 0.74;
/** Share of a locomotive's length between its outermost wheels (common practice, no source). */
const ENGINE_BASE_SHARE = 0.65;

/** How a locomotive commonly collects, from its length and axles, and what it rides over. */
export const usualRunning = (lengthMillimetres: number, axles: number) => ({
  pickups: {
    kind: 'wipers' as const,
    axles: 'all' as const,
    wheelsPerRail: Math.max(1, Math.min(12, axles)),
    baseMillimetres: Math.round(Math.min(1500, lengthMillimetres * ENGINE_BASE_SHARE)),
  },
  ride: { deadMillimetres: 0, kilometresPerHour: 40 },
});
