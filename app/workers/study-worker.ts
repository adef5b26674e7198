import { expose } from 'comlink';
import { inOrder } from '../../core/document/in-order';
import { lampType } from '../../core/document/lamp-type';
import { checkJob } from '../../core/finding/check';
import { benchOf } from '../../core/study/bench';
import { cellLifeStudy, type CellLifeStudy } from '../../core/study/cell-life';
import { chargingWays, type ChargingWay } from '../../core/study/charging';
import { inrushStudy, type InrushStudy } from '../../core/study/inrush';
import { powerCutStudy, type PowerCutStudy } from '../../core/study/power-cut';
import { likedLux, proposeLimit, type Proposal } from '../../core/kinds/coach/proposal';
import { rectifierCosts } from '../../core/study/rectifier-costs';
import { rideStudy, type RideStudy } from '../../core/study/ride';
import { coachIn } from '../../core/kinds/coach/jobs';
import type { Asked } from '../../core/finding/check';
import type { Finding } from '../../core/finding/finding';
import type { Layout } from '../../core/document/layout';
import type { Patch } from '../../core/document/patch';
import type { ComparedWay, FailedWay } from '../../core/study/compare';
import type { CuttingStudy } from '../../core/kinds/coach/cutting';
import type { LineSketch } from '../../core/study/line-sketch';
import type { LiveRun, RunControls, RunSample, RunStart } from '../../core/study/live-run';
import type { Placing } from '../../core/kinds/coach/place-lamps';
import type { CarMatch } from '../../core/study/train';
import type { EqualLightStudy } from '../../core/kinds/locomotive/equal-light';
import type { ShortestProof } from '../../core/study/shortest-proof';
import { Solver, usualReadings } from '../../core/study/solver';
import { throttleSweep, type ThrottleSweep } from '../../core/study/throttle-sweep';
import { truthTable, type TruthTable } from '../../core/study/truth-table';
import type { TrainInrush } from '../../core/study/train-inrush';

// What the bench asks for at once is here; what waits for a press is fetched with it.

/** What staying alight is about: the power cut, the dead stretch, the charging and the cell. */
export interface StayingAlight {
  readonly ride: RideStudy;
  readonly inrush: InrushStudy | null;
  readonly charging: readonly ChargingWay[];
  readonly cellLife: CellLifeStudy | null;
}

let run: LiveRun | null = null;

