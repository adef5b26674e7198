import { elementId } from '../assembly/element-id';
import { lower } from '../assembly/lower';
import { rectifiers } from '../part/rectifier';
import { plainTransistor, type TransistorModel } from '../part/transistor-model';
import { driverOf } from '../document/aspect-record';
import { courseOf, levelsOf } from '../circuit/course';
import { currentProbe, voltageProbe } from '../circuit/probe';
import { transientOf } from '../circuit/transient';
import { turnSeconds, type Flasher } from '../supply/drivers/flasher';
import type { Element, Netlist } from '../circuit/netlist';
import type { Bench } from './bench';

/** A small NPN transistor as such flashers are made with (typical, from memory). */
export const FLASHER_TRANSISTOR: TransistorModel = {
  ...plainTransistor,
  saturationAmps: 1e-14,
  forwardGain: 200,
  reverseGain: 3,
  baseOhms: 20,
  emitterOhms: 0.5,
};
/** What lies at every wire and leg, in farads: without any, what throws over takes no time. */
const STRAY_FARADS = 1e-9;
/** Across what feeds it. */
const FEED_FARADS = 100e-9;
/** Turns that are run, by the sum done by hand; the last whole one counts. */
const TURNS = 4.2;
/** Rows kept of a run, for its picture. */
const KEPT = 600;
/** Steps of a turn at least. */
const STEPS_A_TURN = 400;
const STEPS_AT_ONCE = 5000;

/** A flasher as it runs, from the moment power comes on. */
export interface FlasherRun {
  /** A turn, and the share of it in which the first lamp is lit; null where it does not throw over. */
  readonly turn: { readonly seconds: number; readonly share: number } | null;
  /** Until it has thrown over for the first time; null where it never does. */
  readonly startSeconds: number | null;
  /** A turn by the usual sum, ln 2 (R1 C1 + R2 C2). */
  readonly byHandSeconds: number;
  /** The most a base is pulled backwards, in volts. */
  readonly baseBackVolts: number;
  readonly seconds: readonly number[];
  /** Current drawn by each collector's lamps, in amperes, at those moments. */
  readonly amps: readonly [readonly number[], readonly number[]];
}

const isFlasher = (bench: Bench): Flasher | null => {
  const driver = driverOf(bench.job);
  return driver?.kind === 'flasher' ? driver : null;
};

/** The circuit of a job with two transistors, their resistors and capacitors where the driver's two outputs are. */
export function flasherNetlist(
  bench: Bench,
  flasher: Flasher,
): { readonly netlist: Netlist; readonly outs: readonly [string, string] } {
  const { assembly, supply } = bench;
  const { netlist, nodeOf } = lower(assembly, supply, {});
  const outs: [string, string] = [nodeOf.get('driver.out1')!, nodeOf.get('driver.out2')!];
  const [plus, minus] = ['driver_plus', 'driver_minus'];
  const of = { part: 'driver', role: 'flasher' };
  const replaced = new Set([elementId('x', 'driver', 'out1'), elementId('x', 'driver', 'out2')]);
  const elements: Element[] = netlist.elements.filter((e) => !replaced.has(e.id)).map(steady);
  if (flasher.feed.farads === 0)
    elements.push({ kind: 'capacitor', id: 'c_flasher_feed', a: plus, b: minus, farads: FEED_FARADS, of });
  ([flasher.one, flasher.other] as const).forEach((half, i) => {
    const [own, other] = i === 0 ? outs : [outs[1], outs[0]];
    const base = `flasher_base_${2 - i}`;
    const joint = flasher.baseDiodes ? `flasher_joint_${2 - i}` : base;
    const n = i + 1;
    elements.push(
      {
        kind: 'capacitor',
        id: `c_flasher_${n}`,
        a: own,
        b: joint,
        farads: half.farads,
        of,
      },
      {
        kind: 'resistor',
        id: `r_flasher_${n}`,
        a: plus,
        b: joint,
        // Halves are never quite alike.
        ohms: half.ohms * (i === 0 ? 1 + UNLIKE : 1),
        of,
      },
      {
        kind: 'transistor',
        id: `q_flasher_${2 - i}`,
        a: other,
        b: minus,
        c: base,
        polarity: 'npn',
        model: FLASHER_TRANSISTOR,
        of,
      },
      { kind: 'capacitor', id: `c_flasher_stray_${n}`, a: own, b: minus, farads: STRAY_FARADS, of },
      { kind: 'capacitor', id: `c_flasher_base_${n}`, a: base, b: minus, farads: STRAY_FARADS, of },
    );
    if (flasher.baseDiodes)
      elements.push({
        kind: 'diode',
        id: `d_flasher_${n}`,
        a: joint,
        b: base,
        model: rectifiers.silicon.model,
        of,
      });
  });
  return { netlist: { ...netlist, elements }, outs };
}
/** The supply as it comes on; what changes sides far faster than a flasher stands at its peak behind the flasher's bridge. */
function steady(e: Element): Element {
  if (e.kind !== 'voltage') return e;
  const level =
    e.wave.kind === 'dc'
      ? e.wave.level
      : Math.max(...levelsOf(courseOf(e.wave)).map((l) => Math.abs(l.volts)));
  const points = [
    [0, 0],
    [ON_SECONDS, level],
  ] as const;
  return { ...e, wave: { kind: 'pwl', points } };
}
/** By how much one resistor is above the other where both are of one value, as a share: half of what 1 % resistors may. */
const UNLIKE = 0.005;
/** A supply that is switched on is there after so long. */
const ON_SECONDS = 1e-3;

