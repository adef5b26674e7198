/** Between which metres something of the prototype measures. */
export interface Measure {
  readonly least: number;
  readonly usual: number;
  readonly most: number;
}

/** A sort of lamp as it stands or hangs in the world. */
export interface FittingSort {
  readonly id: string;
  readonly name: string;
  readonly says: string;
  /** What a row of them is called, when nothing else is said. */
  readonly row: string;
  /** Of the lamp above the ground, and its head or lens across. */
  readonly height: Measure;
  readonly head: Measure;
  /** From mast or wall to the lamp. */
  readonly outreach: Measure;
  /** From one to the next of a row. */
  readonly spacing: Measure;
  /** It stands on a mast of its own, hangs on a wall or a roof, or is held. */
  readonly stands: 'mast' | 'wall' | 'roof' | 'thing';
  /** It is meant to be looked at, not to light the ground. */
  readonly toBeSeen: boolean;
}

const measure = (least: number, usual: number, most: number): Measure => ({ least, usual, most });
const none = measure(0, 0, 0);

/** What such lamps measure in the world, in metres (common practice, no source). */
export const fittingSorts = {
  mast: {
    id: 'mast',
    name: 'On a mast',
    says: 'quay, yard, platform',
    row: 'Quay lamps',
    height: measure(2.7, 4.2, 9),
    head: measure(0.3, 0.5, 0.77),
    outreach: measure(0, 0, 1.5),
    spacing: measure(8, 16, 30),
    stands: 'mast',
    toBeSeen: false,
  },
  bracket: {
    id: 'bracket',
    name: 'Bracket on a wall',
    says: 'over a door, along a shed',
    row: 'Wall lamps',
    height: measure(2.2, 2.8, 5),
    head: measure(0.2, 0.35, 0.6),
    outreach: measure(0.3, 0.5, 1.2),
    spacing: measure(5, 10, 20),
    stands: 'wall',
    toBeSeen: false,
  },
  gooseneck: {
    id: 'gooseneck',
    name: 'Gooseneck',
    says: 'a bent pipe with a shade',
    row: 'Gooseneck lamps',
    height: measure(2.4, 3.2, 6),
    head: measure(0.3, 0.42, 0.6),
    outreach: measure(0.4, 0.7, 1.5),
    spacing: measure(5, 10, 20),
    stands: 'wall',
    toBeSeen: false,
  },
  hanging: {
    id: 'hanging',
    name: 'Hanging under a roof',
    says: 'goods shed, awning',
    row: 'Shed lamps',
    height: measure(2.3, 3.2, 6),
    head: measure(0.25, 0.4, 0.6),
    outreach: none,
    spacing: measure(3, 6, 15),
    stands: 'roof',
    toBeSeen: false,
  },
  'buffer-stop': {
    id: 'buffer-stop',
    name: 'On a buffer stop',
    says: 'the red glow at the end of the line',
    row: 'Buffer-stop lamp',
    height: measure(0.9, 1.3, 2),
    head: measure(0.1, 0.17, 0.26),
    outreach: none,
    spacing: measure(2, 4.5, 12),
    stands: 'thing',
    toBeSeen: true,
  },
  hand: {
    id: 'hand',
    name: 'Hand lamp',
    says: 'carried, or set down',
    row: 'Hand lamp',
    height: measure(0.15, 0.8, 1.5),
    head: measure(0.08, 0.13, 0.22),
    outreach: none,
    spacing: measure(1, 5, 30),
    stands: 'thing',
    toBeSeen: true,
  },
} as const satisfies Readonly<Record<string, FittingSort>>;

export type FittingSortName = keyof typeof fittingSorts;

/** Whether metres lie within what such a thing measures. */
export const fits = (metres: number, { least, most }: Measure): 'small' | 'fits' | 'large' =>
  metres < least * (1 - 1e-9) ? 'small' : metres > most * (1 + 1e-9) ? 'large' : 'fits';
