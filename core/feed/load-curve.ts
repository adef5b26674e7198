import { fitLed, lumensAt, type LedPart } from '../part/led';
import { THERMAL_VOLTS } from '../part/junction-model';
import { lampType } from '../document/lamp-type';
import { leavesOf } from '../overhead/geometry';
import { rigPower, type RigPower } from '../overhead/power';
import { benchOf } from '../study/bench';
import { usualReadings } from '../study/solver';
import { CircuitError } from '../circuit/error';
import { supplyIdsOf } from '../document/line-stages';
import { deliveredBy, lampsOn, sourcesOf } from '../study/sources';
import { usualVoltsOf } from '../supply/usual-volts';
import type { Supply } from '../supply';
import type { AnyJob, Layout } from '../document/layout';
import type { NodePart } from '../document/network-record';
import type { RigRecord } from '../document/rig-record';
import type { Taken } from '../circuit/run-along';

/** What a load draws, and how much light it gives, by the volts between its two leads; ascending from 0. */
export interface LoadCurve {
  readonly volts: readonly number[];
  readonly amps: readonly number[];
  /** Luminous flux, in lumens; all 0 for what gives no light. */
  readonly lumens: readonly number[];
}

const curveOf = (
  points: readonly { readonly volts: number; readonly amps: number; readonly lumens: number }[],
): LoadCurve => ({
  volts: points.map((p) => p.volts),
  amps: points.map((p) => p.amps),
  lumens: points.map((p) => p.lumens),
});

/** Shares of the usual volts at which a load is looked at. */
const SHARES = [0, 0.2, 0.35, 0.45, 0.55, 0.65, 0.75, 0.85, 0.92, 1, 1.08, 1.2];
/** The network has the copper: nothing is left of a supply's own wire. */
const NO_WIRE = 0.01;

/** The same supply set to other volts, without its wire. */
function atVolts(supply: Supply, volts: number): Supply {
  switch (supply.kind) {
    case 'dcc-track':
      return { ...supply, amplitudeVolts: volts, highestVolts: volts, trackOhms: NO_WIRE };
    case 'dc-track':
      return { ...supply, greatestVolts: volts, trackOhms: NO_WIRE };
    case 'ac-track':
      return { ...supply, rmsVolts: volts, highestRmsVolts: volts, trackOhms: NO_WIRE };
    case 'layout-bus':
    case 'accessory-output':
      return { ...supply, volts, highestVolts: volts, wireOhms: NO_WIRE };
    case 'lamp-controller':
      return { ...supply, leastVolts: 0, mostVolts: volts, usualVolts: volts, wireOhms: NO_WIRE };
    case 'cell':
      return supply;
  }
}

const known = new WeakMap<AnyJob, Map<Supply, LoadCurve | null>>();

/**
 * What a job draws from a supply by its volts, each solved with its own lamps in its usual state. Kept as
 * long as job and supply stay the same.
 * @returns null for what a network does not feed, and what has no answer
 */
export function jobCurve(layout: Layout, jobId: string, supplyId: string): LoadCurve | null {
  const job = layout.jobs[jobId];
  const supply = layout.supplies[supplyId];
  const usual = usualVoltsOf(supply);
  if (usual === null) return null;
  const of = known.get(job) ?? new Map<Supply, LoadCurve | null>();
  known.set(job, of);
  const found = of.get(supply);
  if (found !== undefined) return found;
  let curve: LoadCurve | null = null;
  try {
    // Which lamps hang on it is the same at any volts.
    let lamps: ReadonlySet<string> | undefined;
    const points = SHARES.map((share) => {
      if (share === 0) return { volts: 0, amps: 0, lumens: 0 };
      const volts = share * usual;
      const set = { ...layout, supplies: { ...layout.supplies, [supplyId]: atVolts(supply, volts) } };
      // What some of its lines hang on beside its own supply feeds those alone.
      const beside = supplyIdsOf(job).slice(1).includes(supplyId);
      const bench = benchOf(set as Layout, jobId, beside ? {} : { supplyId });
      const readings = usualReadings(bench);
      // The job's own and one beside it may be the same supply: both pairs come from it.
      const sources = sourcesOf(bench).filter((s) => s.supplyId === supplyId);
      const own = (lamps ??= new Set(sources.flatMap((s) => [...lampsOn(bench, s)])));
      const amps = sources.map((s) =>
        !s.beside && supply.kind === 'ac-track' ? readings.supplyRmsAmps : deliveredBy(readings, s).amps.mean,
      );
      return {
        volts,
        amps: amps.reduce((sum, a) => sum + a, 0),
        lumens: readings.dies.filter((d) => own.has(d.lampId)).reduce((sum, d) => sum + d.lumens, 0),
      };
    });
    curve = curveOf(points);
  } catch (error) {
    if (!(error instanceof CircuitError)) throw error;
  }
  of.set(supply, curve);
  return curve;
}

const ofRig = new WeakMap<RigRecord, { readonly boards: unknown; readonly curve: LoadCurve | null }>();

