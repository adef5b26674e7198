import { rectifierNames, type RectifierName } from './rectifier-names';
import { inOrder } from './in-order';
import type { LineRecord, StageKind, StageOf, StageRecord } from './wiring-record';
import type { JobCore } from './job-record';

type Line = Pick<LineRecord, 'stages'>;

/** The order in which stages commonly follow one another, from the source. */
const usualOrder: readonly StageKind[] = [
  'switch',
  'fuse',
  'steering',
  'bridge',
  'diode',
  'charge',
  'reservoir',
  'regulator',
  'constant-current',
  'socket',
];

/** The stage of a kind in a line, itself, to be read or changed in a draft; null without one. */
export function stageOf<K extends StageKind>(line: Line, kind: K): StageOf<K> | null {
  const found = inOrder(line.stages).find((s) => s.kind === kind);
  return found ? (line.stages[found.id] as StageOf<K>) : null;
}

/** Id of the stage of a kind in a line; the kind's own name where it has none yet. */
export const stageId = (line: Line, kind: StageKind): string =>
  inOrder(line.stages).find((s) => s.kind === kind)?.id ?? kind;

/** Puts a stage into a line, at its usual place or where one of its kind stands. */
export function putStage<K extends StageKind>(
  line: Line,
  kind: K,
  figures: Omit<StageOf<K>, 'kind' | 'order'>,
): void {
  const id = stageId(line, kind);
  const order = Object.hasOwn(line.stages, id) ? line.stages[id].order : usualOrder.indexOf(kind) + 1;
  line.stages[id] = { ...figures, kind, order } as unknown as StageRecord;
}

/** Takes a kind of stage out of a line. */
export function takeStage(line: Line, kind: StageKind): void {
  for (const [id, stage] of Object.entries(line.stages))
    if (stage.kind === kind) Reflect.deleteProperty(line.stages, id);
}

/** The rectifier of a line by the name people choose it by. */
export function rectifierOf(line: Line): RectifierName {
  const bridge = stageOf(line, 'bridge');
  if (bridge) return `${bridge.diode}-${bridge.loose ? 'diodes' : 'bridge'}`;
  const diode = stageOf(line, 'diode');
  if (!diode) return 'none';
  return diode.diode === 'silicon' ? 'half-wave' : 'half-wave-schottky';
}

/** Puts a rectifier into a line in place of the one it has. */
export function putRectifier(line: Line, name: RectifierName): void {
  takeStage(line, name.startsWith('half-wave') ? 'bridge' : 'diode');
  const diode = name.includes('schottky') ? 'schottky' : 'silicon';
  if (name === 'none') takeStage(line, 'bridge');
  else if (name.startsWith('half-wave')) putStage(line, 'diode', { diode });
  else putStage(line, 'bridge', { diode, loose: name.endsWith('diodes') });
}

/** Whether a line gives both halves to what hangs behind it, whichever way its leads lie. */
export const isWhole = (line: Line): boolean => stageOf(line, 'bridge') !== null;

export { rectifierNames, type RectifierName };

type Lines = Pick<JobCore, 'lines'>;

/** The lines from the source to one of them, itself last. */
export function chainOf({ lines }: Lines, lineId: string): (LineRecord & { readonly id: string })[] {
  const chain: (LineRecord & { readonly id: string })[] = [];
  let at: string | null = lineId;
  while (at !== null && Object.hasOwn(lines, at) && !chain.some((l) => l.id === at)) {
    const line: LineRecord = lines[at];
    chain.unshift({ ...line, id: at });
    at = line.from.kind === 'line' ? line.from.line : null;
  }
  return chain;
}

/** Lines that begin at the job's own supply, in order. */
const mainLines = ({ lines }: Lines): (LineRecord & { readonly id: string })[] =>
  inOrder(lines).filter((l) => l.from.kind === 'supply' && l.from.supplyId === null);

/** The first line that begins at the supply: what all of a coach's lamps hang on. Null where there is none. */
export const mainLineId = (job: Lines): string | null => mainLines(job)[0]?.id ?? null;

/** The supply beside the job's own that a line begins at, or the one that feeds it; null where it hangs on the job's. */
export function supplyBeside(job: Lines, lineId: string): string | null {
  const [root] = chainOf(job, lineId);
  return root?.from.kind === 'supply' ? root.from.supplyId : null;
}

/** Every supply a job hangs on, its own first. */
export const supplyIdsOf = (job: Pick<JobCore, 'lines' | 'supplyId'>): string[] => [
  ...new Set([
    job.supplyId,
    ...inOrder(job.lines).flatMap(({ from }) =>
      from.kind === 'supply' && from.supplyId !== null ? [from.supplyId] : [],
    ),
  ]),
];

