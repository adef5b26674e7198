/** Where a lamp hangs: along the coach, and from its centre line towards the far side. */
export interface LampPlace {
  readonly placeMillimetres: number;
  readonly acrossMillimetres: number;
}

/** Places for a number of lamps along a coach, evenly, half a pitch clear of each end, in millimetres. */
export function spreadPlaces(count: number, lengthMillimetres: number): number[] {
  const pitch = lengthMillimetres / (count + 0.6);
  return Array.from({ length: count }, (_, i) => Math.round((i + 0.8) * pitch * 10) / 10);
}
