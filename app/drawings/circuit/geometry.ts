import { terminalKey, type Assembly, type Part, type Terminal } from '../../../core/assembly/assembly';

export interface Point {
  readonly x: number;
  readonly y: number;
}

/** A part as a symbol: where its terminals lie. */
export interface PlacedSymbol {
  readonly part: Part;
  readonly at: Readonly<Record<string, Point>>;
}

/** A lead as drawn: corners from one terminal to the other. */
export interface DrawnWire {
  readonly lead: string;
  readonly points: readonly Point[];
}

export interface CircuitDrawing {
  readonly width: number;
  readonly height: number;
  readonly symbols: readonly PlacedSymbol[];
  readonly wires: readonly DrawnWire[];
  /** Points at which more than two wires or terminals meet. */
  readonly dots: readonly Point[];
}

const PLUS = 72;
const MINUS = 312;
/** Height of the return line, at which every string ends. */
export const RETURN_LINE = MINUS;
/** The line of the lamps behind a limiter or a shared resistor. */
const OWN_LINE = 138;
/** The line behind a group's own switch. */
const SWITCHED_LINE = 104;
const OWN_RESISTOR = 152;
const LEFT_RAIL = 262;
const HEIGHT = 352;
const LEAST_PITCH = 34;
const MOST_PITCH = 74;
/** The charge resistor's leg, when a diode lies across it. */
const LEG = 170;

/** Width each part before the lamps takes. */
const widths: Partial<Record<Part['kind'], number>> = {
  bridge: 110,
  electrolytic: 76,
  regulator: 84,
};

/**
 * Draws an assembly as a circuit: supply at the left, rectifier, charge resistor, reservoir and
 * regulator, then a column for each string of lamps between the plus line and the return.
 * Everything comes from the parts and leads; a lead that is missing is not drawn.
 * @param room width wished for; more is taken when the lamps need it
 */
