import { isOnBoard } from '../../assembly/on-board';
import { terminalKey, type Assembly, type Lead, type Part, type Terminal } from '../../assembly/assembly';
import { wireRoleNames } from '../../document/wire-legend';
import { inSentence } from '../../quantity/format';
import { isMadeByHand } from './driver-feed';
import type { AnyJob } from '../../document/layout';

/** Wires that fit on a terminal (common practice, no source): a pin or pad one, a screw, a tag or a lamp's leg two, a longer leg three. */
const HOLDS = { pin: 1, screw: 2, leg: 3 } as const;

/** How many wires one terminal of a part holds. */
export function holds(part: Part, job: AnyJob): number {
  switch (part.kind) {
    case 'junction':
      return part.form === 'pickups' ? HOLDS.screw : Infinity;
    case 'decoder':
      return HOLDS.pin;
    case 'driver':
      return isMadeByHand(job) ? HOLDS.pin : HOLDS.screw;
    case 'resistor':
    case 'diode':
    case 'bridge':
    case 'electrolytic':
    case 'regulator':
      return HOLDS.leg;
    default:
      return HOLDS.screw;
  }
}

/** What a pad is told by: the output it is at, the part whose lamps it feeds, or the side it is. */
function padName(part: Part, terminal: string, role: Lead['role']): string {
  if (/^out\d/.test(terminal)) return terminal.replace('out', 'output ');
  return role === 'lamp' ? inSentence(part.label) : wireRoleNames[role];
}

/** Where more wires come to a terminal than it holds they meet on a pad beside it, from which one goes to it. */
export function withPads(assembly: Assembly, job: AnyJob): Assembly {
  const byId = new Map(assembly.parts.map((p) => [p.id, p]));
  const at = new Map<string, { end: Terminal; leads: Lead[] }>();
  for (const lead of assembly.leads) {
    if (isOnBoard(byId, lead)) continue;
    for (const end of [lead.from, lead.to]) {
      const key = terminalKey(end);
      const known = at.get(key) ?? { end, leads: [] };
      known.leads.push(lead);
      at.set(key, known);
    }
  }
  const parts: Part[] = [];
  const ways: Lead[] = [];
  const moved = new Map<string, Terminal>();
  for (const [key, { end, leads }] of at) {
    const part = byId.get(end.part)!;
    if (part.board !== null || leads.length <= holds(part, job)) continue;
    const [{ role, colour }] = leads;
    const id = `pad ${end.part} ${end.terminal}`;
    parts.push({
      id,
      kind: 'junction',
      form: 'pad',
      label: `Common pad (${padName(part, end.terminal, role)})`,
      taps: null,
      path: part.path,
      line: part.line,
      circuit: part.circuit,
      lamp: null,
      place: part.place,
      board: null,
      decides: {},
    });
    const to = { part: id, terminal: 'tap' };
    moved.set(key, to);
    ways.push({ id: `way to ${id}`, from: end, to, role, colour, jointOhms: 0, through: [] });
  }
  if (parts.length === 0) return assembly;
  const onPad = (t: Terminal, l: Lead): Terminal =>
    isOnBoard(byId, l) ? t : (moved.get(terminalKey(t)) ?? t);
  return {
    ...assembly,
    parts: [...assembly.parts, ...parts],
    leads: [...assembly.leads.map((l) => ({ ...l, from: onPad(l.from, l), to: onPad(l.to, l) })), ...ways],
  };
}
