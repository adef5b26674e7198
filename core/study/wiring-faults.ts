import { inOrder } from '../document/in-order';
import { driverOf } from '../document/aspect-record';
import { shines, terminalKey, type Assembly, type Lead } from '../assembly/assembly';
import { leadsOf } from '../assembly/leads';
import type { Fault } from '../assembly/fault';
import type { Bench } from './bench';

/** A single thing gone wrong in the wiring, in words, and the circuits it touches. */
export interface WiringFault {
  readonly id: string;
  readonly says: string;
  readonly faults: readonly Fault[];
  readonly circuits: readonly string[];
}

/** Resistance left where a resistor was forgotten. */
const NO_OHMS = 0.01;

/**
 * Every single wiring fault of a job: a lamp the wrong way round, open, bridged with solder or hurt
 * by the iron, a resistor forgotten, a line's two leads swapped, two outputs exchanged.
 */
export function wiringFaults({ job, assembly }: Bench): WiringFault[] {
  const list: WiringFault[] = [];
  const add = (id: string, says: string, circuits: readonly string[], ...faults: Fault[]): void =>
    void list.push({ id, says, circuits, faults });
  for (const part of assembly.parts.filter(shines)) {
    if (part.circuit === null) continue;
    const here = [part.circuit];
    if (part.kind === 'lamp') {
      add(`reversed ${part.lamp}`, `${part.label} the wrong way round`, here, {
        kind: 'reversed',
        part: part.id,
      });
      add(`overheated ${part.lamp}`, `${part.label} hurt by the iron, dim and leaky`, here, {
        kind: 'overheated',
        part: part.id,
      });
    }
    const lead = assembly.leads.find((l) => l.from.part === part.id || l.to.part === part.id);
    if (lead)
      add(`open ${part.lamp}`, `an open joint at ${part.label}`, here, { kind: 'open', lead: lead.id });
    add(`short ${part.lamp}`, `${part.label} bridged with solder`, here, { kind: 'short', part: part.id });
  }
  for (const part of assembly.parts) {
    if (part.kind !== 'resistor') continue;
    const circuits = part.circuit !== null ? [part.circuit] : circuitsOn(assembly, part.line!);
    add(`missing ${part.id}`, `${part.label} forgotten`, circuits, {
      kind: 'wrong-value',
      part: part.id,
      ohms: NO_OHMS,
    });
  }
  const driving = driverOf(job) ? 'driver' : 'decoder';
  const used = new Map<string, string[]>();
  for (const line of inOrder(job.lines)) {
    const ends = leadsOf(job, line);
    const own = leadsOfLine(assembly, job, line.id);
    if (!ends || own.length === 0) continue;
    add(`swapped ${line.id}`, `the two leads of ${line.name} swapped`, circuitsOn(assembly, line.id), {
      kind: 'exchanged',
      leads: own.map((l) => l.id),
      one: ends[0].terminal,
      other: ends[1].terminal,
    });
    if (line.from.kind === 'output' && ends.some((e) => e.terminal.part === driving))
      used.set(line.from.output, [...(used.get(line.from.output) ?? []), line.id]);
  }
  const outputs = [...used.keys()];
  outputs.forEach((a, i) =>
    outputs.slice(i + 1).forEach((b) => {
      const lines = [...used.get(a)!, ...used.get(b)!];
      add(
        `exchanged ${a} ${b}`,
        `${a.replace('out', 'outputs ')} and ${b.slice(3)} exchanged`,
        lines.flatMap((l) => circuitsOn(assembly, l)),
        {
          kind: 'exchanged',
          leads: lines.flatMap((l) => leadsOfLine(assembly, job, l)).map((l) => l.id),
          one: { part: driving, terminal: a },
          other: { part: driving, terminal: b },
        },
      );
    }),
  );
  return list;
}

/** Circuits that have parts on a line. */
const circuitsOn = (assembly: Assembly, lineId: string): string[] => [
  ...new Set(assembly.parts.flatMap((p) => (p.line === lineId && p.circuit !== null ? [p.circuit] : []))),
];

/** Leads of a line that end where it is fed. */
function leadsOfLine(assembly: Assembly, job: Bench['job'], lineId: string): Lead[] {
  const own = new Set(assembly.parts.flatMap((p) => (p.line === lineId ? [p.id] : [])));
  const ends = new Set(leadsOf(job, job.lines[lineId])?.map((l) => terminalKey(l.terminal)));
  return assembly.leads.filter(
    (l) =>
      (own.has(l.from.part) && ends.has(terminalKey(l.to))) ||
      (own.has(l.to.part) && ends.has(terminalKey(l.from))),
  );
}
