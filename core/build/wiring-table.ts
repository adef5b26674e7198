import { isOnBoard } from '../assembly/on-board';
import { wireOfLead } from '../assembly/passing';
import { boughtBoards } from '../part/bought-board';
import { asWired, isFeedPart } from '../study/wired';
import { wiringOf } from '../kinds/wirings';
import { standardColour } from '../part/plug';
import { inSentence } from '../quantity/format';
import { pinsOf, reverseOf } from '../supply/drivers/driver-kind';
import { wireRoleNames } from '../document/wire-legend';
import type { Spot } from '../assembly/laying';
import type { Lead, Part, Terminal } from '../assembly/assembly';
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
  if (part.kind === 'bridge' && (terminal === 'right' || terminal === 'left')) return '~';
  if (part.kind === 'bridge') return terminal === 'plus' ? '+' : '−';
  return words[terminal] ?? terminal;
}

/** Whether a lead keeps its side: from what gives plus and minus rather than two rails. */
export const isSteady = ({ role }: Pick<Lead, 'role'>): boolean => role === 'plus' || role === 'minus';

/** An end of a lead in words: what comes on a board is told by the board. */
const endWords = (part: Part, terminal: string, lead: Lead): string =>
  part.board !== null && part.kind !== 'socket'
    ? `${boughtBoards[part.board].name.split(',')[0]}, ${part.lamp === null ? terminalWords(part, terminal) : `socket of ${inSentence(part.label)}`}`
    : `${part.label}, ${part.kind === 'rails' && isSteady(lead) ? lead.role : terminalWords(part, terminal)}`;

function polarity(part: Part, terminal: string, lead: Lead): Polarity {
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
  if (terminal === 'anode' || terminal === 'plus' || terminal === 'blue') return '+';
  if (terminal === 'cathode' || terminal === 'minus' || terminal === 'common') return '−';
  if (lead.role === 'plus') return '+';
  return lead.role === 'minus' ? '−' : '~';
}

/** Whether a part is soldered by legs of its own, which reach to what stands beside it; the others have terminals, tags or leads. */
const hasLegs = (part: Part): boolean =>
  part.board !== null ||
  (!isFeedPart(part) &&
    ['bridge', 'diode', 'regulator', 'limiter', 'resistor', 'electrolytic', 'lamp', 'bulb'].includes(
      part.kind,
    ));

/** What to cut of a wire for its run: long, to be shortened later. Millimetres. */
export const cutLong = (run: number): number => Math.ceil((run + CUT_LONG) / STEP) * STEP;

/** A colour the wire comes in, one for each meaning: red towards plus, green back, lacquered where both are taken. */
export function soldColour(wire: WirePart, lead: Pick<Lead, 'colour' | 'role'>): WireColour {
  if (!wire.colours || wire.colours.includes(lead.colour)) return lead.colour;
  const code =
    lead.role === 'plus' || lead.role === 'right' ? 'red' : lead.role === 'lamp' ? 'lacquered' : 'green';
  return wire.colours.includes(code) ? code : wire.colours[0];
}

/**
 * Every lead of a job: from where to where, of which wire, how long. A way is the sum of its three
 * directions, as wires are led along edges, with what passages are long.
 */
export function wiringTable(bench: Bench): WiringRow[] {
  const { assembly, job } = asWired(bench);
  const wiring = wiringOf(job.kind);
  const byId = new Map(assembly.parts.map((p) => [p.id, p]));
  const hub = wiring.hubOf(job);
  const spotOf = (part: Part): Spot =>
    part.place !== null && part.lamp !== null
      ? wiring.spotOf(job, part.lamp)
      : part.kind === 'rails'
        ? { ...hub, height: 0 }
        : hub;
  let labels = 0;
  return assembly.leads.map((lead) => {
    const onBoard = isOnBoard(byId, lead);
    const end = (t: Terminal): { part: Part; terminal: string; spot: Spot } => {
      const part = byId.get(t.part)!;
      return { part, terminal: t.terminal, spot: spotOf(part) };
    };
    const [from, to] = [end(lead.from), end(lead.to)];
    const way =
      Math.abs(from.spot.along - to.spot.along) +
      Math.abs(from.spot.across - to.spot.across) +
      Math.abs(from.spot.height - to.spot.height);
    const beside = way === 0 && lead.through.length === 0;
    const direct = beside && hasLegs(from.part) && hasLegs(to.part);
    const passed = lead.through.reduce((sum, id) => sum + job.passages[id].lengthMillimetres, 0);
    const run = direct ? 0 : beside ? BESIDE : (way + passed) * (1 + SLACK_SHARE) + SLACK;
    const wire = wireOfLead(job, lead);
    return {
      lead: lead.id,
      label: onBoard ? '' : String(++labels),
      from: endWords(from.part, from.terminal, lead),
      to: endWords(to.part, to.terminal, lead),
      fromPolarity: polarity(from.part, from.terminal, lead),
      toPolarity: polarity(to.part, to.terminal, lead),
      wire,
      colour: lead.colour,
      sold: soldColour(wire, lead),
      direct,
      assumed: beside && !direct,
      onBoard,
      runMillimetres: Math.round(run),
      cutMillimetres: direct ? 0 : cutLong(run),
      through: lead.through.map((id) => inSentence(job.passages[id].name)),
      means: wireRoleNames[lead.role],
    };
  });
}
