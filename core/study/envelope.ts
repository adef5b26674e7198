import { dccCorners, EDGE_SECONDS } from '../circuit/waveform';
import { ONE_HALF_SECONDS } from '../supply/dcc-track';
import { lower } from '../assembly/lower';
import { steadyStudy, type SteadyStudy } from './steady';
import type { Supply } from '../supply';
import type { Bench } from './bench';

/** A steady supply that does behind a full bridge, over many bits, what a DCC track does. */
export interface Envelope {
  readonly supply: Supply;
  /** Light of the track's own bits over that of the steady supply. */
  readonly lightFactor: number;
  /** The same for the mean voltage of the roof line, which dips at every edge where no reservoir holds it. */
  readonly roofFactor: number;
}

const TURNS = 12;

/** Whether a job's long runs can be taken on the envelope: DCC behind a full bridge. */
export function hasEnvelope(bench: Bench): boolean {
  return bench.supply.kind === 'dcc-track' && bench.assembly.parts.some((p) => p.kind === 'bridge');
}

/**
 * The envelope of a DCC track for a job behind a full bridge. Between edges the rectified track is
 * constant; at each edge the bridge conducts nothing for most of a microsecond, so the mean charging
 * current is that of the amplitude behind resistances divided by the share of time it conducts. What
 * is left (the bend of the bridge's diodes) is taken up by the amplitude and a factor on the light,
 * so that the steady state is the bit-by-bit one.
 * @param steady the bit-by-bit steady state
 * @returns null where there is none (see `hasEnvelope`)
 */
export function envelopeOf(bench: Bench, steady: SteadyStudy): Envelope | null {
  const { supply, job } = bench;
  if (supply.kind !== 'dcc-track' || !hasEnvelope(bench)) return null;
  const corners = dccCorners({
    kind: 'dcc',
    amplitude: 1,
    bits: supply.bits,
    oneHalf: ONE_HALF_SECONDS,
    zeroHalf: supply.zeroHalfMicroseconds * 1e-6,
  });
  const seconds = corners[corners.length - 1][0];
  const edges = (corners.length - 1) / 2;
  const behind = steady.reservoirVolts?.mean ?? 0;
  const lost = (edges * EDGE_SECONDS * Math.min(1, Math.max(0, behind / supply.amplitudeVolts))) / seconds;
  const path = supply.trackOhms + (job.conditioning.chargeResistor?.ohms ?? 0);
  const wireOhms = supply.trackOhms + path * (1 / (1 - lost) - 1);
  const bus = (volts: number): Supply => ({
    kind: 'layout-bus',
    volts,
    highestVolts: volts,
    limitAmps: supply.limitAmps,
    tripSeconds: supply.tripSeconds,
    wireOhms,
  });
  const solved = (volts: number): SteadyStudy =>
    steadyStudy({ ...bench, supply: bus(volts), lowered: lower(bench.assembly, bus(volts)) });
  let volts = supply.amplitudeVolts;
  let at = solved(volts);
  const wanted = steady.reservoirVolts?.mean;
  if (wanted !== undefined) {
    for (let i = 0; i < TURNS; i++) {
      const miss = wanted - (at.reservoirVolts?.mean ?? 0);
      if (Math.abs(miss) < 1e-6 * Math.abs(wanted)) break;
      volts += miss;
      at = solved(volts);
    }
  }
  const sum = (s: SteadyStudy): number => s.lamps.reduce((total, l) => total + l.lumens, 0);
  const there = sum(at);
  const roof = at.roofVolts?.mean ?? 0;
  return {
    supply: bus(volts),
    lightFactor: there > 0 ? sum(steady) / there : 1,
    roofFactor: steady.roofVolts && roof > 0 ? steady.roofVolts.mean / roof : 1,
  };
}
