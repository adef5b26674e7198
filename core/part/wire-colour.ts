/** Colours wire is sold in. */
export const wireColours = [
  'red',
  'black',
  'blue',
  'brown',
  'white',
  'yellow',
  'green',
  'violet',
  'grey',
  'orange',
  'lacquered',
] as const;
export type WireColour = (typeof wireColours)[number];
