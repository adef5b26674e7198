import { gravestFirst } from './gravest-first';
import type { Finding } from './finding';

/**
 * Findings with what follows from another's cause told as that: whatever every cure of a finding puts
 * right as well, and is no graver, follows from it. Of two that put each other right the graver, or the
 * first, is the cause. All of them stay judged.
 * @param clearedBy for each finding, of each of its cures the findings that are gone with it
 */
export function followed(
  findings: readonly Finding[],
  clearedBy: ReadonlyMap<string, readonly ReadonlySet<string>[]>,
): Finding[] {
  const sorted = gravestFirst(findings);
  const causeOf = new Map<string, string>();
  for (const [i, { id }] of sorted.entries()) {
    const cures = clearedBy.get(id) ?? [];
    if (causeOf.has(id) || cures.length === 0) continue;
    for (const later of sorted.slice(i + 1))
      if (!causeOf.has(later.id) && cures.every((gone) => gone.has(later.id))) causeOf.set(later.id, id);
  }
  return sorted.map((f) => {
    const cause = causeOf.get(f.id);
    return cause === undefined ? f : { ...f, follows: cause };
  });
}

/** Findings that are causes: those that follow from none that is there. */
export function causes<F extends Pick<Finding, 'id' | 'follows'>>(findings: readonly F[]): F[] {
  const there = new Set(findings.map((f) => f.id));
  return findings.filter((f) => f.follows === undefined || !there.has(f.follows));
}

/** What follows from a finding, of those that are there. */
export const followersOf = <F extends Pick<Finding, 'id' | 'follows'>>(
  findings: readonly F[],
  { id }: Pick<Finding, 'id'>,
): F[] => findings.filter((f) => f.follows === id);
