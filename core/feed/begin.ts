import { freeId } from '../document/usual-supply';
import { inOrder } from '../document/in-order';
import { isRail } from '../part/rail';
import { supplyKind } from '../supply';
import { fuseRatings } from '../part/fuse-ratings';
import { hangsOn } from './hangs-on';
import type { Draft } from 'immer';
import type { Layout } from '../document/layout';
import type { NodePart, RunPart, RunRecord } from '../document/network-record';

/** Where a thing stands on the plan, from above. */
export interface Spot {
  readonly x: number;
  readonly y: number;
}

/** How far from the front edge a strip is screwed, so that a hand reaches it; on a grid of ten (common practice, no source). */
const FROM_FRONT = 70;
const GRID = 10;
const USUAL_WIRE = '24-0.2';
const DROPPER_WIRE = '16-0.2';
/** A track's droppers bear what its booster gives. */
const TRACK_DROPPER_WIRE = '24-0.2';
const USUAL_RAIL = 'rail-100';
/** Where a track lies across a board, and how near to the end of the first and last it goes, as shares. */
const TRACK_DEPTH = 0.4;
const TRACK_END = 0.06;
/** A fuse for a bus of that wire, and a plug at a joint of two boards. */
const BUS_FUSE = 4;
const usualPlug = { kind: 'plug', ratedAmps: 5, contactOhms: 0.015 } as const;
/** A dropper's own fuse bears what the dropper does. */
const usualStrip: NodePart = { kind: 'strip', ways: 8, ratedAmps: 8, contactOhms: 0.004 };

const nextOrder = (of: Readonly<Record<string, { readonly order: number }>>): number =>
  1 + Math.max(0, ...Object.values(of).map((e) => e.order));
export const onGrid = (millimetres: number): number => Math.round(millimetres / GRID) * GRID;

/** Lays so many boards alike in a row, behind those that are there. */
export function rowOfBoards(draft: Draft<Layout>, count: number, width: number, depth: number): void {
  const right = Math.max(0, ...Object.values(draft.boards).map((b) => b.xMillimetres + b.widthMillimetres));
  for (let k = 0; k < count; k++) {
    const order = nextOrder(draft.boards);
    draft.boards[freeId(draft.boards, 'board')] = {
      order,
      name: `Board ${order}`,
      xMillimetres: right + k * width,
      yMillimetres: 0,
      widthMillimetres: width,
      depthMillimetres: depth,
    };
  }
}

/** Puts something on the plan. @returns its id */
export function putPlace(draft: Draft<Layout>, name: string, { x, y }: Spot, is: NodePart): string {
  const { nodes } = draft.network;
  const id = freeId(nodes, is.kind);
  nodes[id] = {
    order: nextOrder(nodes),
    name: name.slice(0, 60),
    xMillimetres: onGrid(x),
    yMillimetres: onGrid(y),
    is,
  };
  return id;
}

/** Lays a run from one place to another. @returns its id */
export function putRun(
  draft: Draft<Layout>,
  from: string,
  to: string,
  of: Partial<Omit<RunRecord, 'parts'>> & { readonly parts?: RunPart[] } = {},
): string {
  const { runs, nodes } = draft.network;
  const id = freeId(runs, 'run');
  const order = nextOrder(runs);
  // Runs of one supply go on in its colours.
  const like = Object.values(runs).find(
    (r) => r.to === from || (r.from === from && r.fromOutput === (of.fromOutput ?? false)),
  );
  runs[id] = {
    order,
    label: `${order}`,
    from,
    to,
    fromOutput: nodes[from].is.kind === 'converter',
    wire: DROPPER_WIRE,
    millimetres: null,
    plus: like?.plus ?? 'red',
    minus: like?.minus ?? 'black',
    bundled: false,
    ...of,
    parts: of.parts ?? [],
  };
  return id;
}

/**
 * A bus along all boards in their order: the supply at the first, a strip on each, plugs at the joints, a
 * fuse where it begins.
 */
