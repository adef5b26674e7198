import { lampName } from '../../document/lamp-name';
import { inOrder } from '../../document/in-order';
import { change } from '../../document/patch';
import { locomotiveIn } from '../../document/jobs';
import { VehicleSolver } from './lit';
import { driveKey, reachableStates, truthRows, type TruthRow, type UnsolvedState } from './states';
import { vehicleOf, type Vehicle } from './vehicle';
import type { Draft } from 'immer';
import type { End } from '../../document/ends';
import type { LocomotiveRecord } from '../../document/locomotive-record';

/** What to do at the end that is easiest to reach, and why there. */
export interface Cure {
  readonly label: string;
  readonly says: string;
  readonly mend: (job: Draft<LocomotiveRecord>) => void;
}

/** How many colours of lamps, over every state, do not do what they are meant to. */
export function wrongLamps(vehicle: Vehicle, end?: End): number {
  let wrong = 0;
  for (const row of differentRows(vehicle, [])) wrong += wrongIn(vehicle, row, end);
  return wrong;
}

/** Whether every lamp of an end does what it is meant to; ends at the first that does not. */
function allRight(vehicle: Vehicle, end: End): boolean {
  const unsolved: UnsolvedState[] = [];
  for (const row of differentRows(vehicle, unsolved)) if (wrongIn(vehicle, row, end) > 0) return false;
  return unsolved.length === 0;
}

/** One row, solved as it is asked for, of all states that drive the circuit or tell it apart. */
function* differentRows(vehicle: Vehicle, unsolved: UnsolvedState[]): Generator<TruthRow> {
  const seen = new Set<string>();
  for (const row of truthRows(vehicle, reachableStates(vehicle), new VehicleSolver(vehicle), unsolved)) {
    const key = driveKey(vehicle, row.state) + row.state.direction;
    if (seen.has(key)) continue;
    seen.add(key);
    yield row;
  }
}

const wrongIn = (vehicle: Vehicle, row: TruthRow, end?: End): number =>
  row.lamps.filter(
    (l) => (end === undefined || vehicle.job.lamps[l.lampId].end === end) && l.should !== (l.does === 'lit'),
  ).length;

/**
 * The single change of leads that puts right what an end shows the wrong way, tried on the circuit
 * and not assumed: swapping the two leads of a circuit where that mends it, else turning one lamp,
 * else taking out a steering diode's effect.
 * @returns null when nothing is wrong, or no single change mends it
 */
export function cureFor(vehicle: Vehicle, end: End): Cure | null {
  const before = wrongLamps(vehicle, end);
  if (before === 0) return null;
  const { job } = vehicle;
  const atEnd = inOrder(job.lamps).filter((l) => l.end === end && l.circuitId !== null);
  const circuits = inOrder(job.circuits).filter((c) => atEnd.some((l) => l.circuitId === c.id));
  const tries: Cure[] = [
    ...circuits.map((c): Cure => {
      const onOutput = c.feed.kind === 'output' && job.decoder !== null;
      const at =
        c.feed.kind === 'track'
          ? { pickups: 'at the pickups', 'motor-tags': 'at the motor tags', board: 'at the board' }[
              c.feed.tap
            ]
          : 'at the plug';
      return {
        label: `Swap the two leads of ${c.name}`,
        says: onOutput
          ? `Its two wires changed places ${at}: the blue one is the common positive and goes to the resistors.`
          : `All of ${c.name} is the wrong way round, so its two leads change places, ${at}, where they are easiest to reach.`,
        mend: (draft) => void (draft.circuits[c.id].leadsSwapped = !c.leadsSwapped),
      };
    }),
    ...atEnd.map((l): Cure => ({
      label: `Turn ${lampName(job, l.id)}`,
      says: `Swapping leads would turn the others too: only ${lampName(job, l.id)} is the wrong way round, at its own two joints.`,
      mend: (draft) => void (draft.lamps[l.id].reversed = !l.reversed),
    })),
    ...circuits
      .filter((c) => c.steering === 'kept')
      .map((c): Cure => ({
        label: `Bridge the steering diode of ${c.name}`,
        says: `The old bulb’s diode lets current through one way only; a wire across it can be taken out again.`,
        mend: (draft) => void (draft.circuits[c.id].steering = 'bridged'),
      })),
  ];
  for (const cure of tries) {
    const layout = change(vehicle.layout, (draft) => cure.mend(locomotiveIn(draft, vehicle.jobId))).layout;
    if (allRight(vehicleOf(layout, vehicle.jobId, supplyIdOf(vehicle)), end)) return cure;
  }
  return null;
}

/** The track a vehicle is laid out on. */
export function supplyIdOf({ assembly }: Vehicle): string {
  const rails = assembly.parts.find((p) => p.kind === 'rails');
  return rails?.kind === 'rails' ? rails.supplyId : '';
}
