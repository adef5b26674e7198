import { change, type Patch } from '../document/patch';
import { anyJobIn } from '../document/jobs';
import { inOrder } from '../document/in-order';
import { lampType } from '../document/lamp-type';
import { chainOf } from '../document/line-stages';
import { isScenery } from '../document/scenery-record';
import { presetNameOf, presetOf, presets, resistorsOf, wireBy, type PresetName } from '../document/presets';
import { bulbs } from '../part/bulb';
import { nextPreferred } from '../part/preferred';
import { bodyFor, resistorBodies } from '../part/resistor';
import { benchOf } from './bench';
import { refusedCombination } from './combination';
import { firstResistor } from './first-resistor';
import { Solver } from './solver';
import { truthTable } from './truth-table';
import type { AnyJob, Layout } from '../document/layout';
import type { LampCore } from '../document/lamp-record';

/** What of a job makes the way it is lit. */
const makesTheWay = ['supplyId', 'decoder', 'driver', 'hookUp', 'lines', 'circuits', 'lamps'] as const;
/** Ways that are told by other lamps than there are. */
const otherLamps: readonly PresetName[] = ['two-colour', 'bulb', 'ready-wired'];
/** Turns of sizing: what drops over a resistor hardly changes with it, so that few are needed. */
const SIZING_TURNS = 4;
const LEAST_WATTS = 0.125;
/** A lamp that carried less was not lit, and asks for nothing. */
const LIT_AMPS = 5e-5;

/** A way of wiring that a job could be built by instead. */
export interface OtherWay {
  readonly id: PresetName;
  readonly name: string;
  readonly says: string;
}

/** The change that makes a job so, or what speaks against it. */
export interface WayOffered {
  readonly patches: readonly Patch[] | null;
  readonly refused: string | null;
}

/** What makes a job, from wherever it will stand then, what it is now: the patches of a variant that keeps it. */
export function keptAsItStands(layout: Layout, jobId: string): Patch[] {
  const job = anyJobIn(layout, jobId) as AnyJob & Record<string, unknown>;
  return makesTheWay
    .filter((part) => Object.hasOwn(job, part))
    .map((part) => ({ op: 'replace', path: ['jobs', jobId, part], value: job[part] }));
}

const lampsOn = (job: AnyJob, circuitId: string): LampCore[] =>
  inOrder<LampCore>(job.lamps).filter((l) => l.circuitId === circuitId);

/** Circuits of a job that a way can be told of: with lamps that are no bulbs. */
function circuitsFor(job: AnyJob, way: PresetName): string[] {
  const { on } = presetOf(way);
  return inOrder(job.circuits).flatMap(({ id, lineId }) => {
    const lamps = lampsOn(job, id);
    const feeds = chainOf(job, lineId)[0].from.kind === 'output' ? 'output' : 'track';
    const bare = lamps.length > 0 && lamps.every((l) => !Object.hasOwn(bulbs, l.part));
    return bare && on.includes(feeds) && (feeds === 'track' || lamps.length > 1) ? [id] : [];
  });
}

/**
 * The ways with a name by which a job is not built yet, and could be with the lamps it has. Scenery is
 * joined by ways of its own: `hookUpWays`.
 */
export function otherWays(job: AnyJob): OtherWay[] {
  if (isScenery(job)) return [];
  return presets
    .filter(({ id }) => !otherLamps.includes(id))
    .filter(({ id }) => circuitsFor(job, id).some((c) => presetNameOf(job, c) !== id))
    .map(({ id, name, says }) => ({ id, name, says }));
}

/** The greatest current that lights a lamp of each circuit in any state, in amperes. */
function litAmps(layout: Layout, jobId: string): ReadonlyMap<string, number> {
  const bench = benchOf(layout, jobId);
  const most = new Map<string, number>();
  for (const { readings } of truthTable(bench, new Solver(bench)).rows)
    for (const { circuitId, litAmps: amps } of readings.dies)
      if (circuitId !== null) most.set(circuitId, Math.max(most.get(circuitId) ?? 0, amps));
  return most;
}

/**
 * A job wired by another way that has a name, its resistors sized so that the brightest lamp of each
 * circuit carries what it carries now: R goes with the current, for what drops over it hardly changes.
 * @throws CircuitError when it cannot be solved
 */
export function wiredBy(layout: Layout, jobId: string, way: PresetName): WayOffered {
  const wanted = litAmps(layout, jobId);
  const preset = presetOf(way);
  const own = circuitsFor(anyJobIn(layout, jobId), way);
  const supply = layout.supplies[anyJobIn(layout, jobId).supplyId];
  let laid = change(layout, (draft) => {
    const job = anyJobIn(draft, jobId);
    for (const id of own) {
      const circuit = job.circuits[id];
      wireBy(job.lines[circuit.lineId], circuit, way);
      const [first] = lampsOn(job as AnyJob, id);
      const type = lampType(layout, first.part);
      const amps = Math.max(LIT_AMPS, wanted.get(id) ?? 0);
      Object.assign(circuit, firstResistor(supply, type, amps));
      const board = preset.stages?.['constant-current'];
      const stage = Object.values(job.lines[circuit.lineId].stages).find(
        (s) => s.kind === 'constant-current',
      );
      if (board && stage?.kind === 'constant-current') stage.amps = amps * lampsOn(job as AnyJob, id).length;
      for (const lamp of Object.values(job.lamps)) if (lamp.circuitId === id) lamp.ohms = null;
    }
  }).layout;
  const refused = refusedCombination(laid, jobId);
  if (refused !== null) return { patches: null, refused };
  if (resistorsOf(anyJobIn(laid, jobId).circuits[own[0]]) !== 'none')
    for (let turn = 0; turn < SIZING_TURNS; turn++) laid = sized(laid, jobId, own, wanted);
  return { patches: keptAsItStands(rated(laid, jobId, own), jobId), refused: null };
}

/** Each circuit's resistor changed as its current differs from what is wanted. */
function sized(
  layout: Layout,
  jobId: string,
  circuits: readonly string[],
  wanted: ReadonlyMap<string, number>,
): Layout {
  const now = litAmps(layout, jobId);
  return change(layout, (draft) => {
    const job = anyJobIn(draft, jobId);
    for (const id of circuits) {
      const [is, want] = [now.get(id) ?? 0, wanted.get(id) ?? 0];
      if (is < LIT_AMPS || want < LIT_AMPS) continue;
      job.circuits[id].ohms = Math.min(1e6, Math.max(1, (job.circuits[id].ohms * is) / want));
    }
  }).layout;
}

/** Resistors as they are sold: the next of E12 above, in a body that bears the supply's highest. */
function rated(layout: Layout, jobId: string, circuits: readonly string[]): Layout {
  const sold = change(layout, (draft) => {
    const job = anyJobIn(draft, jobId);
    for (const id of circuits) job.circuits[id].ohms = nextPreferred(job.circuits[id].ohms, 'E12');
  }).layout;
  const bench = benchOf(sold, jobId);
  const { rows } = truthTable(bench, new Solver(bench), 'highest');
  return change(sold, (draft) => {
    const job = anyJobIn(draft, jobId);
    for (const part of bench.assembly.parts) {
      if (part.kind !== 'resistor' || part.circuit === null || !circuits.includes(part.circuit)) continue;
      const watts = Math.max(0, ...rows.map((r) => r.readings.parts.get(part.id)?.watts ?? 0));
      const body = bodyFor(watts) ?? resistorBodies[resistorBodies.length - 1];
      const circuit = job.circuits[part.circuit];
      circuit.ratedWatts = Math.max(LEAST_WATTS, body.watts);
    }
  }).layout;
}
