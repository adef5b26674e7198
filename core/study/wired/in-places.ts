import { isOnBoard } from '../../assembly/on-board';
import {
  netsOf,
  terminalKey,
  type Assembly,
  type Lead,
  type Part,
  type Terminal,
} from '../../assembly/assembly';
import { wireRoleNames } from '../../document/wire-legend';
import { wiringOf } from '../../kinds/wirings';
import { seatedAt, unitOf, wayBetween } from './spots';
import type { AnyJob } from '../../document/layout';
import type { Spot } from '../../assembly/spot';

/** From so many lamps on, wires that run along are two long ones with what taps them, not links (common practice, no source). */
const TAPPED_FROM = 3;
/** Pads of two units so near have not been parted. */
const UNCUT = 1;

/** A terminal at a lamp, and where it is; a unit of strip reaches from its first pad to its last. */
interface Tap {
  readonly terminal: Terminal;
  readonly part: Part;
  readonly spot: Spot;
  readonly halfMillimetres: number;
}

/** Gap between two of them that a wire has to bridge. */
const gap = (a: Tap, b: Tap): number => {
  const way = wayBetween(a.spot, b.spot);
  return Math.max(
    0,
    way - Math.min(a.halfMillimetres + b.halfMillimetres, Math.abs(a.spot.along - b.spot.along)),
  );
};

/**
 * Wires within each place of a job as one lays them: from the lamp that is nearest to where they come from,
 * each to its nearest; where they run along and are many, as a long wire that is tapped; pads of a strip
 * that was not cut are joined by its copper.
 */
export function laidInPlaces(assembly: Assembly, job: AnyJob): Assembly {
  const { runs } = wiringOf(job.kind);
  if (runs === 'apart') return assembly;
  const byId = new Map(assembly.parts.map((p) => [p.id, p]));
  const nets = netsOf(assembly);
  const groups = new Map<string, Lead[]>();
  for (const lead of assembly.leads) {
    if (lead.jointOhms > 0 || isOnBoard(byId, lead)) continue;
    const net = nets.get(terminalKey(lead.from))!;
    groups.set(net, [...(groups.get(net) ?? []), lead]);
  }
  const parts: Part[] = [];
  let leads = [...assembly.leads];
  for (const [net, all] of groups) {
    let own = all;
    const places = new Set(own.flatMap((l) => [l.from, l.to].map((t) => byId.get(t.part)!.place)));
    for (const place of places) {
      if (place === null) continue;
      const laid = laidIn(place, net, own, byId, job);
      if (!laid) continue;
      const before = new Set(own.map((l) => l.id));
      own = laid.leads;
      const first = leads.findIndex((l) => before.has(l.id));
      leads = [...leads.slice(0, first), ...own, ...leads.slice(first).filter((l) => !before.has(l.id))];
      for (const part of laid.parts) {
        parts.push(part);
        byId.set(part.id, part);
      }
    }
  }
  return { ...assembly, parts: [...assembly.parts, ...parts], leads };
}

