import { piecesOf, netsIn, type Branch, type Item, type Piece, type Single } from './branches';
import type { Assembly, Part, Terminal } from '../../../core/assembly/assembly';

export interface Point {
  readonly x: number;
  readonly y: number;
}

/** A part as a symbol: where its terminals lie. */
export interface PlacedPart {
  readonly part: Part;
  readonly at: Readonly<Record<string, Point>>;
  /** Parts that are drawn by this one: the same part of every branch like its own. */
  readonly alike: readonly Part[];
}

/** A piece of wire, straight along or straight up. */
export interface Segment {
  readonly from: Point;
  readonly to: Point;
}

/** Where a ladder begins: the terminals of the supply or the decoder that its line is. */
export interface Head {
  readonly at: Point;
  readonly terminals: readonly Terminal[];
}

/** A column of parts in series. */
export interface Column {
  readonly x: number;
  readonly bottom: number;
  readonly parts: readonly PlacedPart[];
}

export interface Ladder {
  readonly width: number;
  readonly height: number;
  readonly heads: readonly Head[];
  readonly parts: readonly PlacedPart[];
  readonly columns: readonly Column[];
  readonly wires: readonly Segment[];
  /** Points at which more than two wires meet. */
  readonly dots: readonly Point[];
  /** Room a column has. */
  readonly pitch: number;
}

/** Room for the names of the leads at the left, above the first line and under the last one. */
export const HEAD = 112;
const ABOVE = 56;
const UNDER = 60;
/** From a line to the one below it that is not the last. */
const STEP = 40;
const RIGHT = 22;
/** How far a part that hangs on nothing stays from the line. */
const LOOSE = 30;
/** Room a column takes: what its letters need, and no more than looks well. */
export const LEAST_PITCH = 46;
const MOST_PITCH = 104;
/** How high a part bridged with a wire stands over it. */
const ARCH = 24;

/** Terminals of a box with three of them: in, out, and the one its leg goes to. */
interface BoxEnds {
  readonly into: string;
  readonly out: string;
  readonly leg: string;
}
const boxEnds: Readonly<Partial<Record<Part['kind'], BoxEnds>>> = {
  regulator: { into: 'in', out: 'out', leg: 'common' },
  socket: { into: 'minus', out: 'out', leg: 'plus' },
};

/** Room along the line. */
function widthOf(item: Item): number {
  if (item.kind === 'lead') return 78;
  if (item.kind === 'across') return 84;
  return item.kind !== 'box' ? 0 : item.part.kind === 'socket' ? 84 : 112;
}

export interface Room {
  readonly width: number;
  readonly height: number;
}

/**
 * Draws an assembly as ladders between the leads of what feeds it. Every net is one line along, every
 * branch a column between two of them; what stands in a lead lies in its line. Branches like one
 * another are drawn once where there is no room for all. Everything comes from the parts and leads.
 * @param room in units of the drawing, which the screen shows at their size
 */
export function laddersOf(assembly: Assembly, room: Room): Ladder[] {
  return piecesOf(assembly).map((piece) => new Placing(piece, room).ladder());
}

/** Width a piece needs with its columns as close as they may stand, all of them drawn. */
export const leastWidth = ({ items }: Piece): number =>
  HEAD + RIGHT + items.reduce((sum, i) => sum + (i.kind === 'branch' ? LEAST_PITCH : widthOf(i)), 0);

/** What two branches must have in common to be drawn as one. */
const likeness = ({ parts, ends }: Branch): string =>
  JSON.stringify([
    ends,
    parts.map(({ part, near }) => [
      part.kind,
      part.circuit,
      near,
      part.kind === 'resistor' ? part.ohms : null,
      part.kind === 'lamp' ? [part.led.id, part.second?.id, part.builtIn] : null,
      part.kind === 'bulb' ? part.bulb.id : null,
    ]),
  ]);

interface Drawn {
  readonly item: Item;
  readonly alike: readonly Branch[];
}

const TOP = 0;
const BOTTOM = -1;

/** Places one piece: a sweep from the left that gives every net a height for as long as it is met. */
class Placing {
  private readonly drawn: readonly Drawn[];
  private readonly pitch: number;
  private readonly track = new Map<string, number>();
  private readonly lastUse = new Map<string, number>();
  private readonly busy = new Map<number, number>();
  private readonly reach = new Map<string, number[]>();
  private readonly parts: PlacedPart[] = [];
  private readonly columns: Column[] = [];
  private readonly wires: Segment[] = [];
  private x = HEAD;

  constructor(
    private readonly piece: Piece,
    private readonly room: Room,
  ) {
    const alone = piece.items.map((item): Drawn => ({ item, alike: [] }));
    const fixed = piece.items.reduce((sum, i) => sum + widthOf(i), 0);
    const free = room.width - HEAD - RIGHT - fixed;
    const count = (of: readonly Drawn[]): number => of.filter((d) => d.item.kind === 'branch').length;
    this.drawn = count(alone) * LEAST_PITCH > free ? together(piece.items) : alone;
    this.pitch = Math.max(LEAST_PITCH, Math.min(MOST_PITCH, free / Math.max(1, count(this.drawn))));
    this.drawn.forEach(({ item }, i) => netsIn(item).forEach((net) => this.lastUse.set(net, i)));
  }

