import { isOnBoard } from '../assembly/on-board';
import { soldColour, wireOfLead } from '../assembly/passing';
import { orderFactsOf } from '../kinds/orders';
import { netsOf, shines, terminalKey, terminalsOf } from '../assembly/assembly';
import { nearestTap, seatedAt, unitOf, wayBetween, type Seated } from '../study/wired/spots';
import { boughtBoards } from '../part/bought-board';
import { asWired } from '../study/wired';
import { isFeedPart } from '../study/wired/feed-parts';
import { standardColour } from '../part/plug';
import { inSentence } from '../quantity/format';
import { pinsOf, reverseOf } from '../supply/drivers/driver-kind';
import { wireRoleNames } from '../document/wire-legend';
import type { Spot } from '../assembly/spot';
import type { Assembly, Lead, Part, Terminal } from '../assembly/assembly';
import type { Bench } from '../study/bench';
import type { WireColour } from '../part/wire-colour';
import type { WirePart } from '../part/wire';

/** What a terminal is, of what keeps its sides. */
export type Polarity = '+' | '−' | '~';

/** A lead of a job as a line of the sheet. */
export interface WiringRow {
  readonly lead: string;
  /** Its label, on both its ends. */
  readonly label: string;
  readonly from: string;
  readonly to: string;
  readonly fromPolarity: Polarity;
  readonly toPolarity: Polarity;
  readonly wire: WirePart;
  /** As it is laid; `sold` is what it gets where the wire does not come in that colour. */
  readonly colour: WireColour;
  readonly sold: WireColour;
  /** Leg to leg or on one board: no wire is cut for it. */
  readonly direct: boolean;
  /** Nothing says where its ends are: a usual length, to suit. */
  readonly assumed: boolean;
  /** Copper of a board that is bought whole: nothing is done about it. */
  readonly onBoard: boolean;
  /** Its way, with what moves; and what to cut, so that it can be shortened later. */
  readonly runMillimetres: number;
  readonly cutMillimetres: number;
  readonly through: readonly string[];
  readonly means: string;
}

/** Wire over the straight way: bends, and room to move (common practice, no source). */
const SLACK_SHARE = 0.1;
const SLACK = 10;
/** Between things that stand beside one another, and no one has said where (common practice, no source). */
const BESIDE = 70;
/** Two joints take so much of a link; a long wire lies so far beside its lamps. */
const JOINTS = 10;
const BESIDE_WIRE = 10;
/** Cut long by this much, to be shortened later, and to whole lengths of this. */
const CUT_LONG = 30;
const STEP = 5;

const words: Readonly<Record<string, string>> = {
  anode: 'plus (anode)',
  cathode: 'minus (cathode)',
  plus: 'plus',
  minus: 'minus, stripe',
  one: 'one end',
  two: 'other end',
  in: 'in',
  out: 'out',
  common: 'common',
  right: 'right rail',
  left: 'left rail',
  red: 'red',
  black: 'black',
  orange: 'orange',
  grey: 'grey',
  blue: 'blue, common positive',
  ground: 'common negative',
};

/** A terminal in words. */
export function terminalWords(part: Part, terminal: string): string {
  if (part.kind === 'decoder' && terminal.startsWith('out'))
    return `output ${terminal.slice(3)}${standardColour(terminal as `out${number}`) ? `, ${standardColour(terminal as `out${number}`)}` : ''}`;
  if (part.kind === 'driver') {
    if (terminal === 'common' && part.commonAtFeed) return 'plus that feeds it';
    if (terminal === 'common') return `common ${part.switches === 'minus' ? 'plus' : 'minus'}`;
    if (terminal === 'right' || terminal === 'left') return 'feed';
    return (
      pinsOf(part)
        .find((p) => p.id === terminal)
        ?.name.toLowerCase() ?? words[terminal]
    );
  }
  if (part.kind === 'diode') return terminal === 'cathode' ? 'band, cathode' : 'anode';
  if (part.kind === 'bridge') return terminal === 'right' || terminal === 'left' ? 'AC pin' : 'DC pin';
  return words[terminal] ?? terminal;
}

/** Whether a lead keeps its side: from what gives plus and minus rather than two rails. */
export const isSteady = ({ role }: Pick<Lead, 'role'>): boolean => role === 'plus' || role === 'minus';

