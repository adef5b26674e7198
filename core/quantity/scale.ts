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
