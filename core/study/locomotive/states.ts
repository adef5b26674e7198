import { CircuitError } from '../../circuit/error';
import { inOrder } from '../../document/in-order';
import { FAINT_LIGHTNESS, SHOWN } from '../../light/lamp-light';
import { outputsOn } from '../../supply/decoder-output';
import { shouldShine } from './expected';
import { everyday, type Vehicle, type VehicleState } from './vehicle';
import { VehicleSolver, type LampLight, type LitState } from './lit';
import type { DecoderRecord } from '../../document/decoder-record';

/** More states than this are tried in groups. */
export const MOST_STATES = 4096;
/** Functions of one group that are still tried in every combination. */
const MOST_TOGETHER = 8;

/** What can be set, and the states that come of it. */
export interface Reach {
  readonly states: readonly VehicleState[];
  readonly functions: readonly number[];
  /** Names of its switches; one of a name switches every circuit that has it. */
  readonly switches: readonly string[];
  /** What was tried in groups, and why; null where every combination is there. */
  readonly grouped: string | null;
}

/** Functions a table knows of, ascending. */
export function functionsOf(decoder: DecoderRecord): number[] {
  const named = Object.values(decoder.outputs).flatMap((o) => [
    ...o.keys.map((k) => k.function),
    ...(o.unless === null ? [] : [o.unless]),
  ]);
  return [...new Set(named)].sort((a, b) => a - b);
}

/** Every state a vehicle can be in: direction, functions, standing or moving, presses of the stepping function, switches. */
export function reachableStates(vehicle: Vehicle): Reach {
  const { job } = vehicle;
  const switched = inOrder(job.circuits).filter(
    (c) => c.switch !== null && Object.values(job.lamps).some((l) => l.circuitId === c.id),
  );
  const switches = [...new Set(switched.map((c) => c.switch!.name))];
  const functions = job.decoder ? functionsOf(job.decoder) : [];
  const speeds =
    job.decoder && Object.values(job.decoder.outputs).some((o) => o.moving !== 'any')
      ? [true, false]
      : [true];
  const presses = job.decoder?.stepped
    ? Array.from({ length: job.decoder.stepped.outputs.length + 1 }, (_, i) => i)
    : [0];
  const base = everyday(vehicle);
  const others = (['forward', 'reverse'] as const).flatMap((direction) =>
    [...subsetsOf(switches)].reverse().flatMap((on) =>
      speeds.flatMap((moving) =>
        presses.map((p) => ({
          direction,
          moving,
          presses: p,
          switches: Object.fromEntries(switched.map((c) => [c.id, on.includes(c.switch!.name)])),
        })),
      ),
    ),
  );
  const all = 2 ** functions.length * others.length;
  const groups = all <= MOST_STATES || !job.decoder ? null : groupsOf(job.decoder);
  const sets = groups ? setsOfGroups(groups, functions) : subsetsOf(functions);
  const grouped = groups
    ? `${all} states are more than ${MOST_STATES}: functions whose outputs have nothing in common were tried apart from one another, then all together: ${sets.length * others.length} states. Together were ${groups.map((g) => g.map((f) => `F${f}`).join(' with ')).join('; ')}.`
    : null;
  return {
    states: sets.flatMap((set) => others.map((o) => ({ ...base, ...o, functions: set }))),
    functions,
    switches,
    grouped,
  };
}

/** Functions that share an output, or a condition, belong together. */
function groupsOf(decoder: DecoderRecord): number[][] {
  const groups: number[][] = [];
  const named = (o: DecoderRecord['outputs'][string] | undefined): number[] =>
    o ? [...o.keys.map((k) => k.function), ...(o.unless === null ? [] : [o.unless])] : [];
  const together = [
    ...Object.entries(decoder.outputs)
      .filter(([id]) => !decoder.exclusive.includes(id as `out${number}`))
      .map(([, o]) => named(o)),
    decoder.exclusive.flatMap((id) => named(decoder.outputs[id])),
  ].filter((set) => set.length > 0);
  for (const set of together) {
    const met = groups.filter((g) => g.some((f) => set.includes(f)));
    for (const g of met) groups.splice(groups.indexOf(g), 1);
    groups.push([...new Set([...met.flat(), ...set])].sort((a, b) => a - b));
  }
  return groups;
}

