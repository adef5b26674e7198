import { inOrder } from './in-order';
import { lampRoles } from './lamp-roles';
import type { LocomotiveRecord } from './locomotive-record';

/** Lamps this near the centre line are in the middle, in millimetres. */
const MIDDLE = 0.5;

/**
 * What a lamp of a locomotive is called: its role and end, and which side it is on, facing the end,
 * where there are several of the role.
 */
export function lampName(job: Pick<LocomotiveRecord, 'lamps'>, lampId: string): string {
  const lamp = job.lamps[lampId];
  const { name, inside } = lampRoles[lamp.role];
  const alike = inOrder(job.lamps).filter((l) => l.end === lamp.end && l.role === lamp.role);
  const plain = `${name} ${lamp.end}`;
  if (alike.length === 1) return plain;
  const side = (across: number): string =>
    Math.abs(across) <= MIDDLE ? 'middle' : across < 0 ? 'left' : 'right';
  const mine = side(lamp.acrossMillimetres);
  const sameSide = alike.filter((l) => side(l.acrossMillimetres) === mine);
  if (inside || sameSide.length > 1) return `${plain} ${alike.findIndex((l) => l.id === lampId) + 1}`;
  return `${plain} ${mine}`;
}
