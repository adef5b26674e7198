import { runConductors } from '../part/rail';
import { fuseSpeeds } from '../part/fuse-speed';
import { supplyKind, type Supply } from '../supply';
import { jobCurve, lampsCurve, rigCurve, typedCurve, type LoadCurve } from './load-curve';
import { usualVoltsOf } from '../supply/usual-volts';
import { hangsOn, type HangsOn } from './hangs-on';
import { runMillimetres } from './run-length';
import type { Layout } from '../document/layout';
import type { RunPart } from '../document/network-record';

/** The two conductors at a place of the network, by number. */
export interface Pair {
  readonly plus: number;
  readonly minus: number;
}

/** A conductor of a run with what stands in it. */
export interface Conductor {
  readonly run: string;
  readonly side: 'plus' | 'minus';
  readonly a: number;
  readonly b: number;
  readonly ohms: number;
}

/** A supply, or the output of a converter, behind its own resistance. */
export interface Source extends Pair {
  readonly node: string;
  readonly volts: number;
  readonly ohms: number;
  readonly limitAmps: number;
  /** Null for a converter's output. */
  readonly supplyId: string | null;
}

/** What takes current between a pair: by its curve, or by a power it keeps above so many volts. */
export interface Load extends Pair {
  readonly node: string;
  readonly takes:
    | { readonly by: 'curve'; readonly curve: LoadCurve }
    | { readonly by: 'power'; readonly watts: number; readonly aboveVolts: number };
}

/** A converter: what its input takes follows from what its output gives. */
export interface Converter {
  readonly node: string;
  readonly input: Pair;
  readonly output: Source;
  readonly efficiency: number;
  readonly headroomVolts: number;
}

/** What hangs together without a converter between. */
export interface Island {
  /** Numbers of its pairs' conductors. */
  readonly places: readonly number[];
  readonly sources: readonly Source[];
  readonly loads: readonly Load[];
  readonly conductors: readonly Conductor[];
  /** Converters that it feeds. */
  readonly feeds: readonly Converter[];
}

/** The network of a layout, ready to be solved. */
export interface Network {
  readonly size: number;
  readonly pairs: ReadonlyMap<string, Pair>;
  readonly outputs: ReadonlyMap<string, Pair>;
  /** Each after those its converters feed. */
  readonly islands: readonly Island[];
  readonly converters: readonly Converter[];
  /** Runs that are open: a switch is off. */
  readonly open: ReadonlySet<string>;
}

/** A network that cannot be solved, and why. */
export class NetworkError extends Error {}

/** A joint that is soldered or crimped, in ohms (common practice, no source). */
const JOINT_OHMS = 0.001;
/** A mains unit and its lead; a converter (typical, from memory). */
const CONVERTER_OHMS = 0.03;
/** The least resistance of a supply that is reckoned with. */
const LEAST_SOURCE_OHMS = 0.005;

/** What a part of a run adds to its plus, and to its minus; null where it is open. */
function partOhms(part: RunPart): readonly [number, number] | null {
  switch (part.kind) {
    case 'fuse':
      return [fuseSpeeds[part.speed].dropsVolts / part.amps, 0];
    case 'plug':
      return [part.contactOhms, part.contactOhms];
    case 'switch':
      return part.on ? [part.contactOhms, 0] : null;
  }
}

/** What a supply is as the network's source: its EMF, resistance and limit. */
function sourceOf(node: string, supplyId: string, supply: Supply, pair: Pair): Source {
  return {
    ...pair,
    node,
    supplyId,
    volts: usualVoltsOf(supply) ?? 0,
    ohms: LEAST_SOURCE_OHMS,
    limitAmps: supplyKind(supply).limit(supply).amps,
  };
}

/**
 * Lowers the network of a layout: both conductors of every run with what stands in them, supplies behind
 * their resistance, loads by their solved curves.
 * @throws NetworkError when converters feed one another in a round
 */
export function lowered(layout: Layout): Lowered {
  const { nodes, runs } = layout.network;
  const pairs = new Map<string, Pair>();
  const outputs = new Map<string, Pair>();
  let size = 0;
  const pair = (): Pair => ({ plus: size++, minus: size++ });
  const converters: Converter[] = [];
  const sources: Source[] = [];
  const loads: Load[] = [];
  const fed = hangsOn(layout);
  for (const [id, { is }] of Object.entries(nodes)) {
    const own = pair();
    pairs.set(id, own);
    if (is.kind === 'supply') sources.push(sourceOf(id, is.supplyId, layout.supplies[is.supplyId], own));
    if (is.kind === 'converter') {
      const out = pair();
      outputs.set(id, out);
      const output: Source = {
        ...out,
        node: id,
        supplyId: null,
        volts: is.outVolts,
        ohms: CONVERTER_OHMS,
        limitAmps: is.limitAmps,
      };
      converters.push({
        node: id,
        input: own,
        output,
        efficiency: is.efficiency,
        headroomVolts: is.headroomVolts,
      });
      sources.push(output);
    }
    const takes = takesOf(layout, fed, id);
    if (takes) loads.push({ ...own, node: id, takes });
  }
  const conductors: Conductor[] = [];
  const open = new Set<string>();
  for (const [id, run] of Object.entries(runs)) {
    const from = (run.fromOutput ? outputs.get(run.from) : undefined) ?? pairs.get(run.from)!;
    const to = pairs.get(run.to)!;
    const copper = (runMillimetres(layout, run) / 1000) * runConductors[run.wire].ohmsPerMetre;
    let [plus, minus] = [copper + 2 * JOINT_OHMS, copper + 2 * JOINT_OHMS];
    for (const end of [run.from, run.to]) {
      const { is } = nodes[end];
      if (is.kind === 'strip') {
        plus += is.contactOhms;
        minus += is.contactOhms;
      }
    }
    let closed = true;
    for (const part of run.parts) {
      const ohms = partOhms(part);
      if (!ohms) closed = false;
      else {
        plus += ohms[0];
        minus += ohms[1];
      }
    }
    if (!closed) {
      open.add(id);
      continue;
    }
    conductors.push({ run: id, side: 'plus', a: from.plus, b: to.plus, ohms: plus });
    conductors.push({ run: id, side: 'minus', a: from.minus, b: to.minus, ohms: minus });
  }
  const islands = islandsOf(size, conductors, sources, loads, converters);
  return { layout, fed, network: { size, pairs, outputs, converters, open, islands } };
}

