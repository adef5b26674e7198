/** Thickness of a wire without its insulation by American wire gauge: 0.127 mm x 92^((36 - n) / 39) (ASTM B258). @returns millimetres */
export const gaugeMillimetres = (gauge: number): number => 0.127 * 92 ** ((36 - gauge) / 39);

/** Copper in a wire of so many strands, in square millimetres. */
export const strandsSquareMillimetres = (strands: number, strandMillimetres: number): number =>
  strands * (Math.PI / 4) * strandMillimetres ** 2;

export const MILLIMETRES_PER_INCH = 25.4;
