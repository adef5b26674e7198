import { scales, type ScaleName } from '../../quantity/scale';
import { change, type Change } from '../../document/patch';
import { endNames } from '../../document/ends';
import { freeName } from '../../document/free-name';
import { freeId, usualSupply } from '../../document/usual-supply';
import { setsOf } from './lamp-sets';
import { layLampSet } from './lay-lamps';
import { legends } from '../../document/wire-legend';
import { usualRunning } from '../../document/usual-running';
import { layOnDecoder, layOnTrack } from './lay-circuits';
import { showsOf } from '../../document/lamp-roles';
import { nextPreferred } from '../../part/preferred';
import { passLeads } from '../../study/pass-leads';
import { firstResistor } from '../../study/first-resistor';
import { lampType } from '../../document/lamp-type';
import { noProgress } from '../../document/progress-record';
import { usualWires } from '../../document/usual-wires';
import { vehiclePassages } from './usual-passages';
import type { Layout } from '../../document/layout';
import type { LocomotiveRecord } from './record';
import type { PresetName } from '../../document/presets';
import { bulbs } from '../../part/bulb';
import { supplyKind, type Supply, type SupplyKindName } from '../../supply';

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

/** Where a bulb stands there is room for one behind the wall, in millimetres. */
const BULB_ROOM = 8;
/** What the bridge of a decoder takes (common practice, no source). */
const BRIDGE_VOLTS = 1.4;
/** A bulb a tenth over its volts is still borne. */
const BORNE = 1.1;

/** The bulb of the least volts that bears what a supply gives at its highest; the strongest where none does. */
function bulbFor(supply: Supply, behindDecoder: boolean): string {
  const highest =
    supply.kind === 'ac-track' ? supply.highestRmsVolts : supplyKind(supply).highestVolts(supply);
  const volts = highest - (behindDecoder ? BRIDGE_VOLTS : 0);
  const sold = Object.values(bulbs).sort((a, b) => a.volts - b.volts);
  return (sold.find((b) => BORNE * b.volts >= volts) ?? sold[sold.length - 1]).id;
}

/** A locomotive as wanted by someone who has not said more than this. */
export interface VehicleWish {
  readonly sort: VehicleSort;
  readonly name: string;
  readonly lengthMillimetres: number;
  readonly set: string;
  /** One of the layout's supplies, or the kind of one to be added. */
  readonly supply: { readonly id: string } | { readonly kind: SupplyKindName };
  /** How its circuits are wired on the rails. */
  readonly topology: PresetName;
  /** Its decoder and plug; null on the rails. */
  readonly decoder: { readonly type: string; readonly plug: string } | null;
}

/** Resistors of a locomotive just begun made as large as its lamps last with at the supply's highest. */
function safeAtHighest(layout: Layout, jobId: string): void {
  const job = layout.jobs[jobId] as LocomotiveRecord;
  const supply = layout.supplies[job.supplyId];
  const taken = supplyKind(supply).changesSides && job.decoder ? BRIDGE_VOLTS : 0;
  for (const [id, circuit] of Object.entries(job.circuits)) {
    const own = Object.values(job.lamps).filter((l) => l.circuitId === id && !Object.hasOwn(bulbs, l.part));
    const parts = own.map((l) => lampType(layout, l.part));
    // Through a resistor they share those go that shine at once: on the rails the lamps of one way.
    const ways = own.map((l) => (job.decoder ? '' : showsOf(l)));
    const together = Math.min(...ways.map((way) => ways.filter((w) => w === way).length));
    if (circuit.limit === 'none' || parts.length === 0) continue;
    const wanted = parts.map((led) => {
      const amps = led.longLifeShare * led.greatestAmps * (circuit.limit === 'shared' ? together : 1);
      return firstResistor(supply, led, amps, circuit.inSeries, taken);
    });
    const most = wanted.reduce((a, b) => (b.ohms > a.ohms ? b : a));
    // What a role has of its own stays in proportion.
    const least = Math.min(circuit.ohms, ...own.flatMap((l) => l.ohms ?? []));
    if (most.ohms <= least) continue;
    for (const lamp of own)
      if (lamp.ohms !== null) lamp.ohms = nextPreferred((lamp.ohms * most.ohms) / least, 'E12');
    Object.assign(circuit, most);
  }
}

/** Length of a sort in a scale, in millimetres, to the millimetre. */
export function usualVehicleLength(sort: VehicleSort, scale: ScaleName): number {
  return Math.round((vehicleSorts.find((s) => s.id === sort)!.metres * 1000) / scales[scale]);
}

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
      lines: {},
      circuits: {},
      decoder: null,
      legend: { ...legends.decoder },
      passages: vehiclePassages(1),
      wires: { ...usualWires },
      progress: noProgress(),
      variants: {},
      ...usualRunning(wish.lengthMillimetres, sort.axles),
      fit: {
        clearanceMillimetres: 6,
        pipeLeftMillimetres: 0,
        pipeLengthMillimetres: 0,
        darkTested: [],
      },
    };
    const set = setsOf(layout).find((s) => s.id === wish.set);
    if (!set) throw new RangeError(`there is no lamp set ${wish.set}`);
    for (const end of endNames) layLampSet(job, end, set, layout.scale);
    const bulb = bulbFor(draft.supplies[supplyId], wish.decoder !== null);
    const burning = Object.values(job.lamps).filter((l) => Object.hasOwn(bulbs, l.part));
    for (const lamp of burning) lamp.part = bulb;
    if (burning.length > 0) job.fit.clearanceMillimetres = BULB_ROOM;
    if (wish.decoder) layOnDecoder(job, { type: wish.decoder.type, own: null }, wish.decoder.plug);
    else layOnTrack(job, wish.topology);
    draft.jobs[jobId] = job;
    safeAtHighest(draft as Layout, jobId);
    passLeads(draft as Layout, jobId);
  });
  return { ...made, jobId };
}

/**
 * The other end of a train set: the same vehicle mirrored, without motor, standing with its end B
 * towards where this one's A runs, so that its end A leads when this one's trails.
 */
export function mirroredVehicle(layout: Layout, jobId: string): Change & { readonly jobId: string } {
  const id = freeId(layout.jobs, `${jobId}-mirrored`);
  const made = change(layout, (draft) => {
    const job = structuredClone(layout.jobs[jobId]) as LocomotiveRecord;
    job.order = 1 + Math.max(0, ...Object.values(layout.jobs).map((j) => j.order));
    // A name may be no longer than a job’s.
    job.name = `${job.name.slice(0, 70)}, far end`;
    job.turned = !job.turned;
    job.powered = false;
    draft.jobs[id] = job;
  });
  return { ...made, jobId: id };
}

/** A locomotive as someone wants it who has said no more than what feeds it. */
export const usualLocomotive = (layout: Layout, supplyId: string): Change & { readonly jobId: string } =>
  newLocomotive(layout, {
    sort: 'shunter',
    name: freeName(layout, 'Shunter'),
    lengthMillimetres: usualVehicleLength('shunter', layout.scale),
    set: 'two-and-two',
    supply: { id: supplyId },
    topology: 'shared-both-ways',
    // On DC the direction tells the lamps; on DCC a decoder has to.
    decoder: layout.supplies[supplyId].kind === 'dcc-track' ? { type: 'usual', plug: '8-pin' } : null,
  });
