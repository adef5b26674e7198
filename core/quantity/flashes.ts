/** Crossing lamps commonly flash so often in a minute, each (common practice, no source). */
export const USUAL_PER_MINUTE = { least: 35, usual: 45, most: 65 } as const;

/**
 * Flashes a second that can provoke seizures; WCAG 2.2, success criterion 2.3.1, allows three in any
 * one second.
 */
export const HARMFUL_HERTZ = { least: 3, most: 30 } as const;
