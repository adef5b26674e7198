import { shines, type Lead, type Part } from '../../assembly/assembly';
import { isOnBoard } from '../../assembly/on-board';
import { isFeedPart } from '../../study/wired/feed-parts';
import type { JoinedEnd } from './task';
import type { Making } from './making';

/**
 * The task that joins each end of each lead; every end is joined by one. What is at a lamp is joined
 * on the bench before its leads are threaded, what is beyond the passages after.
 */
export interface Ends {
  /** The ends a task joins. */
  of(task: string): readonly JoinedEnd[];
  /** The task that joins an end of a lead; null where it comes joined. */
  taskOf(lead: string, part: string): string | null;
  readonly tasks: ReadonlySet<string>;
  /** Ends that get a sleeve: not at a lamp, a terminal, a plug or a pad, and one where leg meets leg. */
  sleeves(task: string): readonly JoinedEnd[];
  /** How many joints a task makes: leg on leg is one, a wire that goes on none. */
  joints(task: string): number;
}

/** Tasks whose joints get no sleeve: on the lamp itself, and in what has terminals of its own. */
const BARE = /^(leads|along|plug) |^(connect (driver|decoder)|socket|strip|rail)$/;

const far = (part: Part): boolean => ['rails', 'decoder', 'driver'].includes(part.kind);
/** A resistor that a lamp has of its own but that did not pass what the lamp’s leads go through. */
const late = (part: Part): boolean => part.kind === 'resistor' && part.lamp !== null && part.place === null;

/** The first circuit with resistors of the same value and body that sit where this one does: such are soldered together. */
const firstLike = ({ assembly }: Making, part: Part): string | null =>
  part.kind !== 'resistor'
    ? part.circuit
    : (assembly.parts.find(
        (p) =>
          p.kind === 'resistor' &&
          p.lamp !== null &&
          p.board === null &&
          p.ohms === part.ohms &&
          p.ratedWatts === part.ratedWatts &&
          (p.place === null) === (part.place === null),
      )?.circuit ?? part.circuit);

/** @returns null for copper of a board that is bought whole */
function taskOf(making: Making, lead: Lead, part: Part): string | null {
  const { byId, lots } = making;
  if (isOnBoard(byId, lead)) return null;
  const starts = lead.from.part === part.id;
  const other = byId.get(starts ? lead.to.part : lead.from.part)!;
  // A long wire of another place is on its lamps first, and joined here when it is through.
  if (starts && isLongWire(other) && part.place !== null && part.place !== other.place)
    return `join ${making.groupOf(part.place)}`;
  if (shines(part)) {
    if (shines(other) && other.place === part.place) return `along ${making.groupOf(part.place!)}`;
    // A lead from lamp to lamp of another place hangs on one of them first; the other waits for it.
    if (other.place !== null && other.place !== part.place && !starts)
      return `join ${making.groupOf(part.place!)}`;
    return `leads ${lots.find((l) => l.parts.some((p) => p.id === part.id))!.id}`;
  }
  if (part.kind === 'resistor' && part.place !== null)
    // As with lamps: what comes from another place is joined when its lead is through.
    return other.place !== null && other.place !== part.place && !starts
      ? `join ${making.groupOf(part.place)}`
      : `at-lamp ${firstLike(making, part)}`;
  if (late(part) && part.board === null) return `resistors ${firstLike(making, part)}`;
  if (part.kind === 'junction') {
    if (part.place !== null) return `along ${making.groupOf(part.place)}`;
    if (part.form === 'pickups') return 'connect rails';
    if (part.form === 'strip' || part.form === 'rail') return part.form;
  }
  if (part.board !== null) return `plug ${part.board}`;
  if (far(part)) return far(other) ? 'socket' : `connect ${part.kind}`;
  // A part of a line or circuit: with its like on the bench, with what comes from the lamps where it sits.
  if (other.place !== null) return `join ${making.groupOf(other.place)}`;
  return late(other) && other.board === null
    ? `resistors ${firstLike(making, other)}`
    : `make-up ${groupOf(part)}`;
}

/** What a part at the hub is made up with. */
export const groupOf = (part: Part): string => {
  if (part.kind === 'junction') return 'pads';
  return isFeedPart(part) ? 'feed' : (part.line ?? part.circuit ?? part.id);
};

/**
 * The end of a lead that is joined before it is threaded, and the one that waits: lamps first, the
 * supply last; between lamps of two places where the lead begins.
 */
export function nearAndFar(making: Making, lead: Lead): { readonly near: string; readonly far: string } {
  const [from, to] = [making.byId.get(lead.from.part)!, making.byId.get(lead.to.part)!];
  const late =
    (from.place === null && to.place !== null) ||
    (from.kind === 'rails' && to.kind !== 'rails') ||
    (from.place !== to.place && isLongWire(to));
  return late ? { near: to.id, far: from.id } : { near: from.id, far: to.id };
}

const isLongWire = (part: Part): boolean => part.kind === 'junction' && part.form === 'wire';

/** Whether an end is that of a long wire itself, which goes on from what leads to it: no joint. */
export function goesOn({ byId, assembly }: Making, { lead, part }: JoinedEnd): boolean {
  const on = byId.get(part)!;
  if (!isLongWire(on)) return false;
  const { from, to } = assembly.leads.find((l) => l.id === lead)!;
  const other = byId.get(from.part === part ? to.part : from.part)!;
  return other.place === null || (other.place !== on.place && to.part === part);
}

/** Which task joins which ends of a job’s leads. */
export function endsOf(making: Making): Ends {
  const tasks = new Map<string, JoinedEnd[]>();
  const byEnd = new Map<string, string>();
  for (const lead of making.assembly.leads) {
    for (const end of [lead.from, lead.to]) {
      const part = making.byId.get(end.part)!;
      const id = taskOf(making, lead, part);
      if (id === null) continue;
      const ends = tasks.get(id) ?? [];
      ends.push({ lead: lead.id, part: part.id });
      byEnd.set(`${lead.id} ${part.id}`, id);
      tasks.set(id, ends);
    }
  }
  const of = (task: string): readonly JoinedEnd[] => tasks.get(task) ?? [];
  const onPad = (lead: string): boolean => {
    const { from, to } = making.assembly.leads.find((l) => l.id === lead)!;
    return [from, to].some((t) => making.byId.get(t.part)!.kind === 'junction');
  };
  /** Where both ends of a leg on a leg are joined at once the second is the same joint. */
  const isSecond = ({ lead }: JoinedEnd, i: number, all: readonly JoinedEnd[]): boolean =>
    making.direct.has(lead) && all.findIndex((e) => e.lead === lead) < i;
  return {
    of,
    joints: (task) => of(task).filter((e, i, all) => !goesOn(making, e) && !isSecond(e, i, all)).length,
    sleeves: (task) =>
      BARE.test(task)
        ? []
        : of(task).filter(
            (e, i, all) =>
              !isSecond(e, i, all) &&
              making.byId.get(e.part)!.kind !== 'junction' &&
              !(making.direct.has(e.lead) && onPad(e.lead)),
          ),
    taskOf: (lead, part) => byEnd.get(`${lead} ${part}`) ?? null,
    tasks: new Set(tasks.keys()),
  };
}

/** Joints of a job that get a sleeve, of one of it. */
export function sleevedEnds(making: Making): number {
  const ends = endsOf(making);
  return [...ends.tasks].reduce((sum, id) => sum + ends.sleeves(id).length, 0);
}
