import { atOnce, type Steps } from '../../core/quantity/steps';
import { checkBenchInSteps, type Asked } from '../../core/finding/judging';
import { StudyDesk } from '../../core/finding/studies';
import { kindRules } from '../kinds/rules';
import { benchOf, type Bench } from '../../core/study/bench';
import { cellLifeStudy, type CellLifeStudy } from '../../core/study/cell-life';
import { inrushStudy, type InrushStudy } from '../../core/study/inrush';
import { powerCutStudy, type PowerCutStudy } from '../../core/study/power-cut';
import { rideStudy, type RideStudy } from '../../core/study/ride';
import { Solver, usualReadings } from '../../core/study/solver';
import { usualState } from '../../core/study/states';
import { throttleSweep, type ThrottleSweep } from '../../core/study/throttle-sweep';
import { flasherRun, type FlasherRun } from '../../core/study/flasher-run';
import type { FlasherParts } from '../../core/study/flasher-search';
import { trimmerTravel, type TrimmerTravel } from '../../core/study/trimmer-travel';
import { truthTable, type TruthTable } from '../../core/study/truth-table';
import type { Ordered } from '../../core/build/order/order';
import type { ChargingWay } from '../../core/study/charging';
import type { Buildable } from '../../core/build/lists/can-build';
import type { ShoppingList } from '../../core/build/lists/shopping';
import type { PresetName } from '../../core/document/presets';
import type { WayOffered } from '../../core/study/other-ways';
import type { ComparedWay, FailedWay } from '../../core/finding/compare';
import type { HookUpWay } from '../../core/study/hook-up-ways';
import type { Finding } from '../../core/finding/finding';
import type { Layout } from '../../core/document/layout';
import type { LineSketch } from '../../core/study/line-sketch';
import type { Patch } from '../../core/document/patch';
import type { Readings } from '../../core/study/readings';
import type { ShortestProof } from '../../core/study/shortest-proof';
import type { State } from '../../core/supply/state';
import type { CarMatch, TrainDraw } from '../../core/study/train';
import type { SupplySum } from '../../core/feed/supply-sum';
import type { FeedWay } from '../../core/finding/feed/higher-volts';
import type { PlannedWires } from '../../core/finding/feed/plan-wires';
import type { BetterMix, WantedMix } from '../../core/overhead/better-mix';
import type { RigStudy } from '../../core/overhead/study';
import type { HowFar } from '../../core/build/how-far';
import type { FeedFigures } from '../../core/feed/reading';
import type { FeedStudy } from '../../core/feed/study';
import type { TrainInrush } from '../../core/study/train-inrush';

/** A job, on another supply than its own where one is named. */
export interface OfJob {
  readonly jobId: string;
  readonly supplyId?: string;
}
interface OfRig {
  readonly rigId: string;
}
export interface SupplySums {
  readonly sums: readonly SupplySum[];
  readonly trains: Readonly<Record<string, readonly TrainDraw[]>>;
}
export interface OfTrain {
  readonly trainId: string;
}

/** Told how far a search is, 0 to 1. */
export type Tell = (share: number) => void;

/** What comes of a question before its answer: how far it is, or what can already be said. */
export type Heard = { readonly share: number } | { readonly early: unknown };

/** What staying alight is about: the dead stretch, the charging and the cell. */
export interface StayingAlight {
  readonly ride: RideStudy | null;
  readonly inrush: InrushStudy | null;
  readonly charging: readonly ChargingWay[];
  readonly cellLife: CellLifeStudy | null;
}

const laid = (layout: Layout, { jobId, supplyId }: OfJob): Bench => benchOf(layout, jobId, { supplyId });

