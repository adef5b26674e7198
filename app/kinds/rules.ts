import type { Rule } from '../../core/finding/finding';
import type { JobKindName } from '../../core/kinds/records';

/** The rules of each kind alone, fetched when one of it is judged. A new kind is a row here. */
export const kindRules: Readonly<Record<JobKindName, () => Promise<readonly Rule[]>>> = {
  coach: async () => (await import('../../core/kinds/coach/rules')).coachRules,
  locomotive: async () => (await import('../../core/kinds/locomotive/rules')).locomotiveRules,
  'display-model': async () => (await import('../../core/kinds/display-model/rules')).displayModelRules,
  lamp: async () => (await import('../../core/kinds/lamp/rules')).lampRules,
  canopy: async () => (await import('../../core/kinds/canopy/rules')).canopyRules,
  building: async () => (await import('../../core/kinds/building/rules')).buildingRules,
  signal: async () => (await import('../../core/kinds/signal/rules')).signalRules,
  crossing: async () => (await import('../../core/kinds/crossing/rules')).crossingRules,
  scene: async () => (await import('../../core/kinds/scene/rules')).sceneRules,
};
