import { bulbs } from '../part/bulb';
import { decoderTypes } from '../part/decoder-type';
import { inOrder } from '../document/in-order';
import { locomotiveIn } from '../document/jobs';
import { lampNames } from '../document/lamp-name';
import { showsOf } from '../document/lamp-roles';
import { lampType } from '../document/lamp-type';
import { legends, type WireColour, type WireRole } from '../document/wire-legend';
import { supplyKind } from '../supply';
import { leadsOf } from './leads';
import { topologies } from './topologies';
import { t, type LampToWire, type Sense, type Wiring } from './topologies/topology';
import type { Layout } from '../document/layout';
import type { LampCircuitRecord, LocomotiveRecord, VehicleLampRecord } from '../document/locomotive-record';
import type { Assembly, Lead, Part, Terminal } from './assembly';

type Circuit = LampCircuitRecord & { readonly id: string };

/**
 * Which way a lamp on the rails should conduct. Right rail positive runs forward, towards end A; so
 * what shines ahead at A and what shines behind at B conducts while lead one, from the right rail,
 * is positive.
 */
export function senseOf(lamp: Pick<VehicleLampRecord, 'role' | 'end' | 'shows'>): Sense {
  return (lamp.end === 'A') === (showsOf(lamp) !== 'trailing') ? 1 : -1;
}

/** Part ids of a lamp's dies: the second is the other colour of a two-colour one. */
export const diesOf = (lampId: string): readonly [string, string] => [
  `lamp-${lampId}`,
  `second-lamp-${lampId}`,
];

/**
 * From a locomotive as wanted to the parts and leads of it: what feeds it, a decoder where it has
 * one, then each circuit by its topology.
 * @param supplyId the track it stands on; the job's own when left out
 * @throws RangeError when the layout has no such locomotive
 */
export function assembleLocomotive(layout: Layout, jobId: string, supplyId?: string): Assembly {
  const job = locomotiveIn(layout, jobId);
  const laying = new Laying(layout, jobId, job);
  const onSupply = supplyId ?? job.supplyId;
  laying.parts.push({
    id: 'rails',
    kind: 'rails',
    label: supplyKind(layout.supplies[onSupply]).name,
    supplyId: onSupply,
    path: laying.at('supplyId'),
  });
  if (job.decoder) laying.decoder(job.decoder.type);
  for (const circuit of inOrder(job.circuits)) laying.circuit(circuit);
  laying.looseLamps();
  return {
    jobId,
    parts: laying.parts,
    leads: laying.leads,
    roof: { plus: t('rails', 'right'), minus: t('rails', 'left') },
  };
}

class Laying {
  readonly parts: Part[] = [];
  readonly leads: Lead[] = [];
  private readonly lamps: (VehicleLampRecord & { readonly id: string })[];
  private readonly names: ReadonlyMap<string, string>;
  private readonly numbers: ReadonlyMap<string, number>;

  constructor(
    readonly layout: Layout,
    readonly jobId: string,
    readonly job: LocomotiveRecord,
  ) {
    this.lamps = inOrder(job.lamps);
    this.names = lampNames(job);
    this.numbers = new Map(this.lamps.map((l, i) => [l.id, i + 1]));
  }

  at(...rest: (string | number)[]): (string | number)[] {
    return ['jobs', this.jobId, ...rest];
  }

  wire(from: Terminal, to: Terminal, role: WireRole, colour: WireColour = legends.decoder[role]): string {
    const id = `lead-${this.leads.length + 1}`;
    this.leads.push({ id, from, to, role, colour, jointOhms: 0 });
    return id;
  }

  decoder(typeId: string): void {
    const type = decoderTypes[typeId];
    this.parts.push({
      id: 'decoder',
      kind: 'decoder',
      label: 'Decoder',
      outputs: type.outputs,
      onOhms: type.onOhms,
      unplugged: false,
      path: this.at('decoder'),
    });
    this.wire(t('rails', 'right'), t('decoder', 'red'), 'right');
    this.wire(t('rails', 'left'), t('decoder', 'black'), 'left');
  }

  circuit(circuit: Circuit): void {
    const members = this.lamps.filter((l) => l.circuitId === circuit.id);
    if (members.length === 0) return;
    const [first, second] = leadsOf(this.job, circuit);
    const [far, two] = [first, second].map((lead): Terminal => {
      const [part, terminal] = lead.terminal.split('.');
      return t(part, terminal);
    });
    const switched = this.behindSwitch(circuit, far, first.role, first.colour);
    const one = this.behindSteering(circuit, members, switched, first.role, first.colour);
    topologies[circuit.topology].lay(
      this.wiring(circuit, members, one, two, { one: first.role, two: second.role }, [
        first.colour,
        second.colour,
      ]),
    );
  }

  /** Lamps whose leads go nowhere yet. */
  looseLamps(): void {
    for (const lamp of this.lamps) {
      if (lamp.circuitId === null && !Object.hasOwn(bulbs, lamp.part)) this.die(lamp, lamp.part, 0);
    }
  }

  private behindSwitch(circuit: Circuit, one: Terminal, role: WireRole, colour?: WireColour): Terminal {
    if (!circuit.switch) return one;
    const id = `switch-${circuit.id}`;
    this.parts.push({
      id,
      kind: 'switch',
      label: circuit.switch.name,
      on: circuit.switch.on,
      path: this.at('circuits', circuit.id, 'switch'),
    });
    this.wire(one, t(id, 'one'), role, colour);
    return t(id, 'two');
  }

