import {
  netsOf,
  shines,
  terminalKey,
  terminalsOf,
  type Assembly,
  type Part,
  type Terminal,
} from '../../../core/assembly/assembly';

/** A terminal of what feeds circuits. */
const feeds = (part: Part): boolean => ['rails', 'decoder', 'driver', 'tester'].includes(part.kind);

/** What hangs between two lines of a ladder, with others of its sort beside it. */
const hangs = (part: Part): boolean => shines(part) || (part.kind === 'resistor' && part.role === 'each');

/** Parts in series between two nets, each with its terminal towards the first net and the one away from it. */
export interface Branch {
  readonly kind: 'branch';
  readonly parts: readonly { readonly part: Part; readonly near: string; readonly far: string }[];
  readonly ends: readonly [string, string];
}

/** A part that stands for itself: in a lead, between two lines, or a box with several terminals. */
export interface Single {
  readonly kind: 'lead' | 'across' | 'box';
  readonly part: Part;
  /** Net of each terminal. */
  readonly nets: Readonly<Record<string, string>>;
}

export type Item = Branch | Single;

/** What hangs together once the supply and the decoder are taken away, in the order it is laid. */
export interface Piece {
  readonly items: readonly Item[];
  /** Nets of the supply or the decoder that it ends on, in the order they are met. */
  readonly heads: readonly { readonly net: string; readonly terminals: readonly Terminal[] }[];
}

export const netsIn = (item: Item): readonly string[] =>
  item.kind === 'branch' ? item.ends : Object.values(item.nets);

/**
 * Takes an assembly apart into what is drawn as one ladder each: parts that share a net other than a
 * supply's or a decoder's own belong together, and so do lamps straight on the same line.
 */
export function piecesOf(assembly: Assembly): Piece[] {
  const nets = netsOf(assembly);
  const netOf = (part: Part, terminal: string): string => nets.get(terminalKey({ part: part.id, terminal }))!;
  const members = new Map<string, { readonly part: Part; readonly terminal: string }[]>();
  for (const part of assembly.parts)
    for (const terminal of terminalsOf[part.kind]) {
      const net = netOf(part, terminal);
      members.set(net, [...(members.get(net) ?? []), { part, terminal }]);
    }
  const isHead = (net: string): boolean => members.get(net)!.some((m) => feeds(m.part));
  const items = itemsOf(
    assembly.parts.filter((p) => !feeds(p)),
    netOf,
    (net) => (isHead(net) ? [] : members.get(net)!),
  );

  const group = items.map((_, i) => i);
  const join = (a: number, b: number): void => {
    const [to, gone] = [Math.min(group[a], group[b]), Math.max(group[a], group[b])];
    group.forEach((g, i) => (group[i] = g === gone ? to : g));
  };
  const first = new Map<string, number>();
  const meet = (key: string, i: number): void => {
    const at = first.get(key);
    if (at === undefined) first.set(key, i);
    else join(at, i);
  };
  items.forEach((item, i) => {
    for (const net of netsIn(item)) if (!isHead(net)) meet(`net ${net}`, i);
    const [{ part }] = item.kind === 'branch' ? item.parts : [item];
    if (item.kind === 'branch' && part.line !== null && item.ends.every(isHead)) meet(`line ${part.line}`, i);
    // What is not wired yet stands together.
    if (part.circuit === null && shines(part)) meet('unwired', i);
  });
  const headOf = (net: string): Piece['heads'][number] => ({
    net,
    terminals: members
      .get(net)!
      .filter((m) => feeds(m.part))
      .map((m) => ({ part: m.part.id, terminal: m.terminal })),
  });
  const pieces = [...new Set(group)].map((g) => {
    const own = items.filter((_, i) => group[i] === g);
    return { items: own, heads: [...new Set(own.flatMap(netsIn))].filter(isHead).map(headOf) };
  });
  // What a decoder itself hangs on, where no circuit shows it.
  const told = new Set(pieces.flatMap((p) => p.heads.map((h) => h.net)));
  const fed = [...members.keys()].filter(
    (net) => !told.has(net) && members.get(net)!.filter((m) => feeds(m.part)).length > 1,
  );
  return fed.length > 0 ? [...pieces, { items: [], heads: fed.map(headOf) }] : pieces;
}

/** The parts in their order: those that hang in series as one branch, the others each for itself. */
function itemsOf(
  parts: readonly Part[],
  netOf: (part: Part, terminal: string) => string,
  membersOf: (net: string) => readonly { readonly part: Part; readonly terminal: string }[],
): Item[] {
  const done = new Set<Part>();
  /** The part that alone follows on a net, when it hangs too. */
  const after = (part: Part, terminal: string): Part | null => {
    const on = membersOf(netOf(part, terminal));
    const other = on.length === 2 ? on.find((m) => m.part !== part)?.part : undefined;
    return other && hangs(other) && !done.has(other) ? other : null;
  };
  return parts.flatMap((part): Item[] => {
    if (done.has(part)) return [];
    done.add(part);
    const terminals = terminalsOf[part.kind];
    if (!hangs(part)) {
      const own = Object.fromEntries(terminals.map((name) => [name, netOf(part, name)]));
      const kind = terminals.length > 2 ? 'box' : part.kind === 'electrolytic' ? 'across' : 'lead';
      return [{ kind, part, nets: own }];
    }
    const [one, two] = terminals;
    const chain = [{ part, near: one, far: two }];
    const grow = (from: Part, terminal: string, put: (link: (typeof chain)[number]) => void): void => {
      for (let at = from, end = terminal, next = after(at, end); next; next = after(at, end)) {
        done.add(next);
        const shared = netOf(at, end);
        const [a, b] = terminalsOf[next.kind];
        const [near, far] = netOf(next, a) === shared ? [a, b] : [b, a];
        put({ part: next, near, far });
        [at, end] = [next, far];
      }
    };
    grow(part, two, (link) => chain.push(link));
    grow(part, one, ({ part: p, near, far }) => chain.unshift({ part: p, near: far, far: near }));
    const last = chain[chain.length - 1];
    return [
      {
        kind: 'branch',
        parts: chain,
        ends: [netOf(chain[0].part, chain[0].near), netOf(last.part, last.far)],
      },
    ];
  });
}
