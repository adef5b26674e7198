import type { Finding, Remedy, Severity } from './finding';

/** A cure that holds, with the findings that are gone with it and how many new worries it brings. */
export interface Held {
  readonly remedy: Remedy;
  readonly clears: ReadonlySet<string>;
  readonly brings: number;
}

/**
 * Cures in the order in which they solve the cause: first the one with which most stops are gone, of
 * these the one that brings fewest new worries, then by minds and by notes that are gone; alike ones in
 * the order in which their rule names them.
 * @param found what was found before any of them
 */
export function solvingFirst<H extends Held>(
  held: readonly H[],
  found: readonly Pick<Finding, 'id' | 'severity'>[],
): H[] {
  const gone = ({ clears }: H, severity: Severity): number =>
    found.filter((f) => f.severity === severity && clears.has(f.id)).length;
  return [...held].sort(
    (a, b) =>
      gone(b, 'stop') - gone(a, 'stop') ||
      a.brings - b.brings ||
      gone(b, 'mind') - gone(a, 'mind') ||
      gone(b, 'note') - gone(a, 'note'),
  );
}