/**
 * Runs the solved circuit of a two-transistor flasher from the moment power comes on.
 * @returns null for what is driven otherwise, and where an output has no lamp
 * @throws CircuitError when it cannot be run
 */
export function flasherRun(bench: Bench): FlasherRun | null {
  const flasher = isFlasher(bench);
  if (!flasher) return null;
  const { netlist, outs } = flasherNetlist(bench, flasher);
  const loaded = outs.every((node) =>
    netlist.elements.some((e) => (e.a === node || e.b === node) && e.of?.part !== 'driver'),
  );
  if (!loaded) return null;
  const byHandSeconds = turnSeconds(flasher);
  const stop = TURNS * byHandSeconds;
  const run = transientOf(
    netlist,
    { stop, longestStep: byHandSeconds / STEPS_A_TURN, start: 'given' },
    (plan) => [
      currentProbe(plan, 'q_flasher_1'),
      currentProbe(plan, 'q_flasher_2'),
      voltageProbe(plan, 'flasher_base_1', 'driver_minus'),
      voltageProbe(plan, 'flasher_base_2', 'driver_minus'),
    ],
  );
  const rows: [number, number, number][] = [[0, 0, 0]];
  let baseBackVolts = 0;
  let ahead: 1 | 2 | null = null;
  let since = { at: 0, side: ahead as 1 | 2 | null };
  const thrown: { at: number; to: 1 | 2 }[] = [];
  run.onStep = (step) => {
    const [one, two, baseOne, baseTwo] = step.after;
    baseBackVolts = Math.max(baseBackVolts, -baseOne, -baseTwo);
    const more = Math.max(one, two);
    const now = more > LEAST_AMPS && Math.min(one, two) < more / 2 ? (one > two ? 1 : 2) : ahead;
    if (now !== since.side) since = { at: step.to, side: now };
    // What throws over stays so; a spike at an edge does not.
    if (now !== null && now !== ahead && step.to - since.at > HOLDS * byHandSeconds) {
      thrown.push({ at: since.at, to: now });
      ahead = now;
    }
    if (step.to - rows[rows.length - 1][0] >= stop / KEPT) rows.push([step.to, one, two]);
  };
  while (!run.done) run.advance(STEPS_AT_ONCE);
  const ones = thrown.filter((t) => t.to === 1).map((t) => t.at);
  const [from, to] = ones.slice(-2);
  const fall = thrown.find((t) => t.to === 2 && t.at > from && t.at < to);
  const throwsOver = ones.length >= 2 && fall !== undefined;
  return {
    turn: throwsOver ? { seconds: to - from, share: (fall.at - from) / (to - from) } : null,
    startSeconds: throwsOver ? thrown[1].at : null,
    byHandSeconds,
    baseBackVolts,
    seconds: rows.map((r) => r[0]),
    amps: [rows.map((r) => r[1]), rows.map((r) => r[2])],
  };
}
/** Share of a turn for which one side is ahead before it counts as thrown over. */
const HOLDS = 0.02;
/** A collector that carries less is off. */
const LEAST_AMPS = 5e-5;
