import { freeId } from '../../document/usual-supply';
import { coachIn } from './jobs';
import type { CoachRecord as Job } from './record';
import type { Layout } from '../../document/layout';
import { inOrder } from '../../document/in-order';
import { change, type Change } from '../../document/patch';
import { putSwitch } from '../../document/line-stages';
import { usualCircuit } from '../../document/usual-circuit';
import { mainLine } from './schools';
import { usualLamp } from './usual-lamp';
import { coachInterior } from './interior';
import { fitLimit, proposeLimit } from './proposal';
import type { LampPlace } from './places';
import type { Draft } from 'immer';

type Lamp = Job['lamps'][string] & { readonly id: string };

/** The lamps of a group that light rooms, row by row from the near side, each row from the left. */
export function rowsOfLamps(job: Job, circuitId: string): Lamp[][] {
  const own = inOrder(job.lamps).filter((l) => l.circuitId === circuitId && l.role === 'room');
  const rows = new Map<number, Lamp[]>();
  for (const lamp of own) {
    const across = Math.round(lamp.acrossMillimetres * 10) / 10;
    rows.set(across, [...(rows.get(across) ?? []), lamp]);
  }
  return [...rows]
    .sort(([a], [b]) => a - b)
    .map(([, row]) => row.sort((a, b) => a.placeMillimetres - b.placeMillimetres));
}

/** Hangs a group's room lamps at places: those there are move, more come of the same type, or the last go. */
export function hangLamps(job: Draft<Job>, circuitId: string, places: readonly LampPlace[]): void {
  const own = inOrder(job.lamps).filter((l) => l.circuitId === circuitId && l.role === 'room');
  const like = own[0] ?? inOrder(job.lamps).find((l) => l.role === 'room');
  for (const extra of own.slice(places.length)) Reflect.deleteProperty(job.lamps, extra.id);
  [...places]
    .sort((a, b) => a.acrossMillimetres - b.acrossMillimetres || a.placeMillimetres - b.placeMillimetres)
    .forEach((place, i) => {
      if (i < own.length) {
        Object.assign(job.lamps[own[i].id], place);
        return;
      }
      job.lamps[freeId(job.lamps, `lamp-${i + 1}`)] = usualLamp({
        order: 1 + Math.max(0, ...Object.values(job.lamps).map((l) => l.order)),
        part: like?.part ?? 'white-warm',
        tint: like?.tint ?? 'none',
        aimDegrees: like?.aimDegrees ?? 0,
        circuitId,
        ...place,
      });
    });
}

function added(
  layout: Layout,
  jobId: string,
  name: string,
  add: (job: Draft<Job>, circuitId: string) => void,
): Change {
  const circuitId = freeId(coachIn(layout, jobId).circuits, name.toLowerCase().replace(/\W+/g, '-'));
  let at = change(layout, (draft) => {
    const job = coachIn(draft, jobId);
    const order = 1 + Math.max(0, ...Object.values(job.circuits).map((c) => c.order));
    job.circuits[circuitId] = usualCircuit(order, name, mainLine(job));
    add(job, circuitId);
  }).layout;
  const proposal = proposeLimit(at, jobId, circuitId);
  if (proposal) at = change(at, (draft) => fitLimit(coachIn(draft, jobId), circuitId, proposal)).layout;
  return change(layout, (draft) => void (draft.jobs[jobId] = coachIn(at, jobId) as Draft<Job>));
}

/**
 * Lamps of their own for the vestibules and doorways, one in the middle of each, with resistors of
 * their own so that they can be set apart from the rooms.
 */
export function addVestibuleLamps(layout: Layout, jobId: string): Change {
  return added(layout, jobId, 'Vestibules', (job, circuitId) => {
    const { rooms } = coachInterior(coachIn(layout, jobId));
    const part = Object.values(job.lamps).find((l) => l.role === 'room')?.part ?? 'white-warm';
    for (const room of rooms.filter((r) => r.kind === 'vestibule')) {
      job.lamps[freeId(job.lamps, 'vestibule')] = usualLamp({
        order: 1 + Math.max(0, ...Object.values(job.lamps).map((l) => l.order)),
        part,
        circuitId,
        placeMillimetres: Math.round((room.from + room.to) * 5) / 10,
      });
    }
  });
}

/** How far tail lamps stand from the centre line, as a share of the body's width (common practice, no source). */
const TAIL_ACROSS_SHARE = 0.34;

/**
 * Two red tail lamps at one end, in series, with a switch in their feed that turns them off when a
 * coach is coupled behind.
 */
export function addTailLamps(layout: Layout, jobId: string, end: 'left' | 'right'): Change {
  return added(layout, jobId, 'Tail lamps', (job, circuitId) => {
    job.circuits[circuitId].inSeries = 2;
    putSwitch(job, circuitId, { name: 'Tail lamps', on: true, lead: 'first' });
    const { lengthMillimetres, widthMillimetres } = job.dimensions;
    for (const side of [-1, 1]) {
      job.lamps[freeId(job.lamps, 'tail')] = usualLamp({
        order: 1 + Math.max(0, ...Object.values(job.lamps).map((l) => l.order)),
        part: 'red',
        circuitId,
        role: 'tail',
        placeMillimetres: end === 'left' ? 0 : lengthMillimetres,
        acrossMillimetres: Math.round(side * TAIL_ACROSS_SHARE * widthMillimetres * 10) / 10,
      });
    }
  });
}

/** Takes a circuit, its lamps and a line of its own away. */
export function removeCircuit(job: Draft<Job>, circuitId: string): void {
  putSwitch(job, circuitId, null);
  for (const [id, lamp] of Object.entries(job.lamps))
    if (lamp.circuitId === circuitId) Reflect.deleteProperty(job.lamps, id);
  Reflect.deleteProperty(job.circuits, circuitId);
}