/** What runs beside the interface: everything that takes longer than a frame. */
const tasks = {
  judge(layout: Layout, jobId: string, pace: Asked): Finding[] {
    return checkJob(layout, jobId, {}, pace);
  },
  powerCut(layout: Layout, jobId: string): PowerCutStudy {
    const bench = benchOf(layout, jobId);
    return powerCutStudy(bench, usualReadings(bench));
  },
  stayingAlight(layout: Layout, jobId: string): StayingAlight {
    const bench = benchOf(layout, jobId);
    const steady = usualReadings(bench);
    return {
      ride: rideStudy(bench, steady),
      inrush: inrushStudy(bench),
      charging: chargingWays(bench),
      cellLife: cellLifeStudy(bench),
    };
  },
  propose(layout: Layout, jobId: string, circuitId: string): Proposal | null {
    return proposeLimit(layout, jobId, circuitId);
  },
  likedLux(layout: Layout, jobId: string, circuitId: string, volts: number, ohms: number): number {
    return likedLux(layout, jobId, circuitId, volts, ohms);
  },
  rectifierCosts(layout: Layout, jobId: string): ReturnType<typeof rectifierCosts> {
    return rectifierCosts(benchOf(layout, jobId));
  },
  async compare(layout: Layout, jobId: string): Promise<(ComparedWay | FailedWay)[]> {
    const { compareStudy } = await import('../../core/study/compare');
    return compareStudy(layout, jobId);
  },
  /** The change a school makes of a job, or what speaks against it. */
  async school(
    layout: Layout,
    jobId: string,
    schoolId: string,
  ): Promise<{ patches: readonly Patch[] | null; refused: string | null }> {
    const { offerSchool, schools } = await import('../../core/kinds/coach/schools');
    const { patches, refused } = offerSchool(
      layout,
      jobId,
      schools.find((s) => s.id === schoolId)!,
    );
    return { patches, refused };
  },
  /** The best places for a group's lamps, in rows of so many. */
  async placeLamps(
    layout: Layout,
    jobId: string,
    circuitId: string,
    perRow: readonly number[],
    onPartitions: boolean,
    tell: (share: number) => void,
  ): Promise<Placing> {
    const { placeLamps } = await import('../../core/kinds/coach/place-lamps');
    const job = coachIn(layout, jobId);
    const like = inOrder(job.lamps).find((l) => l.circuitId === circuitId && l.role === 'room');
    return placeLamps(
      job,
      {
        led: lampType(layout, like?.part ?? 'white-warm'),
        tint: like?.tint ?? 'none',
        aimDegrees: like?.aimDegrees ?? 0,
        perRow,
        onPartitions,
      },
      (share) => {
        tell(share);
        return false;
      },
    );
  },
  /** What cutting would buy, and whether it is needed. */
  async cutting(
    layout: Layout,
    jobId: string,
    lampsStay: boolean,
    tell: (share: number) => void,
  ): Promise<CuttingStudy> {
    const { cuttingStudy } = await import('../../core/kinds/coach/cutting');
    return cuttingStudy(layout, jobId, lampsStay, (share) => {
      tell(share);
      return false;
    });
  },
  async judgeTrain(layout: Layout, trainId: string): Promise<Finding[]> {
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
  async trainInrush(layout: Layout, trainId: string): Promise<TrainInrush[]> {
    const { trainInrush } = await import('../../core/study/train-inrush');
    return trainInrush(layout, trainId);
  },
  /** The change that makes the other coaches of a train look like one of them. */
  async matchTrain(
    layout: Layout,
    trainId: string,
    carId: string,
    tell: (share: number) => void,
  ): Promise<{ patches: readonly Patch[]; before: readonly CarMatch[]; after: readonly CarMatch[] }> {
    const { matchTrain } = await import('../../core/kinds/coach/match-train');
    const { patches, before, after } = matchTrain(layout, trainId, carId, (share) => {
      tell(share);
      return false;
    });
    return { patches, before, after };
  },
  /** The line at a glance, for a card on the shelf. */
  async lineSketch(layout: Layout): Promise<LineSketch> {
    const { lineSketch } = await import('../../core/study/line-sketch');
    return lineSketch(layout);
  },
  judgeVehicle(layout: Layout, jobId: string, supplyId?: string): Finding[] {
    return checkJob(layout, jobId, { supplyId });
  },
  /** Every state of a locomotive, and on a DC track its throttle sweep. */
  vehicleStates(
    layout: Layout,
    jobId: string,
    onSupply?: string,
  ): { table: TruthTable; sweep: ThrottleSweep | null } {
    const bench = benchOf(layout, jobId, { supplyId: onSupply });
    const solver = new Solver(bench);
    return { table: truthTable(bench, solver), sweep: throttleSweep(bench, solver) };
  },
  /** Resistors that put each role at its light beside a lamp that looks right. */
  async equalLight(
    layout: Layout,
    jobId: string,
    referenceId: string,
    onSupply?: string,
  ): Promise<EqualLightStudy> {
    const { equalLight } = await import('../../core/kinds/locomotive/equal-light');
    return equalLight(benchOf(layout, jobId, { supplyId: onSupply }), referenceId);
  },
  /** The fewest touches that expose every single wiring fault. */
  async shortestProof(layout: Layout, jobId: string, onSupply?: string): Promise<ShortestProof | null> {
    const { shortestProof } = await import('../../core/study/shortest-proof');
    return shortestProof(benchOf(layout, jobId, { supplyId: onSupply }));
  },
  /** Puts a coach on its loop. */
  async startRun(start: RunStart): Promise<void> {
    const { LiveRun } = await import('../../core/study/live-run');
    run = new LiveRun(start);
  },
  control(set: Partial<RunControls>): void {
    run?.control(set);
  },
  /** Plays the run until a moment. */
  advance(seconds: number): RunSample[] {
    return run?.advance(seconds) ?? [];
  },
};

export type StudyTasks = typeof tasks;
expose(tasks);