  ladder(): Ladder {
    this.piece.heads.forEach(({ net }, i) =>
      this.take(net, i === 0 ? TOP : i === 1 ? BOTTOM : this.free(0), 0),
    );
    this.drawn.forEach((d, i) => this.allot(d.item, i));
    for (const { net } of this.piece.heads) this.meet(net, HEAD);
    this.drawn.forEach((d) => this.place(d));
    return {
      width: Math.max(this.room.width, this.x + RIGHT),
      height: this.room.height,
      heads: this.piece.heads.map(({ net, terminals }) => ({
        at: { x: HEAD, y: this.yOf(net)! },
        terminals,
      })),
      parts: this.parts,
      columns: this.columns,
      wires: [...this.lines(), ...this.wires],
      dots: this.dots(),
      pitch: this.pitch,
    };
  }

  /** Gives the nets of an item their tracks, those that begin here the track of one that ends here where there is one. */
  private allot(item: Item, i: number): void {
    if (item.kind === 'branch' || item.kind === 'across') {
      for (const net of netsIn(item))
        if (!this.track.has(net) && this.isShared(net)) this.take(net, this.free(i), i);
      return;
    }
    const names = Object.keys(item.nets);
    const [into, out] =
      names.length === 2
        ? [names, names]
        : item.part.kind === 'bridge'
          ? [
              ['right', 'left'],
              ['plus', 'minus'],
            ]
          : [[boxEnds[item.part.kind]!.into], [boxEnds[item.part.kind]!.out]];
    const ending = into.filter((name) => {
      const net = item.nets[name];
      return this.track.has(net) && this.lastUse.get(net) === i;
    });
    for (const name of names) {
      const net = item.nets[name];
      if (this.track.has(net)) continue;
      const from = out.includes(name) ? ending.find((e) => item.nets[e] !== net) : undefined;
      if (from !== undefined) {
        ending.splice(ending.indexOf(from), 1);
        this.take(net, this.track.get(item.nets[from])!, i);
      } else this.take(net, this.free(i), i);
    }
  }

  private take(net: string, track: number, i: number): void {
    this.track.set(net, track);
    this.busy.set(track, Math.max(i, this.lastUse.get(net) ?? i));
  }

  /** The highest track between the first and the last line that nothing is on. */
  private free(i: number): number {
    let track = 1;
    while ((this.busy.get(track) ?? -1) >= i) track++;
    return track;
  }

  /** Whether a net joins anything. */
  private isShared(net: string): boolean {
    const on = this.piece.items.filter((item) => netsIn(item).includes(net)).length;
    return on > 1 || this.piece.heads.some((h) => h.net === net);
  }

  private yOf(net: string): number | null {
    const track = this.track.get(net);
    if (track === undefined) return null;
    return track === BOTTOM ? this.room.height - UNDER : ABOVE + track * STEP;
  }

  /** Something ends on the line of a net here. */
  private meet(net: string, x: number): void {
    this.reach.set(net, [...(this.reach.get(net) ?? []), x]);
  }

  private place({ item, alike }: Drawn): void {
    const x = this.x;
    this.x += item.kind === 'branch' ? this.pitch : widthOf(item);
    if (item.kind === 'branch') this.placeBranch(item, alike, x + this.pitch / 2);
    else if (item.part.kind === 'bridge') this.placeBridge(item, x);
    else if (boxEnds[item.part.kind]) this.placeBox(item, boxEnds[item.part.kind]!, x);
    else this.placeSingle(item, x);
  }

  private add(part: Part, at: Readonly<Record<string, Point>>, alike: readonly Part[] = []): PlacedPart {
    const placed = { part, at, alike };
    this.parts.push(placed);
    return placed;
  }

  private wire(from: Point, to: Point): void {
    if (from.x !== to.x || from.y !== to.y) this.wires.push({ from, to });
  }

  private placeBranch({ parts, ends }: Branch, alike: readonly Branch[], x: number): void {
    const [a, b] = ends[0] === ends[1] ? this.backTo(ends[0], x) : this.endsOf(ends, x);
    const [top, bottom] = a <= b ? [a, b] : [b, a];
    const ordered = a <= b ? parts : [...parts].reverse().map((p) => ({ ...p, near: p.far, far: p.near }));
    const high = (bottom - top) / ordered.length;
    const placed = ordered.map(({ part, near, far }, i) => {
      const index = parts.findIndex((p) => p.part === part);
      const at = { [near]: { x, y: top + i * high }, [far]: { x, y: top + (i + 1) * high } };
      return this.add(
        part,
        at,
        alike.map((other) => other.parts[index].part),
      );
    });
    this.columns.push({ x, bottom, parts: placed });
  }