export function drawCircuit(assembly: Assembly, room = 580): CircuitDrawing {
  const at = new Map<string, Point>();
  const symbols: PlacedSymbol[] = [];
  const place = (part: Part, terminals: Record<string, Point>): void => {
    symbols.push({ part, at: terminals });
    for (const [terminal, point] of Object.entries(terminals))
      at.set(terminalKey({ part: part.id, terminal }), point);
  };
  const has = (of: (p: Part) => boolean): boolean => assembly.parts.some(of);
  const beside = has((p) => p.kind === 'diode' && p.role === 'discharge');
  const strings = stringsOf(assembly);
  let x = 62;
  const before =
    x +
    assembly.parts.reduce((sum, p) => sum + (widths[p.kind] ?? 0), 0) +
    (has((p) => p.id === 'switch') ? 62 : 0) +
    (has(isCharge) && !beside ? 62 : 0) +
    (has((p) => p.kind === 'diode' && p.role === 'rectifier') ? 62 : 0) +
    (beside ? 50 : 0);
  const columns = strings.length + assembly.parts.filter((p) => isOwnLine(p)).length;
  const pitch = Math.max(LEAST_PITCH, Math.min(MOST_PITCH, (room - before - 24) / Math.max(1, columns)));
  const lying = (part: Part, from: string, to: string): void => {
    place(part, { [from]: { x: x + 16, y: PLUS }, [to]: { x: x + 58, y: PLUS } });
    x += 62;
  };

  for (const part of assembly.parts) {
    switch (part.kind) {
      case 'rails':
        place(part, { right: { x: 54, y: PLUS }, left: { x: 54, y: LEFT_RAIL } });
        break;
      case 'switch':
        if (part.id === 'switch') lying(part, 'one', 'two');
        else {
          x += pitch;
          place(part, { one: { x, y: PLUS }, two: { x, y: SWITCHED_LINE } });
        }
        break;
      case 'bridge':
        place(part, {
          right: { x: x + 54, y: 122 },
          left: { x: x + 54, y: 214 },
          plus: { x: x + 100, y: 168 },
          minus: { x: x + 8, y: 168 },
        });
        x += 110;
        break;
      case 'diode':
        if (part.role === 'rectifier') lying(part, 'anode', 'cathode');
        else place(part, { anode: { x: x + 6, y: LEG }, cathode: { x: x + 6, y: PLUS } });
        if (part.role === 'discharge') x += 20;
        break;
      case 'electrolytic':
        x += beside ? 46 : 32;
        place(part, { plus: { x, y: beside ? LEG : PLUS }, minus: { x, y: MINUS } });
        if (beside) {
          // The charge resistor was met first; it hangs above the reservoir, in its leg.
          const charge = assembly.parts.find(isCharge)!;
          place(charge, { one: { x, y: PLUS }, two: { x, y: LEG } });
        }
        x += beside ? 36 : 44;
        break;
      case 'resistor':
        if (part.role === 'charge' && !beside) lying(part, 'one', 'two');
        else if (part.role === 'shared') {
          x += pitch;
          place(part, { one: { x, y: feedOf(assembly, part) }, two: { x, y: OWN_LINE } });
        } else if (part.role === 'each') {
          const y = feedOf(assembly, part);
          place(part, { one: { x: x + pitch, y }, two: { x: x + pitch, y: OWN_RESISTOR } });
        }
        break;
      case 'limiter':
        x += pitch;
        place(part, { in: { x, y: feedOf(assembly, part) }, out: { x, y: OWN_LINE } });
        break;
      case 'regulator':
        place(part, {
          in: { x: x + 22, y: PLUS },
          out: { x: x + 78, y: PLUS },
          common: { x: x + 50, y: MINUS },
        });
        x += 84;
        break;
      case 'lamp': {
        const string = strings.find((s) => s.includes(part))!;
        const place0 = string.indexOf(part);
        if (place0 === 0) x += pitch;
        const top = topOf(assembly, string[0], at);
        const span = (MINUS - top) / string.length;
        const gap = string.length > 1 ? 4 : 0;
        place(part, {
          anode: { x, y: top + place0 * span },
          cathode: { x, y: place0 === string.length - 1 ? MINUS : top + (place0 + 1) * span - gap },
        });
      }
    }
  }
  const wires = assembly.leads.map((lead) => ({ lead: lead.id, points: route(lead.from, lead.to, at) }));
  return { width: Math.max(room, x + 30), height: HEIGHT, symbols, wires, dots: dotsOf(symbols, wires) };
}

type LampPart = Extract<Part, { kind: 'lamp' }>;

const isOwnLine = (p: Part): boolean =>
  p.kind === 'limiter' ||
  (p.kind === 'resistor' && p.role === 'shared') ||
  (p.kind === 'switch' && p.line !== null);
const isCharge = (p: Part): boolean => p.kind === 'resistor' && p.role === 'charge';

/** Lamps in the strings they form: one after another, cathode to anode. */
function stringsOf(assembly: Assembly): LampPart[][] {
  const lamps = assembly.parts.filter((p): p is LampPart => p.kind === 'lamp');
  const next = new Map<string, string>();
  for (const lead of assembly.leads) {
    const between = [lead.from, lead.to].every((t) => lamps.some((l) => l.id === t.part));
    if (between && lead.from.terminal === 'cathode' && lead.to.terminal === 'anode')
      next.set(lead.from.part, lead.to.part);
  }
  const inside = new Set(next.values());
  return lamps
    .filter((l) => !inside.has(l.id))
    .map((head) => {
      const string = [head];
      for (let id = next.get(head.id); id !== undefined; id = next.get(id)) {
        const following = lamps.find((l) => l.id === id);
        if (!following) break;
        string.push(following);
      }
      return string;
    });
}

/** The line that feeds a part of a group: behind the group's switch where it has one. */
function feedOf(assembly: Assembly, part: Part): number {
  const switched = assembly.parts.some((p) => p.kind === 'switch' && p.line !== null && p.line === part.line);
  return switched ? SWITCHED_LINE : PLUS;
}

