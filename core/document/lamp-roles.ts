/** When a lamp at an end should shine: its end goes first, its end goes last, or always. */
export type Shows = 'leading' | 'trailing' | 'both';

export interface LampRole {
  readonly name: string;
  readonly shows: Shows;
  /** Lamp type and tint it usually gets. */
  readonly part: string;
  readonly tint: string;
  /** Wanted light against a headlight's, 0 to 1: head over marker over number board (common practice, no source). */
  readonly share: number;
  /** Usual resistor on 12 V, in ohms: 1 k for a headlight, 2 k for what should be dimmer (common practice, no source). */
  readonly ohms: number;
  /** Usual lens on the prototype, in metres. */
  readonly lensMetres: number;
  /** It sits inside rather than in an end's face. */
  readonly inside: boolean;
}

const head = {
  shows: 'leading',
  part: 'white-warm',
  tint: 'none',
  share: 1,
  ohms: 1000,
  lensMetres: 0.17,
  inside: false,
} as const;
const marker = { ...head, share: 0.3, ohms: 2000, lensMetres: 0.13 } as const;
const inside = { ...head, shows: 'both', share: 0.15, ohms: 4700, lensMetres: 0.26, inside: true } as const;

/** What lamps of a locomotive or railcar are for. A new role is a line here. */
export const lampRoles = {
  headlight: { ...head, name: 'Headlight' },
  ditch: { ...head, name: 'Ditch light', share: 0.8 },
  'marker-white': { ...marker, name: 'White marker' },
  'marker-green': { ...marker, name: 'Green marker', part: 'green' },
  'marker-red': { ...marker, name: 'Red marker', part: 'red', shows: 'trailing' },
  tail: { ...marker, name: 'Tail lamp', part: 'red', shows: 'trailing' },
  'head-code': { ...marker, name: 'Head-code box', lensMetres: 0.4 },
  destination: { ...marker, name: 'Destination blind', share: 0.2, lensMetres: 0.5 },
  'number-board': { ...inside, name: 'Number board', inside: false, lensMetres: 0.3 },
  cab: { ...inside, name: 'Cab light' },
  step: { ...inside, name: 'Step light', inside: false, lensMetres: 0.1 },
  'engine-room': { ...inside, name: 'Engine-room light' },
} as const satisfies Readonly<Record<string, LampRole>>;
export type LampRoleName = keyof typeof lampRoles;

/** When a lamp should shine: as its role does, or as it was set. */
export const showsOf = (lamp: { readonly role: LampRoleName; readonly shows: Shows | null }): Shows =>
  lamp.shows ?? lampRoles[lamp.role].shows;

/** A red light at the end: what shows where a train ends. */
export const isTail = (role: LampRoleName): boolean => role === 'tail' || role === 'marker-red';
/** A light that shows which way it goes. */
export const isHead = (role: LampRoleName): boolean => lampRoles[role].shows === 'leading';
