import type { FunctionComponent } from 'react';
import type { AnyJob, Layout } from '../../core/document/layout';
import type { DocumentPath } from '../../core/assembly/assembly';
import type { Bench } from '../../core/study/bench';
import type { State } from '../../core/supply/state';
import type { Solved } from '../bench/solved-job';
import type { Readings } from '../../core/study/readings';
import type { JobHand, StageView } from '../store/run-store';
import type { LivePlay } from '../workers/use-live-run';

/** What everything on the bench gets of its job. */
export interface PanelProps<J extends AnyJob = AnyJob> {
  readonly layout: Layout;
  readonly jobId: string;
  readonly job: J;
  readonly solved: Solved<J>;
  readonly hand: JobHand;
  readonly live: LivePlay;
}

export interface PictureProps<J extends AnyJob = AnyJob> extends PanelProps<J> {
  /** Parts that a finding is about. */
  readonly flagged: ReadonlySet<string>;
  /** Sets the stage to a state. */
  readonly onState: (state: State) => void;
}

/** A stage of the work, in the order people work. */
export interface BenchStage<J extends AnyJob> {
  readonly id: string;
  readonly name: string;
  readonly says: string;
  readonly Panel: FunctionComponent<PanelProps<J>>;
  /** The picture that goes with it, until another is chosen. */
  readonly picture: string;
}

/** A drawing of the job. */
export interface BenchPicture<J extends AnyJob> {
  readonly id: string;
  readonly name: string;
  readonly Picture: FunctionComponent<PictureProps<J>>;
  /** Rows and words, or drawings that bring a press of their own to be saved by. */
  readonly savesItself?: true;
  /** Left out where it makes no sense; it always does when this is left out. */
  readonly when?: (bench: Bench<J>, stage: string) => boolean;
}

/** What the bench shows of one kind of job. */
export interface Face<J extends AnyJob = AnyJob> {
  readonly stages: readonly BenchStage<J>[];
  /** The stage it opens at. */
  readonly opensAt: string;
  /** The stage at which the thing at a document path is decided. */
  stageOf(path: DocumentPath): string;
  readonly pictures: readonly BenchPicture<J>[];
  /** The job on the stage, drawn to scale and lit as solved. */
  readonly Scene: FunctionComponent<PanelProps<J>>;
  /** Its figures on the stage. */
  readonly Figures: FunctionComponent<PanelProps<J>>;
  /** What is to be seen, in a few words. */
  says(solved: Solved<J>): string;
}

/** A job among others on the line or in a train. */
export interface OnLineProps<J extends AnyJob = AnyJob> {
  readonly job: J;
  readonly readings: Readings | null;
  readonly view: StageView;
  /** It stands the other way round than its record says. */
  readonly turned: boolean;
}

/** How a kind looks from afar: to scale in millimetres, y down from the rail or the ground, its left end at 0. */
export interface LineFace<J extends AnyJob = AnyJob> {
  readonly OnLine: FunctionComponent<OnLineProps<J>>;
  /** Height of its underside and of its top above the rail or the ground, in millimetres. */
  heights(job: J): { readonly floor: number; readonly top: number };
  /** What a card says of it, each in a few words. */
  facts(layout: Layout, job: J, readings: Readings | null): readonly string[];
}
