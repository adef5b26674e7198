/** Ends of a locomotive or railcar; forward is towards A. */
export const endNames = ['A', 'B'] as const;
export type End = (typeof endNames)[number];
export const otherEnd = (end: End): End => (end === 'A' ? 'B' : 'A');
