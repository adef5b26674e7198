import { lower } from '../assembly/lower';
import { dccCorners, EDGE_SECONDS } from '../circuit/waveform';
import { ONE_HALF_SECONDS } from '../supply/dcc-track';
import { throttleIn, type State } from '../supply/state';
import { isBehindBridges } from './behind-bridges';
import { lineVolts, reservoirVolts } from './line-readings';
import { totalLumens } from './meter';
import { Solver } from './solver';
import type { Supply } from '../supply';
import type { Bench } from './bench';
import type { Readings } from './readings';

/** A steady supply that does behind a full bridge, over many cycles, what a fast one does. */
export interface Envelope {
  readonly supply: Supply;
  /** Light of the supply's own cycles over that of the steady supply. */
  readonly lightFactor: number;
  /** The same for the mean voltage of the first line, which dips in every cycle where no reservoir holds it. */
  readonly lineFactor: number;
  /** The same for the mean current drawn. */
  readonly ampsFactor: number;
}

const TURNS = 12;
/** Pulses from this many a second on are too many to be followed one by one in a long run. */
const FAST_HERTZ = 1000;
const LEAST_SHARE = 0.02;

/** Height and source resistance of a supply that is there for a share of the time, and that share. */
interface Cycle {
  readonly volts: number;
  readonly ohms: number;
  /** Share of the time in which it is there at all; edges are counted apart. */
  readonly share: number;
  /** Microsecond edges between its two sides, for each second. */
  readonly edgesPerSecond: number;
}

/** What repeats fast in a supply; null where it is slow enough to be followed, or steady. */
function cycleOf({ supply }: Bench, throttle: number): Cycle | null {
  if (supply.kind === 'dcc-track') {
    const corners = dccCorners({
      kind: 'dcc',
      amplitude: 1,
      bits: supply.bits,
      oneHalf: ONE_HALF_SECONDS,
      zeroHalf: supply.zeroHalfMicroseconds * 1e-6,
    });
    const seconds = corners[corners.length - 1][0];
    return {
      volts: supply.amplitudeVolts,
      ohms: supply.trackOhms,
      share: 1,
      edgesPerSecond: (corners.length - 1) / 2 / seconds,
    };
  }
  if (supply.kind !== 'dc-track' || supply.making !== 'pulse-width' || supply.pulseHertz < FAST_HERTZ)
    return null;
  const share = Math.min(1, Math.max(0, throttle));
  if (share < LEAST_SHARE || share > 1 - LEAST_SHARE) return null;
  return { volts: supply.greatestVolts, ohms: supply.trackOhms, share, edgesPerSecond: 0 };
}

/** Whether a job's long runs can be taken on the envelope: DCC or fast pulses behind a full bridge. */
export function hasEnvelope(bench: Bench, throttle: number): boolean {
  return (
    bench.assembly.parts.some((p) => p.kind === 'bridge') &&
    !bench.assembly.parts.some((p) => p.kind === 'decoder') &&
    isBehindBridges(bench, lower(bench.assembly, bench.supply)) &&
    cycleOf(bench, throttle) !== null
  );
}

/**
 * The envelope of a fast supply for a job behind a full bridge. While it is there it is constant:
 * the rectified DCC track between its edges, at each of which the bridge conducts nothing for most
 * of a microsecond; pulses while they last. The mean charging current is then that of the height
 * behind resistances divided by the share of time it conducts. What is left (the bend of the
 * bridge's diodes) is taken up by the height, and by factors on light, roof volts and current, so
 * that the steady state is that of the cycles themselves.
 * @param readings of the state, on the cycles themselves
 * @returns null where there is none (see `hasEnvelope`)
 */
export function envelopeOf(bench: Bench, readings: Readings, state: State): Envelope | null {
  const throttle = throttleIn(state);
  const cycle = hasEnvelope(bench, throttle) ? cycleOf(bench, throttle) : null;
  if (!cycle) return null;
  const stored = reservoirVolts(bench, readings);
  const behind = stored?.mean ?? 0;
  const atEdges = cycle.edgesPerSecond * EDGE_SECONDS * Math.min(1, Math.max(0, behind / cycle.volts));
  const conducts = cycle.share - atEdges;
  const charge = bench.assembly.parts.find((p) => p.kind === 'resistor' && p.role === 'charge');
  const path = cycle.ohms + (charge?.kind === 'resistor' ? charge.ohms : 0);
  const wireOhms = cycle.ohms + path * (1 / conducts - 1);
  const bus = (volts: number): Supply => ({
    kind: 'layout-bus',
    volts,
    highestVolts: volts,
    limitAmps: 1,
    tripSeconds: 1,
    wireOhms: stored ? wireOhms : cycle.ohms,
  });
  const solved = (volts: number): Readings => new Solver({ ...bench, supply: bus(volts) }).at(state);
  const held = (r: Readings): number => reservoirVolts(bench, r)?.mean ?? 0;
  let volts = cycle.volts;
  let at = solved(volts);
  if (stored) {
    for (let i = 0; i < TURNS; i++) {
      const miss = stored.mean - held(at);
      if (Math.abs(miss) < 1e-6 * Math.abs(stored.mean)) break;
      volts += miss;
      at = solved(volts);
    }
  }
  const over = (own: number, there: number): number => (there > 0 ? own / there : 1);
  return {
    supply: bus(volts),
    lightFactor: over(totalLumens(readings), totalLumens(at)),
    lineFactor: over(lineVolts(bench, readings)?.mean ?? 0, lineVolts(bench, at)?.mean ?? 0),
    ampsFactor: over(readings.supplyAmps.mean, at.supplyAmps.mean),
  };
}
