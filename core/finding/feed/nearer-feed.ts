import { freeId } from '../../document/usual-supply';
import { putPlace, putRun } from '../../feed/begin';
import { hangsOn } from '../../feed/hangs-on';
import { runMillimetres } from '../../feed/run-length';
import type { Cure } from '../finding';
import type { Layout } from '../../document/layout';

/** A dim place, and the runs from it back to its supply. */
export interface FarEnd {
  readonly place: string;
  readonly way: readonly string[];
}

/** So far beside the far end a second supply is put, in millimetres. */
const BESIDE_MILLIMETRES = 60;

/** The places along the way back, the far end first and the supply last. */
function placesAlong({ network }: Pick<Layout, 'network'>, { place, way }: FarEnd): string[] {
  const along = [place];
  for (const id of way) {
    const { from, to } = network.runs[id];
    along.push(along[along.length - 1] === from ? to : from);
  }
  return along;
}

/** Whether the way back is wires alone: behind a converter its own supply is no cure. */
const isPlain = (layout: Pick<Layout, 'network'>, along: readonly string[]): boolean =>
  along.every((id) => layout.network.nodes[id].is.kind !== 'converter');

/** The feed brought to the middle of a tail: half the way out, and half the current each way. Empty where there is no middle. */
export function feedToMiddle(layout: Layout, end: FarEnd): Cure[] {
  const along = placesAlong(layout, end);
  if (end.way.length < 3 || !isPlain(layout, along)) return [];
  const first = end.way[end.way.length - 1];
  const supply = along[along.length - 1];
  const lengths = end.way.slice(0, -1).map((id) => runMillimetres(layout, layout.network.runs[id]));
  const half = lengths.reduce((sum, l) => sum + l, 0) / 2;
  let before = 0;
  const far = lengths.map((l) => (before += l));
  const nearest = far
    .slice(0, -1)
    .reduce((best, at, k) => (Math.abs(at - half) < Math.abs(far[best] - half) ? k : best), 0);
  const middle = along[nearest + 1];
  return [
    {
      label: `The feed brought to ${layout.network.nodes[middle].name}, in the middle`,
      recipe: (draft) => {
        const run = draft.network.runs[first];
        if (run.from === supply) run.to = middle;
        else run.from = middle;
        run.millimetres = null;
      },
    },
  ];
}

/** A second supply at the far end, the wires parted in the middle. Empty for tracks, and where nothing can be parted. */
export function secondSupply(layout: Layout, end: FarEnd, supplyId: string): Cure[] {
  const along = placesAlong(layout, end);
  const supply = layout.supplies[supplyId];
  if (end.way.length < 2 || !isPlain(layout, along) || supply.kind !== 'layout-bus') return [];
  const first = layout.network.runs[end.way[end.way.length - 1]];
  const parted = end.way[Math.floor((end.way.length - 1) / 2)];
  return [
    {
      label: 'A second supply there, the wires parted in the middle',
      recipe: (draft) => {
        const id = freeId(draft.supplies, supplyId);
        const order = 1 + Math.max(0, ...Object.values(draft.supplies).map((s) => s.order));
        draft.supplies[id] = { ...supply, order, name: `${supply.name.slice(0, 70)}, second` };
        Reflect.deleteProperty(draft.network.runs, parted);
        const { xMillimetres, yMillimetres } = layout.network.nodes[end.place];
        const spot = { x: xMillimetres + BESIDE_MILLIMETRES, y: yMillimetres };
        const place = putPlace(draft, draft.supplies[id].name, spot, { kind: 'supply', supplyId: id });
        const parts = first.parts.filter((p) => p.kind === 'fuse').map((p) => ({ ...p }));
        putRun(draft, place, end.place, { wire: first.wire, plus: first.plus, minus: first.minus, parts });
        for (const [node, of] of hangsOn(draft as Layout)) {
          const { is } = draft.network.nodes[node];
          if (of.supplyId !== id || is.kind !== 'job') continue;
          const job = draft.jobs[is.jobId];
          if (job.supplyId === supplyId) job.supplyId = id;
          for (const line of Object.values(job.lines))
            if (line.from.kind === 'supply' && line.from.supplyId === supplyId) line.from.supplyId = id;
        }
      },
    },
  ];
}
