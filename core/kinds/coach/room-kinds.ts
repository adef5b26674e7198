/** What is behind a window. Those that lie beside a side corridor leave it its width; the others take the whole width. */
export const roomKinds = {
  compartment: { name: 'Compartment', short: 'Comp.', besideCorridor: true },
  saloon: { name: 'Saloon', short: 'Sal.', besideCorridor: false },
  vestibule: { name: 'Vestibule', short: 'V', besideCorridor: false },
  toilet: { name: 'Toilet', short: 'WC', besideCorridor: true },
  kitchen: { name: 'Kitchen', short: 'Kit.', besideCorridor: true },
  luggage: { name: 'Luggage', short: 'Lug.', besideCorridor: false },
} as const;
export type RoomKind = keyof typeof roomKinds;

/** Height of the lamps above seats or tables, in millimetres; at least half a millimetre. */
export function lampDrop(interior: {
  readonly ceilingMillimetres: number;
  readonly seatMillimetres: number;
  readonly lampsBelowCeilingMillimetres: number;
}): number {
  const { ceilingMillimetres, seatMillimetres, lampsBelowCeilingMillimetres } = interior;
  return Math.max(0.5, ceilingMillimetres - lampsBelowCeilingMillimetres - seatMillimetres);
}
