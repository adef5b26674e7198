import { buildingTemplates } from './building/templates';
import { canopyTemplates } from './canopy/templates';
import { coachTemplates } from './coach/templates';
import { crossingTemplates } from './crossing/templates';
import { displayModelTemplates } from './display-model/templates';
import { lampTemplates } from './lamp/templates';
import { endTemplates } from './locomotive/templates';
import { sceneTemplates } from './scene/templates';
import { signalTemplates } from './signal/templates';
import type { Template } from '../build/template';
import type { Layout } from '../document/layout';
import type { AnyJob, JobKindName } from './records';

type Templates<J> = (layout: Layout, job: J) => readonly Template[];

/** Papers at full size to drill, file and cut by, of each kind. A new kind is a line here. */
const templates: { readonly [K in JobKindName]: Templates<Extract<AnyJob, { kind: K }>> } = {
  coach: coachTemplates,
  locomotive: (_, job) => endTemplates(job),
  'display-model': displayModelTemplates,
  lamp: lampTemplates,
  canopy: canopyTemplates,
  building: buildingTemplates,
  signal: signalTemplates,
  crossing: crossingTemplates,
  scene: sceneTemplates,
};

/** The papers of a job. */
export const templatesOf = (layout: Layout, job: AnyJob): readonly Template[] =>
  (templates[job.kind] as unknown as Templates<AnyJob>)(layout, job);
