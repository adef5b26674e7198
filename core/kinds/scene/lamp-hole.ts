/** Hole for a round lamp of 3 mm, and for the leads of a string, in millimetres. */
export const LAMP_HOLE = 3;
