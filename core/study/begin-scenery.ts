import { noProgress } from '../document/progress-record';
import { usualScenery, type HookUpName, type Scenery } from '../document/scenery-record';
import { freeId, usualSupply } from '../document/usual-supply';
import { usualWires } from '../document/usual-wires';
import { legends } from '../document/wire-legend';
import type { Draft } from 'immer';
import type { JobCore } from '../document/job-record';
import type { Layout } from '../document/layout';
import { supplyKind, type SupplyKindName } from '../supply';
import type { SupplyRecord } from '../document/supply-record';

/** A supply of the layout, or a new one of a kind with figures of its own. */
export type SupplyWish =
  { readonly id: string } | { readonly kind: SupplyKindName; readonly figures?: Partial<SupplyRecord> };

/** USB gives 5 V, at most 5.25, and 0.5 A (USB 2.0, section 7.3.2). */
export const usbFigures = {
  name: 'USB',
  volts: 5,
  highestVolts: 5.25,
  limitAmps: 0.5,
  wireOhms: 0.3,
} as const;

/** The supply a wish names, made in the draft where it is not there. @returns its id */
export function supplyFor(draft: Draft<Layout>, wish: SupplyWish): string {
  if ('id' in wish) return wish.id;
  const id = freeId(draft.supplies, wish.kind);
  const order = 1 + Math.max(0, ...Object.values(draft.supplies).map((s) => s.order));
  draft.supplies[id] = {
    ...usualSupply(wish.kind, draft.scale, order),
    ...wish.figures,
  } as SupplyRecord;
  return id;
}

/** A job that stands without what its kind adds. */
type StartedJob = Pick<
  JobCore,
  | 'order'
  | 'name'
  | 'note'
  | 'supplyId'
  | 'decoder'
  | 'lines'
  | 'circuits'
  | 'legend'
  | 'passages'
  | 'wires'
  | 'progress'
  | 'variants'
>;

/** What a piece of scenery begins with, before its lamps and how they are joined. */
export const sceneryStart = (
  layout: Pick<Layout, 'jobs' | 'supplies'>,
  name: string,
  supplyId: string,
  hookUp: HookUpName,
): StartedJob & Scenery => ({ ...jobStart(layout, name, supplyId), ...usualScenery(hookUp) });

/** What a job that stands begins with, before its lamps and its wiring. */
export function jobStart(
  layout: Pick<Layout, 'jobs' | 'supplies'>,
  name: string,
  supplyId: string,
): StartedJob {
  return {
    order: 1 + Math.max(0, ...Object.values(layout.jobs).map((j) => j.order)),
    name,
    note: '',
    supplyId,
    decoder: null,
    lines: {},
    circuits: {},
    // On what changes sides red is a rail's colour already.
    legend: { ...legends[supplyKind(layout.supplies[supplyId]).changesSides ? 'decoder' : 'red-black'] },
    passages: {},
    wires: { ...usualWires },
    progress: noProgress(),
    variants: {},
  };
}
