import { inOrder } from '../document/in-order';
import { onPlanOf } from '../overhead/area';
import { dropPlace, putFed } from './begin';
import type { Draft } from 'immer';
import type { Layout } from '../document/layout';

/** The place on the plan of feeds where a rig is fed; null where it is not on it. */
export const placeOfRig = ({ network }: Pick<Layout, 'network'>, rigId: string): string | null =>
  inOrder(network.nodes).find(({ is }) => is.kind === 'rig' && is.rigId === rigId)?.id ?? null;

/** Puts a rig on the plan of feeds, behind the middle of its boards, fed from the nearest strip of a bus of its volts. */
export function putOnPlan(draft: Draft<Layout>, rigId: string): void {
  if (placeOfRig(draft as Layout, rigId) !== null) return;
  const rig = (draft as Layout).rigs[rigId];
  const fits = Object.keys(draft.supplies).filter((id) => {
    const supply = draft.supplies[id];
    return supply.kind === 'layout-bus' && supply.volts === rig.supply.volts;
  });
  const laid = Object.values(draft.network.nodes).flatMap(({ is }) =>
    is.kind === 'supply' ? [is.supplyId] : [],
  );
  const bus = fits.find((id) => laid.includes(id)) ?? fits.at(0) ?? null;
  putFed(draft, rig.name, onPlanOf(draft as Layout, rig), { kind: 'rig', rigId }, bus);
}

/** Takes a rig away, off the plan of feeds and from the rigs it is lit with. */
export function removeRig(draft: Draft<Layout>, rigId: string): void {
  const id = placeOfRig(draft as Layout, rigId);
  if (id !== null) dropPlace(draft, id);
  Reflect.deleteProperty(draft.rigs, rigId);
  for (const rig of Object.values(draft.rigs)) rig.litWith = rig.litWith.filter((other) => other !== rigId);
}