/**
 * Hangs a circuit on a supply beside the job's own, or back on the job's: on its line where it has one
 * already, else on a new one. Lines that nothing hangs on any more go.
 * @param supplyId null for the job's own
 */
export function putOnSupply(
  job: Pick<JobCore, 'lines' | 'circuits'>,
  circuitId: string,
  supplyId: string | null,
): void {
  const circuit = job.circuits[circuitId];
  if (supplyBeside(job, circuit.lineId) === supplyId) return;
  const before = chainOf(job, circuit.lineId).reverse();
  const there = inOrder(job.lines).find((l) => l.from.kind === 'supply' && l.from.supplyId === supplyId);
  if (there) circuit.lineId = there.id;
  else {
    let id = `${circuitId}-own`;
    while (Object.hasOwn(job.lines, id)) id += '-too';
    const order = 1 + Math.max(0, ...Object.values(job.lines).map((l) => l.order));
    job.lines[id] = lineFrom({ kind: 'supply', tap: 'board', supplyId }, order, circuit.name);
    circuit.lineId = id;
  }
  const main = mainLineId(job);
  for (const { id } of before) {
    const used =
      Object.values(job.circuits).some((c) => c.lineId === id) ||
      Object.values(job.lines).some((l) => l.from.kind === 'line' && l.from.line === id);
    if (used || id === main) return;
    Reflect.deleteProperty(job.lines, id);
  }
}

/** The switch in the way of one circuit alone, and where it stands; null without one. */
export function switchOf(
  job: Pick<JobCore, 'lines' | 'circuits'>,
  circuitId: string,
): { readonly lineId: string; readonly stage: StageOf<'switch'> } | null {
  const { lineId } = job.circuits[circuitId];
  const stage = Object.hasOwn(job.lines, lineId) ? stageOf(job.lines[lineId], 'switch') : null;
  return stage && { lineId, stage };
}

/**
 * Puts a switch into the way of one circuit, or takes it out: one that shares its line with others
 * gets a line of its own, fed by theirs, and gives it back.
 */
export function putSwitch(
  job: Pick<JobCore, 'lines' | 'circuits'>,
  circuitId: string,
  set: Omit<StageOf<'switch'>, 'kind' | 'order'> | null,
): void {
  const circuit = job.circuits[circuitId];
  const line = job.lines[circuit.lineId];
  const shared = Object.entries(job.circuits).some(
    ([id, c]) => id !== circuitId && c.lineId === circuit.lineId,
  );
  if (set === null) {
    takeStage(line, 'switch');
    if (line.from.kind !== 'line' || Object.keys(line.stages).length > 0 || shared) return;
    const own = circuit.lineId;
    circuit.lineId = line.from.line;
    Reflect.deleteProperty(job.lines, own);
    return;
  }
  // A line that is this circuit's own takes it; the one that all hang on does not.
  if (!shared && (circuit.lineId === circuitId || line.from.kind === 'line')) {
    putStage(line, 'switch', set);
    return;
  }
  const own = Object.hasOwn(job.lines, circuitId) ? `${circuitId}-switched` : circuitId;
  const order = 1 + Math.max(0, ...Object.values(job.lines).map((l) => l.order));
  job.lines[own] = lineFrom({ kind: 'line', line: circuit.lineId }, order, circuit.name);
  putStage(job.lines[own], 'switch', set);
  circuit.lineId = own;
}

/** A line with nothing in it yet. */
export const lineFrom = (from: LineRecord['from'], order: number, name: string): LineRecord => ({
  order,
  name,
  from,
  swapped: false,
  eachWay: false,
  stages: {},
});

/** The stage of a kind that stands anywhere in the way of a circuit; null without one. */
export function stageBefore<K extends StageKind>(
  job: Pick<JobCore, 'lines' | 'circuits'>,
  circuitId: string,
  kind: K,
): StageOf<K> | null {
  for (const line of chainOf(job, job.circuits[circuitId].lineId)) {
    const stage = stageOf(line, kind);
    if (stage) return stage;
  }
  return null;
}

/**
 * The line a job's reservoir stands in, or would: the first behind a rectifier, or fed by what keeps
 * its sides. Null where the plus side does not stay plus anywhere.
 * @param changesSides whether the supply's sides change over
 */
export function reservoirLineId(job: Lines, changesSides: boolean): string | null {
  const roots = mainLines(job);
  const rectified = (l: LineRecord): boolean => stageOf(l, 'bridge') !== null || stageOf(l, 'diode') !== null;
  return (
    roots.find((l) => stageOf(l, 'reservoir') !== null)?.id ??
    roots.find((l) => !changesSides || rectified(l))?.id ??
    null
  );
}
