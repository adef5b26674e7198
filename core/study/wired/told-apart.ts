import { EACH_PLACE } from '../../document/passage-record';
import { isOnBoard } from '../../assembly/on-board';
import {
  netsOf,
  terminalKey,
  terminalsOf,
  type Assembly,
  type Lead,
  type Part,
} from '../../assembly/assembly';
import { soldColour, wireOfLead } from '../../assembly/passing';
import { wireColours, type WireColour } from '../../part/wire-colour';
import type { AnyJob } from '../../document/layout';

/** Parts of two ends behind which a wire still goes to the same output. */
const limits: readonly Part['kind'][] = ['resistor', 'limiter'];

/**
 * Colours as they are bought, so that what runs together is told apart: a lamp's own resistor does not change
 * the colour of its way to an output, and wires to different ones that go through one passage, or to one
 * lamp, get different colours as far as the wire is sold in so many.
 */
export function toldApart(assembly: Assembly, job: AnyJob): Lead[] {
  const byId = new Map(assembly.parts.map((p) => [p.id, p]));
  const nets = netsOf(assembly);
  const netOf = (l: Lead): string => nets.get(terminalKey(l.from))!;
  const parent = behindLimits(assembly, nets);
  /** Wires that may be changed over without harm are one way. */
  const wayOf = (l: Lead): string => parent.get(netOf(l)) ?? netOf(l);
  const colours = new Map<string, WireColour>();
  for (const l of assembly.leads) {
    // The way's own colour is that of the wire that is at the output.
    if (netOf(l) === wayOf(l) && !colours.has(wayOf(l))) colours.set(wayOf(l), l.colour);
  }
  const bundles = bundlesOf(assembly, byId, job);
  const inBundle = bundles.map((leads) => [...new Set(leads.map(wayOf))]);
  const wires = new Map(assembly.leads.map((l) => [wayOf(l), wireOfLead(job, l)]));
  const { plus, minus, right, left } = job.legend;
  const meant = new Set<WireColour>([plus, minus, right, left]);
  /** Outputs of a decoder have the colours of the standard; what means a side has that of the legend. */
  const rank = (l: Lead): number =>
    [l.from, l.to].some((t) => byId.get(t.part)!.kind === 'decoder') ? 0 : l.role === 'lamp' ? 2 : 1;
  const first = new Map<string, Lead>();
  for (const l of [...assembly.leads].sort((a, b) => rank(a) - rank(b)))
    if (!first.has(wayOf(l))) first.set(wayOf(l), l);
  const sold = new Map<string, WireColour>();
  for (const [way, l] of first) {
    const wire = wires.get(way)!;
    const wanted = soldColour(wire, { ...l, colour: colours.get(way) ?? l.colour });
    const beside = new Set(
      inBundle.filter((b) => b.includes(way)).flatMap((b) => b.flatMap((w) => sold.get(w) ?? [])),
    );
    const others = (wire.colours ?? wireColours).filter(
      (c) => !beside.has(c) && (c !== 'lacquered' || wire.colours !== null),
    );
    // What means plus, minus or a rail in this job is the last to be taken.
    const free = beside.has(wanted)
      ? (others.find((c) => c !== 'lacquered' && !meant.has(c)) ?? others.at(0))
      : undefined;
    sold.set(way, free ?? wanted);
  }
  return assembly.leads.map((l) => ({ ...l, colour: sold.get(wayOf(l)) ?? l.colour }));
}

/**
 * For each net that hangs on another through nothing but a lamp's own limit, the way it is: that of the output
 * where one switches it, else what is behind limits alike at one place.
 */
function behindLimits(assembly: Assembly, nets: ReadonlyMap<string, string>): Map<string, string> {
  const outputs = new Set(
    assembly.parts.flatMap((p) =>
      p.kind === 'driver' || p.kind === 'decoder'
        ? terminalsOf[p.kind]
            .filter((t) => /^(out|row|column)/.test(t))
            .map((terminal) => nets.get(terminalKey({ part: p.id, terminal }))!)
        : [],
    ),
  );
  const shared = sharedNets(assembly, nets);
  const behind = new Map<string, string>();
  for (const p of assembly.parts) {
    if (!limits.includes(p.kind)) continue;
    const [a, b] = terminalsOf[p.kind].map((terminal) => nets.get(terminalKey({ part: p.id, terminal }))!);
    if (outputs.has(a) && !outputs.has(b)) behind.set(b, a);
    else if (outputs.has(b) && !outputs.has(a)) behind.set(a, b);
    else if (p.kind === 'resistor' && shared.has(a) !== shared.has(b))
      behind.set(shared.has(a) ? b : a, `${shared.has(a) ? a : b} behind ${p.ohms}`);
  }
  return behind;
}

/** Nets that more than one limit begins at. */
function sharedNets(assembly: Assembly, nets: ReadonlyMap<string, string>): Set<string> {
  const count = new Map<string, number>();
  for (const p of assembly.parts)
    if (limits.includes(p.kind))
      for (const terminal of terminalsOf[p.kind]) {
        const net = nets.get(terminalKey({ part: p.id, terminal }))!;
        count.set(net, (count.get(net) ?? 0) + 1);
      }
  return new Set([...count].filter(([, n]) => n > 1).map(([net]) => net));
}

/** Wires that run together: through a passage, at one place of it where each place has one, and to one lamp. */
function bundlesOf(
  { leads, parts }: Assembly,
  byId: ReadonlyMap<string, Part>,
  { passages }: AnyJob,
): Lead[][] {
  const bundles = new Map<string, Lead[]>();
  const put = (key: string, l: Lead): void => void bundles.set(key, [...(bundles.get(key) ?? []), l]);
  for (const l of leads) {
    if (isOnBoard(byId, l)) continue;
    const place = byId.get(l.from.part)!.place ?? byId.get(l.to.part)!.place;
    for (const passage of l.through)
      put(passages[passage].serves === EACH_PLACE ? `${passage} ${place}` : passage, l);
  }
  for (const lamp of parts)
    if (lamp.kind === 'lamp')
      for (const l of leads) if (l.from.part === lamp.id || l.to.part === lamp.id) put(`lamp ${lamp.id}`, l);
  return [...bundles.values()];
}
