import { hasCommon, plugs } from '../../part/plug';
import { decoderTypeOf, type DecoderRecord } from '../../document/decoder-record';
import { takeEmptyOut } from '../../document/empty-circuits';
import { endNames } from '../../document/ends';
import { inOrder } from '../../document/in-order';
import { isHead, isTail, lampRoles, showsOf, type LampRoleName } from '../../document/lamp-roles';
import { lineFrom, putStage, stageOf } from '../../document/line-stages';
import { presetNameOf, wireBy, type PresetName } from '../../document/presets';
import { usualCircuit } from '../../document/usual-circuit';
import { usualRule } from '../../supply/drivers/function-map';
import { isBulb, suitLimits } from './suit-limits';
import type { CircuitRecord, LineRecord, StageOf } from '../../document/wiring-record';
import type { LocomotiveRecord, VehicleLampRecord } from './record';

type Lamp = VehicleLampRecord & { readonly id: string };

/** What stood in the way of each lamp before it was wired anew. */
interface Before {
  readonly circuit: CircuitRecord;
  readonly line: LineRecord;
}

function beforeOf(job: LocomotiveRecord): Map<string, Before> {
  const found = new Map<string, Before>();
  for (const [id, { circuitId }] of Object.entries(job.lamps)) {
    if (circuitId === null || !Object.hasOwn(job.circuits, circuitId)) continue;
    const circuit = job.circuits[circuitId];
    if (Object.hasOwn(job.lines, circuit.lineId)) found.set(id, { circuit, line: job.lines[circuit.lineId] });
  }
  return found;
}

/** A circuit on a line of its own for some lamps, with what they all had in their way before: resistor and switch. */
function hang(
  job: LocomotiveRecord,
  id: string,
  name: string,
  from: LineRecord['from'],
  preset: PresetName,
  lamps: readonly Lamp[],
  before: ReadonlyMap<string, Before>,
): void {
  if (lamps.length === 0) return;
  const order = 1 + Object.keys(job.circuits).length;
  const own = lamps.flatMap((l) => before.get(l.id) ?? []);
  const same = <T>(of: (b: Before) => T): T | undefined => {
    const all = own.map(of);
    return own.length === lamps.length && all.every((v) => JSON.stringify(v) === JSON.stringify(all[0]))
      ? all[0]
      : undefined;
  };
  job.lines[id] = lineFrom(from, order, name);
  job.circuits[id] = usualCircuit(order, name, id, {
    ohms: same((b) => b.circuit.ohms) ?? 1000,
    ratedWatts: same((b) => b.circuit.ratedWatts) ?? 0.25,
  });
  wireBy(job.lines[id], job.circuits[id], preset);
  const kept = same((b) => stageOf(b.line, 'switch')) as StageOf<'switch'> | null | undefined;
  if (kept) putStage(job.lines[id], 'switch', { name: kept.name, on: kept.on, lead: kept.lead });
  for (const l of lamps) job.lamps[l.id].circuitId = id;
}

/** Switches that stood before and stand no more, in words. */
function lostSwitches(job: LocomotiveRecord, before: ReadonlyMap<string, Before>): string[] {
  const names = (lines: Iterable<LineRecord>): Set<string> =>
    new Set([...lines].flatMap((l) => stageOf(l, 'switch')?.name ?? []));
  const now = names(Object.values(job.lines));
  return [...names([...before.values()].map((b) => b.line))]
    .filter((n) => !now.has(n))
    .map((n) => `The switch “${n}” is left out: its lamps no longer hang together.`);
}

/**
 * Wires every lamp on the rails: those that show a direction by the preset, those that always shine
 * behind a bridge of their own. Resistors, switches and what an old bulb left in the lead stay where
 * they still make sense.
 * @returns what was left out, in words
 */
