/** What lies between a lamp and the eye: the share it lets through in the red, green and blue of the light. */
export interface Tint {
  readonly id: string;
  readonly name: string;
  /** Shares let through in three broad bands (linear sRGB primaries); typical, from memory. */
  readonly passes: readonly [red: number, green: number, blue: number];
  /** How it gets there. */
  readonly applied: 'none' | 'paint' | 'film' | 'built in';
  /** Length of what then shines along the coach, in millimetres, scattering like a matt surface; 0 where the lamp itself is seen. */
  readonly spreadMillimetres: number;
}

const hard = { spreadMillimetres: 0, applied: 'paint' } as const;

/** Generic tints. `none` is a bare lamp. */
export const tints: Readonly<Record<string, Tint>> = {
  none: { id: 'none', name: 'Bare lamp', passes: [1, 1, 1], ...hard, applied: 'none' },
  'clear-amber': { id: 'clear-amber', name: 'Clear amber paint', passes: [0.85, 0.52, 0.12], ...hard },
  'amber-film': { id: 'amber-film', name: 'Amber film', passes: [0.9, 0.68, 0.3], ...hard, applied: 'film' },
  'clear-red': { id: 'clear-red', name: 'Clear red paint', passes: [0.7, 0.04, 0.02], ...hard },
  'clear-green': { id: 'clear-green', name: 'Clear green paint', passes: [0.06, 0.5, 0.12], ...hard },
  'red-glass': {
    id: 'red-glass',
    name: 'Red spectacle glass',
    passes: [0.42, 0.02, 0.01],
    ...hard,
    applied: 'built in',
  },
  'yellow-glass': {
    id: 'yellow-glass',
    name: 'Yellow spectacle glass',
    passes: [0.72, 0.4, 0.03],
    ...hard,
    applied: 'built in',
  },
  // Blue-green, so that an oil flame behind it shows green (common practice, no source).
  'green-glass': {
    id: 'green-glass',
    name: 'Blue-green spectacle glass',
    passes: [0.03, 0.3, 0.42],
    ...hard,
    applied: 'built in',
  },
  'printed-lens': {
    id: 'printed-lens',
    name: 'Lens printed in clear resin',
    passes: [0.72, 0.7, 0.62],
    ...hard,
    applied: 'built in',
  },
  'frosted-hood': {
    id: 'frosted-hood',
    name: 'Frosted hood or globe',
    passes: [0.72, 0.71, 0.69],
    applied: 'built in',
    spreadMillimetres: 4,
  },
  'tracing-film': {
    id: 'tracing-film',
    name: 'Tracing film',
    passes: [0.82, 0.82, 0.8],
    applied: 'film',
    spreadMillimetres: 6,
  },
  diffuser: {
    id: 'diffuser',
    name: 'White diffuser',
    passes: [0.62, 0.62, 0.6],
    applied: 'film',
    spreadMillimetres: 14,
  },
};
