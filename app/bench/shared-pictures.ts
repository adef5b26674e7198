import { lazy } from 'react';
import { driverOf, isDriven } from '../../core/document/aspect-record';
import { isMoving } from '../../core/document/moving-record';
import { isScenery } from '../../core/document/scenery-record';
import { shinesOf } from '../../core/kinds/shines';
import { statesOf } from '../../core/study/states';
import type { BenchPicture } from '../kinds/face';
import type { AnyJob } from '../../core/document/layout';

// The drawings that make sense for any kind of job; each asks for what it shows.

export const circuit: BenchPicture<AnyJob> = {
  id: 'circuit',
  name: 'Circuit',
  Picture: lazy(async () => ({
    default: (await import('../drawings/circuit/circuit-picture')).CircuitPicture,
  })),
};

export const behaviour: BenchPicture<AnyJob> = {
  id: 'behaviour',
  name: 'Behaviour',
  Picture: lazy(async () => ({
    default: (await import('../drawings/charts/behaviour-picture')).BehaviourPicture,
  })),
};

/** On a supply with a throttle. */
export const throttle: BenchPicture<AnyJob> = {
  id: 'throttle',
  name: 'Throttle',
  Picture: lazy(async () => ({
    default: (await import('../drawings/charts/throttle-picture')).ThrottlePicture,
  })),
  when: ({ supply }) => supply.kind === 'dc-track',
};

/** Where there is more than one. */
export const states: BenchPicture<AnyJob> = {
  id: 'states',
  name: 'All states',
  savesItself: true,
  Picture: lazy(async () => ({ default: (await import('../drawings/states-picture')).StatesPicture })),
  when: (bench) => statesOf(bench).states.length > 1,
};

/** At the last stage alone: it takes long to work out. */
export const proof: BenchPicture<AnyJob> = {
  id: 'proof',
  name: 'Proof',
  savesItself: true,
  Picture: lazy(async () => ({ default: (await import('../drawings/proof-picture')).ProofPicture })),
  when: (_, stage) => stage === 'proof',
};

/** The job beside its variants, and beside other ways to wire it. */
export const compare: BenchPicture<AnyJob> = {
  id: 'compare',
  name: 'Compare',
  savesItself: true,
  Picture: lazy(async () => ({ default: (await import('../drawings/compare-picture')).ComparePicture })),
};

/** Where lamps light the ground. */
export const ground: BenchPicture<AnyJob> = {
  id: 'ground',
  name: 'Ground',
  Picture: lazy(async () => ({ default: (await import('../drawings/scenery/pool-picture')).PoolPicture })),
  when: ({ job }) => (shinesOf(job.kind).pool?.(job).length ?? 0) > 0,
};

/** Where trimmers set the lamps: what each does over its travel. */
export const trimmers: BenchPicture<AnyJob> = {
  id: 'trimmers',
  name: 'Trimmers',
  Picture: lazy(async () => ({
    default: (await import('../drawings/scenery/trimmer-picture')).TrimmerPicture,
  })),
  when: ({ assembly }) => assembly.parts.some((p) => p.kind === 'socket'),
};

/** The ways scenery is joined, side by side. */
export const hookUpWays: BenchPicture<AnyJob> = {
  id: 'ways',
  name: 'Ways',
  savesItself: true,
  Picture: lazy(async () => ({ default: (await import('../drawings/scenery/ways-picture')).WaysPicture })),
  when: ({ job }) => isScenery(job),
};

/** What an eye sees of each aspect by night. */
export const aspects: BenchPicture<AnyJob> = {
  id: 'aspects',
  name: 'Aspects',
  savesItself: true,
  Picture: lazy(async () => ({
    default: (await import('../drawings/driven/aspects-picture')).AspectsPicture,
  })),
  when: ({ job }) => isDriven(job) && !isMoving(job),
};

/** Where light moves: what happens when, and what it draws. */
export const timeline: BenchPicture<AnyJob> = {
  id: 'timeline',
  name: 'Time line',
  savesItself: true,
  Picture: lazy(async () => ({
    default: (await import('../drawings/moving/timeline-picture')).TimelinePicture,
  })),
  when: ({ job }) => isMoving(job),
};

/** Where two transistors drive: how it runs from power on, and parts for another rate. */
export const flasher: BenchPicture<AnyJob> = {
  id: 'flasher',
  name: 'Flasher',
  savesItself: true,
  Picture: lazy(async () => ({
    default: (await import('../drawings/driven/flasher-picture')).FlasherPicture,
  })),
  when: ({ job }) => driverOf(job)?.kind === 'flasher',
};

/** Where pins of a small computer drive: its program. */
export const program: BenchPicture<AnyJob> = {
  id: 'program',
  name: 'Program',
  savesItself: true,
  Picture: lazy(async () => ({
    default: (await import('../drawings/driven/program-picture')).ProgramPicture,
  })),
  when: ({ job }) => ['pins', 'matrix'].includes(driverOf(job)?.kind ?? ''),
};