/** An end of a lead in words: what comes on a board is told by the board. */
const endWords = (part: Part, terminal: string, lead: Lead, placeName: (place: string) => string): string =>
  part.kind === 'junction'
    ? `${part.label}${part.form === 'wire' && part.place !== null ? `, along ${placeName(part.place)}` : ''}`
    : part.board !== null && part.kind !== 'socket'
      ? `${boughtBoards[part.board].name.split(',')[0]}, ${part.lamp === null ? (part.kind === 'bridge' ? 'feed, either way round' : terminalWords(part, terminal)) : `socket of ${inSentence(part.label)}`}`
      : `${part.label.replace(/^Hub socket of /, 'Hub, ')}, ${part.kind === 'rails' && isSteady(lead) ? lead.role : terminalWords(part, terminal)}`;

function ownPolarity(part: Part, terminal: string, lead: Lead): Polarity {
  // What is fed either way round says so on its pins.
  if (part.kind === 'bridge' && (terminal === 'right' || terminal === 'left')) return '~';
  if (part.kind === 'lamp' && part.second) return '~';
  // A band says which way a diode lies, not which side it is on.
  if (part.kind === 'diode') return lead.role === 'plus' ? '+' : lead.role === 'minus' ? '−' : '~';
  if (part.kind === 'driver' && (terminal === 'right' || terminal === 'left'))
    return isSteady(lead) ? (lead.role === 'plus' ? '+' : '−') : '~';
  if (part.kind === 'driver') {
    const pin = pinsOf(part).find((p) => p.id === terminal);
    // Contacts that change sides are now the one, now the other.
    if (pin && reverseOf(part, pin.id) !== null) return '~';
    return (pin?.switches ?? part.switches) === (pin ? 'minus' : 'plus') ? '−' : '+';
  }
  if (part.kind === 'decoder' && terminal.startsWith('out')) return part.switches === 'minus' ? '−' : '+';
  if (terminal === 'anode' || terminal === 'plus' || terminal === 'blue') return '+';
  if (terminal === 'cathode' || terminal === 'minus' || terminal === 'common') return '−';
  if (lead.role === 'plus') return '+';
  return lead.role === 'minus' ? '−' : '~';
}

/** Whether a part is soldered by legs of its own, which reach to what stands beside it; the others have terminals, tags or leads. */
const hasLegs = (part: Part): boolean =>
  part.board !== null ||
  (part.kind === 'junction' && (part.form === 'pad' || part.form === 'strip')) ||
  (!isFeedPart(part) &&
    ['bridge', 'diode', 'regulator', 'limiter', 'resistor', 'electrolytic', 'lamp', 'bulb'].includes(
      part.kind,
    ));

/** What to cut of a wire for its run: long, to be shortened later. Millimetres. */
export const cutLong = (run: number): number => Math.ceil((run + CUT_LONG) / STEP) * STEP;

/** A leg of a part reaches so far to a wire beside it. */
const REACH = 20;

/** Whether something is a wire along its taps. */
const isTapped = (
  part: Part,
): part is Extract<Part, { kind: 'junction' }> & { taps: readonly [Spot, Spot] } =>
  part.kind === 'junction' && part.taps !== null && part.form !== 'pickups';

/** An end of a lead, with where it is. */
interface End {
  readonly part: Part;
  readonly terminal: string;
  readonly seated: Seated;
}

/** A lead as it is led: how far, what is cut for it, and whether anything is. */
type Led = Pick<WiringRow, 'runMillimetres' | 'cutMillimetres' | 'direct' | 'assumed'>;

const NONE: Led = { runMillimetres: 0, cutMillimetres: 0, direct: true, assumed: false };
const rounded = (run: number, cut: number, assumed: boolean): Led => ({
  runMillimetres: Math.round(run),
  cutMillimetres: Math.ceil((cut - 1e-9) / STEP) * STEP,
  direct: false,
  assumed,
});

/**
 * How a lead is led. From lamp to lamp of one place its gap, from a long wire to what taps it its distance,
 * each and what two joints take; elsewhere as far as its ends are apart, or as its passages are long
 * together, with room to move. A long wire is one piece with what leads to it.
 */
