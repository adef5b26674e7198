import { displayId, generatedDisplay } from './display-models';
import { generatedBuildings, generatedCanopies, generatedLamps, sceneryId } from './scenery';
import { drivenId, generatedCrossings, generatedScenes, generatedSignals } from './driven';
import { demoJob, generatedLayout } from './generated';
import { generatedVehicle, vehicleId } from './vehicles';
import type fc from 'fast-check';
import type { Layout } from '../core/document/layout';
import type { JobKindName } from '../core/kinds/records';

/** A layout, and the job in it that is meant. */
export interface Case {
  readonly layout: Layout;
  readonly jobId: string;
}

/** Jobs of every kind: sensible ones, and ones with everything wrong that a person can choose. A new kind is a row here. */
export const generatedJobs: Readonly<Record<JobKindName, fc.Arbitrary<Case>>> = {
  coach: generatedLayout.map((layout) => ({ layout, jobId: demoJob })),
  locomotive: generatedVehicle.map((layout) => ({ layout, jobId: vehicleId })),
  'display-model': generatedDisplay.map((layout) => ({ layout, jobId: displayId })),
  lamp: generatedLamps.map((layout) => ({ layout, jobId: sceneryId.lamp })),
  canopy: generatedCanopies.map((layout) => ({ layout, jobId: sceneryId.canopy })),
  building: generatedBuildings.map((layout) => ({ layout, jobId: sceneryId.building })),
  signal: generatedSignals.map((layout) => ({ layout, jobId: drivenId.signal })),
  crossing: generatedCrossings.map((layout) => ({ layout, jobId: drivenId.crossing })),
  scene: generatedScenes.map((layout) => ({ layout, jobId: drivenId.scene })),
};

export const generatedKinds = Object.keys(generatedJobs) as JobKindName[];
