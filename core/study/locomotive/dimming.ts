import { topologies } from '../../assembly/topologies';
import { change } from '../../document/patch';
import { inOrder } from '../../document/in-order';
import { locomotiveIn } from '../../document/jobs';
import { nearestPreferred } from '../../part/preferred';
import { reachableStates } from './states';
import { outputsOn } from '../../supply/decoder-output';
import { VehicleSolver } from './lit';
import { vehicleOf, type Vehicle } from './vehicle';
import { supplyIdOf } from './wrong-way';

/** A dimmed output, and the resistors that dim its lamps as much while it conducts all the time. */
export interface DimmingStudy {
  readonly brightness: number;
  /** By lamp, or by circuit where one resistor serves all of it. */
  readonly resistors: readonly {
    readonly id: string;
    readonly of: 'lamp' | 'circuit';
    readonly ohms: number;
    readonly instead: number;
    readonly preferred: number;
  }[];
}

const TURNS = 14;

interface Held {
  readonly id: string;
  readonly of: 'lamp' | 'circuit';
  readonly ohms: number;
  /** The lamp whose light is watched. */
  readonly lampId: string;
}

/**
 * What resistors give the lamps of an output, conducting steadily, the light they have by its drive
 * share. Found on the circuit: light by pulses is the mean of the light, and a lamp at less current
 * has a lower voltage, so the resistor is larger than the share alone says.
 * @returns null where the output is not dimmed, or nothing with a resistor hangs on it
 * @throws CircuitError when the circuit cannot be solved
 */
export function dimmingStudy(vehicle: Vehicle, outputId: string): DimmingStudy | null {
  const { job, layout, jobId } = vehicle;
  const rule = job.decoder?.outputs[outputId];
  if (!job.decoder || !rule || rule.brightness >= 1 || rule.brightness <= 0) return null;
  const table = job.decoder;
  const state = reachableStates(vehicle).states.find((s) => outputsOn(table, s).has(outputId));
  const circuits = inOrder(job.circuits).filter(
    (c) => c.feed.kind === 'output' && c.feed.output === outputId,
  );
  const lamps = inOrder(job.lamps).filter((l) => circuits.some((c) => c.id === l.circuitId));
  if (!state || lamps.length === 0) return null;
  const held = circuits.flatMap((c): Held[] => {
    const { resistors } = topologies[c.topology];
    if (resistors === 'shared') {
      const lamp = lamps.find((l) => l.circuitId === c.id);
      return lamp ? [{ id: c.id, of: 'circuit', ohms: c.ohms, lampId: lamp.id }] : [];
    }
    if (resistors !== 'each') return [];
    return lamps
      .filter((l) => l.circuitId === c.id)
      .map((l) => ({ id: l.id, of: 'lamp', ohms: l.ohms, lampId: l.id }));
  });
  if (held.length === 0) return null;
  const lumens = (v: Vehicle): Map<string, number> =>
    new Map(
      new VehicleSolver(v)
        .lit(state)
        .lamps.filter((l) => !l.second)
        .map((l) => [l.lampId, l.lumens]),
    );
  const wanted = lumens(vehicle);
  const instead = held.map((h) => h.ohms);
  for (let turn = 0; turn < TURNS; turn++) {
    const tried = change(layout, (draft) => {
      const own = locomotiveIn(draft, jobId);
      own.decoder!.outputs[outputId].brightness = 1;
      held.forEach((h, i) => {
        if (h.of === 'lamp') own.lamps[h.id].ohms = instead[i];
        else own.circuits[h.id].ohms = instead[i];
      });
    }).layout;
    const now = lumens(vehicleOf(tried, jobId, supplyIdOf(vehicle)));
    held.forEach((h, i) => (instead[i] *= (now.get(h.lampId) ?? 0) / (wanted.get(h.lampId) ?? 1)));
  }
  return {
    brightness: rule.brightness,
    resistors: held.map((h, i) => ({
      id: h.id,
      of: h.of,
      ohms: h.ohms,
      instead: instead[i],
      preferred: nearestPreferred(instead[i], 'E12'),
    })),
  };
}

/**
 * Light of the lamps on a decoder's outputs over what they would have with a common positive: what a
 * plug without a blue wire costs.
 * @returns a share, 1 where nothing returns to a rail; null without lamps on outputs
 * @throws CircuitError when the circuit cannot be solved
 */
export function railReturnShare(vehicle: Vehicle): number | null {
  const { job, layout, jobId } = vehicle;
  const { decoder } = job;
  if (!decoder) return null;
  const state = reachableStates(vehicle).states.find((s) => outputsOn(decoder, s).size > 0);
  if (!state) return null;
  const total = (v: Vehicle): number =>
    new VehicleSolver(v).lit(state).lamps.reduce((sum, l) => sum + l.lumens, 0);
  const common = change(layout, (draft) => {
    for (const c of Object.values(locomotiveIn(draft, jobId).circuits))
      if (c.feed.kind === 'output') c.feed.returnTo = 'common';
  }).layout;
  const most = total(vehicleOf(common, jobId, supplyIdOf(vehicle)));
  return most > 0 ? total(vehicle) / most : null;
}
