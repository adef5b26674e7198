/** A moulded bridge, four loose diodes, one diode, or nothing. */
export const rectifierNames = [
  'silicon-bridge',
  'schottky-bridge',
  'silicon-diodes',
  'schottky-diodes',
  'half-wave',
  'half-wave-schottky',
  'none',
] as const;
export type RectifierName = (typeof rectifierNames)[number];
