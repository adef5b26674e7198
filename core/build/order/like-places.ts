import { shines, type Assembly, type Part } from '../../assembly/assembly';
import { passagesOf, type Passage } from '../../assembly/passages';
import { EACH_PLACE } from '../../document/passage-record';
import type { JobCore } from '../../document/job-record';

/** Stands between the names of what is done together. */
const AND = '+';
/** Of more names the first and the last are told. */
const MOST_NAMES = 3;

/** Places, or passages, that are worked on together, under one name. */
export const together = (names: readonly string[]): string => names.join(AND);
/** The single names in one of those. */
export const each = (name: string): string[] => name.split(AND);

/** Ids that single tasks would have, for a task that stands for several; none where it is one. */
export function formerlyOf(trade: string, name: string): string[] {
  const names = each(name);
  return names.length > 1 ? names.map((n) => `${trade} ${n}`) : [];
}

/** "end A", "end A and end B", "lamp 1 to lamp 6". */
export function namesOf(names: readonly string[]): string {
  if (names.length > MOST_NAMES) return `${names[0]} to ${names[names.length - 1]}`;
  return names.length < 2
    ? (names[0] ?? '')
    : `${names.slice(0, -1).join(', ')} and ${names[names.length - 1]}`;
}

const grouped = (names: readonly string[], like: (name: string) => string): string[][] => {
  const groups = new Map<string, string[]>();
  for (const name of names) groups.set(like(name), [...(groups.get(like(name)) ?? []), name]);
  return [...groups.values()];
};

/**
 * Places with the same lamps, reached through passages alike: what is done to one is done to all. A place that
 * hangs on another has steps of its own.
 */
export function likePlaces(
  { parts, leads }: Assembly,
  job: Pick<JobCore, 'passages'>,
  lots: readonly { readonly parts: readonly Pick<Part, 'place'>[] }[],
): string[][] {
  const byId = new Map(parts.map((p) => [p.id, p]));
  const places = [...new Set(parts.filter(shines).map((p) => p.place!))];
  const hanging = new Set(
    leads.flatMap((l) => {
      const [a, b] = [byId.get(l.from.part)!.place, byId.get(l.to.part)!.place];
      return a !== null && b !== null && a !== b ? [a, b] : [];
    }),
  );
  return grouped(places, (place) =>
    hanging.has(place)
      ? place
      : JSON.stringify([
          lots.map((l) => l.parts.filter((p) => p.place === place).length),
          passagesOf(job)
            .filter((p) => p.serves === place)
            .map((p) => [p.kind, p.boreMillimetres, p.lengthMillimetres]),
        ]),
  );
}

/** Passages alike that serve places alike, each with as many leads. */
export function likePassages(
  passages: readonly Passage[],
  places: readonly (readonly string[])[],
  leads: (passage: string) => number,
): string[][] {
  const byId = new Map(passages.map((p) => [p.id, p]));
  return grouped(
    passages.map((p) => p.id),
    (id) => {
      const { serves, kind, boreMillimetres, lengthMillimetres, carriesMillimetres } = byId.get(id)!;
      const served = places.findIndex((g) => g.includes(serves));
      return serves === EACH_PLACE || served < 0
        ? id
        : JSON.stringify([served, kind, boreMillimetres, lengthMillimetres, carriesMillimetres, leads(id)]);
    },
  );
}
