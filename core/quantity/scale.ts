/** Modelling scales and their ratio (NEM 010; 00 and British N by British practice). */
export const scales = {
  Z: 220,
  N: 160,
  'N (British)': 148,
  TT: 120,
  H0: 87,
  '00': 76.2,
  S: 64,
  '0': 45,
  '0 (British)': 43.5,
  '0 (American)': 48,
  '1': 32,
  IIm: 22.5,
} as const;

export type ScaleName = keyof typeof scales;

/** Length of the prototype in metres from millimetres on the model. */
export function prototypeMetres(modelMillimetres: number, scale: ScaleName): number {
  return (modelMillimetres * scales[scale]) / 1000;
}

/** Length on the model in millimetres from metres of the prototype. */
export function modelMillimetres(prototypeMetresLong: number, scale: ScaleName): number {
  return (prototypeMetresLong * 1000) / scales[scale];
}

const INCHES_PER_FOOT = 12;
const METRES_PER_INCH = 0.0254;

/** Metres in feet and inches, to the whole inch: "2 ft 6 in". */
export function feetAndInches(metres: number): string {
  const inches = Math.round(metres / METRES_PER_INCH);
  const feet = Math.floor(inches / INCHES_PER_FOOT);
  const rest = inches - feet * INCHES_PER_FOOT;
  if (feet === 0) return `${rest} in`;
  return rest === 0 ? `${feet} ft` : `${feet} ft ${rest} in`;
}
