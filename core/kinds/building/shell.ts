/** What a wall is of, and the share of light it lets through (typical, from memory). */
export const shells = {
  'thin-plastic': { name: 'Thin plastic, 1 mm', passes: 0.05, reflects: 0.6 },
  'thick-plastic': { name: 'Plastic, 2 mm', passes: 0.02, reflects: 0.6 },
  card: { name: 'Card', passes: 0.012, reflects: 0.65 },
  resin: { name: 'Cast resin', passes: 0.03, reflects: 0.6 },
  wood: { name: 'Plywood', passes: 0.0005, reflects: 0.45 },
  plaster: { name: 'Plaster', passes: 0.001, reflects: 0.75 },
} as const;
export type ShellName = keyof typeof shells;

/** Black under white, or a lining, leaves next to nothing through and throws back the rest (typical, from memory). */
export const BLACKENED_PASSES = 0.0002;
export const BLACKENED_REFLECTS = 0.6;

/** What hangs before a window, and the share it lets through (typical, from memory). */
export const curtains = {
  none: { name: 'None', passes: 0.9 },
  frosted: { name: 'Frosted pane', passes: 0.7 },
  net: { name: 'Net curtain', passes: 0.55 },
  blind: { name: 'Blind, half down', passes: 0.4 },
  drawn: { name: 'Curtain drawn', passes: 0.12 },
} as const;
export type CurtainName = keyof typeof curtains;
