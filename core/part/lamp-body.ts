/** The body a lamp comes in, in millimetres; what has to go through, or sit behind, its hole. */
export interface LampBody {
  readonly id: string;
  readonly name: string;
  /** Hole that shows it: the body's own diameter, or the lens wanted for a chip. */
  readonly lensMillimetres: number;
  /** What the hole or pocket behind has to take, across. */
  readonly bodyMillimetres: number;
  /** Depth behind the face, without leads. */
  readonly depthMillimetres: number;
  /** Its flange or chip, which does not go through its own hole. */
  readonly flangeMillimetres: number;
  /** Diameter of its two leads as they leave, insulation included. */
  readonly leadMillimetres: number;
  /** It has two stiff legs, the longer at plus; else it comes on wires or has pads. */
  readonly legs: boolean;
  /** Share bought over what is needed, for those that die under the iron: the smaller, the more (common practice, no source). */
  readonly spareShare: number;
}

const magnetWire = 0.15;

/** Bodies small lamps are sold in; typical sizes (0402, 0603, 0805: inches of length and width by name). */
export const lampBodies = {
  'tower-2': {
    id: 'tower-2',
    legs: true,
    spareShare: 0.05,
    name: '2 mm tower',
    lensMillimetres: 2,
    bodyMillimetres: 2,
    depthMillimetres: 4,
    flangeMillimetres: 3,
    leadMillimetres: 0.5,
  },
  'round-3': {
    id: 'round-3',
    legs: true,
    spareShare: 0.05,
    name: '3 mm round',
    lensMillimetres: 3,
    bodyMillimetres: 3,
    depthMillimetres: 5,
    flangeMillimetres: 3.8,
    leadMillimetres: 0.5,
  },
  'chip-0402': {
    id: 'chip-0402',
    legs: false,
    spareShare: 0.2,
    name: 'Chip 0402 on magnet wire',
    lensMillimetres: 0.5,
    bodyMillimetres: 1.1,
    depthMillimetres: 0.4,
    flangeMillimetres: 1.1,
    leadMillimetres: magnetWire,
  },
  'chip-0603': {
    id: 'chip-0603',
    legs: false,
    spareShare: 0.15,
    name: 'Chip 0603 on magnet wire',
    lensMillimetres: 0.8,
    bodyMillimetres: 1.8,
    depthMillimetres: 0.6,
    flangeMillimetres: 1.8,
    leadMillimetres: magnetWire,
  },
  'chip-0805': {
    id: 'chip-0805',
    legs: false,
    spareShare: 0.1,
    name: 'Chip 0805 on magnet wire',
    lensMillimetres: 1.25,
    bodyMillimetres: 2.3,
    depthMillimetres: 0.8,
    flangeMillimetres: 2.3,
    leadMillimetres: magnetWire,
  },
  bulb: {
    id: 'bulb',
    legs: false,
    spareShare: 0.05,
    name: 'Grain-of-wheat bulb',
    lensMillimetres: 2.4,
    bodyMillimetres: 2.4,
    depthMillimetres: 6,
    flangeMillimetres: 2.4,
    leadMillimetres: 0.6,
  },
} as const satisfies Readonly<Record<string, LampBody>>;
export type LampBodyName = keyof typeof lampBodies;
