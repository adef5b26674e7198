import { formatQuantity } from '../quantity/format';
import { sourceBehindOhms, type SupplyKind } from './supply-kind';

/** Track fed with alternating current, as three-rail systems have it. */
export interface AcTrack {
  readonly kind: 'ac-track';
  readonly rmsVolts: number;
  /** RMS volts it rises to with little load; what it falls from there to its limit tells its inner resistance. */
  readonly highestRmsVolts: number;
  readonly hertz: number;
  /** Peak of the pulse that some systems send to reverse; 0 where none is sent. */
  readonly reversingPulseVolts: number;
  readonly limitAmps: number;
  readonly tripSeconds: number;
  readonly trackOhms: number;
}

/**
 * Resistance of its windings, in ohms: what its volts fall from no load to the load it is made for, over
 * that load (RMS, Ohm's law).
 */
const windingOhms = ({ highestRmsVolts, rmsVolts, limitAmps }: AcTrack): number =>
  Math.max(0, highestRmsVolts - rmsVolts) / limitAmps;

/** A pulse that reverses as units have it printed, RMS, from its peak, in volts; and back. */
export const pulseRms = (peakVolts: number): number => peakVolts / Math.SQRT2;
export const pulsePeak = (rmsVolts: number): number => rmsVolts * Math.SQRT2;

export const acTrack: SupplyKind<AcTrack> = {
  kind: 'ac-track',
  name: 'AC track',
  onTrack: true,
  changesSides: true,
  ownSwitch: false,
  inputs: () => [],
  highestWords: (supply) =>
    supply.highestRmsVolts > supply.rmsVolts
      ? ` with the track at its highest, ${formatQuantity(supply.highestRmsVolts, 'volt')}`
      : '',
  sides: { right: 'centre', left: 'rails' },
  words: (supply) => `AC ${supply.rmsVolts} V, ${supply.hertz} Hz`,
  highestVolts: (supply) => Math.max(supply.highestRmsVolts * Math.SQRT2, supply.reversingPulseVolts),
  limit: (supply) => ({ amps: supply.limitAmps, seconds: supply.tripSeconds }),
  feels: () => 'rms',
  sourceOhms: (supply) => supply.trackOhms + windingOhms(supply),
  behind: (supply, ohms) => ({ ...supply, trackOhms: supply.trackOhms + ohms }),
  faults: (supply) =>
    supply.reversingPulseVolts > 0
      ? [
          {
            id: 'reversing-pulse',
            name: 'Reversing pulse',
            says: `To reverse, the track is given a pulse of ${formatQuantity(pulseRms(supply.reversingPulseVolts), 'volt', { significant: 3 })} RMS, ${formatQuantity(supply.reversingPulseVolts, 'volt', { significant: 3 })} peak.`,
          },
        ]
      : [],
  lower(supply, nodes, { stress }, of) {
    const amplitude =
      stress === 'pulse'
        ? acTrack.highestVolts(supply)
        : (stress === 'highest' ? Math.max(supply.rmsVolts, supply.highestRmsVolts) : supply.rmsVolts) *
          Math.SQRT2;
    return sourceBehindOhms(
      { kind: 'sine', offset: 0, amplitude, hertz: supply.hertz, delay: 0, damping: 0, phaseDegrees: 0 },
      acTrack.sourceOhms(supply),
      nodes,
      of,
    );
  },
};
