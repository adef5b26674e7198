import { halvesOf, inHalves, type DriverFeed, type DriverKind, type OutputId } from './driver-kind';
import type { Phase, Slice } from '../state';

/**
 * Pins of a small computer as rows and columns with a lamp at each crossing. One row after the other is
 * on, faster than the eye follows, with the columns of the lamps that are lit in it.
 */
export interface Matrix {
  readonly kind: 'matrix';
  readonly feed: DriverFeed;
  readonly rows: number;
  readonly columns: number;
  /** Volts of a pin that is high. */
  readonly volts: 3.3 | 5;
  readonly pinAmps: number;
  readonly totalAmps: number;
  /** A transistor behind each pin: the lamps are fed from the supply, and a pin carries a milliampere. */
  readonly transistors: boolean;
  readonly perMinute: number;
}

/** As of pins that light a lamp each (typical, from memory). */
const PIN_OHMS = 25;
const TRANSISTOR_OHMS = 4;
const TRANSISTOR_AMPS = 0.1;
const OWN_AMPS = 0.03;
const PRICE = 6;
/** How long a row is on before the next, in microseconds: a matrix of eight is gone through 125 times a second. */
export const ROW_MICROSECONDS = 1000;

const rowOf = (output: number, columns: number): number => Math.floor((output - 1) / columns) + 1;
const columnOf = (output: number, columns: number): number => ((output - 1) % columns) + 1;
const numberOf = (output: OutputId): number => Number(output.slice(3));
const steps = (count: number): number[] => Array.from({ length: count }, (_, i) => i + 1);

/** One row on after the other, each for its share of the time, with the columns of its lamps that are lit. */
function scanned({ slices, ...phase }: Phase, { rows, columns }: Matrix): Phase {
  const lit = slices.flatMap((s) => [...s.conducting]) as OutputId[];
  return {
    ...phase,
    slices: steps(rows).map((row): Slice => {
      const own = lit.filter((o) => rowOf(numberOf(o), columns) === row);
      return {
        share: 1 / rows,
        conducting: new Set(
          own.length === 0
            ? []
            : [`row${row}`, ...own, ...own.map((o) => `column${columnOf(numberOf(o), columns)}`)],
        ),
      };
    }),
  };
}

export const matrix: DriverKind<Matrix> = {
  kind: 'matrix',
  name: 'Pins of a small computer, as a matrix',
  says: 'rows and columns, a lamp at each crossing: many lamps on few pins',
  build({ rows, columns, volts, pinAmps, totalAmps, transistors }) {
    const limitAmps = transistors ? TRANSISTOR_AMPS : pinAmps;
    return {
      outputs: steps(rows * columns).map((n) => ({
        id: `out${n}` as const,
        name: `Row ${rowOf(n, columns)}, column ${columnOf(n, columns)}`,
        // All lamps of a row may be lit at once through its pin.
        limitAmps: limitAmps / columns,
        between: [`row${rowOf(n, columns)}`, `column${columnOf(n, columns)}`] as const,
      })),
      pins: [
        ...steps(rows).map((n) => ({
          id: `row${n}`,
          name: `Row ${n}`,
          limitAmps,
          switches: 'plus' as const,
        })),
        ...steps(columns).map((n) => ({
          id: `column${n}`,
          name: `Column ${n}`,
          limitAmps,
          switches: 'minus' as const,
        })),
      ],
      litShare: 1 / rows,
      totalAmps: transistors ? TRANSISTOR_AMPS : totalAmps,
      switches: 'minus',
      onOhms: transistors ? TRANSISTOR_OHMS : PIN_OHMS,
      ownAmps: OWN_AMPS,
      // A pin that is off is let go, so that no other lamp is lit through it.
      heldWhenOff: false,
      ownVolts: transistors ? null : volts,
    };
  },
  perMinute: ({ perMinute }) => perMinute,
  drive: (record, asked) => inHalves(asked, halvesOf(record.perMinute)).map((p) => scanned(p, record)),
  cannot: () => null,
  needs: ({ rows, columns, transistors }) => [
    { key: 'small-computer', name: 'Small computer board', count: 1, price: PRICE },
    ...(transistors
      ? [
          { key: 'transistor:pnp', name: 'Small PNP transistor', count: rows, price: 0.08 },
          { key: 'transistor:npn', name: 'Small NPN transistor', count: rows + columns, price: 0.08 },
          { key: 'resistor:4700:0.25', name: 'Base resistor 4.7 kΩ', count: 2 * rows + columns, price: 0.05 },
        ]
      : []),
  ],
};
