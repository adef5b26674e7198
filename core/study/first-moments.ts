import { currentProbe } from '../circuit/probe';
import { transientOf } from '../circuit/transient';
import { supplyKind, type Supply } from '../supply';
import type { Element, Netlist } from '../circuit/netlist';

/** What is drawn from a supply from the moment its power comes on. */
export interface FirstMoments {
  /** Length of a stretch, in seconds, and the most that is drawn within each, in amperes. */
  readonly step: number;
  readonly amps: Float64Array;
  readonly peakAmps: number;
  /** Longest stretch without a stop for which more than the limit is drawn, and where it begins, in seconds. */
  readonly overSeconds: number;
  readonly overFromSeconds: number;
  /** All the time over the limit, of the first wave where there is one; in seconds. */
  readonly overInAllSeconds: number;
  /** True RMS of the last wave, and the most over the time the supply bears more; null where nothing feels it. */
  readonly rms: {
    readonly steadyAmps: number;
    readonly worstAmps: number;
    readonly overSeconds: number;
  } | null;
  /** When the supply switches itself off, in seconds after the power comes on; null where it stays on. */
  readonly tripsAtSeconds: number | null;
  /** Where on the wave contact is made when it is worst, in degrees; null without one. */
  readonly angleDegrees: number | null;
}

/** Dips shorter than this, as at the edges of DCC, do not let a booster start its count again. */
const DIP_SECONDS = 20e-6;
/** A stretch is long beside a bit of DCC (116 us and more), short beside what trips a booster. */
const STRETCH_SECONDS = 250e-6;
/** Waves that are looked at at least, and at most, for what goes on once all is charged. */
const [LEAST_WAVES, MOST_WAVES] = [6, 60] as const;
/** It goes on when so small a share of a wave's square is still to fall. */
const SETTLED = 0.01;

/** Angles at which contact is tried to be made on a wave, in degrees after it passes through nothing. */
const ANGLES = [0, 60, 75, 90, 105] as const;
/** The peak comes with the first rush. */
const FIRST_SECONDS = 5e-3;

/** The circuit with its supply's wave begun at an angle. */
const begunAt = (netlist: Netlist, phaseDegrees: number): Netlist => ({
  ...netlist,
  elements: netlist.elements.map((e) =>
    e.id === 'v_supply' && e.kind === 'voltage' && e.wave.kind === 'sine'
      ? { ...e, wave: { ...e.wave, phaseDegrees } }
      : e,
  ),
});

/** Cycles a second of a supply's wave; null where it has none. */
function waveHertz(netlist: Netlist): number | null {
  const source = netlist.elements.find(
    (e): e is Extract<Element, { kind: 'voltage' }> => e.id === 'v_supply',
  );
  return source?.wave.kind === 'sine' ? source.wave.hertz : null;
}

/** A circuit as the power comes on; on a wave at the angle at which most is drawn, in degrees, else null. */
function worstContact(netlist: Netlist): { netlist: Netlist; angleDegrees: number | null } {
  if (waveHertz(netlist) === null) return { netlist, angleDegrees: null };
  const peaks = ANGLES.map((angle) => {
    const run = drawnFrom(begunAt(netlist, angle), FIRST_SECONDS, STRETCH_SECONDS);
    let amps = run.step.after[0];
    run.onStep = (step) => {
      amps = Math.max(amps, step.within[0], step.after[0]);
    };
    while (!run.done) run.advance(2000);
    return { angle, amps };
  });
  const angleDegrees = peaks.reduce((worst, p) => (p.amps > worst.amps ? p : worst)).angle;
  return { netlist: begunAt(netlist, angleDegrees), angleDegrees };
}

/** A run from empty reservoirs that reads the supply's current, without sign, and its square. */
const drawnFrom = (netlist: Netlist, stop: number, longestStep: number) =>
  transientOf(netlist, { stop, longestStep, start: 'given' }, (plan) => {
    const amps = currentProbe(plan, 'r_supply');
    return [(s, t) => Math.abs(amps(s, t))];
  });

/** What is asked of the first moments. */
export interface FirstAsked {
  /** After which the charge is over, as far as it is looked at. */
  readonly seconds: number;
  /** Only whether it trips: the run ends where it does. */
  readonly tripOnly?: boolean;
  /** Told now and then how much is done, 0 to 1; return true to stop. */
  readonly onProgress?: (share: number) => boolean | undefined;
}

/**
 * What a circuit draws from its supply as the power comes on, reservoirs empty. A supply that feels
 * the moment (a booster) switches off when more than its limit is drawn for longer than it bears; one
 * that feels RMS (a transformer with its thermal cut-out) when the RMS over that time is more.
 */
