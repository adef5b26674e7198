import { decoderTypeOf } from '../document/decoder-record';
import { chainOf } from '../document/line-stages';
import { supplyKind, type Controls } from '../supply';
import { driveDecoder } from '../supply/drivers/decoder';
import { BOTH, directionIn, throttleIn, undriven, type Phase, type State } from '../supply/state';
import { driverKind } from '../supply/drivers';
import { driverOf } from '../document/aspect-record';
import { askedIn, outputOf } from './aspects';
import { shinesOf } from '../kinds/shines';
import { switchInput } from './states';
import type { AnyJob } from '../document/layout';
import type { LineRecord } from '../document/wiring-record';
import type { Part } from '../assembly/assembly';
import type { Bench } from './bench';

type Line = LineRecord & { readonly id: string };

/** How the supply is set in a state. */
export const controlsIn = (state: State): Controls => ({
  throttle: throttleIn(state),
  direction: directionIn(state),
  both: state[BOTH] === true,
});

/** Whether a switch part lets current through in a state. */
export function isClosed(part: Extract<Part, { kind: 'switch' }>, state: State): boolean {
  const set = part.line === null ? undefined : state[switchInput(part.name)];
  return typeof set === 'boolean' ? set : part.on;
}

/** Whether a decoder has the volts to work in a state: one asleep lights nothing. */
function isAwake({ job, supply }: Pick<Bench, 'job' | 'supply'>, state: State): boolean {
  if (!job.decoder || supply.kind !== 'dc-track') return true;
  const { runsOnDc, wakeVolts } = decoderTypeOf(job.decoder);
  return runsOnDc && throttleIn(state) * supplyKind(supply).highestVolts(supply) >= wakeVolts;
}

/** Whether something with outputs decides who conducts. */
const hasOutputs = (job: AnyJob): boolean => job.decoder !== null || driverOf(job) !== null;

/** What drives the outputs in a state: its phases, each in slices. */
export function phasesOf(bench: Pick<Bench, 'job' | 'supply'>, state: State): readonly Phase[] {
  const { decoder } = bench.job;
  const driver = driverOf(bench.job);
  if (driver) return driverKind(driver).drive(driver, askedIn(bench.job, state));
  return decoder && isAwake(bench, state) ? driveDecoder(decoder, state) : undriven;
}

/** The lines to a circuit from its source, where every switch in the way is on in a state; null where one is off. */
function closedWay(job: AnyJob, circuitId: string, state: State): readonly Line[] | null {
  const way = chainOf(job, job.circuits[circuitId].lineId);
  const isOn = ({ stages }: Line): boolean =>
    Object.values(stages).every((stage) => {
      if (stage.kind === 'socket') return stage.on;
      if (stage.kind !== 'switch') return true;
      const set = state[switchInput(stage.name)];
      return typeof set === 'boolean' ? set : stage.on;
    });
  return way.every(isOn) ? way : null;
}

const conducts = (phase: Phase, output: string): boolean =>
  phase.slices.some((s) => s.conducting.has(output));

/** Whether a circuit is fed in a phase of a state: every switch in its way is on, and its output, or that of one of its lamps, conducts. */
export function isFed(job: AnyJob, circuitId: string, state: State, phase: Phase | null = null): boolean {
  const way = closedWay(job, circuitId, state);
  if (!way) return false;
  const [{ from }] = way;
  if (!phase || from.kind !== 'output' || !hasOutputs(job) || conducts(phase, from.output)) return true;
  return Object.keys(job.lamps).some(
    (id) => job.lamps[id].circuitId === circuitId && conducts(phase, outputOf(job, id)!),
  );
}

/**
 * Whether one colour of a lamp is meant to shine in a phase of a state. On an output the driver says
 * so; else its kind does. The other colour of a two-colour lamp is meant for the other way.
 */
export function shouldShine(
  job: AnyJob,
  lampId: string,
  second: boolean,
  state: State,
  phase: Phase,
): boolean {
  const { circuitId } = job.lamps[lampId];
  const way = circuitId === null ? null : closedWay(job, circuitId, state);
  if (!way) return false;
  const [root] = way;
  if (root.from.kind === 'output' && hasOutputs(job))
    return !second && conducts(phase, outputOf(job, lampId)!);
  // What hangs on a supply beside the job's own knows neither its directions nor its throttle.
  if (root.from.kind === 'supply' && root.from.supplyId !== null) return !second;
  return shinesOf(job.kind).shines(job, lampId, state, second);
}

/** Two phases with the same key drive the circuit alike. */
export function driveKey(bench: Bench, state: State, phase: Phase): string {
  const slices = phase.slices
    .filter((s) => s.share > 0)
    .map((s) => [s.share, [...s.conducting].sort()] as const);
  const switches = bench.assembly.parts.flatMap((p) => (p.kind === 'switch' ? [isClosed(p, state)] : []));
  const set = supplyKind(bench.supply)
    .inputs(bench.supply)
    .map((i) => state[i.id] ?? i.usual);
  return JSON.stringify([slices, switches, set]);
}