function ledOf(from: End, to: End, through: readonly number[], bare: (part: Part) => boolean): Led {
  const tapped = [from, to].find((e) => isTapped(e.part));
  const at = (e: End, other: End): Spot =>
    isTapped(e.part) ? nearestTap(e.part.taps, other.seated.spot) : e.seated.spot;
  const [a, b] = [at(from, to), at(to, from)];
  const way = wayBetween(a, b);
  const inPlace = from.part.place !== null && from.part.place === to.part.place;
  const legs = [from.part, to.part].every((p) => hasLegs(p) || isTapped(p));
  if (inPlace && tapped) {
    const other = tapped === from ? to.part : from.part;
    if (way <= REACH && legs && !bare(other)) return NONE;
    return rounded(way + BESIDE_WIRE, way + BESIDE_WIRE + JOINTS, false);
  }
  if (inPlace) {
    if (way === 0 && legs) return NONE;
    const gap = Math.max(0, way - (unitOf(from.part) + unitOf(to.part)) / 2);
    return rounded(gap, gap + JOINTS, false);
  }
  // A long wire goes on from what leads to it; on a rail a lead only ends.
  const goesOn = (e: End, other: End): boolean =>
    e.part.kind === 'junction' && e.part.form === 'wire' && (other.part.place === null || e === to);
  const long = [goesOn(from, to) ? from : null, goesOn(to, from) ? to : null].find((e) => e !== null);
  const span = long && isTapped(long.part) ? wayBetween(...long.part.taps) : 0;
  const known = from.seated.known || to.seated.known;
  const beside = way === 0 && through.length === 0;
  if (beside && legs) return NONE;
  if (beside && !known) return rounded(BESIDE + span, BESIDE + span + CUT_LONG, true);
  const passed = through.reduce((sum, l) => sum + l, 0);
  const run = Math.max(way, passed) * (1 + SLACK_SHARE) + SLACK + span;
  return rounded(run, run + CUT_LONG, false);
}

/** Whether a part has no side of its own: it takes that of the wire it stands in. */
const soft = ({ kind }: Part): boolean =>
  ['resistor', 'limiter', 'junction', 'switch', 'fuse'].includes(kind);

/** Which side the feed of each lamp is on, by lead: that of the lamps or output on its net, or of those behind its resistor. */
function lampSides({ parts, leads }: Assembly): Map<string, Polarity> {
  const byId = new Map(parts.map((p) => [p.id, p]));
  const nets = netsOf({ parts, leads });
  const found = new Map<string, Set<Polarity>>();
  for (const lead of leads)
    for (const end of [lead.from, lead.to]) {
      const part = byId.get(end.part)!;
      if (soft(part)) continue;
      const net = nets.get(terminalKey(end))!;
      found.set(net, (found.get(net) ?? new Set()).add(ownPolarity(part, end.terminal, lead)));
    }
  for (const part of parts) {
    if (part.kind !== 'resistor' && part.kind !== 'limiter') continue;
    const [a, b] = terminalsOf[part.kind].map((terminal) =>
      nets.get(terminalKey({ part: part.id, terminal }))!,
    );
    if (!found.has(a) && found.has(b)) found.set(a, found.get(b)!);
    if (!found.has(b) && found.has(a)) found.set(b, found.get(a)!);
  }
  return new Map(
    leads.flatMap((l): [string, Polarity][] => {
      const sides = found.get(nets.get(terminalKey(l.from))!);
      return sides?.size === 1 ? [[l.id, [...sides][0]]] : [];
    }),
  );
}

/** Every lead of a job: from where to where, of which wire, how long. */
export function wiringTable(bench: Bench): WiringRow[] {
  const { assembly, job } = asWired(bench);
  const facts = orderFactsOf(job.kind);
  const byId = new Map(assembly.parts.map((p) => [p.id, p]));
  const sides = lampSides(assembly);
  let labels = 0;
  return assembly.leads.map((lead) => {
    const onBoard = isOnBoard(byId, lead);
    const end = (t: Terminal): End => {
      const part = byId.get(t.part)!;
      return { part, terminal: t.terminal, seated: seatedAt(job, part) };
    };
    const [from, to] = [end(lead.from), end(lead.to)];
    const led = ledOf(
      from,
      to,
      lead.through.map((id) => job.passages[id].lengthMillimetres),
      (part) => shines(part) && facts.bare(job, part.lamp!),
    );
    const wire = wireOfLead(job, lead);
    const side = (e: End): Polarity =>
      lead.role === 'lamp' && soft(e.part)
        ? (sides.get(lead.id) ?? '~')
        : ownPolarity(e.part, e.terminal, lead);
    const words = (e: End): string => endWords(e.part, e.terminal, lead, facts.placeName);
    return {
      lead: lead.id,
      label: onBoard ? '' : String(++labels),
      from: words(from),
      to: words(to),
      fromPolarity: side(from),
      toPolarity: side(to),
      wire,
      colour: lead.colour,
      sold: soldColour(wire, lead),
      onBoard,
      through: lead.through.map((id) => inSentence(job.passages[id].name)),
      means: wireRoleNames[lead.role],
      ...led,
    };
  });
}
