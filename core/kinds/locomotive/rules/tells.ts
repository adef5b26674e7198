import { chainOf } from '../../../document/line-stages';
import { isHead, isTail, showsOf } from '../../../document/lamp-roles';
import { functionsOn } from '../../../supply/drivers/decoder';
import type { TruthRow } from '../../../study/truth-table';
import type { LocomotiveRecord } from '../record';

type Die = { readonly lampId: string; readonly second: boolean };

/**
 * Whether a lamp tells the direction: as its role has it. On an output that a key lights whichever way it runs only head
 * and tail lamps do: class lamps, ditch lights and blinds are set by hand there.
 */
function tells(job: LocomotiveRecord, lampId: string): boolean {
  const { role, circuitId, shows } = job.lamps[lampId];
  // Set by hand to shine otherwise than its role, it means something else.
  if (shows !== null && shows !== showsOf({ ...job.lamps[lampId], shows: null })) return false;
  if (circuitId === null || !job.decoder || role === 'headlight' || role === 'tail') return true;
  const { from } = chainOf(job, job.circuits[circuitId].lineId)[0];
  if (from.kind !== 'output') return true;
  if (role.startsWith('marker')) return false;
  const keys = Object.hasOwn(job.decoder.outputs, from.output) ? job.decoder.outputs[from.output].keys : [];
  return keys.length > 0 && keys.every((k) => k.direction !== 'both');
}

/** Whether a colour of a lamp says “this end goes first”. */
export function saysHead(job: LocomotiveRecord, { lampId, second }: Die): boolean {
  const { role } = job.lamps[lampId];
  return tells(job, lampId) && (second ? isTail(role) : isHead(role));
}

/** Whether a colour of a lamp says “here it ends”. */
export function saysTail(job: LocomotiveRecord, { lampId, second }: Die): boolean {
  const { role } = job.lamps[lampId];
  return tells(job, lampId) && (second ? isHead(role) : isTail(role));
}

/** States of every day: lights on and every switch on. */
export function litRows(job: LocomotiveRecord, rows: readonly TruthRow[]): TruthRow[] {
  return rows.filter(
    ({ state }) =>
      Object.entries(state).every(([id, v]) => !id.startsWith('switch ') || v === true) &&
      (job.decoder === null || !('F0' in state) || functionsOn(state).includes(0)),
  );
}

/** Whether an end goes first in a state. */
export const leads = (end: string, { state }: Pick<TruthRow, 'state'>): boolean =>
  (end === 'A') === (state.direction !== 'reverse');
