import { nearestPair, nearestPreferred, type ResistorPair, type SeriesName } from '../../part/preferred';
import { bodyFor } from '../../part/resistor';
import { bulbs } from '../../part/bulb';
import { change } from '../../document/patch';
import { inOrder } from '../../document/in-order';
import { lampType } from '../../document/lamp-type';
import { lineFrom, putStage, switchOf } from '../../document/line-stages';
import { freeId } from '../../document/usual-supply';
import { benchOf, type Bench } from '../../study/bench';
import { Solver, usualReadings } from '../../study/solver';
import { usualState } from '../../study/states';
import { coachIn } from './jobs';
import { coachLight } from './light';
import { TAIL_LAMP_AMPS } from './tail-lamp';
import type { JobCore } from '../../document/job-record';
import type { Layout } from '../../document/layout';
import type { CircuitRecord } from '../../document/wiring-record';

/** One thing that can be fitted, and what it then gives. */
export interface Offer {
  readonly from: 'drawer' | SeriesName | 'pair' | 'fixed' | 'adjustable';
  /** Ohms of a resistor or pair; amperes of a limiter. */
  readonly figure: number;
  readonly pair: ResistorPair | null;
  /** How many of it the drawer holds; null where it is not from there. */
  readonly inDrawer: number | null;
}

/** What gives a group the wanted light, and what it then does. */
export interface Proposal {
  readonly limit: Exclude<CircuitRecord['limit'], 'none'>;
  /** Resistance (ohms) or limiter setting (amperes) that would hit the wanted light exactly. */
  readonly exact: number;
  /** What is proposed to be fitted. */
  readonly figure: number;
  readonly from: Offer['from'];
  /** Other ways to come near it, nearest last. */
  readonly offers: readonly Offer[];
  /** Heat in each such resistor (or in the limiter), and the resistor body that takes it. */
  readonly watts: number;
  readonly ratedWatts: number;
  /** What it is sized by: the wanted light, or where no window tells, the current of a lamp. */
  readonly by: 'light' | 'current';
  /** Light it gives over the lit windows, in lux at seat height. */
  readonly lux: number;
  /** Mean current of a lamp it gives. */
  readonly amps: number;
  /** Why the wanted light is not reached, when it is not. */
  readonly limitedBy: 'lamp' | 'supply' | null;
}

const TURNS = 24;
/** A figure this near, as a share, is found. */
const NARROW = 0.005;
/** A drawer's resistor is taken when it is this near to the exact value, as a ratio. */
const NEAR_ENOUGH = 1.25;
/** Limiters that are sold with a fixed current, in amperes. */
export const fixedLimiterAmps = [0.01, 0.015, 0.02] as const;
const LEAST_LIMITER_AMPS = 2e-4;
const MOST_LIMITER_AMPS = 0.5;

/** Current a lamp may carry for a long life, in amperes. */
export function longLifeAmps(led: { readonly greatestAmps: number; readonly longLifeShare: number }): number {
  return led.greatestAmps * led.longLifeShare;
}

/** By how much a bracket is widened that does not hold what is sought, as a natural logarithm. */
const WIDER = Math.log(4);

/**
 * The figure, between one at which a ratio is above 1 and one at which it is not, from which on it is
 * not: by the Illinois form of regula falsi on logarithms, in which light and current fall nearly
 * straight with a resistance. The bracket is opened from a figure that may be near: far from it, where
 * next to nothing limits or flows, a circuit takes longest to solve.
 * @returns null where it is not above 1 at the first; the second where it still is there
 */