/** Light of all rows of a rig as they are fed, in lumens. */
const rigLumens = (rig: RigRecord, { rows }: RigPower): number =>
  rows.reduce((sum, { rowId, pieces, metres, meanShare }) => {
    const row = rig.rows[rowId];
    return sum + row.lumens * leavesOf(row) * meanShare * (row.form === 'spot' ? pieces : metres);
  }, 0);

/**
 * What a rig draws where it is fed, by its volts: its rows solved along their own copper, without the wire
 * it has of its own. Kept as long as rig and boards stay the same.
 * @returns null for one that has no answer
 */
export function rigCurve(layout: Layout, rigId: string): LoadCurve | null {
  const rig = layout.rigs[rigId];
  const kept = ofRig.get(rig);
  if (kept?.boards === layout.boards) return kept.curve;
  let curve: LoadCurve | null = null;
  try {
    const points = SHARES.map((share) => {
      const volts = share * rig.supply.volts;
      if (share === 0) return { volts, amps: 0, lumens: 0 };
      const power = rigPower(layout, { ...rig, supply: { ...rig.supply, volts, wireMillimetres: 0 } });
      return { volts, amps: power.supplyAmps, lumens: rigLumens(rig, power) };
    });
    curve = curveOf(points);
  } catch (error) {
    if (!(error instanceof CircuitError)) throw error;
  }
  ofRig.set(rig, { boards: layout.boards, curve });
  return curve;
}

/** Current of one lamp behind its resistor: V = Vf(I) + I (R + RS), Shockley's law, by halving. */
function lampAmps(led: ReturnType<typeof lampType>, ohms: number, volts: number): number {
  const { saturationAmps, emission, seriesOhms } = fitLed(led);
  const resistance = Math.max(0.1, ohms + led.builtInOhms + seriesOhms);
  const over = (amps: number): number =>
    led.inSeries * emission * THERMAL_VOLTS * Math.log1p(amps / saturationAmps) + amps * resistance - volts;
  let [low, high] = [0, volts / resistance];
  for (let k = 0; k < 60; k++) {
    const middle = (low + high) / 2;
    if (over(middle) > 0) high = middle;
    else low = middle;
  }
  return low;
}

/** What lamps of a type that are no job yet draw together. */
export function lampsCurve(
  layout: Layout,
  { count, part, ohms }: Extract<NodePart, { kind: 'lamps' }>,
  usual: number,
): LoadCurve {
  const led = lampType(layout, part);
  const one = oneLampCurve(led, ohms, usual);
  return {
    volts: one.volts,
    amps: one.amps.map((a) => count * a),
    lumens: one.lumens.map((l) => count * l),
  };
}

const ofOne = new WeakMap<LedPart, Map<string, LoadCurve>>();

/** The curve of one lamp behind its resistor, kept: most lamps of a bus are alike. */
function oneLampCurve(led: LedPart, ohms: number, usual: number): LoadCurve {
  const own = ofOne.get(led) ?? new Map<string, LoadCurve>();
  ofOne.set(led, own);
  const key = `${ohms} ${usual}`;
  const kept = own.get(key);
  if (kept) return kept;
  const volts = SHARES.map((s) => s * usual);
  const amps = volts.map((v) => lampAmps(led, ohms, v));
  const curve = { volts, amps, lumens: amps.map((a) => lumensAt(led, a)) };
  own.set(key, curve);
  return curve;
}

/** What a typed load draws; one that keeps its power has no curve of its own. */
export function typedCurve({ volts, amps, behaves }: Extract<NodePart, { kind: 'typed' }>): LoadCurve {
  const at = SHARES.map((s) => s * volts);
  return {
    volts: at,
    // What keeps its current takes it from half its volts on.
    amps: at.map((v) => (behaves === 'resistor' ? (amps * v) / volts : amps * Math.min(1, (2 * v) / volts))),
    lumens: at.map(() => 0),
  };
}

/** Where a voltage lies among those of a curve: the point before it, and how far on. */
function spot(volts: readonly number[], at: number): { readonly k: number; readonly share: number } {
  const last = volts.length - 2;
  let k = 0;
  while (k < last && at > volts[k + 1]) k++;
  return { k, share: (at - volts[k]) / (volts[k + 1] - volts[k]) };
}

/** What a load takes at a voltage, by straight lines between its points; nothing backwards. */
export function takenAt({ volts, amps }: LoadCurve, at: number): Taken {
  if (at <= 0) return { amps: 0, siemens: 0 };
  const { k, share } = spot(volts, at);
  const slope = (amps[k + 1] - amps[k]) / (volts[k + 1] - volts[k]);
  return { amps: amps[k] + share * (amps[k + 1] - amps[k]), siemens: slope };
}

/** The light of a load at a voltage, in lumens. */
export function lumensOf({ volts, lumens }: LoadCurve, at: number): number {
  if (at <= 0) return 0;
  const { k, share } = spot(volts, at);
  return Math.max(0, lumens[k] + share * (lumens[k + 1] - lumens[k]));
}
