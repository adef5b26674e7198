import { lowRiskPercent } from '../light/flicker';
import { BUNDLE_SHARE, feedWires } from '../part/feed-wire';
import { channels } from '../part/overhead-lamp';
import { FUSE_ABOVE, fuseRatings } from '../part/fuse-ratings';
import { areaOf } from './area';
import { litRows } from './geometry';
import { ampsBefore, CONVERTER_EFFICIENCY, feedVolts, isConverted, rigNetwork } from './rig-network';
import { unitMillimetres, unitOf, unitTakes, type PieceRun } from './strip-run';
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

/** What the wire from the supply to the rows leaves. */
export interface RigFeed {
  /** There and back. */
  readonly ohms: number;
  /** At the first module, and at the one that gets least. */
  readonly volts: number;
  readonly leastVolts: number;
  /** Light that is left of what the rows would give on the supply's own volts. */
  readonly lightShare: number;
}

/** What keeps the wire from the supply from burning in a short. */
export interface WireGuard {
  readonly by: 'supply' | 'fuse' | 'nothing';
  /** The fuse's rating; what the supply gives where none guards it. */
  readonly amps: number;
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
  readonly feed: RigFeed;
  readonly guard: WireGuard;
  /** For each module; null where there are none, or none is sold. */
  readonly moduleFuseAmps: number | null;
  readonly wireBearsAmps: number;
  readonly pulsed: PulsedLight | null;
}

const sum = (of: readonly number[]): number => of.reduce((a, b) => a + b, 0);

/** Light of one unit of a row as its bag says, in lumens. */
const unitLumens = (row: RigRowRecord): number =>
  row.form === 'spot' ? row.lumens : (row.lumens * unitMillimetres(row)) / 1000;

/**
 * What guards the wire from the supply: a fuse that holds what flows and lets through no more than the
 * wire bears (IEC 60127 ratings); none is needed where the supply itself gives no more than that.
 */
function guardOf(flows: number, bears: number, limit: number): WireGuard {
  if (limit <= bears) return { by: 'supply', amps: limit };
  const fuse = fuseRatings.find((f) => f >= FUSE_ABOVE * flows && f <= bears);
  return fuse === undefined ? { by: 'nothing', amps: limit } : { by: 'fuse', amps: fuse };
}

/**
 * What a rig takes, its feed and its rows solved as they are joined.
 * @throws CircuitError when it does not settle
 */
export function rigPower(layout: Pick<Layout, 'boards'>, rig: RigRecord): RigPower {
  const area = areaOf(layout, rig);
  const network = rigNetwork(rig, area);
  const rows = litRows(rig).map((row): RowPower => {
    const runs = network.rows.get(row.id)!;
    const amps = sum(runs.map((r) => r.amps));
    const metres = sum(runs.map((r) => r.piece.to - r.piece.from)) / 1000;
    const watts = sum(runs.map((r) => sum(r.volts.map((v, i) => v * r.shares[i] * r.unit.amps))));
    return {
      rowId: row.id,
      runs,
      metres,
      pieces: sum(runs.map((r) => r.count)),
      amps,
      supplyAmps: sum(runs.map((r) => ampsBefore(rig, row, r.amps, network.volts[r.module]))),
      watts,
      leastShare: Math.min(1, ...runs.map((r) => r.leastShare)),
      meanShare: runs.length > 0 ? sum(runs.map((r) => r.meanShare)) / runs.length : 0,
      // Of light some third leaves as light; the rest is heat where it lies (typical, from memory).
      warmerKelvin: metres > 0 ? channels[row.channel].kelvinPerWatt * (watts / metres) * row.level : 0,
    };
  });
  const volts = [...new Set(litRows(rig).flatMap((r) => (isConverted(rig, r) ? [r.volts] : [])))];
  const converters = volts.map((v): RigConverter => {
    const own = rows.filter((r) => isConverted(rig, rig.rows[r.rowId]) && rig.rows[r.rowId].volts === v);
    const [outAmps, inAmps] = [sum(own.map((r) => r.amps)), sum(own.map((r) => r.supplyAmps))];
    return {
      volts: v,
      outAmps,
      inAmps,
      lostWatts: (outAmps * v * (1 - CONVERTER_EFFICIENCY)) / CONVERTER_EFFICIENCY,
    };
  });
  const supplyAmps = sum(network.amps);
  const perModule = Math.max(...network.amps);
  const bears = feedWires[rig.supply.wire].bearsAmps * BUNDLE_SHARE;
  const light = (at: (row: RigRowRecord, run: PieceRun & { module: number }) => number): number =>
    sum(
      litRows(rig).map((row) =>
        sum(network.rows.get(row.id)!.map((r) => unitLumens(row) * row.level * r.count * at(row, r))),
      ),
    );
  const full = light((row) => unitTakes(unitOf(row), feedVolts(rig, row)).amps / unitOf(row).amps);
  const left = light(
    (row, { module }) =>
      unitTakes(unitOf(row), isConverted(rig, row) ? row.volts : network.volts[module]).amps /
      unitOf(row).amps,
  );
  return {
    rows,
    converters,
    supplyAmps,
    limitAmps: rig.supply.amps,
    watts: supplyAmps * rig.supply.volts,
    plugAmps: rig.moduleMillimetres === null ? null : supplyAmps - network.amps[0],
    feed: {
      ohms: network.feedOhms,
      volts: network.volts[0],
      leastVolts: Math.min(...network.volts),
      lightShare: full > 0 ? left / full : 1,
    },
    guard: guardOf(supplyAmps, bears, rig.supply.amps),
    moduleFuseAmps:
      rig.moduleMillimetres === null ? null : (fuseRatings.find((f) => f >= FUSE_ABOVE * perModule) ?? null),
    wireBearsAmps: bears,
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
