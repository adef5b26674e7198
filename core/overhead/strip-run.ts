import { voltsAlong, type Taken } from '../circuit/run-along';
import { conductorOhms } from '../quantity/conductor';
import { feedWires } from '../part/feed-wire';
import type { RigRecord, RigRowRecord } from '../document/rig-record';
import type { RowPiece } from './geometry';

/** A unit of strip between two cut marks: lamps and a resistor in series. */
export interface StripUnit {
  readonly volts: number;
  readonly amps: number;
}

/** Lamps of a unit take this share of its volts before it conducts (typical of three in 12 V or six in 24 V, from memory). */
export const KNEE_SHARE = 0.72;
/** Over so many volts the unit begins to conduct. */
export const KNEE_WIDTH = 0.15;

/**
 * What a unit of strip takes: nothing below the volts of its lamps, then as its resistor lets it:
 * I = Inom s(V)/s(Vnom), s = (V - Vk + sqrt((V - Vk)^2 + w^2))/2.
 */
export function unitTakes(unit: StripUnit, volts: number): Taken {
  const knee = KNEE_SHARE * unit.volts;
  const bent = (v: number): number => (v - knee + Math.hypot(v - knee, KNEE_WIDTH)) / 2;
  const per = unit.amps / bent(unit.volts);
  const over = volts - knee;
  return {
    amps: per * bent(volts),
    siemens: (per * (1 + over / Math.hypot(over, KNEE_WIDTH))) / 2,
  };
}

/** One piece of strip or a chain of lamps as it is fed. */
export interface PieceRun {
  readonly piece: RowPiece;
  readonly unit: StripUnit;
  /** Units of it, the ohms from one to the next, and where it is fed through what. */
  readonly count: number;
  readonly stepOhms: number;
  readonly feeds: readonly { readonly at: number; readonly ohms: number; readonly volts: number }[];
  /** Volts at each unit, and light of each over what it gives at its own volts. */
  readonly volts: readonly number[];
  readonly shares: readonly number[];
  readonly amps: number;
  /** Least light over the most of it, and mean over what the bag says. */
  readonly leastShare: number;
  readonly meanShare: number;
}

/** A soldered or clipped joint at a strip's end, both conductors together (typical, from memory). */
const JOINT_OHMS = 0.02;

/** Millimetres of a unit: from cut mark to cut mark, a tube, from spot to spot. */
export const unitMillimetres = ({ form, cutMillimetres, pieceMillimetres }: RigRowRecord): number =>
  form === 'strip' ? cutMillimetres : pieceMillimetres;

/** What one unit of a row takes at its own volts. */
export function unitOf(row: RigRowRecord): StripUnit {
  const watts = row.form === 'spot' ? row.watts : (row.watts * unitMillimetres(row)) / 1000;
  return { volts: row.volts, amps: watts / row.volts };
}

/**
 * A piece of a row solved along its own copper (Kirchhoff at every unit, as a ladder), at full: dimming
 * by pulses lowers the mean, not what flows while it is on.
 * @param fedVolts where its leads begin: at the module it hangs on, or behind its converter
 * @throws CircuitError when it does not settle
 */
export function pieceRun(rig: RigRecord, row: RigRowRecord, piece: RowPiece, fedVolts: number): PieceRun {
  const unit = unitOf(row);
  const step = unitMillimetres(row);
  const count = Math.max(1, Math.round((piece.to - piece.from) / step));
  const stepOhms = (row.copperOhms * step) / 1000;
  const far = 2 * conductorOhms(piece.to - piece.from, feedWires[rig.supply.wire].squareMillimetres);
  const feeds = [
    { at: 0, ohms: JOINT_OHMS, volts: fedVolts },
    // The other end has its own lead along the row.
    ...(row.fed === 'both ends' && count > 1
      ? [{ at: count - 1, ohms: JOINT_OHMS + far, volts: fedVolts }]
      : []),
  ];
  const solved = voltsAlong({
    loads: count,
    ohms: new Array<number>(count - 1).fill(stepOhms),
    feeds,
    load: (_, v) => unitTakes(unit, v),
  });
  const volts = [...solved];
  const amps = volts.map((v) => unitTakes(unit, v).amps);
  const shares = amps.map((a) => a / unit.amps);
  return {
    piece,
    unit,
    count,
    stepOhms,
    feeds,
    volts,
    shares,
    amps: amps.reduce((a, b) => a + b, 0),
    leastShare: Math.min(...shares) / Math.max(...shares),
    meanShare: shares.reduce((a, b) => a + b, 0) / count,
  };
}
