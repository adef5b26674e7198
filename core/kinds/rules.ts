import { sceneRules } from './scene/rules';
import { signalRules } from './signal/rules';
import { crossingRules } from './crossing/rules';
import { buildingRules } from './building/rules';
import { canopyRules } from './canopy/rules';
import { coachRules } from './coach/rules';
import { displayModelRules } from './display-model/rules';
import { lampRules } from './lamp/rules';
import { locomotiveRules } from './locomotive/rules';
import type { Rule } from '../finding/finding';
import type { JobKindName } from './records';

/** The few rules of each kind that no other kind has. A new kind is a line here. */
const kindRules: Readonly<Record<JobKindName, readonly Rule[]>> = {
  coach: coachRules,
  locomotive: locomotiveRules,
  'display-model': displayModelRules,
  lamp: lampRules,
  canopy: canopyRules,
  building: buildingRules,
  signal: signalRules,
  crossing: crossingRules,
  scene: sceneRules,
};

export const rulesOf = (kind: JobKindName): readonly Rule[] => kindRules[kind];
