import { change } from '../document/patch';
import { mainLineId, putRectifier, rectifierNames, type RectifierName } from '../document/line-stages';
import { benchIn, type Bench } from './bench';
import { rectifierVolts } from './line-readings';
import { usualReadings } from './solver';

/**
 * What each rectifier in the first line would take of the supply in this job, in volts, solved with
 * each in turn.
 * @returns null for one that leaves the lamps dark or cannot be solved here
 */
export function rectifierCosts(bench: Bench): Readonly<Partial<Record<RectifierName, number | null>>> {
  const lineId = mainLineId(bench.job);
  if (lineId === null) return {};
  return Object.fromEntries(
    rectifierNames
      .filter((name) => name !== 'none')
      .map((name) => {
        const { layout } = change(bench.layout, (draft) =>
          putRectifier(draft.jobs[bench.jobId].lines[lineId], name),
        );
        try {
          const there = benchIn(bench, layout);
          const readings = usualReadings(there);
          const lit = readings.dies.some((d) => d.litAmps > 0);
          return [name, lit ? rectifierVolts(there, readings, lineId) : null];
        } catch {
          // Not every rectifier has an answer on every supply; the bench says why once it is chosen.
          return [name, null];
        }
      }),
  );
}
