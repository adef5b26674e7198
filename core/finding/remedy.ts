import type { Draft } from 'immer';
import { change } from '../document/patch';
import { ratingFor } from '../part/electrolytic';
import { bodyFor } from '../part/resistor';
import { leds } from '../part/led';
import { benchOf } from '../study/bench';
import { noLoadStudy } from '../study/no-load';
import { proposeResistor } from '../study/proposal';
import { steadyStudy, type SteadyStudy } from '../study/steady';
import type { Layout } from '../document/layout';
import type { Bench } from '../study/bench';
import type { Remedy } from './finding';

/** Current a lamp may carry for a long life, in amperes. */
export function longLifeAmps(led: string): number {
  return leds[led].greatestAmps * leds[led].longLifeShare;
}

/** The least long-life current among the lamps of a group. */
export function groupLongLifeAmps(layout: Layout, jobId: string, groupId: string): number {
  const members = Object.values(layout.jobs[jobId].lamps).filter((l) => l.groupId === groupId);
  return Math.min(...members.map((l) => longLifeAmps(l.part)));
}

const overdriven = (bench: Bench, steady: SteadyStudy): Set<string> =>
  new Set(
    steady.lamps
      .filter((l) => l.amps.greatest > leds[bench.job.lamps[l.lampId].part].greatestAmps)
      .flatMap((l) => bench.job.lamps[l.lampId].groupId ?? []),
  );

/** Fits a group with the resistor that gives the wanted light. */
export function fitProposal(draft: Draft<Layout>, jobId: string, groupId: string, layout: Layout): boolean {
  const proposal = proposeResistor(layout, jobId, groupId, groupLongLifeAmps(layout, jobId, groupId));
  if (!proposal) return false;
  const group = draft.jobs[jobId].groups[groupId];
  if (group.drive === 'none') group.drive = 'resistor-each';
  group.ohms = proposal.ohms;
  group.ratedWatts = Math.max(proposal.ratedWatts, 0.125);
  return true;
}

/**
 * Makes a remedy of a recipe. What the recipe newly overloads is seen to in the same change: lamps
 * that would now carry more than their most get the resistor for the wanted light, resistors that
 * would now run too hot a larger body, a reservoir that would now see too much a higher rating. What was wrong before stays for its own finding.
 * @returns an empty list when the change is no remedy
 */
export function remedy(
  label: string,
  bench: Bench,
  steady: SteadyStudy,
  recipe: (draft: Draft<Layout>) => boolean | undefined,
): Remedy[] {
  const { jobId } = bench;
  let useful = true;
  let at = change(bench.layout, (draft) => {
    useful = recipe(draft) !== false;
  }).layout;
  if (!useful) return [];
  const wasOver = overdriven(bench, steady);
  let next = benchOf(at, jobId);
  let after = steadyStudy(next);
  const newlyOver = [...overdriven(next, after)].filter((g) => !wasOver.has(g));
  if (newlyOver.length > 0) {
    for (const groupId of newlyOver) {
      const before = at;
      at = change(at, (draft) => {
        fitProposal(draft, jobId, groupId, before);
      }).layout;
    }
    next = benchOf(at, jobId);
    after = steadyStudy(next);
  }
  at = change(at, (draft) => {
    for (const part of next.assembly.parts) {
      if (part.kind !== 'resistor') continue;
      const watts = after.resistors.get(part.id)?.watts ?? 0;
      const held = steady.resistors.get(part.id)?.watts ?? 0;
      if (watts <= part.ratedWatts || held > part.ratedWatts) continue;
      const body = bodyFor(watts);
      if (!body) continue;
      const { conditioning, groups } = draft.jobs[jobId];
      if (part.role === 'charge') conditioning.chargeResistor!.ratedWatts = body.watts;
      else groups[String(part.path[part.path.length - 1])].ratedWatts = body.watts;
    }
  }).layout;
  at = change(at, (draft) => raiseRating(draft, bench, at)).layout;
  return [{ label, patches: change(bench.layout, (draft) => void assignJob(draft, at, jobId)).patches }];
}

/** A reservoir that now sees more than it is rated for, and did not before, gets the rating for it. */
function raiseRating(draft: Draft<Layout>, bench: Bench, at: Layout): void {
  const { reservoir, rectifier } = at.jobs[bench.jobId].conditioning;
  if (!reservoir || rectifier === bench.job.conditioning.rectifier) return;
  const sees = (b: Bench): number => {
    const volts = noLoadStudy(b)?.volts;
    return volts ? Math.max(Math.abs(volts.greatest), Math.abs(volts.least)) : 0;
  };
  const now = sees(benchOf(at, bench.jobId));
  if (now <= reservoir.ratedVolts || sees(bench) > reservoir.ratedVolts) return;
  const better = ratingFor(now);
  if (better !== null) draft.jobs[bench.jobId].conditioning.reservoir!.ratedVolts = better;
}

/** Writes only what differs, so that a remedy says no more than it changes. */
function assignJob(draft: Draft<Layout>, from: Layout, jobId: string): void {
  copyDifferences(draft.jobs[jobId] as Record<string, unknown>, from.jobs[jobId]);
}

function copyDifferences(into: Record<string, unknown>, from: Record<string, unknown>): void {
  for (const key of Object.keys(from)) {
    const [a, b] = [into[key], from[key]];
    if (a === b) continue;
    if (typeof a === 'object' && a !== null && typeof b === 'object' && b !== null) {
      copyDifferences(a as Record<string, unknown>, b as Record<string, unknown>);
    } else into[key] = b;
  }
}
