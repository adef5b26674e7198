/** Keeps the far side of a bridge from floating where nothing else does. */
export const BLEED_OHMS = 10e6;

/** An element's id for a part: what it is, and a name a deck can carry. */
export const elementId = (letter: string, part: string): string =>
  `${letter}_${part.replace(/[^a-z0-9]+/gi, '_').toLowerCase()}`;
