import { formatQuantity } from '../quantity/format';
import { high, sourceBehindOhms, type SupplyKind } from './supply-kind';

/** Halves of a one: 58 microseconds (NMRA S-9.1). */
export const ONE_HALF_SECONDS = 58e-6;

/** DCC track as a booster feeds it. Voltages are amplitudes: the track swings between plus and minus this. */
export interface DccTrack {
  readonly kind: 'dcc-track';
  readonly amplitudeVolts: number;
  /** The most it can be set or drift to; what ratings have to stand. */
  readonly highestVolts: number;
  /** Current at which the booster begins to count towards switching off, and how long it bears more. */
  readonly limitAmps: number;
  readonly tripSeconds: number;
  /** Booster, bus, rails and wheels together, both ways. */
  readonly trackOhms: number;
  /** The bits that repeat on the track; all ones says nothing to anybody. */
  readonly bits: string;
  readonly zeroHalfMicroseconds: number;
}

export const dccTrack: SupplyKind<DccTrack> = {
  kind: 'dcc-track',
  name: 'DCC track',
  onTrack: true,
  changesSides: true,
  ownSwitch: false,
  inputs: () => [],
  highestWords: (supply) =>
    supply.highestVolts > supply.amplitudeVolts
      ? ` with the booster at its highest, ±${formatQuantity(supply.highestVolts, 'volt')}`
      : '',
  sides: { right: 'right rail', left: 'left rail' },
  words: (supply) => `DCC ±${formatQuantity(supply.amplitudeVolts, 'volt')}`,
  highestVolts: (supply) => supply.highestVolts,
  limit: (supply) => ({ amps: supply.limitAmps, seconds: supply.tripSeconds }),
  feels: () => 'moment',
  sourceOhms: (supply) => supply.trackOhms,
  behind: (supply, ohms) => ({ ...supply, trackOhms: supply.trackOhms + ohms }),
  faults: (supply) => [
    {
      id: 'set-high',
      name: 'Booster set high',
      says: `The booster may be set or drift to ±${formatQuantity(supply.highestVolts, 'volt')}; ratings have to stand that.`,
    },
  ],
  lower: (supply, nodes, feeding, of) =>
    sourceBehindOhms(
      {
        kind: 'dcc',
        amplitude: high(feeding.stress) ? supply.highestVolts : supply.amplitudeVolts,
        bits: supply.bits,
        oneHalf: ONE_HALF_SECONDS,
        zeroHalf: supply.zeroHalfMicroseconds * 1e-6,
      },
      supply.trackOhms,
      nodes,
      of,
    ),
};
