import { voltsAlong, type Taken } from '../circuit/run-along';
import { conductorOhms } from '../quantity/conductor';
import { feedWires } from '../part/feed-wire';
import { litRows, piecesOf, stretchMillimetres } from './geometry';
import { pieceRun, type PieceRun } from './strip-run';
import type { RigRecord, RigRowRecord } from '../document/rig-record';
import type { RigArea } from './area';

/** A rig's feed solved as it is joined: one wire from the supply, module after module, all rows on it. */
export interface RigNetwork {
  /** For each row its pieces, and at which module each hangs. */
  readonly rows: ReadonlyMap<string, readonly (PieceRun & { readonly module: number })[]>;
  /** Ohms there and back from the supply to the first module, and from one to the next with their plugs. */
  readonly feedOhms: number;
  readonly betweenOhms: number;
  /** Volts at each module, and what is drawn there. */
  readonly volts: readonly number[];
  readonly amps: readonly number[];
}

/** A step-down converter gives so much of what it takes (typical, from memory). */
export const CONVERTER_EFFICIENCY = 0.9;
/** Contacts of a plug between modules, both conductors (typical, from memory). */
const PLUG_OHMS = 0.03;
/** Over so many volts the slope of what a piece takes is looked for. */
const SLOPE_VOLTS = 1e-3;

const sum = (of: readonly number[]): number => of.reduce((a, b) => a + b, 0);

/** Whether a row hangs on a converter that gives it its own volts. */
export const isConverted = (rig: RigRecord, row: RigRowRecord): boolean =>
  row.converter && row.volts < rig.supply.volts;

/** Volts a row's feed begins with: the supply's, or its converter's. */
export const feedVolts = (rig: RigRecord, row: RigRowRecord): number =>
  isConverted(rig, row) ? row.volts : rig.supply.volts;

/** How many modules a rig is built of; one where it is of one piece. */
export const modulesOf = (rig: Pick<RigRecord, 'moduleMillimetres'>, area: RigArea): number =>
  Math.max(1, Math.ceil(area.width / stretchMillimetres(rig, area) - 1e-9));

/** What a row's current is before its converter, at so many volts there; as it is where it has none. */
export const ampsBefore = (rig: RigRecord, row: RigRowRecord, amps: number, volts: number): number =>
  isConverted(rig, row) ? (amps * row.volts) / (Math.max(row.volts, volts) * CONVERTER_EFFICIENCY) : amps;

/**
 * Solves a rig's feed at full: the supply's volts, its wire there and back, module behind module through
 * their plugs, and at each the pieces of all rows along their own copper (Kirchhoff at every module and
 * unit, by Newton's method; a piece is a load of its module, which takes what it takes at the volts there).
 * @throws CircuitError when it does not settle: a feed that can give no more than a converter asks for
 */
export function rigNetwork(rig: RigRecord, area: RigArea): RigNetwork {
  const stretch = stretchMillimetres(rig, area);
  const modules = modulesOf(rig, area);
  const wire = feedWires[rig.supply.wire].squareMillimetres;
  const pieces = litRows(rig).flatMap((row) =>
    piecesOf(row, rig, area).map((piece) => ({
      row,
      piece,
      module: Math.min(modules - 1, Math.floor(piece.from / stretch + 1e-9)),
    })),
  );
  type Piece = (typeof pieces)[number];
  // Pieces alike take alike: each sort is solved once at any volts.
  const solved = new Map<string, PieceRun>();
  const runAt = ({ row, piece }: Piece, volts: number): PieceRun => {
    const { form, watts, cutMillimetres, pieceMillimetres, copperOhms, fed } = row;
    const key = JSON.stringify([
      form,
      watts,
      row.volts,
      cutMillimetres,
      pieceMillimetres,
      copperOhms,
      fed,
      Math.round(piece.to - piece.from),
      volts,
    ]);
    let run = solved.get(key);
    if (!run) solved.set(key, (run = pieceRun(rig, row, piece, volts)));
    return run;
  };
  const takes = (of: Piece, volts: number): Taken => {
    if (isConverted(rig, of.row)) {
      const amps = ampsBefore(rig, of.row, runAt(of, of.row.volts).amps, volts);
      return { amps, siemens: volts > of.row.volts ? -amps / volts : 0 };
    }
    // Below the volts of its lamps it takes next to nothing, and less than none of it is no answer.
    const { amps } = runAt(of, volts);
    return { amps, siemens: Math.max(0, (amps - runAt(of, volts - SLOPE_VOLTS).amps) / SLOPE_VOLTS) };
  };
  const feedOhms = 2 * conductorOhms(rig.supply.wireMillimetres, wire);
  const betweenOhms =
    rig.moduleMillimetres === null ? 0 : 2 * conductorOhms(rig.moduleMillimetres, wire) + PLUG_OHMS;
  const at = (k: number, volts: number): Taken => {
    const all = pieces.filter((p) => p.module === k).map((p) => takes(p, volts));
    return { amps: sum(all.map((t) => t.amps)), siemens: sum(all.map((t) => t.siemens)) };
  };
  const volts = [
    ...voltsAlong({
      loads: modules,
      ohms: new Array<number>(modules - 1).fill(betweenOhms),
      feeds: [{ at: 0, ohms: feedOhms, volts: rig.supply.volts }],
      load: at,
    }),
  ];
  const rows = new Map(litRows(rig).map((row): [string, (PieceRun & { module: number })[]] => [row.id, []]));
  for (const of of pieces) {
    const own = isConverted(rig, of.row) ? of.row.volts : volts[of.module];
    rows.get(of.row.id)!.push({ ...runAt(of, own), piece: of.piece, module: of.module });
  }
  return { rows, feedOhms, betweenOhms, volts, amps: volts.map((v, k) => at(k, v).amps) };
}
