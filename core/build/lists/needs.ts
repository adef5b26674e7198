import { orderFactsOf } from '../../kinds/orders';
import { lampBodies, type LampBodyName } from '../../part/lamp-body';
import { inSentence } from '../../quantity/format';
import { shines } from '../../assembly/assembly';
import { asWired } from '../../study/wired';
import { benchOf } from '../../study/bench';
import { boardsOf } from '../../assembly/on-board';
import { thereAlready } from '../../study/already';
import { boardPrice, ownPrice, plugPrice, priceOf } from '../../study/bill';
import { cellNeeds } from '../../study/cell-needs';
import { pickupNeeds } from '../../study/pickup-needs';
import { joinNeeds } from '../../study/join-needs';
import { stringNeeds, stringOf } from '../../study/string-needs';
import { sleevedEnds } from '../order/ends';
import { makingOf } from '../order/making';
import { ofString } from '../order/wire-use';
import {
  boardSort,
  piecesOf,
  plugSort,
  SLEEVE_MILLIMETRES,
  shrinkSort,
  sortOf,
  wireSort,
} from '../../study/stock';
import type { Layout } from '../../document/layout';
import type { WireName } from '../../part/wire';

/** So much of a sort that jobs need: pieces, wire and sleeves in metres. */
export interface NeedOf {
  readonly key: string;
  readonly name: string;
  readonly count: number;
  /** In the models already, and used again. */
  readonly there: number;
  /** Bought over what is needed. */
  readonly spares: number;
  readonly priceEach: number;
  /** Lengths to be cut, in millimetres; none for what is counted in pieces. */
  readonly pieces: readonly number[];
}

/** What a metre of sleeve costs (common practice, no source). */
const SLEEVE_PRICE = 1.2;
/** A lamp of no known body is taken for a small chip's like. */
const USUAL_SPARES = 0.1;

/**
 * What jobs need, each sort once: their parts, their wire by sort and colour, a sleeve for each joint
 * that gets one; times as many as one sheet builds.
 * @throws RangeError when the layout has no such job
 */
export function needsOf(layout: Layout, jobIds: readonly string[]): NeedOf[] {
  const needs = new Map<string, { -readonly [K in keyof NeedOf]: NeedOf[K] }>();
  const add = (
    of: Pick<NeedOf, 'key' | 'name' | 'priceEach'>,
    count: number,
    spares: number,
    pieces: number[],
  ): void => {
    const known = needs.get(of.key) ?? { ...of, count: 0, there: 0, spares: 0, pieces: [] };
    needs.set(of.key, {
      ...known,
      count: known.count + count,
      spares: known.spares + spares,
      pieces: [...known.pieces, ...pieces],
    });
  };
  /** Bodies that lamps of a sort come in, where they are known. */
  const bodies = new Map<string, Map<LampBodyName, number>>();
  for (const jobId of jobIds) {
    const bench = benchOf(layout, jobId);
    const { job, supply } = bench;
    const { assembly } = asWired(bench);
    const facts = orderFactsOf(job.kind);
    const times = job.progress.count;
    for (const part of assembly.parts) {
      if (part.kind === 'driver')
        for (const { key, name, count, price } of part.needs)
          add({ key, name, priceEach: ownPrice(layout, key) ?? price }, times * count, 0, []);
      const sort = sortOf(part);
      if (!sort) continue;
      const body = shines(part) ? facts.lampBody(job, part.lamp!) : null;
      if (body) {
        const of = bodies.get(sort.key) ?? new Map<LampBodyName, number>();
        bodies.set(sort.key, of.set(body, (of.get(body) ?? 0) + times));
      }
      const share = shines(part) ? (body ? lampBodies[body].spareShare : USUAL_SPARES) : 0;
      const pieces = piecesOf(part);
      // Units of strip are cut from a reel; cut marks between them fall together.
      const unit = part.kind === 'lamp' ? part.led.unitMillimetres : null;
      add(
        { ...sort, priceEach: priceOf(part, layout, supply) / pieces },
        times * pieces,
        share * times * pieces,
        unit === null ? [] : Array.from({ length: times }, () => unit),
      );
    }
    for (const [key, count] of thereAlready(job, assembly.parts)) {
      const need = needs.get(key)!;
      need.there += times * count;
    }
    for (const board of boardsOf(assembly)) {
      const [whole, plug] = [boardSort(board), plugSort(board)];
      add({ ...whole, priceEach: boardPrice(layout, board) }, times * board.count, 0, []);
      add({ ...plug, priceEach: plugPrice(layout, board) }, times * board.plugs, 0, []);
    }
    const string = stringOf(job);
    const making = makingOf(bench);
    const sleeves = times * (sleevedEnds(making) + 2 * ofString(making.wires).length);
    const { cells, holders } = cellNeeds(bench);
    for (const { key, name, count, priceEach } of [
      ...joinNeeds(bench),
      ...making.works.flatMap((w) => w.takes ?? []),
      ...pickupNeeds(bench),
      ...(string ? stringNeeds(string) : []),
      ...cells,
      ...holders,
    ])
      add({ key, name, priceEach: ownPrice(layout, key) ?? priceEach }, times * count, 0, []);
    for (const row of making.wires) {
      const { id, reelMillimetres, reelPrice } = row.wire;
      const cut = Array.from({ length: times }, () => row.cutMillimetres);
      const sort = wireSort(id as WireName, row.sold);
      add(
        { ...sort, priceEach: ownPrice(layout, sort.key) ?? (1000 * reelPrice) / reelMillimetres },
        (times * row.cutMillimetres) / 1000,
        0,
        cut,
      );
    }
    if (sleeves > 0)
      add(
        { ...shrinkSort, priceEach: ownPrice(layout, shrinkSort.key) ?? SLEEVE_PRICE },
        (sleeves * SLEEVE_MILLIMETRES) / 1000,
        0,
        Array.from({ length: sleeves }, () => SLEEVE_MILLIMETRES),
      );
  }
  return [...needs.values()]
    .map((n) => ({
      ...n,
      name: withBodies(n.name, bodies.get(n.key)),
      spares: Math.ceil(n.spares - 1e-9),
    }))
    .sort((a, b) => (a.key < b.key ? -1 : 1));
}

/** How many lamps jobs light, and how many of them there are. */
export function builtOf(
  layout: Layout,
  jobIds: readonly string[],
): { readonly lamps: number; readonly jobs: number } {
  return jobIds.reduce(
    (sum, id) => {
      const { lamps, progress } = layout.jobs[id];
      return {
        lamps: sum.lamps + progress.count * Object.keys(lamps).length,
        jobs: sum.jobs + progress.count,
      };
    },
    { lamps: 0, jobs: 0 },
  );
}

/** "Lamp red, 2 mm tower", "Lamp red, 2 as 2 mm tower, 2 as chip 0603". */
function withBodies(name: string, bodies: ReadonlyMap<LampBodyName, number> | undefined): string {
  if (!bodies) return name;
  const each = [...bodies].map(([body, count]) => ({ word: inSentence(lampBodies[body].name), count }));
  return `${name}, ${each.map((b) => (each.length > 1 ? `${b.count} as ${b.word}` : b.word)).join(', ')}`;
}
