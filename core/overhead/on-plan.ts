import { inOrder } from '../document/in-order';
import { dropPlace, putFed } from '../feed/begin';
import { areaOf } from './geometry';
import type { Draft } from 'immer';
import type { Layout } from '../document/layout';
import type { RigPower } from './power';

/** A rig on the plan of feeds is a load by its figures, of its name. */
const placeOf = ({ network }: Pick<Layout, 'network'>, name: string): string | null =>
  inOrder(network.nodes).find((n) => n.is.kind === 'typed' && n.name === name)?.id ?? null;

/** What the plan of feeds has of a rig: its amperes there; null where it is not on it. */
export function ampsOnPlan(layout: Pick<Layout, 'network' | 'rigs'>, rigId: string): number | null {
  const id = placeOf(layout, layout.rigs[rigId].name);
  const is = id === null ? null : layout.network.nodes[id].is;
  return is?.kind === 'typed' ? is.amps : null;
}

/** A load takes no less than this on the plan. */
const LEAST_AMPS = 0.001;

/**
 * Puts what a rig takes on the plan of feeds, fed from the nearest strip of a bus of its volts, or brings
 * what is there of it up to date.
 */
export function putOnPlan(draft: Draft<Layout>, rigId: string, power: Pick<RigPower, 'supplyAmps'>): void {
  const rig = draft.rigs[rigId];
  const load = {
    kind: 'typed' as const,
    volts: rig.supply.volts,
    amps: Math.max(LEAST_AMPS, power.supplyAmps),
    // Strip takes less where less arrives, nearly in proportion.
    behaves: 'resistor' as const,
  };
  const known = placeOf(draft as Layout, rig.name);
  if (known !== null) {
    draft.network.nodes[known].is = load;
    return;
  }
  const area = areaOf(draft as Layout, rig as Layout['rigs'][string]);
  const boards = inOrder(draft.boards).filter((b) => rig.boards.includes(b.id));
  const left = boards.length > 0 ? Math.min(...boards.map((b) => b.xMillimetres)) : 0;
  const bus = Object.entries(draft.supplies).find(
    ([, s]) => s.kind === 'layout-bus' && s.volts === rig.supply.volts,
  );
  putFed(
    draft,
    rig.name,
    { x: left + area.width / 2, y: (boards[0]?.yMillimetres ?? 0) + 30 },
    load,
    bus ? bus[0] : null,
  );
}

/** Takes a rig off the plan of feeds. */
export function takeOffPlan(draft: Draft<Layout>, name: string): void {
  const id = placeOf(draft as Layout, name);
  if (id !== null) dropPlace(draft, id);
}
