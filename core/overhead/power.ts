import { conductorOhms } from '../quantity/conductor';
import { lowRiskPercent } from '../light/flicker';
import { BUNDLE_SHARE, feedWires } from '../part/feed-wire';
import { channels } from '../part/overhead-lamp';
import { fuseRatings } from '../part/fuse-ratings';
import { areaOf, type RigArea } from './area';
import { litRows, piecesOf } from './geometry';
import { pieceRun, type PieceRun } from './strip-run';
import type { Layout } from '../document/layout';
import type { RigRecord, RigRowRecord } from '../document/rig-record';

/** A row as it is fed, at full. */
export interface RowPower {
  readonly rowId: string;
  readonly runs: readonly PieceRun[];
  readonly metres: number;
  /** Units of it: from cut mark to cut mark, tubes, spots. */
  readonly pieces: number;
  /** At its own volts, and what that is at the supply. */
  readonly amps: number;
  readonly supplyAmps: number;
  readonly watts: number;
  /** Least light over the most in a piece of it, and its mean over what the bag says. */
  readonly leastShare: number;
  readonly meanShare: number;
  /** How much warmer than the air it lies. */
  readonly warmerKelvin: number;
}

/** A step-down converter before the rows of some volts, with both its currents. */
export interface RigConverter {
  readonly volts: number;
  readonly outAmps: number;
  readonly inAmps: number;
  readonly lostWatts: number;
}

/** Light that is dimmed by pulses. */
export interface PulsedLight {
  readonly hertz: number;
  /** Modulation of the light, and what is low risk at its rate (IEEE 1789), in percent. */
  readonly percent: number;
  readonly lowRiskPercent: number;
}

/** What a rig takes. */
export interface RigPower {
  readonly rows: readonly RowPower[];
  readonly converters: readonly RigConverter[];
  /** At the supply, everything at full. */
  readonly supplyAmps: number;
  readonly limitAmps: number;
  readonly watts: number;
  /** Through the plug of the first module; null where there are none. */
  readonly plugAmps: number | null;
  /** For each module, or for the whole. */
  readonly fuseAmps: number | null;
  readonly wireBearsAmps: number;
  readonly pulsed: PulsedLight | null;
}

/** A step-down converter gives so much of what it takes (typical, from memory). */
export const CONVERTER_EFFICIENCY = 0.9;
/** Contacts of a plug between modules, both conductors (typical, from memory). */
const PLUG_OHMS = 0.03;
/** A fuse is chosen this much above what flows (common practice, no source). */
const FUSE_ABOVE = 1.4;
/** Turns until the volts of modules and what they draw agree. */
const TURNS = 6;

/** Volts a row's feed begins with: the supply's, or its converter's. */
export const feedVolts = (rig: RigRecord, row: RigRowRecord): number =>
  row.converter && row.volts < rig.supply.volts ? row.volts : rig.supply.volts;

const sum = (of: readonly number[]): number => of.reduce((a, b) => a + b, 0);

/**
 * Pieces of all rows as they are fed: modules one behind another through their plugs, each with what the
 * wire and the plugs before it leave. Solved in turns, as what is drawn decides what is left.
 */
function runsOf(rig: RigRecord, area: RigArea): Map<string, PieceRun[]> {
  const rows = litRows(rig);
  const modules =
    rig.moduleMillimetres === null ? 1 : Math.max(1, Math.ceil(area.width / rig.moduleMillimetres));
  const wire = feedWires[rig.supply.wire].squareMillimetres;
  const between =
    rig.moduleMillimetres === null ? 0 : 2 * conductorOhms(rig.moduleMillimetres, wire) + PLUG_OHMS;
  let lost = new Array<number>(modules).fill(0);
  let runs = new Map<string, PieceRun[]>();
  for (let turn = 0; turn < (modules > 1 ? TURNS : 1); turn++) {
    runs = new Map(
      rows.map((row) => [
        row.id,
        piecesOf(row, rig, area).map((piece, k) =>
          // Behind a converter the volts are its own.
          pieceRun(
            rig,
            row,
            piece,
            feedVolts(rig, row) - (row.converter ? 0 : lost[Math.min(k, modules - 1)]),
          ),
        ),
      ]),
    );
    const drawn = Array.from({ length: modules }, (_, k) =>
      sum(rows.map((row) => atSupply(rig, row, runs.get(row.id)![k]?.amps ?? 0))),
    );
    let before = 0;
    lost = drawn.map((_, k) => (before += k === 0 ? 0 : between * sum(drawn.slice(k))));
  }
  return runs;
}

