import { terminalKey, terminalsOf, type Assembly, type Lead, type Terminal } from './assembly';

/** A solder bridge. */
const SHORT_OHMS = 0.01;

/** Light that is left of a lamp that got too hot, and what leaks past its junction (typical, from memory). */
const DAMAGED_SHARE = 0.3;
const DAMAGED_OHMS = 2200;

/** Something gone wrong on the bench, tried as an argument; never stored. */
export type Fault =
  | { readonly kind: 'open'; readonly lead: string }
  | { readonly kind: 'reversed'; readonly part: string }
  | { readonly kind: 'cold-joint'; readonly lead: string; readonly ohms: number }
  | { readonly kind: 'wrong-value'; readonly part: string; readonly ohms: number }
  | { readonly kind: 'short'; readonly part: string }
  /** A lamp that got too hot under the iron: dim, and it leaks. */
  | { readonly kind: 'overheated'; readonly part: string }
  /** Of these leads, what should end at one terminal ends at the other, and the other way round. */
  | {
      readonly kind: 'exchanged';
      readonly leads: readonly string[];
      readonly one: Terminal;
      readonly other: Terminal;
    };

/** Which terminals change places when a part goes in the wrong way round. */
const opposite: Readonly<Record<string, string>> = {
  plus: 'minus',
  minus: 'plus',
  anode: 'cathode',
  cathode: 'anode',
  one: 'two',
  two: 'one',
  right: 'left',
  left: 'right',
  in: 'out',
  out: 'in',
  common: 'common',
};

/** The assembly with one fault in it. */
export function withFault(assembly: Assembly, fault: Fault): Assembly {
  switch (fault.kind) {
    case 'open':
      return { ...assembly, leads: assembly.leads.filter((l) => l.id !== fault.lead) };
    case 'cold-joint':
      return {
        ...assembly,
        leads: assembly.leads.map((l) => (l.id === fault.lead ? { ...l, jointOhms: fault.ohms } : l)),
      };
    case 'reversed': {
      const turned = (t: Terminal): Terminal =>
        t.part === fault.part ? { part: t.part, terminal: opposite[t.terminal] } : t;
      return {
        ...assembly,
        leads: assembly.leads.map((l): Lead => ({ ...l, from: turned(l.from), to: turned(l.to) })),
      };
    }
    case 'short': {
      const part = assembly.parts.find((p) => p.id === fault.part)!;
      const [one, two] = terminalsOf[part.kind].map((terminal) => ({ part: part.id, terminal }));
      const bridge: Lead = {
        id: `short-${part.id}`,
        from: one,
        to: two,
        colour: 'lacquered',
        role: 'lamp',
        jointOhms: SHORT_OHMS,
        through: [],
      };
      return { ...assembly, leads: [...assembly.leads, bridge] };
    }
    case 'exchanged': {
      const { one, other } = fault;
      const [a, b] = [terminalKey(one), terminalKey(other)];
      const moved = (t: Terminal): Terminal =>
        terminalKey(t) === a ? other : terminalKey(t) === b ? one : t;
      return {
        ...assembly,
        leads: assembly.leads.map((l) =>
          fault.leads.includes(l.id) ? { ...l, from: moved(l.from), to: moved(l.to) } : l,
        ),
      };
    }
    case 'overheated':
      return {
        ...assembly,
        parts: assembly.parts.map((p) =>
          p.id === fault.part && p.kind === 'lamp'
            ? { ...p, led: { ...p.led, lumens: DAMAGED_SHARE * p.led.lumens }, leakOhms: DAMAGED_OHMS }
            : p,
        ),
      };
    case 'wrong-value':
      return {
        ...assembly,
        parts: assembly.parts.map((p) =>
          p.id === fault.part && p.kind === 'resistor' ? { ...p, ohms: fault.ohms } : p,
        ),
      };
  }
}
