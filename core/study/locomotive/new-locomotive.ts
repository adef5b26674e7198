import { decoderTypes } from '../../part/decoder-type';
import { hasCommon, plugs } from '../../part/plug';
import { scales, type ScaleName } from '../../quantity/scale';
import { change, type Change } from '../../document/patch';
import { inOrder } from '../../document/in-order';
import { endNames, type End } from '../../document/ends';
import { isHead, isTail, lampRoles } from '../../document/lamp-roles';
import { freeId, usualSupply } from '../../document/usual-supply';
import { topologies } from '../../assembly/topologies';
import { usualRule } from '../../supply/function-map';
import { lampSets } from './lamp-sets';
import type { Layout } from '../../document/layout';
import type {
  LampCircuitRecord,
  LocomotiveRecord,
  VehicleLampRecord,
} from '../../document/locomotive-record';
import type { TopologyName } from '../../document/topology-names';
import type { SupplyKindName } from '../../supply';

/** Sorts of vehicles with the defaults that follow; metres of the prototype (common practice, no source). */
export const vehicleSorts = [
  { id: 'shunter', name: 'Shunter', shape: 'hood', metres: 9.5, axles: 3, set: 'two-and-two' },
  {
    id: 'diesel',
    name: 'Diesel locomotive',
    shape: 'two-cabs',
    metres: 18.5,
    axles: 6,
    set: 'three-and-two',
  },
  {
    id: 'electric',
    name: 'Electric locomotive',
    shape: 'two-cabs',
    metres: 16.5,
    axles: 4,
    set: 'three-and-two',
  },
  { id: 'railcar', name: 'Railcar', shape: 'railcar', metres: 21, axles: 4, set: 'railcar' },
  { id: 'power-car', name: 'Power car, bulb-lit', shape: 'railcar', metres: 19, axles: 4, set: 'bulb' },
] as const;
export type VehicleSort = (typeof vehicleSorts)[number]['id'];

/** Width, height and wheels of the prototype's body, in metres. */
const BODY = { width: 2.9, height: 2.75, wheel: 1.0 };
const SMALLEST_LENS = 0.5;

/** A locomotive as wanted by someone who has not said more than this. */
export interface VehicleWish {
  readonly sort: VehicleSort;
  readonly name: string;
  readonly lengthMillimetres: number;
  readonly set: string;
  /** One of the layout's supplies, or the kind of one to be added. */
  readonly supply: { readonly id: string } | { readonly kind: SupplyKindName };
  /** How its circuits are wired on the rails. */
  readonly topology: TopologyName;
  /** Its decoder and plug; null on the rails. */
  readonly decoder: { readonly type: string; readonly plug: string } | null;
}

/** Length of a sort in a scale, in millimetres, to the millimetre. */
export function usualVehicleLength(sort: VehicleSort, scale: ScaleName): number {
  return Math.round((vehicleSorts.find((s) => s.id === sort)!.metres * 1000) / scales[scale]);
}

/** Height of the underside above the rail, in millimetres. */
export const undersideAboveRail = (body: Pick<LocomotiveRecord['body'], 'wheelMillimetres'>): number =>
  body.wheelMillimetres;

/**
 * Adds a locomotive: the lamps of a set at both ends, wired on the rails by a topology, or on the
 * outputs of a decoder with the red lamps of one end on the other end's headlight output.
 * @returns the change, and the id of the new job
 */