/** What a row's current is at the supply: through a converter less, by volts and its efficiency. */
const atSupply = (rig: RigRecord, row: RigRowRecord, amps: number): number =>
  row.converter && row.volts < rig.supply.volts
    ? (amps * row.volts) / (rig.supply.volts * CONVERTER_EFFICIENCY)
    : amps;

/**
 * What a rig takes, its rows solved along their own copper.
 * @throws CircuitError when a row does not settle
 */
export function rigPower(layout: Pick<Layout, 'boards'>, rig: RigRecord): RigPower {
  const area = areaOf(layout, rig);
  const all = runsOf(rig, area);
  const rows = litRows(rig).map((row): RowPower => {
    const runs = all.get(row.id)!;
    const amps = sum(runs.map((r) => r.amps));
    const metres = sum(runs.map((r) => r.piece.to - r.piece.from)) / 1000;
    const watts = sum(runs.map((r) => sum(r.volts.map((v, i) => v * r.shares[i] * r.unit.amps))));
    return {
      rowId: row.id,
      runs,
      metres,
      pieces: sum(runs.map((r) => r.count)),
      amps,
      supplyAmps: atSupply(rig, row, amps),
      watts,
      leastShare: Math.min(1, ...runs.map((r) => r.leastShare)),
      meanShare: runs.length > 0 ? sum(runs.map((r) => r.meanShare)) / runs.length : 0,
      // Of light some third leaves as light; the rest is heat where it lies (typical, from memory).
      warmerKelvin: metres > 0 ? channels[row.channel].kelvinPerWatt * (watts / metres) * row.level : 0,
    };
  });
  const volts = [
    ...new Set(litRows(rig).flatMap((r) => (r.converter && r.volts < rig.supply.volts ? [r.volts] : []))),
  ];
  const converters = volts.map((v): RigConverter => {
    const own = rows.filter((r) => rig.rows[r.rowId].converter && rig.rows[r.rowId].volts === v);
    const [outAmps, inAmps] = [sum(own.map((r) => r.amps)), sum(own.map((r) => r.supplyAmps))];
    return { volts: v, outAmps, inAmps, lostWatts: inAmps * rig.supply.volts - outAmps * v };
  });
  const supplyAmps = sum(rows.map((r) => r.supplyAmps));
  const modules =
    rig.moduleMillimetres === null ? 1 : Math.max(1, Math.ceil(area.width / rig.moduleMillimetres));
  const perModule = supplyAmps / modules;
  const wire = feedWires[rig.supply.wire];
  return {
    rows,
    converters,
    supplyAmps,
    limitAmps: rig.supply.amps,
    watts: supplyAmps * rig.supply.volts,
    plugAmps: rig.moduleMillimetres === null ? null : supplyAmps - perModule,
    fuseAmps: fuseRatings.find((f) => f >= FUSE_ABOVE * perModule) ?? null,
    wireBearsAmps: wire.bearsAmps * BUNDLE_SHARE,
    pulsed: pulsedOf(rig),
  };
}

/** Light in pulses goes from nothing to full: all of it is modulation. */
function pulsedOf(rig: RigRecord): PulsedLight | null {
  const { dimming } = rig;
  if (dimming.kind !== 'pulse-width' || litRows(rig).every((r) => r.level >= 1)) return null;
  return { hertz: dimming.hertz, percent: 100, lowRiskPercent: lowRiskPercent(dimming.hertz) };
}

/**
 * Bands in a photograph under pulsed light: light gathered over an exposure, at its most and its least
 * over when it began, as (most - least)/(most + least), in percent.
 * @param seconds of exposure; @param duty share of the time the light is on
 */
export function bandingPercent(hertz: number, duty: number, seconds: number): number {
  const periods = hertz * seconds;
  const rest = periods - Math.floor(periods);
  const whole = Math.floor(periods) * duty;
  const most = whole + Math.min(rest, duty);
  const least = whole + Math.max(0, rest - (1 - duty));
  return most > 0 ? (100 * (most - least)) / (most + least) : 0;
}
