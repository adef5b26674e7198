import { rectifierNames, type RectifierName } from '../document/rectifier-names';
import { change } from '../document/patch';
import { benchOf } from './bench';
import { steadyStudy } from './steady';
import { coachIn } from '../document/jobs';
import type { Layout } from '../document/layout';

/**
 * What each rectifier would take of the supply in this job, in volts, solved with each in turn.
 * @returns null for one that leaves the lamps dark or cannot be solved here
 */
export function rectifierCosts(
  layout: Layout,
  jobId: string,
): Readonly<Partial<Record<RectifierName, number | null>>> {
  return Object.fromEntries(
    rectifierNames
      .filter((name) => name !== 'none')
      .map((name) => {
        const { layout: tried } = change(layout, (draft) => {
          coachIn(draft, jobId).conditioning.rectifier = name;
        });
        try {
          const steady = steadyStudy(benchOf(tried, jobId));
          const lit = steady.lamps.some((l) => l.amps.mean > 0);
          return [name, lit ? (steady.bridgeVolts?.mean ?? null) : null];
        } catch {
          // Not every rectifier has an answer on every supply; the bench says why once it is chosen.
          return [name, null];
        }
      }),
  );
}
