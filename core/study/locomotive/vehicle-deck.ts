import { elementId } from '../../assembly/element-id';
import { lower } from '../../assembly/lower';
import { writeDeck } from '../../circuit/deck/write';
import { outputsOn } from '../../supply/decoder-output';
import { switchedOn } from './expected';
import type { Netlist } from '../../circuit/netlist';
import type { Vehicle, VehicleState } from './vehicle';

/** The circuit of a vehicle with outputs and switches as a state has them; dimmed outputs conduct. */
export function vehicleNetlist(vehicle: Vehicle, state: VehicleState): Netlist {
  const { job, assembly, supply } = vehicle;
  const { direction, throttle } = state;
  const { netlist } = lower(assembly, supply, { controls: { direction, throttle } });
  const on = new Set(
    job.decoder ? [...outputsOn(job.decoder, state).keys()].map((id) => elementId('x', 'decoder', id)) : [],
  );
  const switches = new Map(
    Object.keys(job.circuits).map((id) => [elementId('x', `switch-${id}`), switchedOn(job, id, state)]),
  );
  return {
    ...netlist,
    elements: netlist.elements.map((e) =>
      e.kind === 'switch'
        ? { ...e, closed: switches.get(e.id) ?? (on.has(e.id) || e.of?.role === 'filament') }
        : e,
    ),
  };
}

/** Length of the run that is written for a track that is not still, and its step, in seconds. */
const RUN_SECONDS = 20e-3;
const STEP_SECONDS = 2e-6;

/** A vehicle's circuit as a SPICE deck: at rest on a still track, a short run on another. */
export function vehicleDeck(netlist: Netlist): string {
  const still = netlist.elements.every((e) => e.kind !== 'voltage' || e.wave.kind === 'dc');
  return writeDeck(netlist, {
    cards: still
      ? ['.op', '.print op i(v_supply)']
      : [`.tran ${STEP_SECONDS} ${RUN_SECONDS}`, '.print tran i(v_supply)'],
  });
}
