import { supplyKind, type Supply } from '../supply';
import { Solver } from './solver';
import { solvedJob, type SolvedJob } from './solved-job';
import { deliveredBy, sourcesOf, type Source } from './sources';
import { usualState } from './states';
import type { AnyJob, Layout } from '../document/layout';
import type { Readings } from './readings';

/** Times one of them hangs on the supply, by the id of the job. */
export type Counts = ReadonlyMap<string, number>;

/** What is drawn from a supply, as its limit is about it: true RMS where a transformer is warmed by it, else the mean. */
export const feltAmps = (
  readings: Pick<Readings, 'supplyAmps' | 'supplyRmsAmps' | 'railVolts' | 'beside'>,
  source: Source,
): number =>
  !source.beside && supplyKind(source.supply).feels(source.supply) === 'rms'
    ? readings.supplyRmsAmps
    : deliveredBy(readings, source).amps.mean;

/** Rounds of the search for the drop of all together, and the volts of drop that are as good as none. */
const ROUNDS = 4;
const SLIGHT_VOLTS = 2e-3;

interface Kept {
  readonly supply: Supply;
  readonly drawer: unknown;
  readonly ohms: number;
  readonly solved: SolvedJob;
}
const kept = new WeakMap<AnyJob, Kept>();

/** A job with so many ohms more between it and its supply; one solved nearly so before is that. */
function solvedBehind(layout: Layout, alone: SolvedJob, ohms: number, amps: number): SolvedJob {
  const { id, job, bench, readings } = alone;
  if (!bench || !readings || ohms * amps < SLIGHT_VOLTS) return alone;
  const before = kept.get(job);
  if (
    before?.supply === bench.supply &&
    before.drawer === layout.drawer &&
    before.solved.id === id &&
    Math.abs(before.ohms - ohms) * amps < SLIGHT_VOLTS
  )
    return before.solved;
  const there = { ...bench, supply: supplyKind(bench.supply).behind(bench.supply, ohms) };
  const solved: SolvedJob = {
    ...alone,
    readings: new Solver(there).at(usualState(there), { guess: (before?.solved ?? alone).readings?.stored }),
  };
  kept.set(job, { supply: bench.supply, drawer: layout.drawer, ohms, solved });
  return solved;
}

/**
 * Jobs that hang on one supply, each solved with the drop of all together in the supply's own
 * resistance. A job whose current is a share s of the whole sees that resistance 1/s times: exact for
 * any number of like ones (see `timesAlike`), and for unlike ones as far as their currents have one shape.
 * What has a supply of its own for each, as cells on board are, is solved alone.
 * @param counts the jobs, all set on the same supply, and how often each hangs there
 */
export function solvedTogether(layout: Layout, counts: Counts): Map<string, SolvedJob> {
  const alone = new Map([...counts.keys()].map((id) => [id, solvedJob(layout, id)] as const));
  const bench = [...alone.values()].find((s) => s.bench)?.bench;
  if (!bench) return alone;
  const kind = supplyKind(bench.supply);
  const ohms = kind.sourceOhms(bench.supply);
  if (bench.supply.kind === 'cell') return alone;
  const [source] = sourcesOf(bench);
  let solved = alone;
  for (let round = 0; round < ROUNDS; round++) {
    const own = new Map([...solved].map(([id, s]) => [id, s.readings ? feltAmps(s.readings, source) : 0]));
    const all = [...counts].reduce((sum, [id, count]) => sum + count * (own.get(id) ?? 0), 0);
    const next = new Map(
      [...alone].map(([id, s]) => {
        const amps = own.get(id) ?? 0;
        return [id, amps > 0 ? solvedBehind(layout, s, ohms * (all / amps - 1), amps) : s] as const;
      }),
    );
    const same = [...next].every(([id, s]) => s === solved.get(id));
    solved = next;
    if (same) break;
  }
  return solved;
}
