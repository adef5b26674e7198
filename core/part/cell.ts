/** A kind of cell or battery. Charge taken out of it counts from 0 (fresh) to 1 (its whole capacity). */
export interface CellType {
  readonly id: string;
  readonly name: string;
  readonly milliampHours: number;
  /** Charge taken out, EMF in volts and inner resistance in ohms, ascending in the charge. */
  readonly course: readonly (readonly [spent: number, volts: number, ohms: number])[];
  /** Current at which it gives only half of that to the end, in amperes. */
  readonly halfChargeAmps: number;
  /** Current it bears for long, in amperes; more is drawn at the cost of its volts and life. */
  readonly steadyAmps: number;
  /** Length, width and height, or diameter twice and height, in millimetres. */
  readonly sizeMillimetres: readonly [number, number, number];
  readonly price: number;
  /** Kept from children. */
  readonly isCoin: boolean;
}

const alkaline = (cells: number, ohms: number): CellType['course'] =>
  (
    [
      [0, 1.58, 1],
      [0.05, 1.5, 1],
      [0.2, 1.4, 1.2],
      [0.5, 1.28, 1.6],
      [0.8, 1.16, 2.2],
      [0.95, 1.02, 3.5],
      [1, 0.85, 6],
    ] as const
  ).map(([spent, volts, factor]) => [spent, cells * volts, cells * ohms * factor] as const);

/** How fast the charge to be had falls with the current (typical of data sheets, from memory). */
const CHARGE_EXPONENT = 1.5;

/**
 * Share of its whole charge that a cell gives at a current: 1 at little, a half at `halfChargeAmps`, ever
 * less beyond (the kind of law is Peukert's; the figures are typical of data sheets, from memory).
 * @param amps 0 or more
 */
export const chargeShare = ({ halfChargeAmps }: CellType, amps: number): number =>
  1 / (1 + (Math.max(0, amps) / halfChargeAmps) ** CHARGE_EXPONENT);

/**
 * Generic cells. The coin cell has some 220 mAh to 2 V at light load and 10 to 30 ohm, rising as it
 * empties (IEC 60086 names; figures typical, from memory).
 */
export const cellTypes: Readonly<Record<string, CellType>> = {
  cr2032: {
    id: 'cr2032',
    name: 'Coin cell CR2032',
    milliampHours: 220,
    halfChargeAmps: 0.012,
    course: [
      [0, 3.1, 12],
      [0.05, 3.02, 13],
      [0.3, 2.98, 15],
      [0.6, 2.93, 18],
      [0.8, 2.86, 22],
      [0.9, 2.74, 28],
      [0.97, 2.45, 45],
      [1, 2, 80],
    ],
    steadyAmps: 0.005,
    sizeMillimetres: [20, 20, 3.2],
    price: 0.6,
    isCoin: true,
  },
  aaa: {
    id: 'aaa',
    name: 'AAA cell',
    milliampHours: 1100,
    halfChargeAmps: 0.5,
    course: alkaline(1, 0.15),
    steadyAmps: 0.3,
    sizeMillimetres: [10.5, 10.5, 44.5],
    price: 0.4,
    isCoin: false,
  },
  aa: {
    id: 'aa',
    name: 'AA cell',
    milliampHours: 2500,
    halfChargeAmps: 1,
    course: alkaline(1, 0.12),
    steadyAmps: 0.5,
    sizeMillimetres: [14.5, 14.5, 50.5],
    price: 0.4,
    isCoin: false,
  },
  'nine-volt': {
    id: 'nine-volt',
    name: '9 V battery',
    milliampHours: 550,
    halfChargeAmps: 0.3,
    course: alkaline(6, 0.28),
    steadyAmps: 0.1,
    sizeMillimetres: [26.5, 17.5, 48.5],
    price: 1.8,
    isCoin: false,
  },
};

/**
 * EMF and inner resistance of a cell with a share of its charge taken out, on straight lines between the points of its course.
 * @param spent 0 to 1; held to that range
 */
export function cellAt(type: CellType, spent: number): { volts: number; ohms: number } {
  const { course } = type;
  const at = Math.min(1, Math.max(0, spent));
  const i = Math.max(
    1,
    course.findIndex(([s]) => s >= at),
  );
  const [s0, v0, r0] = course[i - 1];
  const [s1, v1, r1] = course[i];
  const share = (at - s0) / (s1 - s0);
  return { volts: v0 + share * (v1 - v0), ohms: r0 + share * (r1 - r0) };
}
