import { lineLux } from '../light/line-source';
import { whiteXy } from '../light/white';
import { colourDifference } from '../light/difference';
import type { RigRowRecord } from '../document/rig-record';

/** What was measured of a piece of strip when the parcel came. */
export interface Measured {
  /** Length of the piece that is lit, and its current at its own volts. */
  readonly millimetres: number;
  readonly amps: number;
  /** Lux straight under its middle at a distance, in a dark room; null where nobody measured. */
  readonly lux: number | null;
  readonly distanceMillimetres: number;
}

/** What a strip really gives, against its bag. */
export interface Arrived {
  readonly wattsPerMetre: number;
  readonly lumensPerMetre: number | null;
  readonly wattsShare: number;
  readonly lumensShare: number | null;
}

/**
 * Power of a metre from its current, and light of a metre from the lux under its middle: a finite line
 * of its beam, E = Phi' times what one lumen a metre gives there.
 * @throws RangeError where length, current or distance are not above nothing
 */
export function arrived(
  row: Pick<RigRowRecord, 'watts' | 'lumens' | 'volts' | 'beamDegrees'>,
  { millimetres, amps, lux, distanceMillimetres }: Measured,
): Arrived {
  if (!(millimetres > 0) || !(amps > 0) || !(distanceMillimetres > 0))
    throw new RangeError('length, current and distance are above nothing');
  const wattsPerMetre = (amps * row.volts) / (millimetres / 1000);
  const perLumen = lineLux(
    {
      from: -millimetres / 2,
      to: millimetres / 2,
      y: 0,
      z: distanceMillimetres,
      tiltDegrees: 0,
      beamDegrees: row.beamDegrees,
      lumensPerMetre: 1,
    },
    0,
    0,
    0,
    [0, 0, 1],
  );
  const lumensPerMetre = lux === null ? null : lux / perLumen;
  return {
    wattsPerMetre,
    lumensPerMetre,
    wattsShare: wattsPerMetre / row.watts,
    lumensShare: lumensPerMetre === null ? null : lumensPerMetre / row.lumens,
  };
}

/** Whether the eye parts the colours of two rows, by u', v'. */
export const apart = (a: RigRowRecord, b: RigRowRecord): number => colourDifference(whiteXy(a), whiteXy(b));
