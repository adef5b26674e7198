import type { WireColour } from '../part/wire-colour';

/** What a wire of a coach does. */
export const wireRoles = ['right', 'left', 'plus', 'minus', 'lamp'] as const;
export type WireRole = (typeof wireRoles)[number];

export type WireLegend = Readonly<Record<WireRole, WireColour>>;

/** What each role is called. */
export const wireRoleNames: Readonly<Record<WireRole, string>> = {
  right: 'right rail',
  left: 'left rail',
  plus: 'plus',
  minus: 'return',
  lamp: 'lamp feed',
};

/**
 * Legends people follow. `decoder`: red right rail, black left rail, blue common positive, and white
 * for a light (NMRA S-9.1.1); the return of a coach's own roof has no colour there and gets brown.
 * `red-black` and `few-colours` are common practice, no source.
 */
export const legends: Readonly<Record<'decoder' | 'red-black' | 'few-colours', WireLegend>> = {
  decoder: { right: 'red', left: 'black', plus: 'blue', minus: 'brown', lamp: 'white' },
  'red-black': { right: 'red', left: 'black', plus: 'red', minus: 'black', lamp: 'red' },
  'few-colours': { right: 'green', left: 'white', plus: 'green', minus: 'red', lamp: 'green' },
};

/** Name of the legend a job follows, or `own`. */
export function legendName(legend: WireLegend): keyof typeof legends | 'own' {
  const found = Object.entries(legends).find(([, l]) => wireRoles.every((r) => l[r] === legend[r]));
  return (found?.[0] as keyof typeof legends | undefined) ?? 'own';
}
