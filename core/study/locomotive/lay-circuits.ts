import { topologies } from '../../assembly/topologies';
import { decoderTypes } from '../../part/decoder-type';
import { hasCommon, plugs } from '../../part/plug';
import { endNames } from '../../document/ends';
import { inOrder } from '../../document/in-order';
import { isHead, isTail, lampRoles, showsOf } from '../../document/lamp-roles';
import { usualRule } from '../../supply/function-map';
import type {
  LampCircuitRecord,
  LocomotiveRecord,
  VehicleLampRecord,
} from '../../document/locomotive-record';
import type { TopologyName } from '../../document/topology-names';

/** A circuit as it commonly begins. */
export function usualCircuit(
  order: number,
  name: string,
  set: Partial<LampCircuitRecord> = {},
): LampCircuitRecord {
  return {
    order,
    name,
    topology: 'resistor-each',
    ohms: 1000,
    ratedWatts: 0.25,
    feed: { kind: 'track', tap: 'pickups' },
    steering: 'none',
    leadsSwapped: false,
    switch: null,
    reservoir: null,
    regulatedVolts: 5,
    ...set,
  };
}

/** Wires every lamp on the rails: those that show a direction by the topology, those that always shine behind a bridge of their own. */
export function layOnTrack(job: LocomotiveRecord, topology: TopologyName): void {
  job.decoder = null;
  job.circuits = {};
  let order = 0;
  for (const end of endNames) {
    const own = inOrder(job.lamps).filter((l) => l.end === end);
    const steady = own.filter((l) => showsOf(l) === 'both');
    const directional = own.filter((l) => showsOf(l) !== 'both');
    const bulb = directional.some((l) => l.part.startsWith('bulb'));
    const lay = (lamps: typeof own, id: string, circuit: LampCircuitRecord): void => {
      if (lamps.length === 0) return;
      job.circuits[id] = circuit;
      for (const l of lamps) job.lamps[l.id].circuitId = id;
    };
    lay(
      directional,
      `end-${end.toLowerCase()}`,
      usualCircuit(++order, `End ${end}`, {
        topology: bulb ? 'bulb' : topology,
        steering: bulb ? 'kept' : 'none',
      }),
    );
    lay(
      steady,
      `inside-${end.toLowerCase()}`,
      usualCircuit(++order, `Always lit, end ${end}`, { topology: 'own-bridge' }),
    );
  }
}

/**
 * Wires a vehicle anew after lamps came or went, the way it was wired: on its decoder, or on the rails
 * by the topology it had. A steering diode that an old bulb left behind stays where it was.
 */
export function wireAnew(job: LocomotiveRecord): void {
  if (job.decoder) {
    layOnDecoder(job, job.decoder.type, job.decoder.plug);
    return;
  }
  const before = Object.entries(job.circuits);
  const like = before.find(([, c]) => c.topology !== 'own-bridge' && c.topology !== 'bulb');
  layOnTrack(job, like?.[1].topology ?? 'shared-both-ways');
  for (const [id, old] of before) {
    if (old.steering !== 'none' && Object.hasOwn(job.circuits, id)) job.circuits[id].steering = old.steering;
  }
}

/** Roles that share an output on a decoder, in the order outputs are given away. */
const groupsOnDecoder = [
  'ditch',
  'marker-white',
  'marker-green',
  'number-board',
  'destination',
  'cab',
  'step',
  'engine-room',
] as const;

/**
 * Hangs every lamp on a decoder's outputs. Headlights take F0 by direction; red lamps of an end share
 * the other end's headlight output; each other role takes the next output that is free, both ends
 * together. What finds no output is left with its leads loose.
 */
export function layOnDecoder(job: LocomotiveRecord, typeId: string, plugId: string): void {
  const type = decoderTypes[typeId];
  const rule = (fn: number, direction: 'both' | 'forward' | 'reverse') => ({
    ...usualRule,
    keys: [{ function: fn, direction }],
  });
  const returnTo =
    plugId === '6-pin' || !hasCommon(plugs[plugId]) ? ('right-rail' as const) : ('common' as const);
  job.decoder = {
    type: typeId,
    plug: plugId,
    outputs: { out1: rule(0, 'forward'), out2: rule(0, 'reverse') },
    exclusive: [],
    stepped: null,
  };
  job.circuits = {};
  let order = 0;
  const hang = (
    id: string,
    name: string,
    output: `out${number}`,
    of: (l: VehicleLampRecord) => boolean,
  ): void => {
    const lamps = inOrder(job.lamps).filter(of);
    if (lamps.length === 0) return;
    job.circuits[id] = usualCircuit(++order, name, {
      topology: 'resistor-each',
      feed: { kind: 'output', output, returnTo },
    });
    for (const l of lamps) job.lamps[l.id].circuitId = id;
  };
  for (const l of Object.values(job.lamps)) l.circuitId = null;
  for (const end of endNames) {
    const [own, far] = end === 'A' ? (['out1', 'out2'] as const) : (['out2', 'out1'] as const);
    const low = end.toLowerCase();
    hang(`head-${low}`, `Head lamps ${end}`, own, (l) => l.end === end && isDirectional(l) && isHead(l.role));
    hang(`tail-${low}`, `Tail lamps ${end}`, far, (l) => l.end === end && isTail(l.role));
  }
  let next = 3;
  let fn = 1;
  for (const role of groupsOnDecoder) {
    if (!Object.values(job.lamps).some((l) => l.role === role)) continue;
    const output = type.outputs.find((o) => o.id === `out${next}` && o.level === 'full');
    if (!output) break;
    job.decoder.outputs[output.id] = rule(fn++, 'both');
    hang(role, lampRoles[role].name, output.id, (l) => l.role === role);
    next++;
  }
}

/** Lamps that F0 lights by direction: those of groups of their own are not. */
const isDirectional = (l: VehicleLampRecord): boolean =>
  !(groupsOnDecoder as readonly string[]).includes(l.role);

/** Ways a circuit may be wired, for where it hangs. */
export const topologiesOn = (on: 'track' | 'output') =>
  Object.values(topologies).filter((t) => t.on.includes(on));
