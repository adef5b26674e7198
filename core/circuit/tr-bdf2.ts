/** First stage of TR-BDF2 (Bank et al. 1985) as a share of the step: 2 - sqrt 2 makes both stages alike. */
export const STAGE = 2 - Math.SQRT2;
/** Both stages multiply the newest rate by this share of the step. */
export const ALPHA = STAGE / 2;
const FROM_STAGE = 1 / (STAGE * (2 - STAGE));
const FROM_START = -((1 - STAGE) ** 2) / (STAGE * (2 - STAGE));
const ERROR = (2 * (-3 * STAGE * STAGE + 4 * STAGE - 2)) / (12 * (2 - STAGE));

/** What the second stage carries over of the stored charges at the inner stage and at the start. */
export function bdf2Past(atStage: number, atStart: number): number {
  return FROM_STAGE * atStage + FROM_START * atStart;
}

/**
 * Local error of a charge over a step as a mean current: 2 k (r0/g - r1/(g(1-g)) + r2/(1-g)), without sign
 * (Hosea and Shampine 1996), from its rates at the start, at the inner stage and at the end.
 */
export function localError(start: number, stage: number, end: number): number {
  return Math.abs(ERROR * (start / STAGE - stage / (STAGE * (1 - STAGE)) + end / (1 - STAGE)));
}
