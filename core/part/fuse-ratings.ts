/** Ratings small fuses are sold in, in amperes (IEC 60127, R10 series; from memory). */
export const fuseRatings: readonly number[] = [
  0.1, 0.125, 0.16, 0.2, 0.25, 0.315, 0.4, 0.5, 0.63, 0.8, 1, 1.25, 1.6, 2, 2.5, 3.15, 4, 5, 6.3, 8, 10,
];

/** A fuse is chosen this much above what flows (common practice, no source). */
export const FUSE_ABOVE = 1.4;
