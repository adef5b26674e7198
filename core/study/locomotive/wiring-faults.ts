import { terminalKey, type Assembly, type Lead, type Terminal } from '../../assembly/assembly';
import { diesOf } from '../../assembly/locomotive';
import { inOrder } from '../../document/in-order';
import { lampName } from '../../document/lamp-name';
import { leadsOf } from '../../assembly/leads';
import type { Fault } from '../../assembly/fault';
import type { Vehicle } from './vehicle';

/** A single thing gone wrong in the wiring, in words, and the circuits it touches. */
export interface WiringFault {
  readonly id: string;
  readonly says: string;
  readonly faults: readonly Fault[];
  readonly circuits: readonly string[];
}

/** Resistance left where a resistor was forgotten. */
const NO_OHMS = 0.01;

const t = (key: string): Terminal => {
  const [part, terminal] = key.split('.');
  return { part, terminal };
};

/**
 * Every single wiring fault of a job: a lamp the wrong way round, open or bridged with solder, a
 * resistor forgotten, a circuit's two leads swapped, two outputs exchanged.
 */
export function wiringFaults(vehicle: Vehicle): WiringFault[] {
  const { job, assembly } = vehicle;
  const list: WiringFault[] = [];
  const add = (id: string, says: string, circuits: readonly string[], ...faults: Fault[]): void =>
    void list.push({ id, says, circuits, faults });
  for (const lamp of inOrder(job.lamps)) {
    if (lamp.circuitId === null) continue;
    const [first, second] = diesOf(lamp.id);
    const part = assembly.parts.find((p) => p.id === first);
    if (!part) continue;
    const name = lampName(job, lamp.id);
    const here = [lamp.circuitId];
    if (part.kind === 'lamp') {
      const outer = outerLeads(assembly, first, second);
      add(`reversed ${lamp.id}`, `${name} the wrong way round`, here, turned(first, outer));
    }
    const lead = assembly.leads.find((l) => l.from.part === first || l.to.part === first);
    if (lead) add(`open ${lamp.id}`, `an open joint at ${name}`, here, { kind: 'open', lead: lead.id });
    add(`short ${lamp.id}`, `${name} bridged with solder`, here, { kind: 'short', part: first });
  }
  for (const part of assembly.parts) {
    if (part.kind !== 'resistor') continue;
    const circuitId =
      part.path[2] === 'circuits' ? String(part.path[3]) : job.lamps[String(part.path[3])].circuitId!;
    add(`missing ${part.id}`, `${part.label} forgotten`, [circuitId], {
      kind: 'wrong-value',
      part: part.id,
      ohms: NO_OHMS,
    });
  }
  const used = new Map<string, string[]>();
  for (const circuit of inOrder(job.circuits)) {
    const own = leadsOfCircuit(vehicle, circuit.id);
    if (own.length === 0) continue;
    const [one, two] = leadsOf(job, circuit);
    add(`swapped ${circuit.id}`, `the two leads of ${circuit.name} swapped`, [circuit.id], {
      kind: 'exchanged',
      leads: own.map((l) => l.id),
      one: t(one.terminal),
      other: t(two.terminal),
    });
    if (circuit.feed.kind === 'output' && job.decoder)
      used.set(circuit.feed.output, [...(used.get(circuit.feed.output) ?? []), circuit.id]);
  }
  const outputs = [...used.keys()];
  outputs.forEach((a, i) =>
    outputs.slice(i + 1).forEach((b) => {
      const circuits = [...used.get(a)!, ...used.get(b)!];
      const leads = circuits.flatMap((c) => leadsOfCircuit(vehicle, c)).map((l) => l.id);
      add(`exchanged ${a} ${b}`, `${a.replace('out', 'outputs ')} and ${b.slice(3)} exchanged`, circuits, {
        kind: 'exchanged',
        leads,
        one: { part: 'decoder', terminal: a },
        other: { part: 'decoder', terminal: b },
      });
    }),
  );
  return list;
}

/** Leads of a lamp that do not only join its own two colours. */
function outerLeads(assembly: Assembly, first: string, second: string): Lead[] {
  const inside = (l: Lead): boolean =>
    [first, second].includes(l.from.part) && [first, second].includes(l.to.part);
  return assembly.leads.filter((l) => (l.from.part === first || l.to.part === first) && !inside(l));
}

/** A lamp turned: both of its colours change over together. */
const turned = (first: string, leads: readonly Lead[]): Fault => ({
  kind: 'exchanged',
  leads: leads.map((l) => l.id),
  one: { part: first, terminal: 'anode' },
  other: { part: first, terminal: 'cathode' },
});

/** Leads of a circuit that end where it is fed. */
function leadsOfCircuit({ job, assembly }: Vehicle, circuitId: string): Lead[] {
  const circuit = job.circuits[circuitId];
  const own = new Set(
    assembly.parts
      .filter((p) =>
        p.path[2] === 'circuits'
          ? p.path[3] === circuitId
          : p.path[2] === 'lamps' && job.lamps[String(p.path[3])].circuitId === circuitId,
      )
      .map((p) => p.id),
  );
  const ends = new Set(leadsOf(job, circuit).map((l) => l.terminal));
  return assembly.leads.filter(
    (l) =>
      (own.has(l.from.part) && ends.has(terminalKey(l.to))) ||
      (own.has(l.to.part) && ends.has(terminalKey(l.from))),
  );
}
