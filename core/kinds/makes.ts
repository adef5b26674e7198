import { usualScene } from './scene/make';
import { usualSignal } from './signal/make';
import { usualCrossing } from './crossing/make';
import { usualBuilding } from './building/make';
import { usualCanopy } from './canopy/make';
import { usualCoach } from './coach/make';
import { usualDisplayModel } from './display-model/make';
import { usualLamps } from './lamp/make';
import { usualLocomotive } from './locomotive/make';
import type { Change } from '../document/patch';
import type { Layout } from '../document/layout';
import type { JobKindName } from './records';

/** Adds a job, as someone wants it who has said no more than what feeds it. A new kind is a line here. */
export const makes: Readonly<
  Record<JobKindName, (layout: Layout, supplyId: string) => Change & { readonly jobId: string }>
> = {
  coach: usualCoach,
  locomotive: usualLocomotive,
  'display-model': usualDisplayModel,
  lamp: usualLamps,
  canopy: usualCanopy,
  building: usualBuilding,
  signal: usualSignal,
  crossing: usualCrossing,
  scene: usualScene,
};
