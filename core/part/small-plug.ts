/** Pitches of small plugs, in millimetres (common practice, no source). */
export const plugPitches = [1.0, 1.25, 1.5, 2.0, 2.5, 2.54] as const;
export type PlugPitch = (typeof plugPitches)[number];

/** Width of a housing over its pitch, and how much more each further pin takes (common practice, no source). */
const HOUSING_PITCHES = 3;
const PINS = 2;

/** A plug's housing across, as wide as it is high; what a hole has to let through. Millimetres. */
export const housingMillimetres = (pitch: number, pins = PINS): number =>
  (HOUSING_PITCHES + pins - PINS) * pitch;

/** Whether a plug goes into a socket: pins and holes a tenth of a millimetre apart still find one another, at two pins. */
export const mates = (plug: number, socket: number): boolean => Math.abs(plug - socket) < 0.1;

/** Holes as they are drilled by the fraction of an inch: 1/16 to 1/2, by sixteenths. */
export const inchDrills = Array.from({ length: 8 }, (_, i) => ({
  name: ['1/16', '1/8', '3/16', '1/4', '5/16', '3/8', '7/16', '1/2'][i],
  millimetres: ((i + 1) * 25.4) / 16,
}));
