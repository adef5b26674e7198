import { createHash } from 'node:crypto';
import { seeded } from '../edits';
import type { Target } from './targets';

/** How a row of tries went. */
export interface Tries {
  readonly outcomes: Readonly<Record<string, number>>;
  readonly failures: readonly { readonly seed: number; readonly input: string; readonly reason: string }[];
  readonly slowest: { readonly seed: number; readonly milliseconds: number };
}

/**
 * Tries so many inputs of a target, each from a seed of its own that makes it again.
 * @param mostMilliseconds what one input may take; what hangs altogether ends the test
 */
export function tries(
  target: Target,
  first: number,
  count: number,
  { until, mostMilliseconds }: { readonly until: number; readonly mostMilliseconds: number },
): Tries {
  const outcomes: Record<string, number> = {};
  const failures: Tries['failures'][number][] = [];
  let slowest = { seed: first, milliseconds: 0 };
  for (let seed = first; seed < first + count && performance.now() < until; seed++) {
    const input = target.make(seeded(seed));
    const begin = performance.now();
    let outcome: string;
    try {
      outcome = target.tryIt(input);
    } catch (error) {
      outcome = 'failed';
      const reason =
        error instanceof Error
          ? `${error.message} ${error.stack?.split('\n')[1]?.trim() ?? ''}`
          : String(error);
      failures.push({ seed, input, reason });
    }
    const milliseconds = performance.now() - begin;
    if (milliseconds > slowest.milliseconds) slowest = { seed, milliseconds };
    if (milliseconds > mostMilliseconds)
      failures.push({ seed, input, reason: `took ${Math.round(milliseconds)} ms` });
    outcomes[outcome] = (outcomes[outcome] ?? 0) + 1;
  }
  return { outcomes, failures, slowest };
}

/** A name for an input that is kept: what it is about, and a few digits of what it says. */
export const caseName = (target: Target, input: string): string =>
  `${target.name.replace(/ /g, '-')}-${createHash('sha256').update(input).digest('hex').slice(0, 10)}.txt`;