export function firstMoments(
  from: Netlist,
  supply: Supply,
  { seconds, tripOnly = false, onProgress }: FirstAsked,
): FirstMoments {
  const { netlist, angleDegrees } = worstContact(from);
  const hertz = waveHertz(netlist);
  const limit = supplyKind(supply).limit(supply);
  const feelsRms = supplyKind(supply).feels(supply) === 'rms' && hertz !== null;
  const stop = Math.max(seconds, feelsRms ? LEAST_WAVES / hertz : 2 * limit.seconds);
  const run = drawnFrom(netlist, stop, STRETCH_SECONDS);
  const longest = feelsRms ? Math.max(stop, MOST_WAVES / hertz) : stop;
  const amps = new Float64Array(Math.ceil(longest / STRETCH_SECONDS));
  const waves: number[] = [];
  const squares = new Float64Array(amps.length);
  const at = (t: number): number => Math.min(amps.length - 1, Math.max(0, Math.floor(t / STRETCH_SECONDS)));
  amps[0] = run.step.after[0];
  const firstWave = hertz === null ? Infinity : 1 / hertz;
  let since: number | null = null;
  let lastOver = 0;
  let overSeconds = 0;
  let overFromSeconds = 0;
  let overInAllSeconds = 0;
  let tripsAt: number | null = null;
  let reached = 0;
  run.onStep = (step) => {
    const h = step.to - step.from;
    const most = Math.max(step.before[0], step.within[0], step.after[0]);
    for (let i = at(step.from); i <= at(step.to); i++) amps[i] = Math.max(amps[i], most);
    const middle = (step.from + step.to) / 2;
    const square = (h * (step.before[0] ** 2 + step.within[0] ** 2 + step.after[0] ** 2)) / 3;
    squares[at(middle)] += square;
    if (feelsRms) {
      const wave = Math.floor(middle * hertz);
      waves[wave] = (waves[wave] ?? 0) + square;
    }
    reached = step.to;
    const [before, after] = [step.before[0] - limit.amps, step.after[0] - limit.amps];
    if (before <= 0 && after <= 0) return;
    // Within a step the current is a straight line: where it crosses the limit is told.
    const from = before > 0 ? step.from : step.to - (h * after) / (after - before);
    const to = after > 0 ? step.to : step.from + (h * before) / (before - after);
    if (since === null || from - lastOver > DIP_SECONDS) since = from;
    lastOver = to;
    if (from < firstWave) overInAllSeconds += to - from;
    if (to - since > overSeconds) {
      overSeconds = to - since;
      overFromSeconds = since;
    }
    if (tripsAt === null && to - since > limit.seconds) tripsAt = since + limit.seconds;
  };
  let until = stop;
  for (;;) {
    if (run.done) {
      if (!feelsRms || settled(waves) || until + 1 / hertz > longest) break;
      until = Math.round(until * hertz + 1) / hertz;
      run.goOn(until);
    }
    run.advance(200);
    if (tripOnly && tripsAt !== null) break;
    if (onProgress?.(Math.min(1, run.seconds / stop))) break;
  }
  const told = amps.subarray(0, at(Math.min(reached, stop)) + 1);
  const rms = feelsRms
    ? rmsOf(
        squares.subarray(0, at(reached) + 1),
        waves.slice(0, Math.floor(reached * hertz + 1e-6)),
        hertz,
        limit.seconds,
      )
    : null;
  if (rms) tripsAt = rms.worstAmps > limit.amps ? rms.overSeconds : null;
  return {
    step: STRETCH_SECONDS,
    amps: told,
    peakAmps: told.reduce((most, a) => Math.max(most, a), 0),
    overSeconds,
    overFromSeconds,
    overInAllSeconds,
    rms,
    tripsAtSeconds: tripsAt,
    angleDegrees,
  };
}

/** Whether what the waves draw has settled: of the squares of the last three, what is still to fall in all. */
function settled(waves: readonly number[]): boolean {
  const [before, one, last] = waves.slice(-3);
  const [was, now] = [before - one, one - last];
  if (Math.abs(now) <= (SETTLED / MOST_WAVES) * last) return true;
  // What falls by like shares falls by now / (1 - share) in all.
  const share = now / was;
  return share > 0 && share < 1 && Math.abs((now * share) / (1 - share)) <= SETTLED * last;
}

/**
 * True RMS of what goes on after the charge, and the most over any stretch as long as is borne; what
 * lies beyond the run is taken to go on as its last wave.
 * @param squares amperes squared times seconds, of each stretch
 * @param waves likewise, of each whole wave
 */
function rmsOf(
  squares: Float64Array,
  waves: readonly number[],
  hertz: number,
  bornSeconds: number,
): NonNullable<FirstMoments['rms']> {
  const steady = (waves.at(-1) ?? 0) * hertz;
  const overSeconds = Math.max(bornSeconds, 1 / hertz);
  const window = Math.round(overSeconds / STRETCH_SECONDS);
  const square = (i: number): number => (i < squares.length ? squares[i] : steady * STRETCH_SECONDS);
  let sum = 0;
  for (let i = 0; i < window; i++) sum += square(i);
  let worst = sum;
  for (let i = 0; i < squares.length; i++) {
    sum += square(i + window) - square(i);
    worst = Math.max(worst, sum);
  }
  return {
    steadyAmps: Math.sqrt(steady),
    worstAmps: Math.sqrt(worst / (window * STRETCH_SECONDS)),
    overSeconds,
  };
}