export function newLocomotive(layout: Layout, wish: VehicleWish): Change & { readonly jobId: string } {
  const mm = (metres: number): number => Number(((metres * 1000) / scales[layout.scale]).toFixed(1));
  const sort = vehicleSorts.find((s) => s.id === wish.sort)!;
  const jobId = freeId(layout.jobs, 'locomotive');
  const made = change(layout, (draft) => {
    let supplyId: string;
    if ('id' in wish.supply) supplyId = wish.supply.id;
    else {
      const { kind } = wish.supply;
      supplyId = freeId(layout.supplies, kind);
      const order = 1 + Math.max(0, ...Object.values(layout.supplies).map((s) => s.order));
      draft.supplies[supplyId] = usualSupply(kind, layout.scale, order);
    }
    const body: LocomotiveRecord['body'] = {
      shape: sort.shape,
      lengthMillimetres: wish.lengthMillimetres,
      widthMillimetres: mm(BODY.width),
      heightMillimetres: mm(BODY.height),
      wheelMillimetres: mm(BODY.wheel),
      axles: sort.axles,
      wallMillimetres: 1,
      shell: 'thin-plastic',
      blackedOut: false,
    };
    const job: LocomotiveRecord = {
      order: 1 + Math.max(0, ...Object.values(layout.jobs).map((j) => j.order)),
      kind: 'locomotive',
      name: wish.name,
      note: '',
      supplyId,
      otherSupplyId: null,
      turned: false,
      powered: true,
      body,
      lamps: {},
      circuits: {},
      decoder: null,
      fit: {
        boreMillimetres: 3,
        clearanceMillimetres: 6,
        threadedFirst: true,
        pipeLeftMillimetres: 0,
        pipeLengthMillimetres: 0,
        darkTested: [],
      },
      tester: { volts: 9, ohms: 1000 },
    };
    for (const end of endNames) layLampSet(job, end, wish.set, layout.scale);
    if (wish.decoder) layOnDecoder(job, wish.decoder.type, wish.decoder.plug);
    else layOnTrack(job, wish.topology);
    draft.jobs[jobId] = job;
  });
  return { ...made, jobId };
}

/** Puts the lamps of a set at an end, in place of those that are there. */
export function layLampSet(
  job: Pick<LocomotiveRecord, 'lamps' | 'body'>,
  end: End,
  setId: string,
  scale: ScaleName,
): void {
  const { lamps } = lampSets.find((s) => s.id === setId)!;
  for (const [id, l] of Object.entries(job.lamps)) if (l.end === end) Reflect.deleteProperty(job.lamps, id);
  let order = Math.max(0, ...Object.values(job.lamps).map((l) => l.order));
  for (const l of lamps) {
    const id = freeId(job.lamps, `${l.role}-${end.toLowerCase()}`);
    job.lamps[id] = usualVehicleLamp(job, l.role, end, ++order, scale, {
      acrossMillimetres: round((l.across * job.body.widthMillimetres) / 2),
      heightMillimetres: round(undersideAboveRail(job.body) + l.up * job.body.heightMillimetres),
      alongMillimetres: round(
        (end === 'A' ? (l.along ?? 0) : 1 - (l.along ?? 0)) * job.body.lengthMillimetres,
      ),
      ...(setId === 'bulb' ? { part: 'bulb-12v', body: 'bulb' as const } : {}),
    });
  }
}

const round = (mm: number): number => Number(mm.toFixed(1));

/** A lamp of a role as it commonly is. */
export function usualVehicleLamp(
  job: Pick<LocomotiveRecord, 'body'>,
  role: VehicleLampRecord['role'],
  end: End,
  order: number,
  scale: ScaleName,
  set: Partial<VehicleLampRecord> = {},
): VehicleLampRecord {
  const usual = lampRoles[role];
  const lens = Math.max(SMALLEST_LENS, (usual.lensMetres * 1000) / scales[scale]);
  return {
    order,
    role,
    end,
    part: usual.part,
    secondPart: null,
    body: lens >= 1.9 ? 'tower-2' : 'chip-0603',
    tint: usual.tint,
    acrossMillimetres: 0,
    heightMillimetres: undersideAboveRail(job.body) + job.body.heightMillimetres / 3,
    alongMillimetres: end === 'A' ? 0 : job.body.lengthMillimetres,
    lensMillimetres: Number(lens.toFixed(1)),
    aimDegrees: 0,
    way: usual.inside ? 'sits' : 'drill',
    circuitId: null,
    ohms: usual.ohms,
    builtInOhms: 0,
    reversed: false,
    ...set,
  };
}

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
    const steady = own.filter((l) => lampRoles[l.role].shows === 'both');
    const directional = own.filter((l) => lampRoles[l.role].shows !== 'both');
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

/**
 * The other end of a train set: the same vehicle mirrored, without motor, standing with its end B
 * towards where this one's A runs, so that its end A leads when this one's trails.
 */
export function mirroredVehicle(layout: Layout, jobId: string): Change & { readonly jobId: string } {
  const id = freeId(layout.jobs, `${jobId}-mirrored`);
  const made = change(layout, (draft) => {
    const job = structuredClone(layout.jobs[jobId]) as LocomotiveRecord;
    job.order = 1 + Math.max(0, ...Object.values(layout.jobs).map((j) => j.order));
    job.name = `${job.name}, far end`;
    job.turned = !job.turned;
    job.powered = false;
    draft.jobs[id] = job;
  });
  return { ...made, jobId: id };
}