/** A layout's network as it was lowered, and what each place hangs on. */
export interface Lowered {
  readonly layout: Layout;
  readonly network: Network;
  readonly fed: ReadonlyMap<string, HangsOn>;
}

/**
 * The network of a layout, from the one before where nothing has changed but the lamps and loads at some of its
 * places.
 * @throws NetworkError as `lowered`
 */
export function loweredAfter(before: Lowered | null, layout: Layout): Lowered {
  if (before?.layout === layout) return before;
  const changed = before && changedEnds(before.layout, layout);
  if (!before || !changed) return lowered(layout);
  const { network, fed } = before;
  const loadsAgain = (loads: readonly Load[]): Load[] =>
    loads.flatMap((l) => {
      if (!changed.has(l.node)) return l;
      const takes = takesOf(layout, fed, l.node);
      return takes ? { ...l, takes } : [];
    });
  const islands = network.islands.map((i) => ({ ...i, loads: loadsAgain(i.loads) }));
  return { layout, fed, network: { ...network, islands } };
}

/** Places that have changed in what hangs there and in nothing else; null where anything else has. */
function changedEnds(before: Layout, now: Layout): ReadonlySet<string> | null {
  const [was, is] = [before.network, now.network];
  const elsewhere = (Object.keys(now) as (keyof Layout)[]).some(
    (k) => k !== 'network' && before[k] !== now[k],
  );
  if (elsewhere || was.runs !== is.runs) return null;
  const changed = new Set<string>();
  let count = 0;
  for (const id in is.nodes) {
    count++;
    const [old, node] = [was.nodes[id], is.nodes[id]];
    if (old === node) continue;
    const isEnd = node.is.kind === 'lamps' || node.is.kind === 'typed';
    const stays = isEnd && old?.is.kind === node.is.kind;
    if (!stays || old.xMillimetres !== node.xMillimetres || old.yMillimetres !== node.yMillimetres)
      return null;
    changed.add(id);
  }
  return count === Object.keys(was.nodes).length ? changed : null;
}

/** What a place takes; null for what takes nothing. */
function takesOf(layout: Layout, fed: ReadonlyMap<string, HangsOn>, id: string): Load['takes'] | null {
  const { is } = layout.network.nodes[id];
  const of = fed.get(id);
  if (of === undefined) return null;
  switch (is.kind) {
    case 'job': {
      const curve = jobCurve(layout, is.jobId, of.supplyId);
      return curve && { by: 'curve', curve };
    }
    case 'rig': {
      const curve = rigCurve(layout, is.rigId);
      return curve && { by: 'curve', curve };
    }
    case 'lamps':
      return { by: 'curve', curve: lampsCurve(layout, is, of.volts) };
    case 'typed':
      return is.behaves === 'power'
        ? { by: 'power', watts: is.volts * is.amps, aboveVolts: is.volts / 2 }
        : { by: 'curve', curve: typedCurve(is) };
    default:
      return null;
  }
}

/** What hangs together, each after what its converters feed. */
function islandsOf(
  size: number,
  conductors: readonly Conductor[],
  sources: readonly Source[],
  loads: readonly Load[],
  converters: readonly Converter[],
): Island[] {
  const parent = Int32Array.from({ length: size }, (_, i) => i);
  const find = (i: number): number => {
    let at = i;
    while (parent[at] !== at) at = parent[at] = parent[parent[at]];
    return at;
  };
  const join = (a: number, b: number): void => void (parent[find(a)] = find(b));
  // A pair's two conductors belong together, whatever lies between.
  for (let i = 0; i < size; i += 2) join(i, i + 1);
  for (const { a, b } of conductors) join(a, b);
  const islands = new Map<number, { -readonly [K in keyof Island]: Island[K][number][] }>();
  for (let i = 0; i < size; i++) {
    const root = find(i);
    const own = islands.get(root) ?? { places: [], sources: [], loads: [], conductors: [], feeds: [] };
    islands.set(root, own);
    own.places.push(i);
  }
  for (const s of sources) islands.get(find(s.plus))!.sources.push(s);
  for (const l of loads) islands.get(find(l.plus))!.loads.push(l);
  for (const c of conductors) islands.get(find(c.a))!.conductors.push(c);
  for (const c of converters) islands.get(find(c.input.plus))!.feeds.push(c);
  const done: Island[] = [];
  const state = new Map<number, 'under way' | 'done'>();
  const visit = (root: number): void => {
    if (state.get(root) === 'done') return;
    if (state.get(root) === 'under way')
      throw new NetworkError('a converter feeds what feeds it: take one of its runs away');
    state.set(root, 'under way');
    for (const c of islands.get(root)!.feeds) visit(find(c.output.plus));
    state.set(root, 'done');
    done.push(islands.get(root)!);
  };
  for (const root of islands.keys()) visit(root);
  return done;
}