/** A solver is kept as long as its job stays as it is: its next state begins where the last one ended. */
const solvers = new Map<string, { readonly layout: Layout; readonly solver: Solver }>();
const MOST_SOLVERS = 8;
function solverOf(layout: Layout, of: OfJob): Solver {
  const key = JSON.stringify([of.jobId, of.supplyId]);
  const known = solvers.get(key);
  if (known?.layout === layout) return known.solver;
  const solver = new Solver(laid(layout, of));
  solvers.delete(key);
  solvers.set(key, { layout, solver });
  if (solvers.size > MOST_SOLVERS) solvers.delete(solvers.keys().next().value!);
  return solver;
}
/** Work that takes longer than this says how far it is. */
const LONG_MS = 300;
function* toldWhenLong<T>(steps: Steps<T, number>, tell: Tell): Steps<T> {
  let next = performance.now() + LONG_MS;
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    if (step.value !== undefined && performance.now() > next) {
      tell(step.value);
      next = performance.now() + LONG_MS;
    }
    yield;
  }
}
/** Keeps the order of elimination of the network from one edit to the next. */
let studied: ((layout: Layout) => FeedStudy) | undefined;
/** Charges of the last answer of a job: a guess for the next, which changes how fast it comes, not what it is. */
const lastStored = new Map<string, Float64Array>();