  /** What ends on the net it began on is led back beside itself. */
  private backTo(net: string, x: number): [number, number] {
    const y = this.yOf(net)!;
    const turn = y === ABOVE ? this.room.height - UNDER - LOOSE : ABOVE + LOOSE;
    const beside = x + this.pitch * 0.4;
    this.meet(net, x);
    this.meet(net, beside);
    this.wire({ x, y: turn }, { x: beside, y: turn });
    this.wire({ x: beside, y: turn }, { x: beside, y });
    return [y, turn];
  }

  /** Heights of the two ends of what stands at a place; an end that hangs on nothing stays clear of the lines. */
  private endsOf([one, two]: readonly [string, string], x: number): [number, number] {
    const [a, b] = [this.yOf(one), this.yOf(two)];
    if (a !== null) this.meet(one, x);
    if (b !== null) this.meet(two, x);
    const last = this.room.height - UNDER;
    const high = a ?? (b === ABOVE ? last - LOOSE : ABOVE + LOOSE);
    return [high, b ?? (high < last - LOOSE ? last - LOOSE : ABOVE + LOOSE)];
  }

  /** A part with two terminals: lying in its line where one ends and the other begins, else standing between two. */
  private placeSingle({ part, nets }: Single, x: number): void {
    const [one, two] = Object.keys(nets);
    const [left, right] = [x + 10, x + 68];
    if (nets[one] === nets[two]) {
      const y = this.yOf(nets[one])!;
      const at = { [one]: { x: left, y: y - ARCH }, [two]: { x: right, y: y - ARCH } };
      for (const p of Object.values(at)) {
        this.wire(p, { x: p.x, y });
        this.meet(nets[one], p.x);
      }
      this.add(part, at);
      return;
    }
    const [a, b] = [this.track.get(nets[one]), this.track.get(nets[two])];
    if (a !== undefined && a === b) {
      // The one that was met before ends at its left.
      const [first, second] = this.isBefore(nets[one], nets[two]) ? [one, two] : [two, one];
      const y = this.yOf(nets[one])!;
      this.meet(nets[first], left);
      this.meet(nets[second], right);
      this.add(part, { [first]: { x: left, y }, [second]: { x: right, y } });
      return;
    }
    const middle = x + (part.kind === 'electrolytic' ? 26 : 39);
    const [y1, y2] = this.endsOf([nets[one], nets[two]], middle);
    this.add(part, { [one]: { x: middle, y: y1 }, [two]: { x: middle, y: y2 } });
  }

  private isBefore(a: string, b: string): boolean {
    const met = (net: string): number =>
      this.piece.heads.some((h) => h.net === net)
        ? -1
        : this.drawn.findIndex(({ item }) => netsIn(item).includes(net));
    return met(a) < met(b) || (met(a) === met(b) && (this.lastUse.get(a) ?? 0) < (this.lastUse.get(b) ?? 0));
  }

  private placeBridge({ part, nets }: Single, x: number): void {
    const at = Object.fromEntries(
      Object.entries(nets).map(([name, net]) => {
        const px = name === 'right' || name === 'left' ? x + 8 : x + 104;
        this.meet(net, px);
        return [name, { x: px, y: this.yOf(net)! }];
      }),
    );
    this.add(part, at);
  }

  /** A box with three terminals: two in a lead, or between two lines, and a leg to a third. */
  private placeBox({ part, nets }: Single, names: BoxEnds, x: number): void {
    const [into, out, leg] = [names.into, names.out, names.leg].map((name) => this.yOf(nets[name])!);
    const lies = into === out;
    const [left, right, beside] = lies ? [x + 8, x + 104, x + 56] : [x + 40, x + 40, x + 66];
    const half = 20;
    const from = lies ? into + half : (into + out) / 2;
    this.meet(nets[names.into], left);
    this.meet(nets[names.out], right);
    this.meet(nets[names.leg], beside);
    this.wire({ x: beside, y: from }, { x: beside, y: leg });
    this.add(part, {
      [names.into]: { x: left, y: into },
      [names.out]: { x: right, y: out },
      [names.leg]: { x: beside, y: from },
    });
  }

  private lines(): Segment[] {
    return [...this.reach].flatMap(([net, xs]): Segment[] => {
      const y = this.yOf(net)!;
      const [from, to] = [Math.min(...xs), Math.max(...xs)];
      return from === to ? [] : [{ from: { x: from, y }, to: { x: to, y } }];
    });
  }

  private dots(): Point[] {
    return [...this.reach].flatMap(([net, xs]) => {
      const [from, to] = [Math.min(...xs), Math.max(...xs)];
      return [...new Set(xs)].filter((x) => x > from && x < to).map((x) => ({ x, y: this.yOf(net)! }));
    });
  }
}

/** Branches like one another as one. */
function together(items: readonly Item[]): Drawn[] {
  const first = new Map<string, Branch[]>();
  return items.flatMap((item): { item: Item; alike: Branch[] }[] => {
    if (item.kind !== 'branch') return [{ item, alike: [] }];
    const key = likeness(item);
    const known = first.get(key);
    if (known) {
      known.push(item);
      return [];
    }
    const alike: Branch[] = [];
    first.set(key, alike);
    return [{ item, alike }];
  });
}
