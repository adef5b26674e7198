import { useMemo } from 'react';
import { madeFor } from '../../core/study/bench';
import { VehicleSolver, type LitState } from '../../core/study/locomotive/lit';
import {
  ownDirection,
  vehicleOf,
  type Vehicle,
  type VehicleState,
} from '../../core/study/locomotive/vehicle';
import type { Layout } from '../../core/document/layout';
import type { VehicleControls } from './vehicle-store';

/** A locomotive laid out and solved as its controls stand. */
export interface SolvedVehicle {
  readonly vehicle: Vehicle;
  readonly state: VehicleState;
  /** Null when it cannot be solved; `failure` then says why. */
  readonly lit: LitState | null;
  readonly failure: string | null;
}

/** What a hand has set, as the state to be solved. */
export function stateOf(controls: VehicleControls, vehicle: Pick<Vehicle, 'supply' | 'job'>): VehicleState {
  const { functions, presses, moving, switches } = controls;
  // On DC the hand sets the track; a decoder knows its own vehicle's direction.
  const onDc = vehicle.supply.kind === 'dc-track';
  return {
    direction: onDc ? ownDirection(vehicle.job, controls.direction) : controls.direction,
    functions,
    presses,
    moving,
    switches,
    throttle: controls.throttle ?? madeFor(vehicle.supply).throttle,
  };
}

/** Solves a locomotive whenever it, its track or its controls change; it is compiled anew only for the former. */
export function useVehicle(layout: Layout, jobId: string, controls: VehicleControls): SolvedVehicle {
  const { supplyId } = controls;
  const { vehicle, solver } = useMemo(() => {
    const onSupply = supplyId !== null && Object.hasOwn(layout.supplies, supplyId) ? supplyId : undefined;
    const vehicle = vehicleOf(layout, jobId, onSupply);
    return { vehicle, solver: new VehicleSolver(vehicle) };
  }, [layout, jobId, supplyId]);
  const state = useMemo(() => stateOf(controls, vehicle), [controls, vehicle]);
  const key = JSON.stringify(state);
  return useMemo(() => {
    try {
      return { vehicle, state, lit: solver.lit(state), failure: null };
    } catch (error) {
      return { vehicle, state, lit: null, failure: error instanceof Error ? error.message : String(error) };
    }
    // The state is compared by what it says.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [vehicle, solver, key]);
}