export function layOnTrack(job: LocomotiveRecord, preset: PresetName): string[] {
  const before = beforeOf(job);
  const steering = new Map(
    Object.entries(job.lines).flatMap(([id, line]) => {
      const stage = stageOf(line, 'steering');
      return stage ? [[id, stage] as const] : [];
    }),
  );
  const left = job.decoder ? ['The decoder and its table are left out.'] : [];
  job.decoder = null;
  job.circuits = {};
  job.lines = {};
  const track = { kind: 'supply', tap: 'pickups', supplyId: null } as const;
  for (const end of endNames) {
    const own = inOrder(job.lamps).filter((l) => l.end === end);
    const directional = own.filter((l) => showsOf(l) !== 'both');
    const bulb = directional.some(isBulb);
    const id = `end-${end.toLowerCase()}`;
    hang(job, id, `End ${end}`, { ...track }, bulb ? 'bulb' : preset, directional, before);
    const old = steering.get(id);
    const lets = end === 'A' ? ('first' as const) : ('second' as const);
    if (directional.length > 0 && (old || bulb))
      putStage(job.lines[id], 'steering', { left: old?.left ?? 'kept', lets: old?.lets ?? lets });
    const steady = own.filter((l) => showsOf(l) === 'both');
    const name = `Always lit, end ${end}`;
    hang(job, `inside-${end.toLowerCase()}`, name, { ...track }, 'own-bridge', steady, before);
  }
  return [...left, ...lostSwitches(job, before)];
}

/**
 * Wires a vehicle anew after lamps came or went, the way it was wired: on its decoder, or on the rails
 * by the preset it had.
 * @returns what was left out, in words
 */
export function wireAnew(job: LocomotiveRecord): string[] {
  if (job.decoder) {
    const said = layOnDecoder(job, job.decoder, job.decoder.plug);
    takeEmptyOut(job);
    suitLimits(job);
    return said;
  }
  const like = Object.keys(job.circuits)
    .map((id) => presetNameOf(job, id))
    .find((name) => name !== null && name !== 'own-bridge' && name !== 'bulb');
  const said = layOnTrack(job, like ?? 'shared-both-ways');
  suitLimits(job);
  return said;
}

/** Roles that share an output on a decoder, in the order outputs are given away. */
const groupsOnDecoder = [
  'ditch',
  'marker-white',
  'marker-green',
  'number-board',
  'destination',
  'cab',
  'step',
  'engine-room',
] as const satisfies readonly LampRoleName[];

/**
 * Hangs every lamp on a decoder's outputs. Headlights take F0 by direction; red lamps of an end share
 * the other end's headlight output; each other role takes the next output that is free, both ends
 * together. A vehicle that has a decoder keeps its table and its lamps on their outputs, as far as the
 * new one has them. What finds no output is left with its leads loose.
 * @returns what was left out, in words
 */