/** What any job may be asked, beside the interface; what waits for a press is fetched with it. */
export const questions = {
  /** A state solved: what a frame shows. */
  frame(layout: Layout, of: OfJob & { readonly state: State }): Readings {
    const solver = solverOf(layout, of);
    const readings = solver.at(of.state, { guess: lastStored.get(of.jobId) });
    lastStored.set(of.jobId, readings.stored);
    return readings;
  },
  /** The state of every day, solved. */
  usual(layout: Layout, of: OfJob): Readings {
    const solver = solverOf(layout, of);
    return solver.at(usualState(solver.bench), { guess: lastStored.get(of.jobId) });
  },
  /** The ways of joining scenery, side by side. */
  hookUpWays: async (layout: Layout, { jobId }: OfJob): Promise<HookUpWay[]> =>
    (await import('../../core/study/hook-up-ways')).hookUpWays(layout, jobId),
  /** A two-transistor flasher as it runs; null for what is driven otherwise. */
  flasher: (layout: Layout, of: OfJob): FlasherRun | null => flasherRun(laid(layout, of)),
  /** Parts for one of a wanted rate. */
  flasherParts: async (
    layout: Layout,
    of: OfJob & { readonly perMinute: number; readonly amps: number },
  ): Promise<FlasherParts[]> =>
    (await import('../../core/study/flasher-search')).flasherParts(laid(layout, of), of.perMinute, of.amps),
  /** What each trimmer of a job does over its travel. */
  trimmers: (layout: Layout, of: OfJob): TrimmerTravel[] => trimmerTravel(laid(layout, of)),
  /** Judged in steps, once the rules of its kind are there. */
  async judge(
    layout: Layout,
    { jobId, supplyId, asked }: OfJob & { readonly asked: Asked },
  ): Promise<Steps<Finding[], Finding[]>> {
    const own = await kindRules[layout.jobs[jobId].kind]();
    return checkBenchInSteps(new StudyDesk(benchOf(layout, jobId, { supplyId })), own, asked);
  },
  powerCut(layout: Layout, of: OfJob): PowerCutStudy {
    const bench = laid(layout, of);
    return powerCutStudy(bench, usualReadings(bench));
  },
  async stayingAlight(layout: Layout, of: OfJob): Promise<StayingAlight> {
    const { chargingWays } = await import('../../core/study/charging');
    const bench = laid(layout, of);
    const steady = usualReadings(bench);
    return {
      ride: rideStudy(bench, steady),
      inrush: inrushStudy(bench),
      charging: chargingWays(bench),
      cellLife: cellLifeStudy(bench),
    };
  },
  rectifierCosts: async (layout: Layout, of: OfJob) =>
    (await import('../../core/study/rectifier-costs')).rectifierCosts(laid(layout, of)),
  /** Every state of a job. */
  states: (layout: Layout, of: OfJob): TruthTable => truthTable(laid(layout, of)),
  /** Light over the throttle; null where there is none. */
  sweep: (layout: Layout, of: OfJob): ThrottleSweep | null => throttleSweep(laid(layout, of)),
  /** The fewest touches that expose every single wiring fault. */
  async shortestProof(layout: Layout, of: OfJob): Promise<ShortestProof | null> {
    const { shortestProof } = await import('../../core/study/shortest-proof');
    return shortestProof(laid(layout, of));
  },
  /** The job wired by another way that has a name. */
  async wiredBy(layout: Layout, { jobId, way }: OfJob & { readonly way: string }): Promise<WayOffered> {
    const { wiredBy } = await import('../../core/study/other-ways');
    return wiredBy(layout, jobId, way as PresetName);
  },
  /** Ways of lighting a job, each solved. */
  async compare(layout: Layout, { jobId }: OfJob): Promise<(ComparedWay | FailedWay)[]> {
    const { compareStudy } = await import('../../core/finding/compare');
    return compareStudy(layout, jobId);
  },
  async judgeTrain(layout: Layout, { trainId }: OfTrain): Promise<Finding[]> {
    const [{ checkTrain }, { trainInrush }, { trainStudy }] = await Promise.all([
      import('../../core/finding/train/check-train'),
      import('../../core/study/train-inrush'),
      import('../../core/study/train'),
    ]);
    return checkTrain({
      layout,
      study: trainStudy(layout, trainId),
      inrush: trainInrush(layout, trainId),
    });
  },
  /** How far the building of each job is. */
  async howFar(layout: Layout): Promise<Record<string, HowFar>> {
    const ids = Object.keys(layout.jobs);
    const begun = ids.some((id) => Object.values(layout.jobs[id].progress.tasks).some((t) => t.done));
    // Where nothing is ticked the order of work need not be fetched.
    if (!begun) return Object.fromEntries(ids.map((id) => [id, 'planned']));
    return (await import('../../core/build/how-far')).howFar(layout);
  },
  /** The power under the boards, solved; null where it has no answer. */
  async feeds(layout: Layout): Promise<FeedFigures | null> {
    const { feedStudies } = await import('../../core/feed/study');
    const { reading } = (studied ??= feedStudies())(layout);
    return (
      reading && {
        places: reading.places,
        runs: reading.runs,
        supplies: reading.supplies,
        energy: reading.energy,
      }
    );
  },
  /** What each supply of the layout gives, everything on it as it is set; and each train's share. */
  async supplySums(layout: Layout): Promise<SupplySums> {
    const [{ feedStudies }, { supplySums }, { trainDraws }] = await Promise.all([
      import('../../core/feed/study'),
      import('../../core/feed/supply-sums'),
      import('../../core/study/train'),
    ]);
    const { reading } = (studied ??= feedStudies())(layout);
    return {
      sums: supplySums(layout, reading),
      trains: Object.fromEntries(Object.keys(layout.trains).map((id) => [id, trainDraws(layout, id)])),
    };
  },
  /** What a train draws from each supply, all of it together. */
  async trainDraws(layout: Layout, { trainId }: OfTrain): Promise<TrainDraw[]> {
    return (await import('../../core/study/train')).trainDraws(layout, trainId);
  },
  /** A rig above the layout: its light, and what it takes. */
  async rig(layout: Layout, { rigId }: OfRig): Promise<RigStudy> {
    return (await import('../../core/overhead/study')).rigStudy(layout, rigId);
  },
  /** The mix of its rows that comes nearest to a white. */
  async betterMix(
    layout: Layout,
    { rigId, wanted }: OfRig & { readonly wanted: WantedMix },
  ): Promise<BetterMix | null> {
    return (await import('../../core/overhead/better-mix')).betterMix(layout, rigId, wanted);
  },
  async judgeRig(layout: Layout, { rigId }: OfRig): Promise<Finding[]> {
    return (await import('../../core/finding/overhead')).judgeRig(layout, rigId);
  },
  /** What several jobs together ask of a supply they share. */
  async judgeShared(layout: Layout): Promise<Finding[]> {
    return (await import('../../core/finding/supply')).judgeShared(layout);
  },
  async judgeFeeds(layout: Layout): Promise<Finding[]> {
    const { judgeNetwork } = await import('../../core/finding/feed/judge-network');
    return judgeNetwork(layout);
  },
  /** The thinnest wires for the runs of a supply that keep the rules. */
  async planWires(
    layout: Layout,
    { supplyId }: { readonly supplyId: string },
    tell: Tell,
  ): Promise<PlannedWires> {
    const { planWires } = await import('../../core/finding/feed/plan-wires');
    return planWires(layout, supplyId, (share) => {
      tell(share);
      return false;
    });
  },
  /** The volts a supply has against twice as many with converters, each with the thinnest wires. */
  async voltsSideBySide(
    layout: Layout,
    { supplyId }: { readonly supplyId: string },
    tell: Tell,
  ): Promise<FeedWay[]> {
    const { voltsSideBySide } = await import('../../core/finding/feed/higher-volts');
    return voltsSideBySide(layout, supplyId, (share) => {
      tell(share);
      return false;
    });
  },
  async trainInrush(layout: Layout, { trainId }: OfTrain): Promise<TrainInrush[]> {
    const { trainInrush } = await import('../../core/study/train-inrush');
    return trainInrush(layout, trainId);
  },
  /** The change that makes the other coaches of a train look like one of them. */
  async matchTrain(
    layout: Layout,
    { trainId, carId }: OfTrain & { readonly carId: string },
    tell: Tell,
  ): Promise<{ patches: readonly Patch[]; before: readonly CarMatch[]; after: readonly CarMatch[] }> {
    const { matchTrain } = await import('../../core/kinds/coach/match-train');
    const { patches, before, after } = matchTrain(layout, trainId, carId, (share) => {
      tell(share);
      return false;
    });
    return { patches, before, after };
  },
  /** The order of assembly, with what it costs to change it. */
  async order(layout: Layout, of: OfJob, tell: Tell): Promise<Steps<Ordered>> {
    const { orderInSteps } = await import('../../core/build/order/order');
    return toldWhenLong(orderInSteps(laid(layout, of)), tell);
  },
  /** The sheet for the bench, as a page and as Markdown; with the proof where there is time for it. */
  async sheet(
    layout: Layout,
    { jobId, proof }: OfJob & { readonly proof: boolean },
  ): Promise<{ readonly html: string; readonly markdown: string }> {
    const [{ sheetOf }, { sheetBody }, { sheetMarkdown }, { shortestProof }, own] = await Promise.all([
      import('../../core/build/sheet/sheet'),
      import('../../core/build/sheet/html'),
      import('../../core/build/sheet/markdown'),
      import('../../core/study/shortest-proof'),
      kindRules[layout.jobs[jobId].kind](),
    ]);
    const bench = laid(layout, { jobId });
    const sheet = sheetOf(layout, jobId, {
      findings: atOnce(checkBenchInSteps(new StudyDesk(bench), own, 'all')),
      proof: proof ? shortestProof(bench) : null,
    });
    return { html: sheetBody(sheet), markdown: sheetMarkdown(sheet) };
  },
  /** What to buy for some jobs. */
  async shopping(layout: Layout, { jobIds }: { readonly jobIds: readonly string[] }): Promise<ShoppingList> {
    const { shoppingList } = await import('../../core/build/lists/shopping');
    return shoppingList(layout, jobIds);
  },
  /** What each job lacks of what it needs. */
  async canBuild(layout: Layout): Promise<Buildable[]> {
    const { canBuild } = await import('../../core/build/lists/can-build');
    return canBuild(layout);
  },
  /** The line at a glance, for a card on the shelf. */
  async lineSketch(layout: Layout): Promise<LineSketch> {
    const { lineSketch } = await import('../../core/study/line-sketch');
    return lineSketch(layout);
  },
};
