import { sceneOrder } from './scene/order';
import { signalOrder } from './signal/order';
import { crossingOrder } from './crossing/order';
import { buildingOrder } from './building/order';
import { canopyOrder } from './canopy/order';
import { coachOrder } from './coach/order';
import { displayModelOrder } from './display-model/order';
import { lampOrder } from './lamp/order';
import { locomotiveOrder } from './locomotive/order';
import type { OrderFacts } from '../build/order/order-facts';
import type { AnyJob, JobKindName } from './records';

/** What each kind says of how it is built. A new kind is a line here. */
const orders: { readonly [K in JobKindName]: OrderFacts<Extract<AnyJob, { kind: K }>> } = {
  coach: coachOrder,
  locomotive: locomotiveOrder,
  'display-model': displayModelOrder,
  lamp: lampOrder,
  canopy: canopyOrder,
  building: buildingOrder,
  signal: signalOrder,
  crossing: crossingOrder,
  scene: sceneOrder,
};

/** The facts of a kind, ready to answer for any job of it. */
export const orderFactsOf = (kind: JobKindName): OrderFacts<AnyJob> =>
  orders[kind] as unknown as OrderFacts<AnyJob>;
