import { namedFailure } from '../assembly/named-failure';
import { cellLifeStudy } from '../study/cell-life';
import { inrushStudy } from '../study/inrush';
import { noLoadStudy } from '../study/no-load';
import { rideStudy } from '../study/ride';
import { steadyStudy } from '../study/steady';
import { benchOf, type Bench } from '../study/bench';
import { slowStudies, type Finding, type Rule, type Studies } from './finding';
import { gravestFirst } from './gravest-first';
import { extremesOf } from './remedy';
import { rules } from './rules';
import { soundRemedies } from './sound-remedies';
import type { Fault } from '../assembly/fault';
import type { Layout } from '../document/layout';

/** Which rules to run: those that need no slow study, those that do, or all. */
export type Pace = 'quick' | 'slow' | 'all';

const isSlow = (rule: Rule): boolean => rule.needs.some((n) => slowStudies.includes(n));

/**
 * Runs the union of the studies the chosen rules need, each once, and judges.
 * @throws CircuitError when the job cannot be solved
 */
export function checkBench(bench: Bench, pace: Pace = 'all', known: Partial<Studies> = {}): Finding[] {
  const chosen = rules.filter((r) => pace === 'all' || isSlow(r) === (pace === 'slow'));
  const needs = new Set(chosen.flatMap((r) => r.needs));
  const steady = known.steady ?? steadyStudy(bench);
  const studies: Studies = {
    steady,
    extremes: known.extremes ?? extremesOf(bench, steady),
    noLoad: needs.has('noLoad') ? (known.noLoad ?? noLoadStudy(bench)) : null,
    inrush: needs.has('inrush') ? (known.inrush ?? inrushStudy(bench)) : null,
    ride: needs.has('ride') ? (known.ride ?? rideStudy(bench, steady)) : null,
    cellLife: needs.has('cellLife') ? (known.cellLife ?? cellLifeStudy(bench)) : null,
  };
  return gravestFirst(
    soundRemedies(
      bench.layout,
      chosen.flatMap((r) => r.judge(bench, studies)),
    ),
  );
}

/** Lays a job out and judges it. */
export function checkJob(
  layout: Layout,
  jobId: string,
  faults: readonly Fault[] = [],
  pace: Pace = 'all',
): Finding[] {
  const bench = benchOf(layout, jobId, faults);
  try {
    return checkBench(bench, pace);
  } catch (error) {
    throw namedFailure(error, bench.assembly, bench.lowered);
  }
}