export function busAlong(draft: Draft<Layout>, supplyId: string): void {
  const boards = inOrder(draft.boards);
  const supply = draft.supplies[supplyId];
  const front = (k: number, share: number): Spot => ({
    x: boards[k].xMillimetres + share * boards[k].widthMillimetres,
    y: boards[k].yMillimetres + boards[k].depthMillimetres - FROM_FRONT,
  });
  let before = putPlace(draft, supply.name, boards.length > 0 ? front(0, 0.1) : { x: 0, y: 0 }, {
    kind: 'supply',
    supplyId,
  });
  const limit = supplyKind(supply).limit(supply).amps;
  const rating = fuseRatings.filter((r) => r <= Math.min(BUS_FUSE, limit)).at(-1) ?? fuseRatings[0];
  boards.forEach((board, k) => {
    const strip = putPlace(draft, `Strip ${board.name}`, front(k, 0.4), { ...usualStrip });
    putRun(draft, before, strip, {
      wire: USUAL_WIRE,
      parts: [k === 0 ? { kind: 'fuse', amps: rating, speed: 'quick' } : { ...usualPlug }],
    });
    before = strip;
  });
}

/** Places that lie on a track. */
export const placesOnRails = ({ network }: Pick<Layout, 'network'>): ReadonlySet<string> =>
  new Set(Object.values(network.runs).flatMap((r) => (isRail(r.wire) ? [r.from, r.to] : [])));

/**
 * A track along all boards in their order, its rails joined from board to board, and a dropper on each
 * board from the nearest joint of its supply, where there is one.
 */
export function trackAlong(draft: Draft<Layout>, supplyId: string): void {
  const boards = inOrder(draft.boards);
  const on = (k: number, share: number): Spot => {
    const { xMillimetres, yMillimetres, widthMillimetres, depthMillimetres } = boards[k];
    // Along the longer side of a board, a little behind its middle.
    return widthMillimetres >= depthMillimetres
      ? { x: xMillimetres + share * widthMillimetres, y: yMillimetres + TRACK_DEPTH * depthMillimetres }
      : { x: xMillimetres + TRACK_DEPTH * widthMillimetres, y: yMillimetres + share * depthMillimetres };
  };
  const name = draft.supplies[supplyId].name;
  let before: string | null = null;
  const lay = (label: string, spot: Spot): string => {
    const id = putPlace(draft, label, spot, { kind: 'tap' });
    if (before !== null) putRun(draft, before, id, { wire: USUAL_RAIL });
    before = id;
    return id;
  };
  boards.forEach((board, k) => {
    if (k === 0) lay(`${name}, end at ${board.name}`, on(k, TRACK_END));
    const middle = lay(`${name}, ${board.name}`, on(k, 0.5));
    const joint = nearestJoint(draft, supplyId, on(k, 0.5));
    if (joint !== null) putRun(draft, joint, middle, { wire: TRACK_DROPPER_WIRE });
    if (k === boards.length - 1) lay(`${name}, end at ${board.name}`, on(k, 1 - TRACK_END));
  });
}

/** The strip or joint of wires nearest to a spot that hangs on a supply; null where none does. */
export function nearestJoint(
  layout: Pick<Layout, 'network' | 'supplies'>,
  supplyId: string | null,
  { x, y }: Spot,
): string | null {
  const fed = hangsOn(layout);
  const onRails = placesOnRails(layout);
  let best: string | null = null;
  let least = Infinity;
  for (const { id, is, xMillimetres, yMillimetres } of inOrder(layout.network.nodes)) {
    if ((is.kind !== 'strip' && is.kind !== 'tap' && is.kind !== 'supply') || onRails.has(id)) continue;
    const of = fed.get(id);
    if (!of || of.converter !== null || (supplyId !== null && of.supplyId !== supplyId)) continue;
    // A strip is where one joins; a supply's own terminals only where there is none.
    const far = Math.abs(xMillimetres - x) + Math.abs(yMillimetres - y) + (is.kind === 'supply' ? 1e6 : 0);
    if (far < least) [best, least] = [id, far];
  }
  return best;
}

/** Puts something on the plan and runs to it from the nearest strip of its supply, where there is one. @returns its id */
export function putFed(
  draft: Draft<Layout>,
  name: string,
  spot: Spot,
  is: NodePart,
  supplyId: string | null,
): string {
  const joint = nearestJoint(draft as Layout, supplyId, spot);
  const id = putPlace(draft, name, spot, is);
  if (joint !== null) putRun(draft, joint, id);
  return id;
}

/** Takes a place off the plan, and the runs that begin or end there. */
export function dropPlace({ network }: Draft<Layout>, id: string): void {
  Reflect.deleteProperty(network.nodes, id);
  for (const [run, { from, to }] of Object.entries(network.runs))
    if (from === id || to === id) Reflect.deleteProperty(network.runs, run);
}