  /** The old bulb's diode, in the lead as it was: conducting while the end it serves goes first. */
  private behindSteering(
    circuit: Circuit,
    members: readonly VehicleLampRecord[],
    one: Terminal,
    role: WireRole,
    colour?: WireColour,
  ): Terminal {
    if (circuit.steering === 'none' || circuit.steering === 'removed') return one;
    const id = `steering-${circuit.id}`;
    const [near, far] = members[0].end === 'A' ? ['anode', 'cathode'] : ['cathode', 'anode'];
    this.parts.push({
      id,
      kind: 'diode',
      label: `Steering diode of ${circuit.name}`,
      diode: 'silicon',
      role: 'steering',
      path: this.at('circuits', circuit.id, 'steering'),
    });
    this.wire(one, t(id, near), role, colour);
    if (circuit.steering === 'bridged') this.wire(t(id, near), t(id, far), role, colour);
    return t(id, far);
  }

  private wiring(
    circuit: Circuit,
    members: readonly (VehicleLampRecord & { readonly id: string })[],
    one: Terminal,
    two: Terminal,
    roles: { readonly one: WireRole; readonly two: WireRole },
    colours: readonly (WireColour | undefined)[],
  ): Wiring {
    const isOne = (at: Terminal): boolean => at.part === one.part && at.terminal === one.terminal;
    const isTwo = (at: Terminal): boolean => at.part === two.part && at.terminal === two.terminal;
    const wire = (from: Terminal, to: Terminal): void => {
      if (isOne(from) || isOne(to)) this.wire(from, to, roles.one, colours[0]);
      else if (isTwo(from) || isTwo(to)) this.wire(from, to, roles.two, colours[1]);
      else this.wire(from, to, 'lamp');
    };
    const onOutput = circuit.feed.kind === 'output' && this.job.decoder !== null;
    const lamps = members.map((lamp): LampToWire => ({
      id: lamp.id,
      lamp,
      sense: onOutput ? 1 : senseOf(lamp),
    }));
    return {
      circuitId: circuit.id,
      circuit,
      lamps,
      one,
      two,
      add: (part) => void this.parts.push(part),
      wire,
      path: (...rest) => this.at('circuits', circuit.id, ...rest),
      resistor: (from, id, label, ohms, role) => {
        const lampId = role === 'each' ? id.slice('resistor-'.length) : null;
        this.parts.push({
          id,
          kind: 'resistor',
          label: lampId === null ? label : `Resistor of ${this.names.get(lampId)}`,
          role,
          ohms,
          ratedWatts: circuit.ratedWatts,
          path: lampId === null ? this.at('circuits', circuit.id) : this.at('lamps', lampId),
        });
        wire(from, t(id, 'one'));
        return t(id, 'two');
      },
      lamp: ({ id, lamp }, plus, minus) => {
        if (Object.hasOwn(bulbs, lamp.part)) {
          this.bulb(id, lamp, circuit.id, wire, plus, minus);
          return;
        }
        const [first, second] = diesOf(id);
        const [anode, cathode] = lamp.reversed ? [minus, plus] : [plus, minus];
        this.die({ ...lamp, id }, lamp.part, 0);
        wire(anode, t(first, 'anode'));
        wire(cathode, t(first, 'cathode'));
        if (lamp.secondPart === null) return;
        this.die({ ...lamp, id }, lamp.secondPart, 1);
        wire(t(first, 'anode'), t(second, 'cathode'));
        wire(t(first, 'cathode'), t(second, 'anode'));
      },
      bulb: ({ id, lamp }, from, to) => this.bulb(id, lamp, circuit.id, wire, from, to),
    };
  }

  private bulb(
    id: string,
    lamp: VehicleLampRecord,
    circuitId: string,
    wire: (from: Terminal, to: Terminal) => void,
    one: Terminal,
    two: Terminal,
  ): void {
    const part = `lamp-${id}`;
    this.parts.push({
      id: part,
      kind: 'bulb',
      label: this.names.get(id)!,
      bulb: Object.hasOwn(bulbs, lamp.part) ? bulbs[lamp.part] : Object.values(bulbs)[0],
      number: this.numbers.get(id)!,
      lampId: id,
      groupId: circuitId,
      path: this.at('lamps', id),
    });
    wire(one, t(part, 'one'));
    wire(two, t(part, 'two'));
  }

  /** One colour of a lamp. */
  private die(lamp: VehicleLampRecord & { readonly id: string }, part: string, which: 0 | 1): void {
    this.parts.push({
      id: diesOf(lamp.id)[which],
      kind: 'lamp',
      label: this.names.get(lamp.id)!,
      led: lampType(this.layout, part),
      builtIn: lamp.builtInOhms > 0 ? { kind: 'resistor', ohms: lamp.builtInOhms } : { kind: 'nothing' },
      placeMillimetres: lamp.alongMillimetres,
      number: this.numbers.get(lamp.id)!,
      lampId: lamp.id,
      groupId: lamp.circuitId,
      path: this.at('lamps', lamp.id),
    });
  }
}
