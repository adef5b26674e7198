/** Drills come in tenths of a millimetre (common practice, no source): the least one as wide as asked. */
export const nextDrill = (millimetres: number): number =>
  Number((Math.ceil(millimetres * 10 - 1e-9) / 10).toFixed(1));
