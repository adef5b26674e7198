/** What a rod or tube is made of: Young's modulus and yield strength, in pascals (typical, from memory). */
interface Stuff {
  readonly name: string;
  readonly youngPascals: number;
  readonly yieldPascals: number;
}
const brass: Stuff = { name: 'brass', youngPascals: 100e9, yieldPascals: 200e6 };
const steel: Stuff = { name: 'steel', youngPascals: 200e9, yieldPascals: 450e6 };
const styrene: Stuff = { name: 'polystyrene', youngPascals: 3.2e9, yieldPascals: 40e6 };
const copper: Stuff = { name: 'copper', youngPascals: 120e9, yieldPascals: 70e6 };

/** A tube or wire a mast can be made of. Prices in the layout's currency; typical (common practice, no source). */
export interface MastStock {
  readonly id: string;
  readonly name: string;
  readonly outsideMillimetres: number;
  /** 0 for solid wire: the leads run outside it. */
  readonly boreMillimetres: number;
  readonly stuff: Stuff;
  readonly pricePerMetre: number;
}

const mast = (
  id: string,
  name: string,
  outsideMillimetres: number,
  boreMillimetres: number,
  stuff: Stuff,
  pricePerMetre: number,
): MastStock => ({ id, name, outsideMillimetres, boreMillimetres, stuff, pricePerMetre });

export const mastStock = {
  'brass-1.5': mast('brass-1.5', 'Brass tube 1.5 mm', 1.5, 1.0, brass, 3.2),
  'brass-2': mast('brass-2', 'Brass tube 2 mm', 2, 1.5, brass, 3.4),
  'brass-3': mast('brass-3', 'Brass tube 3 mm', 3, 2.3, brass, 4),
  'steel-1': mast('steel-1', 'Steel wire 1 mm', 1, 0, steel, 1),
  'copper-1.4': mast('copper-1.4', 'Copper wire 1.4 mm', 1.4, 0, copper, 0.9),
  'styrene-2.4': mast('styrene-2.4', 'Plastic tube 2.4 mm', 2.4, 1.2, styrene, 2.2),
  'styrene-3.2': mast('styrene-3.2', 'Plastic tube 3.2 mm', 3.2, 1.6, styrene, 2.4),
  'cotton-bud': mast('cotton-bud', 'Stick of a cotton bud', 2.4, 1.4, styrene, 0.2),
} as const satisfies Readonly<Record<string, MastStock>>;
export type MastName = keyof typeof mastStock;

/** A small thing a lamp is put together from. */
export interface KitPiece {
  readonly id: string;
  readonly name: string;
  /** How wide it makes the lamp there, where that is fixed. */
  readonly acrossMillimetres: number | null;
  readonly price: number;
}

/** What covers the lamp from above (common practice, no source). */
export const hoods = {
  none: { id: 'none', name: 'No hood', acrossMillimetres: null, price: 0 },
  punched: { id: 'punched', name: 'Disc punched from foil or card', acrossMillimetres: null, price: 0.01 },
  'press-stud': { id: 'press-stud', name: 'Half of a press stud', acrossMillimetres: 6, price: 0.06 },
  rivet: { id: 'rivet', name: 'Hollow rivet', acrossMillimetres: 5, price: 0.04 },
  turned: { id: 'turned', name: 'Turned or printed shade', acrossMillimetres: null, price: 0.35 },
} as const satisfies Readonly<Record<string, KitPiece>>;
export type HoodName = keyof typeof hoods;

/** What the mast stands in (common practice, no source). */
export const bases = {
  none: { id: 'none', name: 'Straight into the board', acrossMillimetres: null, price: 0 },
  washer: { id: 'washer', name: 'Washer', acrossMillimetres: 5, price: 0.02 },
  grommet: { id: 'grommet', name: 'Rubber grommet: gives when knocked', acrossMillimetres: 6, price: 0.08 },
  plug: { id: 'plug', name: 'Plug and socket in the board', acrossMillimetres: 7, price: 0.45 },
} as const satisfies Readonly<Record<string, KitPiece>>;
export type BaseName = keyof typeof bases;

export const BALL_PRICE = 0.03;
const TAPE_PRICE = 0.002;
/** Thin tape, wound on to thicken a mast (typical, from memory). */
export const TAPE_MILLIMETRES = 0.06;
const MOST_NEWTONS = 1000;
/** Metres a second squared (CGPM 1901). */
const STANDARD_GRAVITY = 9.80665;

/** A lamp from parts. */
export interface LampKit {
  readonly mast: MastName;
  readonly hood: HoodName;
  readonly base: BaseName;
  /** A ball or bead on top of the hood. */
  readonly ball: boolean;
  /** Wraps of thin tape round the foot of the mast. */
  readonly wraps: number;
}

/** Price of the parts of one lamp without its LED, resistor and wire, in the layout's currency. */
export function kitPrice(kit: LampKit, mastMillimetres: number): number {
  return (
    (mastStock[kit.mast].pricePerMetre * mastMillimetres) / 1000 +
    hoods[kit.hood].price +
    bases[kit.base].price +
    (kit.ball ? BALL_PRICE : 0) +
    kit.wraps * TAPE_PRICE
  );
}

/** Thickness of a mast where tape is wound round it: each wrap adds two thicknesses. Millimetres. */
export const wrappedMillimetres = (outside: number, wraps: number): number =>
  outside + 2 * wraps * TAPE_MILLIMETRES;

/** What a push at the top of a mast does. */
export interface Bend {
  /** Push from which it stays bent, in newtons. */
  readonly newtons: number;
  /** The same as the weight of so many grams. */
  readonly grams: number;
  /** How far its top gives before that, in millimetres. */
  readonly millimetres: number;
}

/**
 * A mast as a cantilever: it stays bent from F = yield I/(c L) on, and gives F L^3/(3 E I) until then,
 * with I = pi (D^4 - d^4)/64 and c = D/2 (Euler and Bernoulli's beam).
 */
export function bendOf(name: MastName, heightMillimetres: number): Bend {
  const { outsideMillimetres, boreMillimetres, stuff } = mastStock[name];
  const [outside, bore, length] = [outsideMillimetres, boreMillimetres, heightMillimetres].map(
    (x) => x / 1000,
  );
  const second = (Math.PI * (outside ** 4 - bore ** 4)) / 64;
  const newtons = Math.min(MOST_NEWTONS, (stuff.yieldPascals * second) / ((outside / 2) * length));
  return {
    newtons,
    grams: (1000 * newtons) / STANDARD_GRAVITY,
    millimetres: (1000 * newtons * length ** 3) / (3 * stuff.youngPascals * second),
  };
}
