import { inOrder } from '../../document/in-order';
import { lampRoles } from '../../document/lamp-roles';
import type { LocomotiveRecord } from './record';

/** Lamps this near the centre line are in the middle, in millimetres. */
const MIDDLE = 0.5;

/** What a lamp of a locomotive is called; for many of one job ask `lampNames`. */
export const lampName = (job: Pick<LocomotiveRecord, 'lamps'>, lampId: string): string =>
  lampNames(job).get(lampId)!;

/**
 * What the lamps of a locomotive are called: role and end, and which side each is on, facing the end,
 * where there are several of the role.
 */
export function lampNames(job: Pick<LocomotiveRecord, 'lamps'>): ReadonlyMap<string, string> {
  const roles = new Map<string, { id: string; side: string }[]>();
  const ordered = inOrder(job.lamps);
  const plainName = ({ role, end }: (typeof ordered)[number]): string => `${lampRoles[role].name} ${end}`;
  for (const lamp of ordered) {
    const plain = plainName(lamp);
    const alike = roles.get(plain) ?? [];
    alike.push({ id: lamp.id, side: side(lamp.acrossMillimetres) });
    roles.set(plain, alike);
  }
  const names = new Map<string, string>();
  for (const lamp of ordered) {
    const plain = plainName(lamp);
    const alike = roles.get(plain)!;
    if (names.has(lamp.id)) continue;
    const counts = new Map<string, number>();
    for (const l of alike) counts.set(l.side, (counts.get(l.side) ?? 0) + 1);
    alike.forEach((l, i) => {
      const numbered = lampRoles[lamp.role].inside || counts.get(l.side)! > 1;
      names.set(l.id, alike.length === 1 ? plain : `${plain} ${numbered ? i + 1 : l.side}`);
    });
  }
  return names;
}

const side = (across: number): string =>
  Math.abs(across) <= MIDDLE ? 'middle' : across < 0 ? 'left' : 'right';