/** Groups are tried one at a time, in every combination while they are small, and all at once. */
function setsOfGroups(groups: readonly (readonly number[])[], functions: readonly number[]): number[][] {
  const sets = groups.flatMap((g) =>
    g.length <= MOST_TOGETHER
      ? subsetsOf(g)
      : [...g.map((f) => [f]), ...g.map((f) => g.filter((x) => x !== f))],
  );
  const seen = new Map(
    [...sets, [], [...functions]].map((set) => [[...set].sort((a, b) => a - b).join(), set]),
  );
  return [...seen.values()];
}

/** Every subset of a list, the empty one first. */
export function subsetsOf<T>(list: readonly T[]): T[][] {
  return list.reduce<T[][]>((sets, item) => [...sets, ...sets.map((s) => [...s, item])], [[]]);
}

/** How one colour of a lamp does in a state, beside what it is meant to do. */
export interface LampVerdict extends LampLight {
  readonly should: boolean;
  readonly does: 'dark' | 'faint' | 'lit';
}

/** One line of the truth table. */
export interface TruthRow {
  readonly state: VehicleState;
  readonly lit: LitState;
  readonly lamps: readonly LampVerdict[];
}

/** Every reachable state, solved. */
export interface TruthTable extends Reach {
  readonly rows: readonly TruthRow[];
  readonly unsolved: readonly UnsolvedState[];
}

/** A state that has no answer, and why. */
export interface UnsolvedState {
  readonly state: VehicleState;
  readonly reason: string;
}

/**
 * Solves every reachable state. States in which the same outputs conduct and the same switches are on
 * are solved once; one that has no answer is told apart, and the others are not the worse for it.
 */
export function truthTable(vehicle: Vehicle, solver = new VehicleSolver(vehicle)): TruthTable {
  const reach = reachableStates(vehicle);
  const unsolved: UnsolvedState[] = [];
  const rows = [...truthRows(vehicle, reach, solver, unsolved)];
  return { ...reach, rows, unsolved };
}

/**
 * The rows of a truth table one by one, each solved when it is asked for.
 * @param unsolved gathers the states that have no answer; left out, the first such is thrown
 * @throws CircuitError
 */
export function* truthRows(
  vehicle: Vehicle,
  reach: Reach,
  solver: VehicleSolver,
  unsolved?: UnsolvedState[],
): Generator<TruthRow> {
  const known = new Map<string, LitState | CircuitError>();
  for (const state of reach.states) {
    const key = driveKey(vehicle, state);
    let lit = known.get(key);
    if (!lit) {
      try {
        lit = solver.lit(state);
      } catch (error) {
        if (!unsolved || !(error instanceof CircuitError)) throw error;
        lit = error;
      }
      known.set(key, lit);
    }
    if (lit instanceof CircuitError) {
      unsolved?.push({ state, reason: lit.message });
      continue;
    }
    const own = lit;
    yield {
      state,
      lit: own,
      lamps: own.lamps.map((lamp) => {
        const should = shouldShine(vehicle.job, lamp.lampId, lamp.second, state);
        return { ...lamp, should, does: doesShine(lamp.lightness, should) };
      }),
    };
  }
}

/** Two states with the same key drive the circuit alike. */
export function driveKey(vehicle: Vehicle, state: VehicleState): string {
  const { decoder } = vehicle.job;
  const outputs = decoder ? [...outputsOn(decoder, state)].sort(([a], [b]) => (a < b ? -1 : 1)) : [];
  const way = vehicle.supply.kind === 'dc-track' ? state.direction : '';
  return JSON.stringify([way, outputs, Object.entries(state.switches).sort(([a], [b]) => (a < b ? -1 : 1))]);
}

function doesShine(lightness: number, should: boolean): LampVerdict['does'] {
  if (lightness < FAINT_LIGHTNESS) return 'dark';
  return should || lightness >= SHOWN.shows ? 'lit' : 'faint';
}
