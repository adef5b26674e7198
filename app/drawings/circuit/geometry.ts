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
const SHARED = 138;
const LEFT_RAIL = 262;
const HEIGHT = 352;

/**
 * Draws an assembly as a circuit: track at the left, rectifier, charge resistor and reservoir,
 * then a column for each lamp between the plus line and the return. Everything comes from the
 * parts and leads; a lead that is missing is not drawn.
 * @param room width wished for; more is taken when the lamps need it
 */
export function drawCircuit(assembly: Assembly, room = 580): CircuitDrawing {
  const has = (id: string): boolean => assembly.parts.some((p) => p.id === id);
  const at = new Map<string, Point>();
  const symbols: PlacedSymbol[] = [];
  const place = (part: Part, terminals: Record<string, Point>): void => {
    symbols.push({ part, at: terminals });
    for (const [terminal, point] of Object.entries(terminals))
      at.set(terminalKey({ part: part.id, terminal }), point);
  };
  let x = has('bridge') ? 172 : 96;
  const columns = assembly.parts.filter(
    (p) => p.kind === 'lamp' || (p.kind === 'resistor' && p.role === 'shared'),
  );
  const before = x + (has('charge') ? 62 : 0) + (has('reservoir') ? 76 : 0);
  const pitch = Math.max(34, Math.min(74, (room - before - 24) / Math.max(1, columns.length)));

  for (const part of assembly.parts) {
    switch (part.kind) {
      case 'rails':
        place(part, { right: { x: 54, y: PLUS }, left: { x: 54, y: LEFT_RAIL } });
        break;
      case 'bridge':
        place(part, {
          right: { x: 116, y: 122 },
          left: { x: 116, y: 214 },
          plus: { x: 162, y: 168 },
          minus: { x: 70, y: 168 },
        });
        break;
      case 'electrolytic':
        x += 32;
        place(part, { plus: { x, y: PLUS }, minus: { x, y: MINUS } });
        x += 44;
        break;
      case 'resistor':
        if (part.role === 'charge') {
          place(part, { one: { x: x + 16, y: PLUS }, two: { x: x + 58, y: PLUS } });
          x += 62;
        } else if (part.role === 'shared') {
          x += pitch;
          place(part, { one: { x, y: PLUS }, two: { x, y: SHARED } });
        } else place(part, { one: { x: x + pitch, y: PLUS }, two: { x: x + pitch, y: 152 } });
        break;
      case 'lamp': {
        x += pitch;
        const own = at.get(`resistor-${part.lampId}.two`);
        const shared = assembly.parts.some((p) => p.id === `resistor-${part.groupId ?? ''}`);
        const top = own ? own.y + 12 : shared ? SHARED : part.groupId === null ? 164 : PLUS;
        place(part, { anode: { x, y: top }, cathode: { x, y: MINUS } });
      }
    }
  }
  const wires = assembly.leads.map((lead) => ({ lead: lead.id, points: route(lead.from, lead.to, at) }));
  return { width: Math.max(room, x + 30), height: HEIGHT, symbols, wires, dots: dotsOf(symbols, wires) };
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
