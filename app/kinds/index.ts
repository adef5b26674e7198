import { lazy, type FunctionComponent } from 'react';
import type { Layout } from '../../core/document/layout';
import type { JobKindName } from '../../core/kinds/records';
import { stages as coachStages } from './coach/stages';
import { stages as displayModelStages } from './display-model/stages';
import { drivenStages, movingStages } from '../bench/driven-stages';
import { sceneryStages } from '../bench/scenery-stages';
import { stages as locomotiveStages } from './locomotive/stages';
import type { Face, LineFace } from './face';

/** What the application knows of a kind before anything of it is fetched. */
interface KindRow {
  readonly name: string;
  readonly plural: string;
  /** What one is called in "Light …". */
  readonly one: string;
  readonly says: string;
  /** The stages of the work on one, by name. */
  readonly stages: readonly { readonly id: string; readonly name: string; readonly says: string }[];
  readonly face: () => Promise<Face>;
  readonly line: () => Promise<LineFace>;
  /** The few questions one is begun with. */
  readonly Begin: FunctionComponent<{ readonly layout: Layout }>;
}

/** The record of a job says which kind it is: what is fetched for it answers for any job of it. */
const any = <T>(of: unknown): T => of as T;

/** The kinds in the order they are offered. A new one is a folder beside these, and a row here. */
export const kindRows: Readonly<Record<JobKindName, KindRow>> = {
  coach: {
    name: 'Coach',
    plural: 'Coaches',
    one: 'a coach',
    says: 'rooms behind windows, lit from the roof',
    stages: coachStages,
    face: async () => any((await import('./coach')).face),
    line: async () => any((await import('./coach/on-line')).onLine),
    Begin: lazy(async () => ({ default: (await import('./coach/new-coach')).NewCoach })),
  },
  locomotive: {
    name: 'Locomotive or railcar',
    plural: 'Locomotives and railcars',
    one: 'a locomotive',
    says: 'lamps at both ends, by direction or by function',
    stages: locomotiveStages,
    face: async () => any((await import('./locomotive')).face),
    line: async () => any((await import('./locomotive/on-line')).onLine),
    Begin: lazy(async () => ({ default: (await import('./locomotive/new-locomotive')).NewLocomotive })),
  },
  'display-model': {
    name: 'Display model',
    plural: 'Display models',
    one: 'a display model',
    says: 'a ship, an aircraft, a building or a vehicle on a stand, with its own switch',
    stages: displayModelStages,
    face: async () => any((await import('./display-model')).face),
    line: async () => any((await import('./display-model/on-line')).onLine),
    Begin: lazy(async () => ({
      default: (await import('./display-model/new-display-model')).NewDisplayModel,
    })),
  },
  lamp: {
    name: 'Lamp or row of lamps',
    plural: 'Lamps',
    one: 'lamps',
    says: 'on masts, on a wall, under a roof, on a buffer stop',
    stages: sceneryStages,
    face: async () => any((await import('./lamp')).face),
    line: async () => any((await import('./lamp/on-line')).onLine),
    Begin: lazy(async () => ({ default: (await import('./lamp/new-lamps')).NewLamps })),
  },
  canopy: {
    name: 'Canopy',
    plural: 'Canopies',
    one: 'a canopy',
    says: 'a platform or goods roof, lit by a string along its trusses',
    stages: sceneryStages,
    face: async () => any((await import('./canopy')).face),
    line: async () => any((await import('./canopy/on-line')).onLine),
    Begin: lazy(async () => ({ default: (await import('./canopy/new-canopy')).NewCanopy })),
  },
  building: {
    name: 'Building',
    plural: 'Buildings',
    one: 'a building',
    says: 'rooms behind windows, each with its own light, some of them dark',
    stages: sceneryStages,
    face: async () => any((await import('./building')).face),
    line: async () => any((await import('./building/on-line')).onLine),
    Begin: lazy(async () => ({ default: (await import('./building/new-building')).NewBuilding })),
  },
  signal: {
    name: 'Signal',
    plural: 'Signals',
    one: 'a signal',
    says: 'lamps that show aspects, on a post, a bracket or behind an arm',
    stages: drivenStages,
    face: async () => any((await import('./signal')).face),
    line: async () => any((await import('./signal/on-line')).onLine),
    Begin: lazy(async () => ({ default: (await import('./signal/new-signal')).NewSignal })),
  },
  crossing: {
    name: 'Crossing',
    plural: 'Crossings',
    one: 'a crossing',
    says: 'lamps that flash in turn, barriers, a tell-tale for the bell',
    stages: drivenStages,
    face: async () => any((await import('./crossing')).face),
    line: async () => any((await import('./crossing/on-line')).onLine),
    Begin: lazy(async () => ({ default: (await import('./crossing/new-crossing')).NewCrossing })),
  },
  scene: {
    name: 'Scene that moves',
    plural: 'Scenes that move',
    one: 'a scene',
    says: 'a ride, a sign, a shop, a welder, a fire: light by a time line',
    stages: movingStages,
    face: async () => any((await import('./scene')).face),
    line: async () => any((await import('./scene/on-line')).onLine),
    Begin: lazy(async () => ({ default: (await import('./scene/new-scene')).NewScene })),
  },
};

export const kindNames = Object.keys(kindRows) as JobKindName[];
