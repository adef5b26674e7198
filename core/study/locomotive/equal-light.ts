import { topologies } from '../../assembly/topologies';
import { change, type Patch } from '../../document/patch';
import { inOrder } from '../../document/in-order';
import { locomotiveIn } from '../../document/jobs';
import { lampRoles } from '../../document/lamp-roles';
import { lightness, shareOfLightness } from '../../light/lightness';
import { nearestPreferred } from '../../part/preferred';
import { reachableStates, driveKey } from './states';
import { shouldShine } from './expected';
import { VehicleSolver, type LitState } from './lit';
import { vehicleOf, type Vehicle, type VehicleState } from './vehicle';
import { supplyIdOf } from './wrong-way';

/** The resistor one lamp wants so that it looks as bright as its role should. */
export interface RoleProposal {
  readonly lampId: string;
  readonly ohms: number;
  /** The nearest value that is sold. */
  readonly preferredOhms: number;
  /** Its light to the eye, 0 to 100, now and with the preferred resistor; and as wanted. */
  readonly now: number;
  readonly then: number;
  readonly wanted: number;
}

export interface EqualLightStudy {
  readonly proposals: readonly RoleProposal[];
  readonly patches: readonly Patch[];
}

const TURNS = 12;
const LEAST_OHMS = 47;
const MOST_OHMS = 220_000;
/** A turn moves a resistor by this factor at most. */
const BOLDEST = 8;

/**
 * Resistors that put every lamp with one of its own at the light its role should have beside a lamp
 * that looks right as it is: headlight over marker over number board, by the shares in the table of
 * roles. Luminous data, lens, tint and aim are in what is solved.
 * @param referenceId the lamp that looks right
 * @throws CircuitError when the circuit cannot be solved
 */
export function equalLight(vehicle: Vehicle, referenceId: string): EqualLightStudy {
  const { job, layout, jobId } = vehicle;
  const supplyId = supplyIdOf(vehicle);
  const own = inOrder(job.lamps).filter(
    (l) => l.circuitId !== null && topologies[job.circuits[l.circuitId].topology].resistors === 'each',
  );
  const states = distinctStates(vehicle);
  const stateFor = (lampId: string): VehicleState | undefined =>
    states.find((s) => shouldShine(job, lampId, false, s));
  const reference = stateFor(referenceId);
  if (!reference) return { proposals: [], patches: [] };
  const lightOf = (lit: LitState, lampId: string): number =>
    lit.lamps.find((l) => l.lampId === lampId)?.lightness ?? 0;
  /** Light in proportion to candela: lightness undone. */
  const measured = (v: Vehicle): Map<string, number> => {
    const solver = new VehicleSolver(v);
    const known = new Map<VehicleState, LitState>();
    const lights = new Map<string, number>();
    for (const l of [...own, { ...job.lamps[referenceId], id: referenceId }]) {
      const state = stateFor(l.id);
      if (!state) continue;
      let lit = known.get(state);
      if (!lit) known.set(state, (lit = solver.lit(state)));
      lights.set(l.id, lightOf(lit, l.id));
    }
    return lights;
  };
  const now = measured(vehicle);
  const right = shareOfLightness(now.get(referenceId) ?? 0);
  const rightShare = lampRoles[job.lamps[referenceId].role].share;
  const targets = new Map(own.map((l) => [l.id, (right * lampRoles[l.role].share) / rightShare]));
  const ohms = new Map(own.map((l) => [l.id, l.ohms]));
  const withOhms = (values: ReadonlyMap<string, number>) =>
    change(layout, (draft) => {
      const lamps = locomotiveIn(draft, jobId).lamps;
      for (const [id, value] of values) lamps[id].ohms = value;
    });
  if (!(right > 0)) return { proposals: [], patches: [] };
  for (let turn = 0; turn < TURNS; turn++) {
    const lights = turn === 0 ? now : measured(vehicleOf(withOhms(ohms).layout, jobId, supplyId));
    for (const l of own) {
      if (l.id === referenceId) continue;
      const is = shareOfLightness(lights.get(l.id) ?? 0);
      const factor = is > 0 ? is / targets.get(l.id)! : 1 / BOLDEST;
      const bounded = Math.min(BOLDEST, Math.max(1 / BOLDEST, factor));
      ohms.set(l.id, Math.min(MOST_OHMS, Math.max(LEAST_OHMS, ohms.get(l.id)! * bounded)));
    }
  }
  const preferred = new Map([...ohms].map(([id, value]) => [id, nearestPreferred(value, 'E12')]));
  if (preferred.has(referenceId)) preferred.set(referenceId, job.lamps[referenceId].ohms);
  const made = withOhms(preferred);
  const then = measured(vehicleOf(made.layout, jobId, supplyId));
  return {
    patches: made.patches,
    proposals: own.map((l) => ({
      lampId: l.id,
      ohms: l.id === referenceId ? l.ohms : ohms.get(l.id)!,
      preferredOhms: preferred.get(l.id)!,
      now: now.get(l.id) ?? 0,
      then: then.get(l.id) ?? 0,
      wanted: lightness(targets.get(l.id)!),
    })),
  };
}

/** States in which something differs, one of each. */
function distinctStates(vehicle: Vehicle): VehicleState[] {
  const seen = new Map(
    reachableStates(vehicle).states.map((s) => [driveKey(vehicle, s) + s.direction, s] as const),
  );
  return [...seen.values()];
}