/** Height at which the first lamp of a string begins. */
function topOf(assembly: Assembly, head: LampPart, at: ReadonlyMap<string, Point>): number {
  const own = at.get(`resistor-${head.lamp}.two`);
  if (own) return own.y + 12;
  const limited = assembly.parts.some(
    (p) =>
      p.circuit !== null &&
      p.circuit === head.circuit &&
      (p.kind === 'limiter' || (p.kind === 'resistor' && p.role === 'shared')),
  );
  if (limited) return OWN_LINE;
  return head.circuit === null ? 164 : feedOf(assembly, head);
}

/** Corners of a lead: straight where it can be, else one corner; the bridge's plus steps aside first. */
function route(from: Terminal, to: Terminal, at: ReadonlyMap<string, Point>): Point[] {
  const a = at.get(terminalKey(from))!;
  const b = at.get(terminalKey(to))!;
  if (a.x === b.x || a.y === b.y) return [a, b];
  if (from.part === 'bridge' && from.terminal === 'plus') {
    return [a, { x: a.x + 12, y: a.y }, { x: a.x + 12, y: b.y }, b];
  }
  if (to.part === 'bridge') return [a, { x: b.x, y: a.y }, b];
  return [a, { x: a.x, y: b.y }, b];
}
const onSegment = (p: Point, a: Point, b: Point): boolean =>
  a.x === b.x
    ? p.x === a.x && p.y >= Math.min(a.y, b.y) && p.y <= Math.max(a.y, b.y)
    : p.y === a.y && p.x >= Math.min(a.x, b.x) && p.x <= Math.max(a.x, b.x);

/** Whether a wire touches a point anywhere along it. */
export function touches(wire: DrawnWire, p: Point): boolean {
  return wire.points.some((b, i) => i > 0 && onSegment(p, wire.points[i - 1], b));
}

function dotsOf(symbols: readonly PlacedSymbol[], wires: readonly DrawnWire[]): Point[] {
  const ends = new Map<string, Point>();
  for (const s of symbols) for (const p of Object.values(s.at)) ends.set(`${p.x},${p.y}`, p);
  return [...ends.values()].filter((p) => {
    const meeting = wires.filter((w) => touches(w, p)).length;
    const terminals = symbols.reduce(
      (n, s) => n + Object.values(s.at).filter((q) => q.x === p.x && q.y === p.y).length,
      0,
    );
    return meeting + terminals > 2;
  });
}

/**
 * What the picture says is connected: terminals grouped by the lines that touch them, as a person
 * reads it (lines that merely cross are apart).
 */
export function drawnConnections(drawing: CircuitDrawing): Map<string, number> {
  const keys = drawing.symbols.flatMap((s) =>
    Object.entries(s.at).map(([terminal, point]) => ({
      key: terminalKey({ part: s.part.id, terminal }),
      point,
    })),
  );
  const group = new Map<string, number>();
  keys.forEach(({ key }, i) => group.set(key, i));
  const join = (a: number, b: number): void => {
    for (const [key, g] of group) if (g === b) group.set(key, a);
  };
  const reach = drawing.wires.map((wire) => keys.filter(({ point }) => touches(wire, point)));
  for (const touched of reach)
    for (const { key } of touched.slice(1)) join(group.get(touched[0].key)!, group.get(key)!);
  // A wire that ends on the middle of another joins it.
  drawing.wires.forEach((wire, i) => {
    for (const end of [wire.points[0], wire.points[wire.points.length - 1]]) {
      drawing.wires.forEach((other, j) => {
        if (i === j || !touches(other, end) || reach[i].length === 0 || reach[j].length === 0) return;
        join(group.get(reach[i][0].key)!, group.get(reach[j][0].key)!);
      });
    }
  });
  for (const a of keys) {
    for (const b of keys)
      if (a.point.x === b.point.x && a.point.y === b.point.y) join(group.get(a.key)!, group.get(b.key)!);
  }
  return group;
}