function dimmestOver(
  ratioAt: (figure: number) => number,
  over: number,
  under: number,
  near: number,
): number | null {
  const off = (figure: number): number => Math.log(Math.max(1e-12, ratioAt(figure)));
  const [first, last] = [Math.log(over), Math.log(under)];
  const inwards = Math.sign(last - first) * WIDER;
  const within = (x: number): number => Math.min(Math.max(x, Math.min(first, last)), Math.max(first, last));
  let a = within(Math.log(near));
  let fa = off(Math.exp(a));
  let [b, fb] = [a, fa];
  for (let step = inwards; fa <= 0 && a !== first; step *= 2) {
    [b, fb] = [a, fa];
    a = within(a - step);
    fa = off(Math.exp(a));
  }
  for (let step = inwards; fb > 0 && b !== last; step *= 2) {
    [a, fa] = [b, fb];
    b = within(b + step);
    fb = off(Math.exp(b));
  }
  if (fa <= 0) return null;
  if (fb > 0) return under;
  let side = 0;
  for (let i = 0; i < TURNS && Math.abs(b - a) > NARROW; i++) {
    // What is all dark tells nothing of how dark: halves then.
    const at = fb < -20 ? (a + b) / 2 : b - (fb * (b - a)) / (fb - fa);
    const f = off(Math.exp(at));
    if (f > 0) {
      [a, fa] = [at, f];
      if (side === 1) fb /= 2;
      side = 1;
    } else {
      [b, fb] = [at, f];
      if (side === -1) fa /= 2;
      side = -1;
      if (f > -NARROW / 4) break;
    }
  }
  return Math.exp(b);
}

/** How a circuit without a limit is best given one: strips and the like share, lamps have their own. */
export function usualLimit(layout: Layout, jobId: string, circuitId: string): 'each' | 'shared' {
  const members = Object.values(coachIn(layout, jobId).lamps).filter((l) => l.circuitId === circuitId);
  return members.every((l) => !Object.hasOwn(bulbs, l.part) && lampType(layout, l.part).builtInOhms > 0) &&
    members.length > 0
    ? 'shared'
    : 'each';
}

/** Fits a circuit with what was proposed. */
export function fitLimit(
  job: Pick<JobCore, 'circuits' | 'lamps'>,
  circuitId: string,
  proposal: Pick<Proposal, 'limit' | 'figure' | 'ratedWatts'>,
): void {
  const circuit = job.circuits[circuitId];
  circuit.limit = proposal.limit;
  if (proposal.limit === 'limiter') circuit.limiterAmps = proposal.figure;
  else {
    circuit.ohms = proposal.figure;
    circuit.ratedWatts = Math.max(circuit.ratedWatts, proposal.ratedWatts);
    for (const lamp of Object.values(job.lamps)) if (lamp.circuitId === circuitId) lamp.ohms = null;
  }
}

/**
 * Finds the resistor, or limiter setting, for a circuit of lamps that gives the wanted light, by
 * solving the job, not by a rule: the light of the periodic steady state is brought to the wanted
 * mean over the windows. Lamps are never asked for more than their long-life current, with the supply
 * at its highest either.
 * @param limit how the circuit is to be limited; as it is when left out, as usual when it is not
 * @returns null when the circuit has no lamps or no light can be had
 */
