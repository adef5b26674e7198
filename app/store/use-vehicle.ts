import { useMemo } from 'react';
import { benchOf, type Bench } from '../../core/study/bench';
import { Solver } from '../../core/study/solver';
import { switchInput, usualState } from '../../core/study/states';
import { functionInput, functionsOf } from '../../core/supply/drivers/decoder';
import { locomotiveIn } from '../../core/kinds/locomotive/jobs';
import { ownDirection } from '../../core/kinds/locomotive/own-direction';
import type { Layout } from '../../core/document/layout';
import type { LocomotiveRecord } from '../../core/kinds/locomotive/record';
import type { Readings } from '../../core/study/readings';
import type { State } from '../../core/supply/state';
import type { VehicleControls } from './vehicle-store';

/** A locomotive on the bench. */
export type VehicleBench = Bench<LocomotiveRecord>;

/** A locomotive laid out and solved as its controls stand. */
export interface SolvedVehicle {
  readonly vehicle: VehicleBench;
  readonly state: State;
  /** Null when it cannot be solved; `failure` then says why. */
  readonly lit: Readings | null;
  readonly failure: string | null;
}

/** What a hand has set, as the state to be solved. */
export function stateOf(controls: VehicleControls, vehicle: VehicleBench): State {
  const { functions, presses, moving, switches } = controls;
  const { job, supply } = vehicle;
  // On DC the hand sets the track; a decoder knows its own vehicle's direction.
  const onDc = supply.kind === 'dc-track';
  return usualState(vehicle, {
    direction: onDc ? ownDirection(job, controls.direction) : controls.direction,
    presses,
    moving,
    ...(job.decoder
      ? Object.fromEntries(functionsOf(job.decoder).map((f) => [functionInput(f), functions.includes(f)]))
      : {}),
    ...Object.fromEntries(Object.entries(switches).map(([name, on]) => [switchInput(name), on])),
    ...(controls.throttle === null ? {} : { throttle: controls.throttle }),
  });
}

/** Solves a locomotive whenever it, its track or its controls change; it is compiled anew only for the former. */
export function useVehicle(layout: Layout, jobId: string, controls: VehicleControls): SolvedVehicle {
  const { supplyId } = controls;
  const { vehicle, solver } = useMemo(() => {
    const onSupply = supplyId !== null && Object.hasOwn(layout.supplies, supplyId) ? supplyId : undefined;
    const bench = benchOf(layout, jobId, { supplyId: onSupply });
    return { vehicle: { ...bench, job: locomotiveIn(layout, jobId) }, solver: new Solver(bench) };
  }, [layout, jobId, supplyId]);
  const state = useMemo(() => stateOf(controls, vehicle), [controls, vehicle]);
  const key = JSON.stringify(state);
  return useMemo(() => {
    try {
      return { vehicle, state, lit: solver.at(state), failure: null };
    } catch (error) {
      return { vehicle, state, lit: null, failure: error instanceof Error ? error.message : String(error) };
    }
    // The state is compared by what it says.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [vehicle, solver, key]);
}
