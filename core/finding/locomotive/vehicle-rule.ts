import { CircuitError } from '../../circuit/error';
import { change } from '../../document/patch';
import { locomotiveIn } from '../../document/jobs';
import { isHead, isTail, type LampRoleName } from '../../document/lamp-roles';
import { lampNames } from '../../document/lamp-name';
import { throttleSweep, type ThrottleSweep } from '../../study/locomotive/throttle-sweep';
import {
  truthTable,
  type TruthRow,
  type TruthTable,
  type UnsolvedState,
} from '../../study/locomotive/states';
import { VehicleSolver } from '../../study/locomotive/lit';
import type { Draft } from 'immer';
import type { Layout } from '../../document/layout';
import type { LocomotiveRecord } from '../../document/locomotive-record';
import type { Vehicle, VehicleState } from '../../study/locomotive/vehicle';
import type { Finding, Remedy } from '../finding';

/** What every rule about a locomotive judges by. */
export interface VehicleStudy {
  readonly vehicle: Vehicle;
  readonly table: TruthTable;
  /** Every state where most flows: a DC track at full throttle, any other as it is. */
  readonly atMost: readonly TruthRow[];
  /** States without an answer: nothing is judged by them, and that is said. */
  readonly unsolved: readonly UnsolvedState[];
  readonly sweep: ThrottleSweep | null;
}

/** One rule about a locomotive; one file each, listed in `check-vehicle.ts`. */
export interface VehicleRule {
  readonly id: string;
  judge(study: VehicleStudy): Finding[];
}

/**
 * Solves what the rules need.
 * @throws CircuitError when the circuit cannot be solved
 */
export function vehicleStudy(vehicle: Vehicle): VehicleStudy {
  const solver = new VehicleSolver(vehicle);
  const table = truthTable(vehicle, solver);
  const onDc = vehicle.supply.kind === 'dc-track';
  const unsolved = [...table.unsolved];
  const atMost = !onDc
    ? table.rows
    : table.rows.flatMap((row) => {
        const state = { ...row.state, throttle: 1 };
        const lit = answered(
          () => solver.lit(state),
          (reason) => unsolved.push({ state, reason }),
        );
        return lit ? [{ ...row, lit, lamps: row.lamps.map((l, k) => ({ ...l, ...lit.lamps[k] })) }] : [];
      });
  const sweep = answered(
    () => throttleSweep(vehicle, solver),
    () => undefined,
  );
  return { vehicle, table, atMost, unsolved, sweep };
}

/** What has no answer silences only what needs it. */
function answered<T>(ask: () => T, refused: (reason: string) => void): T | null {
  try {
    return ask();
  } catch (error) {
    if (!(error instanceof CircuitError)) throw error;
    refused(error.message);
    return null;
  }
}

/** A remedy of one change to the vehicle's own record. */
export function vehicleRemedy(
  { layout, jobId }: Vehicle,
  label: string,
  recipe: (job: Draft<LocomotiveRecord>, draft: Draft<Layout>) => void,
): Remedy {
  return { label, patches: change(layout, (draft) => recipe(locomotiveIn(draft, jobId), draft)).patches };
}

/** The paths of lamps, and their terminals. */
export function aboutLamps(
  { jobId }: Vehicle,
  lampIds: readonly string[],
): Pick<Finding, 'paths' | 'terminals'> {
  const own = [...new Set(lampIds)];
  return {
    paths: own.map((id) => ['jobs', jobId, 'lamps', id]),
    terminals: own.map((id) => ({ part: `lamp-${id}`, terminal: 'anode' })),
  };
}

/** Lamps by name, the first few. */
export function lampsNamed({ job }: Vehicle, lampIds: readonly string[], most = 3): string {
  const all = lampNames(job);
  const names = [...new Set(lampIds)].map((id) => all.get(id)!);
  const rest = names.length - most;
  return rest > 0 ? `${names.slice(0, most).join(', ')} and ${rest} more` : names.join(', ');
}

/** A state in words: "forward, F0 and F2 on". */
export function stateWords(vehicle: Vehicle, state: VehicleState): string {
  const pressed =
    vehicle.job.decoder === null
      ? []
      : [
          state.functions.length === 0
            ? 'nothing pressed'
            : state.functions.map((f) => `F${f}`).join(' and ') + ' on',
        ];
  const off = Object.entries(state.switches)
    .filter(([, on]) => !on)
    .map(([id]) => `${vehicle.job.circuits[id].switch?.name ?? 'switch'} off`);
  return [state.direction, ...pressed, ...new Set(off)].join(', ');
}

type Die = { readonly lampId: string; readonly second: boolean };

/** On a decoder class lights are set by hand and tell no direction. */
const tells = (job: LocomotiveRecord, role: LampRoleName): boolean =>
  job.decoder === null || !role.startsWith('marker');

/** Whether a colour of a lamp says “this end goes first”. */
export function saysHead(job: LocomotiveRecord, { lampId, second }: Die): boolean {
  const { role } = job.lamps[lampId];
  return tells(job, role) && (second ? isTail(role) : isHead(role));
}

/** Whether a colour of a lamp says “here it ends”. */
export function saysTail(job: LocomotiveRecord, { lampId, second }: Die): boolean {
  const { role } = job.lamps[lampId];
  return tells(job, role) && (second ? isHead(role) : isTail(role));
}

/** States of every day: lights on and every switch on. */
export function litRows({ vehicle, table }: VehicleStudy): TruthRow[] {
  const onDecoder = vehicle.job.decoder !== null && vehicle.supply.kind !== 'dc-track';
  return table.rows.filter(
    (r) => Object.values(r.state.switches).every((on) => on) && (!onDecoder || r.state.functions.includes(0)),
  );
}