export function proposeLimit(
  layout: Layout,
  jobId: string,
  circuitId: string,
  limit?: Exclude<CircuitRecord['limit'], 'none'>,
): Proposal | null {
  const job = coachIn(layout, jobId);
  const circuit = job.circuits[circuitId];
  const members = Object.entries(job.lamps).filter(([, l]) => l.circuitId === circuitId);
  if (members.length === 0) return null;
  const chosen = limit ?? (circuit.limit === 'none' ? usualLimit(layout, jobId, circuitId) : circuit.limit);
  const limiter = chosen === 'limiter';
  let stored: Float64Array | undefined;

  const wantedAmps = ampsWanted(layout, jobId, circuitId);

  interface Tried {
    /** Mean over the circuit's lamps. */
    readonly amps: number;
    readonly lux: number;
    /** The largest share of its long-life current that a lamp of the circuit carries. */
    readonly load: number;
    readonly watts: number;
  }
  const laid = (figure: number): Bench => {
    const { layout: tried } = change(layout, (draft) => {
      const own = coachIn(draft, jobId);
      const c = own.circuits[circuitId];
      c.limit = chosen;
      for (const lamp of Object.values(own.lamps)) if (lamp.circuitId === circuitId) lamp.ohms = null;
      const set = switchOf(own, circuitId);
      if (set) putStage(own.lines[set.lineId], 'switch', { ...set.stage, on: true });
      if (limiter) c.limiterAmps = figure;
      else c.ohms = figure;
    });
    return benchOf(tried, jobId);
  };
  /** What is there of what is wanted, as a ratio: of light, or of the current of a lamp. */
  const given = (figure: number): { ratio: number; lux: number; amps: number; bench: Bench } => {
    const bench = laid(figure);
    const usual = new Solver(bench).at(usualState(bench), { guess: stored });
    stored = usual.stored;
    const own = usual.dies.filter((d) => d.circuitId === circuitId);
    const amps = own.reduce((sum, d) => sum + d.litAmps, 0) / Math.max(1, own.length);
    const lux = coachLight(coachIn(bench.layout, jobId), usual).litLux;
    return { ratio: wantedAmps === null ? lux / job.wantedLux : amps / wantedAmps, lux, amps, bench };
  };
  /** The largest share of its long-life current that a lamp carries with the supply at its highest, and the heat. */
  const borne = (bench: Bench): { load: number; watts: number } => {
    const hard = new Solver(bench).at(usualState(bench), { stress: 'highest' });
    return {
      load: Math.max(
        0,
        ...hard.dies.flatMap((d) =>
          d.circuitId === circuitId && d.led ? [d.amps.greatest / longLifeAmps(d.led)] : [],
        ),
      ),
      watts: Math.max(
        0,
        ...bench.assembly.parts
          .filter((p) => p.circuit === circuitId && (p.kind === 'resistor' || p.kind === 'limiter'))
          .map((p) => hard.parts.get(p.id)?.watts ?? 0),
      ),
    };
  };
  const solve = (figure: number): Tried => {
    const { bench, lux, amps } = given(figure);
    return { lux, amps, ...borne(bench) };
  };

  // Bracketed by figures at which it is too bright, and at which it is not.
  const bright = limiter ? MOST_LIMITER_AMPS : 0.1;
  const dim = limiter ? LEAST_LIMITER_AMPS : 1e6;
  const light = dimmestOver(
    (figure) => given(figure).ratio,
    bright,
    dim,
    limiter ? circuit.limiterAmps : circuit.ohms,
  );
  let exact = light ?? bright;
  let limitedBy: Proposal['limitedBy'] = light === null ? 'supply' : null;
  if (borne(laid(exact)).load > 1) {
    const load = dimmestOver((figure) => borne(laid(figure)).load, exact, dim, exact);
    if (load !== null) exact = load;
    limitedBy = 'lamp';
  }
  return settled(exact, limitedBy);

  function settled(exact: number, limitedBy: Proposal['limitedBy']): Proposal | null {
    const offers = limiter ? limiterOffers(exact) : resistorOffers(layout, exact, members.length);
    let { figure, from } = preferredOffer(offers, exact);
    let at = solve(figure);
    if (at.load > 1) {
      figure = limiter ? exact : nearestPreferred(Math.max(exact, figure) * 1.2, 'E12');
      from = limiter ? 'adjustable' : 'E12';
      at = solve(figure);
    }
    if (!((wantedAmps === null ? at.lux : at.amps) > 0)) return null;
    const body = bodyFor(at.watts);
    return {
      limit: chosen,
      exact,
      figure,
      from,
      offers,
      watts: at.watts,
      ratedWatts: body?.watts ?? 5,
      by: wantedAmps === null ? 'light' : 'current',
      lux: at.lux,
      amps: at.amps,
      limitedBy,
    };
  }
}

/**
 * What a group's lamps are sized by where the windows do not tell: tail and marker lamps by the usual
 * current, a later group of room lamps by what the first group's carry.
 * @returns amperes a lamp; null where the wanted light decides
 */