export function layOnDecoder(
  job: LocomotiveRecord,
  board: Pick<DecoderRecord, 'type' | 'own'>,
  plugId: string,
): string[] {
  const type = decoderTypeOf(board);
  const rule = (fn: number, direction: 'both' | 'forward' | 'reverse') => ({
    ...usualRule,
    keys: [{ function: fn, direction }],
  });
  // One that switches plus has its minus on the board, whatever the plug.
  const returnTo =
    type.switches === 'minus' && !hasCommon(plugs[plugId]) ? ('right-rail' as const) : ('common' as const);
  const has = (output: string): boolean => type.outputs.some((o) => o.id === output);
  const old = job.decoder;
  const left: string[] = [];
  const before = beforeOf(job);
  if (old) {
    const gone = Object.keys(old.outputs).filter((o) => !has(o) && old.outputs[o].keys.length > 0);
    if (gone.length > 0)
      left.push(
        `The functions of ${gone.join(', ')} are left out: ${type.name.toLowerCase()} has no such output.`,
      );
  }
  job.decoder = {
    type: board.type,
    own: board.own,
    plug: plugId,
    outputs: old
      ? Object.fromEntries(Object.entries(old.outputs).filter(([o]) => has(o)))
      : { out1: rule(0, 'forward'), out2: rule(0, 'reverse') },
    exclusive: (old?.exclusive ?? []).filter(has),
    stepped:
      old?.stepped && old.stepped.outputs.every(has)
        ? { function: old.stepped.function, outputs: [...old.stepped.outputs] }
        : null,
    dim: old?.dim?.outputs.every(has) ? { ...old.dim, outputs: [...old.dim.outputs] } : null,
  };
  const { outputs } = job.decoder;
  // What hangs on an output that is still there stays.
  for (const [id, line] of Object.entries(job.lines)) {
    if (old && line.from.kind === 'output' && has(line.from.output)) {
      if (plugId !== old.plug || type.switches !== decoderTypeOf(old).switches) line.from.returnTo = returnTo;
      continue;
    }
    Reflect.deleteProperty(job.lines, id);
  }
  for (const [id, circuit] of Object.entries(job.circuits))
    if (!Object.hasOwn(job.lines, circuit.lineId)) Reflect.deleteProperty(job.circuits, id);
  for (const l of Object.values(job.lamps))
    if (l.circuitId !== null && !Object.hasOwn(job.circuits, l.circuitId)) l.circuitId = null;
  const loose = (): Lamp[] => inOrder(job.lamps).filter((l) => l.circuitId === null);
  const onto = (
    id: string,
    name: string,
    output: `out${number}`,
    of: (l: VehicleLampRecord) => boolean,
  ): void => {
    const lamps = loose().filter(of);
    if (lamps.length === 0 || !has(output)) return;
    if (Object.hasOwn(job.circuits, id)) {
      for (const l of lamps) job.lamps[l.id].circuitId = id;
      return;
    }
    const preset = lamps.every(isBulb) ? 'bulb' : 'resistor-each';
    hang(job, id, name, { kind: 'output', output, returnTo }, preset, lamps, before);
  };
  for (const end of endNames) {
    const [own, far] = end === 'A' ? (['out1', 'out2'] as const) : (['out2', 'out1'] as const);
    const low = end.toLowerCase();
    onto(`head-${low}`, `Head lamps ${end}`, own, (l) => l.end === end && isDirectional(l) && isHead(l.role));
    onto(`tail-${low}`, `Tail lamps ${end}`, far, (l) => l.end === end && isTail(l.role));
  }
  const taken = (): Set<string> =>
    new Set([
      ...Object.values(job.lines).flatMap((l) => (l.from.kind === 'output' ? [l.from.output] : [])),
      ...Object.entries(outputs).flatMap(([id, o]) => (o.keys.length > 0 ? [id] : [])),
      ...(job.decoder?.stepped?.outputs ?? []),
    ]);
  const pressed = (): Set<number> =>
    new Set(Object.values(outputs).flatMap((o) => o.keys.map((k) => k.function)));
  let fn = 1;
  for (const role of groupsOnDecoder) {
    if (!loose().some((l) => l.role === role)) continue;
    if (!Object.hasOwn(job.circuits, role)) {
      const used = taken();
      const output = type.outputs.find(
        (o) => Number(o.id.slice(3)) >= 3 && o.level === 'full' && !used.has(o.id),
      );
      if (!output) break;
      const busy = pressed();
      while (busy.has(fn)) fn++;
      outputs[output.id] = rule(fn++, 'both');
      onto(role, lampRoles[role].name, output.id, (l) => l.role === role);
    } else onto(role, lampRoles[role].name, 'out1', (l) => l.role === role);
  }
  const two = inOrder(job.lamps).filter((l) => l.secondPart !== null && l.circuitId !== null).length;
  if (two > 0 && !old)
    left.push(
      `The second colour of ${two} two-colour ${two === 1 ? 'lamp' : 'lamps'} stays dark: an output drives one way only. Fit a lamp for each colour.`,
    );
  return [...left, ...lostSwitches(job, before)];
}

/** Lamps that F0 lights by direction: those of groups of their own are not. */
const isDirectional = (l: VehicleLampRecord): boolean =>
  !(groupsOnDecoder as readonly string[]).includes(l.role);
