import { supplyKind, type Stress } from '../supply';
import { firstMoments } from './first-moments';
import { reservoirsOf } from './line-readings';
import { loweredAt } from './netlist-at';
import { fullThrottle, onOneSource } from './one-source';
import { sourceOfLine } from './sources';
import type { Bench } from './bench';

/** The first moments after the power comes on, the reservoir being empty. */
export interface InrushStudy {
  /** Greatest current drawn from the supply. */
  readonly peakAmps: number;
  /** Longest stretch for which more than the supply's limit is drawn, in seconds. */
  readonly overSeconds: number;
  readonly limitAmps: number;
  readonly tripSeconds: number;
  /** When the supply switches itself off, in seconds after the power comes on; null where it stays on. */
  readonly tripsAtSeconds: number | null;
  /** Most RMS over the time the supply bears more; null for a supply that feels the moment. */
  readonly rmsAmps: number | null;
  /** Where on the wave of the mains contact is made when it is worst, in degrees after it passes through nothing; null for another supply. */
  readonly angleDegrees: number | null;
}

/** Time constants after which a charge is as good as over, and how much of it is looked at. */
const TIME_CONSTANTS = 5;
const LONGEST_SECONDS = 0.25;

/** Reservoirs that the supply itself charges, not one beside it. */
const chargedOf = (bench: Bench) => reservoirsOf(bench).filter((r) => !sourceOfLine(bench, r.line).beside);

/** What a supply charges of a job, and the charge resistors in its way, in farads and ohms. */
export function charging(bench: Bench): { readonly ohms: number; readonly farads: number } {
  const resistors = bench.assembly.parts.filter(
    (p) => p.kind === 'resistor' && p.role === 'charge' && !sourceOfLine(bench, p.line).beside,
  );
  return {
    ohms: resistors.reduce((sum, p) => sum + (p.kind === 'resistor' ? p.ohms : 0), 0),
    farads: chargedOf(bench).reduce((sum, p) => sum + p.farads, 0),
  };
}

/** How long to look at the charging of all these on one supply, in seconds. */
export function chargingSeconds(benches: readonly Bench[]): number {
  const own = benches.map(charging);
  const [{ supply }] = benches;
  const farads = own.reduce((sum, c) => sum + c.farads, 0);
  const shared = supplyKind(supply).sourceOhms(supply) * farads;
  const slowest = Math.max(...own.map((c) => shared + c.ohms * c.farads));
  return Math.min(LONGEST_SECONDS, Math.max(1e-3, TIME_CONSTANTS * slowest));
}

/**
 * Switches the supply on with the reservoirs empty, source and track resistance in the way; on a wave
 * at the moment at which most is drawn.
 * @param stress how high the supply is taken; at its highest when left out
 * @param onProgress told now and then how much of the run is done, 0 to 1; return true to stop
 * @returns null when there is nothing to charge
 */
export function inrushStudy(
  bench: Bench,
  onProgress?: (share: number) => boolean,
  stress: Stress = 'highest',
): InrushStudy | null {
  const { supply } = bench;
  const { leftOut } = loweredAt(bench, fullThrottle(bench), { stress });
  if (!chargedOf(bench).some((r) => !leftOut.includes(r.id))) return null;
  const { netlist } = onOneSource([{ bench, joinsSeconds: 0 }], stress);
  const first = firstMoments(netlist, supply, { seconds: chargingSeconds([bench]), onProgress });
  const limit = supplyKind(supply).limit(supply);
  return {
    peakAmps: first.peakAmps,
    overSeconds: first.overSeconds,
    limitAmps: limit.amps,
    tripSeconds: limit.seconds,
    tripsAtSeconds: first.tripsAtSeconds,
    rmsAmps: first.rms?.worstAmps ?? null,
    angleDegrees: first.angleDegrees,
  };
}