function ampsWanted(layout: Layout, jobId: string, circuitId: string): number | null {
  const job = coachIn(layout, jobId);
  const roleIn = (id: string) =>
    Object.values(job.lamps).filter((l) => l.circuitId === id && l.role === 'room');
  if (roleIn(circuitId).length === 0) return TAIL_LAMP_AMPS;
  const first = inOrder(job.circuits).find((g) => roleIn(g.id).length > 0)!.id;
  if (first === circuitId) return null;
  const own = usualReadings(benchOf(layout, jobId)).dies.filter((d) => d.circuitId === first);
  const mean = own.reduce((sum, d) => sum + d.litAmps, 0) / Math.max(1, own.length);
  return mean > 0 ? mean : null;
}

function preferredOffer(offers: readonly Offer[], exact: number): { figure: number; from: Offer['from'] } {
  const near = (o: Offer): boolean => Math.abs(Math.log(o.figure / exact)) < Math.log(NEAR_ENOUGH);
  const chosen =
    offers.find((o) => o.from === 'drawer' && near(o)) ??
    offers.find((o) => o.from === 'fixed' && Math.abs(Math.log(o.figure / exact)) < Math.log(1.06)) ??
    offers.find((o) => o.from === 'E12' || o.from === 'adjustable')!;
  return chosen;
}

/** What can be had for a resistance: from the drawer, from E6 to E96, and as a pair. */
export function resistorOffers(layout: Layout, ohms: number, needed: number): Offer[] {
  const held = Math.min(1e7, Math.max(0.1, ohms));
  const stock = inOrder(layout.drawer.resistors)
    .filter((r) => r.count >= needed)
    .sort((a, b) => Math.abs(Math.log(a.ohms / held)) - Math.abs(Math.log(b.ohms / held)))[0];
  const series = (['E6', 'E12', 'E24', 'E48', 'E96'] as const).map((from): Offer => ({
    from,
    figure: nearestPreferred(held, from),
    pair: null,
    inDrawer: null,
  }));
  const pair = nearestPair(held);
  return [
    ...(stock ? [{ from: 'drawer' as const, figure: stock.ohms, pair: null, inDrawer: stock.count }] : []),
    ...series,
    { from: 'pair', figure: pair.ohms, pair, inDrawer: null },
  ];
}

function limiterOffers(amps: number): Offer[] {
  const fixed = [...fixedLimiterAmps].sort(
    (a, b) => Math.abs(Math.log(a / amps)) - Math.abs(Math.log(b / amps)),
  )[0];
  const plain = { pair: null, inDrawer: null };
  return [
    { from: 'fixed', figure: fixed, ...plain },
    { from: 'adjustable', figure: Number(amps.toPrecision(2)), ...plain },
  ];
}

/**
 * The light that was liked on a bench supply: the circuit's lamps alone on plain DC through a resistance.
 * @param volts what the bench supply was set to
 * @param ohms resistance in the way of the whole circuit; 0 for none
 * @returns mean illuminance over the windows, in lux, to be wanted in the coach
 */
export function likedLux(
  layout: Layout,
  jobId: string,
  circuitId: string,
  volts: number,
  ohms: number,
): number {
  const { layout: bench } = change(layout, (draft) => {
    const job = coachIn(draft, jobId);
    draft.supplies[job.supplyId] = {
      kind: 'layout-bus',
      order: 1,
      name: 'Bench supply',
      volts,
      highestVolts: volts,
      limitAmps: 1,
      tripSeconds: 1,
      wireOhms: 0.01,
    };
    const own = job.circuits[circuitId];
    const order = 1 + Math.max(0, ...Object.values(job.lines).map((l) => l.order));
    const lineId = freeId(job.lines, 'bench');
    job.lines[lineId] = lineFrom({ kind: 'supply', tap: 'pickups', supplyId: null }, order, 'Bench supply');
    own.lineId = lineId;
    own.limit = ohms > 0 ? 'shared' : 'none';
    if (ohms > 0) own.ohms = ohms;
    // Only what was tried lies on the bench.
    for (const lamp of Object.values(job.lamps)) if (lamp.circuitId !== circuitId) lamp.circuitId = null;
  });
  return coachLight(coachIn(bench, jobId), usualReadings(benchOf(bench, jobId))).litLux;
}
