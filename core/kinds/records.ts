import { brokenInScene, sceneRecord, type SceneRecord } from './scene/record';
import { signalRecord, type SignalRecord } from './signal/record';
import { crossingRecord, type CrossingRecord } from './crossing/record';
import { brokenInDriven } from '../document/aspect-record';
import { brokenInBuilding, buildingRecord, type BuildingRecord } from './building/record';
import { canopyRecord, type CanopyRecord } from './canopy/record';
import { displayModelRecord, type DisplayModelRecord } from './display-model/record';
import { brokenInCoach, coachRecord, type CoachRecord } from './coach/record';
import { lampRecord, type LampRecord } from './lamp/record';
import { locomotiveRecord, type LocomotiveRecord } from './locomotive/record';
import { crossingGoods } from './crossing/goods';
import { lampGoods } from './lamp/goods';
import { signalGoods } from './signal/goods';
import type { Say } from '../document/job-record';
import type { SoldNeed } from '../part/sold-need';

/** The records of every kind of job. A new kind is a line here, and one in the table below. */
export const jobRecords = [
  coachRecord,
  locomotiveRecord,
  displayModelRecord,
  lampRecord,
  canopyRecord,
  buildingRecord,
  signalRecord,
  crossingRecord,
  sceneRecord,
] as const;
export type AnyJob =
  | CoachRecord
  | LocomotiveRecord
  | DisplayModelRecord
  | LampRecord
  | CanopyRecord
  | BuildingRecord
  | SignalRecord
  | CrossingRecord
  | SceneRecord;
export type JobKindName = AnyJob['kind'];

/** What the document knows of a kind besides its record. */
interface RecordFacts<J> {
  /** What one of it is called in a sentence. */
  readonly word: string;
  /** It runs on rails, alone or in a train. */
  readonly onRails: boolean;
  /** It has no pickups before it is lit: they are fitted with its lights. */
  readonly pickupsFitted?: true;
  /** What it is built from besides its circuit: tube for masts, hoods. */
  goods?(job: J): SoldNeed[];
  /** Says what is wrong with one beyond its schema. */
  broken(job: J, say: Say): void;
}

const facts: { readonly [K in JobKindName]: RecordFacts<Extract<AnyJob, { kind: K }>> } = {
  coach: { word: 'coach', onRails: true, pickupsFitted: true, broken: brokenInCoach },
  locomotive: { word: 'locomotive', onRails: true, broken: () => undefined },
  'display-model': { word: 'display model', onRails: false, broken: () => undefined },
  lamp: { word: 'row of lamps', onRails: false, goods: lampGoods, broken: () => undefined },
  canopy: { word: 'canopy', onRails: false, broken: () => undefined },
  building: { word: 'building', onRails: false, broken: brokenInBuilding },
  signal: { word: 'signal', onRails: false, goods: signalGoods, broken: brokenInDriven },
  crossing: { word: 'crossing', onRails: false, goods: crossingGoods, broken: brokenInDriven },
  scene: { word: 'scene', onRails: false, broken: brokenInScene },
};

/** The facts of a kind, ready to answer for any job of it: the record says which kind it is. */
export const recordFacts = (kind: JobKindName): RecordFacts<AnyJob> =>
  facts[kind] as unknown as RecordFacts<AnyJob>;
