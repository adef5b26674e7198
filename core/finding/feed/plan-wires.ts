import { change } from '../../document/patch';
import { bySection, feedWires, type FeedWire } from '../../part/feed-wire';
import { isRail } from '../../part/rail';
import { feedStudy, type FeedStudy } from '../../feed/study';
import { fuseRatings } from '../../part/fuse-ratings';
import { hangsOn } from '../../feed/hangs-on';
import { costOfRuns } from '../../feed/cost';
import { runMillimetres } from '../../feed/run-length';
import { dimmerFarOut, wayBack } from './dimmer-far-out';
import { shortNotCleared } from './short-not-cleared';
import { wireAndFuse, wireTooThin } from './wire-and-fuse';
import type { Layout } from '../../document/layout';
import type { Patch } from '../../document/patch';

/** Wires for the runs of a supply, with what they cost and how evenly its lamps look. */
export interface PlannedWires {
  readonly patches: readonly Patch[];
  /** In the layout's currency. */
  readonly cost: number;
  readonly costBefore: number;
  /** Lightness of its dimmest lamp, of 100; null where it has none. */
  readonly dimmest: number | null;
  /** False where no wire there is keeps the rules: what is left is told by them. */
  readonly kept: boolean;
}

/** Fuses are chosen this much above what flows (common practice, no source). */
const ABOVE = 1.4;
const MOST_ROUNDS = 200;

/** Stranded wires from the thinnest on. */
const ladder = (): FeedWire[] => bySection().filter((w) => !w.id.startsWith('awg'));

/** The wires of a supply, as far as its converters; track is no wire. */
export function runsOf(layout: Layout, supplyId: string): string[] {
  const on = hangsOn(layout);
  return Object.entries(layout.network.runs).flatMap(([id, run]) =>
    !isRail(run.wire) && on.get(run.fromOutput ? run.to : run.from)?.supplyId === supplyId ? [id] : [],
  );
}

/** Runs that leave the supply itself, and what flows in each. */
function trunks(layout: Layout, supplyId: string, study: FeedStudy): { id: string; flows: number }[] {
  const { nodes, runs } = layout.network;
  const starts = (id: string): boolean => {
    const { is } = nodes[id];
    return is.kind === 'supply' && is.supplyId === supplyId;
  };
  return Object.entries(runs).flatMap(([id, run]) =>
    starts(run.from) || starts(run.to)
      ? [{ id, flows: Math.abs(study.reading?.runs.get(id)?.amps ?? 0) }]
      : [],
  );
}

/** No rule says anything of the wires of a supply; or one does, and no thicker wire of it would help. */
const KEPT = Symbol('kept');
const HELPLESS = Symbol('helpless');

/** What speaks against the wires of some runs: the run that is to be thicker first. */
function tooThin(
  study: FeedStudy,
  own: ReadonlySet<string>,
  ids: readonly string[],
): string | typeof KEPT | typeof HELPLESS {
  const { layout, reading } = study;
  let told = false;
  const wire = (id: string): number => feedWires[layout.network.runs[id].wire].squareMillimetres;
  /** Of some runs that which loses most by its wire and can be thicker. */
  const worst = (of: readonly string[], by: (id: string) => number): string | null => {
    const can = of.filter(
      (id) => own.has(id) && wire(id) < Math.max(...ladder().map((w) => w.squareMillimetres)),
    );
    return can.length === 0 ? null : can.reduce((a, b) => (by(b) > by(a) ? b : a));
  };
  for (const rule of [wireTooThin, wireAndFuse])
    for (const { paths } of rule.judge(study)) {
      const about = paths.map((p) => String(p[2])).filter((id) => ids.includes(id));
      told ||= about.length > 0;
      const found = worst(about, (id) => Math.abs(reading?.runs.get(id)?.amps ?? 0) / wire(id));
      if (found !== null) return found;
    }
  for (const rule of [shortNotCleared, dimmerFarOut])
    for (const { subject } of rule.judge(study)) {
      const place = subject?.part;
      if (place === undefined) continue;
      const way = wayBack(layout, place).filter((id) => own.has(id));
      told ||= way.length > 0;
      const found = worst(
        way,
        rule === dimmerFarOut
          ? (id) => reading?.runs.get(id)?.dropVolts ?? 0
          : (id) => runMillimetres(layout, layout.network.runs[id]) / wire(id),
      );
      if (found !== null) return found;
    }
  return told ? HELPLESS : KEPT;
}

/**
 * The thinnest wires for the runs of a supply that keep every rule: begun with the thinnest everywhere
 * and one fuse in each run that leaves the supply, the run that is most to blame is made a size thicker
 * until nothing is; then each is tried a size thinner, the dearest first.
 * @param tell how far it is, 0 to 1; returns true to stop
 */
export function planWires(
  layout: Layout,
  supplyId: string,
  tell: (share: number) => boolean = () => false,
): PlannedWires {
  const ids = runsOf(layout, supplyId);
  const own = new Set(ids);
  const sizes = ladder();
  const before = feedStudy(layout);
  const starts = trunks(layout, supplyId, before);
  let planned = change(layout, (draft) => {
    for (const id of ids) {
      const run = draft.network.runs[id];
      run.wire = sizes[0].id;
      run.parts = run.parts.filter((p) => p.kind !== 'fuse');
    }
    for (const { id, flows } of starts)
      draft.network.runs[id].parts.unshift({
        kind: 'fuse',
        amps: fuseRatings.find((r) => r >= ABOVE * flows) ?? fuseRatings[fuseRatings.length - 1],
        speed: 'quick',
      });
  }).layout;
  const sized = (of: Layout, id: string, by: 1 | -1): Layout | null => {
    const at = sizes.findIndex((w) => w.id === of.network.runs[id].wire);
    const next = sizes.at(at + by);
    if (at + by < 0 || next === undefined) return null;
    return change(of, (draft) => void (draft.network.runs[id].wire = next.id)).layout;
  };
  let kept = false;
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const blamed = tooThin(feedStudy(planned), own, ids);
    if (blamed === HELPLESS) break;
    if (blamed === KEPT) {
      kept = true;
      break;
    }
    const next = sized(planned, blamed, 1);
    if (!next || tell(0.7 * (1 - 1 / (1 + round / 10)))) break;
    planned = next;
  }
  const price = (id: string): number => costOfRuns(planned, [id]);
  const dearest = kept ? [...ids].sort((a, b) => price(b) - price(a)) : [];
  for (const [k, id] of dearest.entries()) {
    if (tell(0.7 + (0.3 * k) / dearest.length)) break;
    for (
      let next = sized(planned, id, -1);
      next && tooThin(feedStudy(next), own, ids) === KEPT;
      next = sized(planned, id, -1)
    )
      planned = next;
  }
  const runs = planned.network.runs;
  const { reading, fed } = feedStudy(planned);
  const lit = [...(reading?.places ?? [])].flatMap(([id, p]) =>
    fed.get(id)?.supplyId === supplyId && p.lightness !== null ? [p.lightness] : [],
  );
  const made = change(layout, (draft) => {
    for (const id of ids) {
      if (draft.network.runs[id].wire !== runs[id].wire) draft.network.runs[id].wire = runs[id].wire;
      if (JSON.stringify(layout.network.runs[id].parts) !== JSON.stringify(runs[id].parts))
        draft.network.runs[id].parts = runs[id].parts.map((p) => ({ ...p }));
    }
  });
  return {
    patches: made.patches,
    cost: costOfRuns(planned, ids),
    costBefore: costOfRuns(layout, ids),
    dimmest: lit.length > 0 ? Math.min(...lit) : null,
    kept,
  };
}
