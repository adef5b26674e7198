import { expose } from 'comlink';
import { inOrder } from '../../core/document/layout';
import { lampType } from '../../core/document/lamp-type';
import { checkTrain } from '../../core/finding/train/check-train';
import { checkJob } from '../../core/finding/check';
import { benchOf } from '../../core/study/bench';
import { cellLifeStudy, type CellLifeStudy } from '../../core/study/cell-life';
import { chargingWays, type ChargingWay } from '../../core/study/charging';
import { compareStudy, type ComparedWay, type FailedWay } from '../../core/study/compare';
import { inrushStudy, type InrushStudy } from '../../core/study/inrush';
import { LiveRun, type RunControls, type RunSample, type RunStart } from '../../core/study/live-run';
import { powerCutStudy, type PowerCutStudy } from '../../core/study/power-cut';
import { likedLux, proposeDrive, type Proposal } from '../../core/study/proposal';
import { rectifierCosts } from '../../core/study/rectifier-costs';
import { rideStudy, type RideStudy } from '../../core/study/ride';
import { cuttingStudy, type CuttingStudy } from '../../core/study/cutting';
import { placeLamps, type Placing } from '../../core/study/place-lamps';
import { matchTrain } from '../../core/study/match-train';
import { trainInrush, type TrainInrush } from '../../core/study/train-inrush';
import { offerSchool, schools } from '../../core/study/schools';
import { steadyStudy } from '../../core/study/steady';
import type { Pace } from '../../core/finding/check';
import type { Finding } from '../../core/finding/finding';
import type { Layout } from '../../core/document/layout';
import { trainStudy, type CarMatch } from '../../core/study/train';
import type { Patch } from '../../core/document/patch';

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
  judge(layout: Layout, jobId: string, pace: Pace): Finding[] {
    return checkJob(layout, jobId, [], pace);
  },
  powerCut(layout: Layout, jobId: string): PowerCutStudy {
    const bench = benchOf(layout, jobId);
    return powerCutStudy(bench, steadyStudy(bench));
  },
  stayingAlight(layout: Layout, jobId: string): StayingAlight {
    const bench = benchOf(layout, jobId);
    const steady = steadyStudy(bench);
    return {
      ride: rideStudy(bench, steady),
      inrush: inrushStudy(bench),
      charging: chargingWays(layout, jobId),
      cellLife: cellLifeStudy(bench),
    };
  },
  propose(layout: Layout, jobId: string, groupId: string): Proposal | null {
    return proposeDrive(layout, jobId, groupId);
  },
  likedLux(layout: Layout, jobId: string, groupId: string, volts: number, ohms: number): number {
    return likedLux(layout, jobId, groupId, volts, ohms);
  },
  rectifierCosts(layout: Layout, jobId: string): ReturnType<typeof rectifierCosts> {
    return rectifierCosts(layout, jobId);
  },
  compare(layout: Layout, jobId: string): (ComparedWay | FailedWay)[] {
    return compareStudy(layout, jobId);
  },
  /** The change a school makes of a job, or what speaks against it. */
  school(
    layout: Layout,
    jobId: string,
    schoolId: string,
  ): { patches: readonly Patch[] | null; refused: string | null } {
    const { patches, refused } = offerSchool(
      layout,
      jobId,
      schools.find((s) => s.id === schoolId)!,
    );
    return { patches, refused };
  },
  /** The best places for a group's lamps, in rows of so many. */
  placeLamps(
    layout: Layout,
    jobId: string,
    groupId: string,
    perRow: readonly number[],
    tell: (share: number) => void,
  ): Placing {
    const job = layout.jobs[jobId];
    const like = inOrder(job.lamps).find((l) => l.groupId === groupId && l.role === 'room');
    return placeLamps(
      job,
      {
        led: lampType(layout, like?.part ?? 'white-warm'),
        tint: like?.tint ?? 'none',
        aimDegrees: like?.aimDegrees ?? 0,
        perRow,
      },
      (share) => {
        tell(share);
        return false;
      },
    );
  },
  /** What cutting would buy, and whether it is needed. */
  cutting(layout: Layout, jobId: string, lampsStay: boolean, tell: (share: number) => void): CuttingStudy {
    return cuttingStudy(layout, jobId, lampsStay, (share) => {
      tell(share);
      return false;
    });
  },
  judgeTrain(layout: Layout, trainId: string): Finding[] {
    return checkTrain({
      layout,
      study: trainStudy(layout, trainId),
      inrush: trainInrush(layout, trainId),
    });
  },
  trainInrush(layout: Layout, trainId: string): TrainInrush[] {
    return trainInrush(layout, trainId);
  },
  /** The change that makes the other coaches of a train look like one of them. */
  matchTrain(
    layout: Layout,
    trainId: string,
    carId: string,
    tell: (share: number) => void,
  ): { patches: readonly Patch[]; before: readonly CarMatch[]; after: readonly CarMatch[] } {
    const { patches, before, after } = matchTrain(layout, trainId, carId, (share) => {
      tell(share);
      return false;
    });
    return { patches, before, after };
  },
  /** Puts a coach on its loop. */
  startRun(start: RunStart): void {
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
