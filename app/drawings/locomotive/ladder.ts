import { netsOf, shines, terminalKey, type Assembly, type Part } from '../../../core/assembly/assembly';
import type { CircuitRecord } from '../../../core/document/wiring-record';

/** Heights of a ladder's two lines, and of the ladder with what stands under it. */
export const TOP = 34;
export const BOTTOM = 112;
export const BAND = 154;
/** Room for the names of the leads, for a part in the first lead, and for a bridge or board. */
export const LABELS = 96;
const PART = 62;
const BOX = 86;
export const BOX_WIDTH = 74;
const RESERVOIR = 58;
const PITCH = 84;
const LEAST_PITCH = 58;

/** One circuit as a ladder between its two leads. */
export interface Band {
  readonly circuit: CircuitRecord & { readonly id: string };
  readonly way: string;
  /** Parts in the first lead, from its far end; what makes a plus and a minus; the lamps. */
  readonly inLead: readonly Part[];
  readonly source: readonly Part[];
  readonly lamps: readonly Part[];
}

/** A circuit as one ladder, or two where each direction has a board of its own. */
export function ladders(assembly: Assembly, circuit: CircuitRecord & { readonly id: string }): Band[] {
  const own = assembly.parts.filter((p) => p.circuit === circuit.id);
  const inLine = assembly.parts.filter((p) => p.line === circuit.lineId && p.circuit === null);
  const lamps = own.filter(shines);
  if (lamps.length === 0) return [];
  const inLead = [
    ...inLine.filter(
      (p) => p.kind === 'switch' || p.kind === 'fuse' || (p.kind === 'diode' && p.role === 'steering'),
    ),
    ...own.filter((p) => p.kind === 'resistor' && p.role === 'shared'),
  ];
  const source = inLine.filter(
    (p) =>
      p.kind === 'bridge' ||
      (p.kind === 'diode' && p.role === 'rectifier') ||
      p.kind === 'regulator' ||
      p.kind === 'limiter' ||
      p.kind === 'electrolytic',
  );
  const builds = assembly.lines.filter((l) => l.line === circuit.lineId && l.way !== null);
  if (builds.length === 0) return [{ circuit, way: '', inLead, source, lamps }];
  const nets = netsOf(assembly);
  return builds.map(({ way, plus }) => {
    const name = way === 1 ? 'one' : 'other';
    const out = nets.get(terminalKey(plus));
    const mine = lamps.filter((l) => {
      const head = own.find((p) => p.kind === 'resistor' && p.lamp === l.lamp);
      const ends = head ? [`${head.id}.one`] : [`${l.id}.anode`, `${l.id}.cathode`];
      return ends.some((end) => nets.get(end) === out);
    });
    return { circuit, way: name, inLead, source: source.filter((p) => p.id.endsWith(name)), lamps: mine };
  });
}

/** Width a ladder takes, its lamps far apart or as close as they may stand. */
export const widthOf = (b: Band, apart = false): number =>
  LABELS +
  b.inLead.length * PART +
  (b.source.length > 0 ? BOX : 0) +
  34 +
  b.lamps.length * (apart ? PITCH : LEAST_PITCH);

interface Spot {
  readonly x: number;
  readonly y: number;
}

/** Where the parts of a ladder stand. */
export interface PlacedLadder {
  readonly inLine: readonly { readonly part: Part; readonly from: Spot; readonly to: Spot }[];
  readonly box: Part | undefined;
  readonly boxAt: number;
  readonly reservoir: Part | undefined;
  readonly reservoirAt: number;
  /** Columns of the lamps. */
  readonly columns: readonly number[];
}

/** Places a ladder: first the parts in its first lead, then what makes plus and minus, then a column a lamp. */
export function placeLadder({ inLead, source, lamps }: Band, room: number): PlacedLadder {
  const inLine = inLead.map((part, i) => {
    const x = LABELS + i * PART;
    return { part, from: { x: x + 6, y: TOP }, to: { x: x + PART - 6, y: TOP } };
  });
  const afterLine = LABELS + inLead.length * PART;
  const box = source.find(
    (p) => p.kind === 'bridge' || p.kind === 'regulator' || p.kind === 'limiter' || p.kind === 'diode',
  );
  const afterBox = afterLine + (box ? BOX : 0);
  const reservoir = source.find((p) => p.kind === 'electrolytic');
  const start = afterBox + (reservoir ? RESERVOIR : 0) + 22;
  const pitch = Math.min(PITCH, (room - start - 40) / Math.max(1, lamps.length - 1));
  return {
    inLine,
    box,
    boxAt: afterLine + 6,
    reservoir,
    reservoirAt: afterBox + 26,
    columns: lamps.map((_, i) => start + i * pitch),
  };
}
