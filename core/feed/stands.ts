import { inOrder } from '../document/in-order';
import { recordFacts } from '../kinds/records';
import { isRail } from '../part/rail';
import { hangsOn } from './hangs-on';
import type { Layout } from '../document/layout';

/** A place on the plan, in millimetres. */
export interface Spot {
  readonly x: number;
  readonly y: number;
}

/** Where things of a layout stand, seen from above. */
export interface Stands {
  /** Jobs that have a place of their own. */
  readonly jobs: ReadonlyMap<string, Spot>;
  /** Trains, and vehicles in none, along the track they run on: the id of the train, or of the job. */
  readonly onTrack: readonly {
    readonly trainId: string | null;
    readonly jobIds: readonly string[];
    readonly at: Spot;
  }[];
  /** Pieces of track: its rails from end to end, or from where to where its feed runs. */
  readonly rails: readonly { readonly supplyId: string; readonly from: Spot; readonly to: Spot }[];
  /** Jobs that stand nowhere yet. */
  readonly nowhere: readonly string[];
}

/**
 * Where the jobs of a layout stand on its boards: those of the network at their places; what runs on
 * rails along its track, one train after another.
 */
export function standsOf(layout: Layout): Stands {
  const { nodes, runs } = layout.network;
  const spot = (id: string): Spot => ({ x: nodes[id].xMillimetres, y: nodes[id].yMillimetres });
  const jobs = new Map(
    inOrder(nodes).flatMap(({ id, is }): [string, Spot][] =>
      is.kind === 'job' ? [[is.jobId, spot(id)]] : [],
    ),
  );
  const fed = hangsOn(layout);
  const tracks = new Set(
    Object.values(layout.jobs).flatMap((j) => (recordFacts(j.kind).onRails ? [j.supplyId] : [])),
  );
  const laid = new Set(
    Object.values(runs).flatMap((r) => (isRail(r.wire) ? [fed.get(r.from)?.supplyId] : [])),
  );
  const rails = inOrder(runs).flatMap(({ from, to, wire }) => {
    const supplyId = fed.get(from)?.supplyId;
    // Where no rails of a track are laid it is drawn along its feed.
    const isTrack = supplyId !== undefined && (laid.has(supplyId) ? isRail(wire) : tracks.has(supplyId));
    return isTrack ? [{ supplyId, from: spot(from), to: spot(to) }] : [];
  });
  const coupled = new Set<string>();
  const rows = inOrder(layout.trains).flatMap(({ id, cars }) => {
    const jobIds = inOrder(cars).map((c) => c.jobId);
    for (const j of jobIds) coupled.add(j);
    return jobIds.length > 0 ? [{ trainId: id as string | null, jobIds }] : [];
  });
  for (const { id, kind } of inOrder(layout.jobs))
    if (recordFacts(kind).onRails && !coupled.has(id) && !jobs.has(id))
      rows.push({ trainId: null, jobIds: [id] });
  const nowhere: string[] = inOrder(layout.jobs).flatMap(({ id, kind }) =>
    !recordFacts(kind).onRails && !jobs.has(id) ? [id] : [],
  );
  // What runs on a track that is not on the plan stands on one that is.
  const [any] = rails;
  const trackOf = ({ jobIds: [first] }: (typeof rows)[number]): string | null => {
    const { supplyId } = layout.jobs[first];
    if (rails.some((r) => r.supplyId === supplyId)) return supplyId;
    return rails.length > 0 ? any.supplyId : null;
  };
  for (const row of rows) if (trackOf(row) === null) nowhere.push(...row.jobIds);
  const onTrack = [...new Set(rails.map((r) => r.supplyId))].flatMap((supplyId) => {
    const own = rows.filter((row) => trackOf(row) === supplyId);
    const track = rails.filter((r) => r.supplyId === supplyId);
    return own.map((row, i) => ({ ...row, at: along(track, (i + 0.5) / own.length) }));
  });
  return { jobs, onTrack, rails, nowhere };
}

/** The point at a share of the length of a track's pieces, laid one behind another. */
function along(track: Stands['rails'], share: number): Spot {
  const lengths = track.map(({ from, to }) => Math.hypot(to.x - from.x, to.y - from.y));
  let left = share * lengths.reduce((a, b) => a + b, 0);
  for (const [i, { from, to }] of track.entries()) {
    if (left <= lengths[i]) {
      const part = lengths[i] > 0 ? left / lengths[i] : 0;
      return { x: from.x + part * (to.x - from.x), y: from.y + part * (to.y - from.y) };
    }
    left -= lengths[i];
  }
  return track[track.length - 1].to;
}
