import { sceneWiring } from './scene/wiring';
import { signalWiring } from './signal/wiring';
import { crossingWiring } from './crossing/wiring';
import { buildingWiring } from './building/wiring';
import { canopyWiring } from './canopy/wiring';
import { coachWiring } from './coach/wiring';
import { displayModelWiring } from './display-model/wiring';
import { lampWiring } from './lamp/wiring';
import { locomotiveWiring } from './locomotive/wiring';
import type { JobWiring } from '../assembly/laying';
import type { AnyJob, JobKindName } from './records';

/** What the laying of wires knows of each kind. A new kind is a line here. */
const wirings: { readonly [K in JobKindName]: JobWiring<Extract<AnyJob, { kind: K }>> } = {
  coach: coachWiring,
  locomotive: locomotiveWiring,
  'display-model': displayModelWiring,
  lamp: lampWiring,
  canopy: canopyWiring,
  building: buildingWiring,
  signal: signalWiring,
  crossing: crossingWiring,
  scene: sceneWiring,
};

/** The wiring of a kind, ready to answer for any job of it. */
export const wiringOf = (kind: JobKindName): JobWiring<AnyJob> =>
  wirings[kind] as unknown as JobWiring<AnyJob>;
