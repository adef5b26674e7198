import { sceneShines } from './scene/shines';
import { signalShines } from './signal/shines';
import { crossingShines } from './crossing/shines';
import { buildingShines } from './building/shines';
import { canopyShines } from './canopy/shines';
import { coachShines } from './coach/shines';
import { displayModelShines } from './display-model/shines';
import { lampShines } from './lamp/shines';
import { locomotiveShines } from './locomotive/shines';
import type { LampView } from '../study/readings';
import type { AnyJob, JobKindName } from './records';

/** When the lamps of each kind are meant to shine, and how bright they look. A new kind is a line here. */
const views: { readonly [K in JobKindName]: LampView<Extract<AnyJob, { kind: K }>> } = {
  coach: coachShines,
  locomotive: locomotiveShines,
  'display-model': displayModelShines,
  lamp: lampShines,
  canopy: canopyShines,
  building: buildingShines,
  signal: signalShines,
  crossing: crossingShines,
  scene: sceneShines,
};

/** The view of a kind, ready to answer for any job of it. */
export const shinesOf = (kind: JobKindName): LampView<AnyJob> => views[kind] as unknown as LampView<AnyJob>;