/** The leads of one net laid anew within a place; null where there is nothing to lay. */
function laidIn(
  place: string,
  net: string,
  all: readonly Lead[],
  byId: ReadonlyMap<string, Part>,
  job: AnyJob,
): { parts: Part[]; leads: Lead[] } | null {
  const isIn = (t: Terminal): boolean => byId.get(t.part)!.place === place;
  const lampOf = (t: Terminal): string | null => byId.get(t.part)!.lamp;
  /** A lamp and the resistor on its leg. */
  const isOwn = (l: Lead): boolean => lampOf(l.from) !== null && lampOf(l.from) === lampOf(l.to);
  const inner = all.filter((l) => isIn(l.from) && isIn(l.to) && !isOwn(l));
  if (inner.length === 0) return null;
  const edge = all.filter((l) => isIn(l.from) !== isIn(l.to));
  const taps = new Map<string, Tap>();
  for (const terminal of [...inner, ...edge].flatMap((l) => [l.from, l.to].filter(isIn))) {
    const part = byId.get(terminal.part)!;
    const { spot } = seatedAt(job, part);
    taps.set(terminalKey(terminal), { terminal, part, spot, halfMillimetres: unitOf(part) / 2 });
  }
  const [template] = inner;
  const entry = edge.map((l) => seatedAt(job, byId.get((isIn(l.from) ? l.to : l.from).part)!).spot).at(0);
  const rest = all.filter((l) => !inner.includes(l) && !edge.includes(l));
  const strip = [...taps.values()].every((t) => t.halfMillimetres > 0);
  const lead = (from: Terminal, to: Terminal, more: Partial<Lead> = {}): Lead => ({
    ...template,
    id: `${terminalKey(from)} to ${terminalKey(to)}`,
    from,
    to,
    through: [],
    ...more,
  });
  const entering = (to: Terminal): Lead[] =>
    edge.map((l) => (isIn(l.from) ? { ...l, from: to } : { ...l, to }));
  if (wiringOf(job.kind).runs === 'along' && !strip && taps.size >= TAPPED_FROM) {
    const wire = longWire(net, place, template, [...taps.values()], entry);
    const tap = { part: wire.id, terminal: 'tap' };
    return {
      parts: [wire],
      leads: [...entering(tap), ...[...taps.values()].map((t) => lead(tap, t.terminal)), ...rest],
    };
  }
  const links = linked([...taps.values()], entry);
  return {
    parts: [],
    leads: [
      ...entering(links.first.terminal),
      ...links.pairs.map(([a, b]) =>
        lead(a.terminal, b.terminal, strip && gap(a, b) < UNCUT && sameType(a, b) ? { uncut: true } : {}),
      ),
      ...rest,
    ],
  };
}

const sameType = ({ part: a }: Tap, { part: b }: Tap): boolean =>
  a.kind === 'lamp' && b.kind === 'lamp' && a.led.id === b.led.id && a.circuit === b.circuit;

/** A wire bared at each of its taps, laid along the middle of them. */
function longWire(
  net: string,
  place: string,
  { role }: Lead,
  taps: readonly Tap[],
  entry: Spot | undefined,
): Extract<Part, { kind: 'junction' }> {
  const along = taps.map((t) => t.spot.along);
  const across = taps.map((t) => t.spot.across).sort((a, b) => a - b)[Math.floor(taps.length / 2)];
  const { height } = taps[0].spot;
  const ends = [Math.min(...along), Math.max(...along)].map((x) => ({ along: x, across, height }));
  const [near, far] =
    entry && Math.abs(ends[1].along - entry.along) < Math.abs(ends[0].along - entry.along)
      ? [ends[1], ends[0]]
      : ends;
  return {
    id: `wire ${place} ${net.replace('.', ' ')}`,
    kind: 'junction',
    form: 'wire',
    label: `Long wire (${wireRoleNames[role]})`,
    taps: [near, far],
    path: taps[0].part.path,
    line: taps[0].part.line,
    circuit: null,
    lamp: null,
    place,
    board: null,
    decides: {},
  };
}

/** Each joined to the nearest that is joined already, no more than two links at one, from what is nearest to where they come from. */
function linked(
  taps: readonly Tap[],
  entry: Spot | undefined,
): { readonly first: Tap; readonly pairs: readonly (readonly [Tap, Tap])[] } {
  const from = entry ?? taps[0].spot;
  const first = taps.reduce((best, t) => (wayBetween(t.spot, from) < wayBetween(best.spot, from) ? t : best));
  const left = new Set(taps.filter((t) => t !== first));
  // The first has what comes in beside its link.
  const free = new Map<Tap, number>([[first, 1]]);
  const pairs: (readonly [Tap, Tap])[] = [];
  while (left.size > 0) {
    let best: readonly [Tap, Tap] | null = null;
    for (const a of free.keys()) for (const b of left) if (!best || gap(a, b) < gap(...best)) best = [a, b];
    const [a, b] = best!;
    pairs.push([a, b]);
    left.delete(b);
    free.set(b, 1);
    const more = free.get(a)! - 1;
    if (more > 0) free.set(a, more);
    else free.delete(a);
  }
  return { first, pairs };
}
