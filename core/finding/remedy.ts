import { coachIn } from '../document/jobs';
import type { Draft } from 'immer';
import { change } from '../document/patch';
import { ratingFor } from '../part/electrolytic';
import { nextPreferred } from '../part/preferred';
import { supplyKind } from '../supply';
import { bodyFor } from '../part/resistor';
import { lower } from '../assembly/lower';
import { benchOf } from '../study/bench';
import { noLoadStudy } from '../study/no-load';
import { proposeDrive } from '../study/proposal';
import { steadyStudy, type SteadyStudy } from '../study/steady';
import type { GroupRecord } from '../document/coach-record';
import type { Layout } from '../document/layout';
import type { Bench } from '../study/bench';
import type { Extreme, Remedy } from './finding';

/** The steady states that count where most is at stake: a DC track at full throttle both ways, any other as it is. */
export function extremesOf(bench: Bench, steady: SteadyStudy): Extreme[] {
  if (bench.supply.kind !== 'dc-track') return [{ steady, says: '' }];
  return (['forward', 'reverse'] as const).map((direction) => {
    const controls = { throttle: 1, direction };
    const there = { ...bench, controls, lowered: lower(bench.assembly, bench.supply, { controls }) };
    const says = direction === 'forward' ? ' at full throttle' : ' at full throttle in reverse';
    return { steady: steadyStudy(there), says };
  });
}

/** The greatest heat in each resistor, in watts, by part. */
function hottest(extremes: readonly Extreme[]): Map<string, number> {
  const heats = new Map<string, number>();
  for (const { steady } of extremes)
    for (const [id, r] of steady.resistors) heats.set(id, Math.max(heats.get(id) ?? 0, r.watts));
  return heats;
}

const overdriven = (bench: Bench, extremes: readonly Extreme[]): Set<string> =>
  new Set(
    extremes.flatMap(({ steady }) =>
      steady.lamps
        .filter((l) => l.amps.greatest > l.led.greatestAmps)
        .flatMap((l) => bench.job.lamps[l.lampId].groupId ?? []),
    ),
  );

/** What fitting a group for the wanted light is called. */
export function fitLabel(group: GroupRecord): string {
  return group.drive === 'limiter'
    ? 'Set the limiter for the wanted light'
    : 'Fit the resistor for the wanted light';
}

/** Fits a group with the resistor, or sets its limiter to the current, that gives the wanted light. */
export function fitProposal(draft: Draft<Layout>, jobId: string, groupId: string, layout: Layout): boolean {
  const proposal = proposeDrive(layout, jobId, groupId);
  if (!proposal) return false;
  const group = coachIn(draft, jobId).groups[groupId];
  group.drive = proposal.drive;
  if (proposal.drive === 'limiter') group.limiterAmps = proposal.figure;
  else {
    group.ohms = proposal.figure;
    group.ratedWatts = Math.max(proposal.ratedWatts, 0.125);
  }
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
  const before = extremesOf(bench, steady);
  const wasOver = overdriven(bench, before);
  let next = benchOf(at, jobId);
  let after = extremesOf(next, steadyStudy(next));
  const newlyOver = [...overdriven(next, after)].filter((g) => !wasOver.has(g));
  if (newlyOver.length > 0) {
    for (const groupId of newlyOver) {
      const from = at;
      at = change(at, (draft) => {
        fitProposal(draft, jobId, groupId, from);
      }).layout;
    }
    next = benchOf(at, jobId);
    after = extremesOf(next, steadyStudy(next));
  }
  const heats = hottest(after);
  const held = hottest(before);
  at = change(at, (draft) => {
    for (const part of next.assembly.parts) {
      if (part.kind !== 'resistor') continue;
      const watts = heats.get(part.id) ?? 0;
      if (watts <= part.ratedWatts || (held.get(part.id) ?? 0) > part.ratedWatts) continue;
      const body = bodyFor(watts);
      if (!body) continue;
      const { conditioning, groups } = coachIn(draft, jobId);
      if (part.role === 'charge') conditioning.chargeResistor!.ratedWatts = body.watts;
      else groups[String(part.path[part.path.length - 1])].ratedWatts = body.watts;
    }
  }).layout;
  at = change(at, (draft) => raiseRating(draft, bench, at)).layout;
  at = change(at, (draft) => chargeGently(draft, bench, at)).layout;
  return [{ label, patches: change(bench.layout, (draft) => void assignJob(draft, at, jobId)).patches }];
}

/** A reservoir that now sees more than it is rated for, and did not before, gets the rating for it. */
function raiseRating(draft: Draft<Layout>, bench: Bench, at: Layout): void {
  const { reservoir, rectifier, regulator } = coachIn(at, bench.jobId).conditioning;
  const was = bench.job.conditioning;
  if (!reservoir || (rectifier === was.rectifier && regulator === was.regulator)) return;
  const sees = (b: Bench): number => {
    const volts = noLoadStudy(b)?.volts;
    return volts ? Math.max(Math.abs(volts.greatest), Math.abs(volts.least)) : 0;
  };
  const now = sees(benchOf(at, bench.jobId));
  if (now <= reservoir.ratedVolts || sees(bench) > reservoir.ratedVolts) return;
  const better = ratingFor(now);
  if (better !== null) coachIn(draft, bench.jobId).conditioning.reservoir!.ratedVolts = better;
}

/** A reservoir that is charged from now on gets the charge resistor that keeps its inrush within the supply's limit. */
function chargeGently(draft: Draft<Layout>, bench: Bench, at: Layout): void {
  const job = coachIn(at, bench.jobId);
  const { reservoir, rectifier, chargeResistor } = job.conditioning;
  const was = bench.job.conditioning;
  if (!reservoir || (was.reservoir && rectifier === was.rectifier)) return;
  const supply = at.supplies[job.supplyId];
  const kind = supplyKind(supply);
  const volts = kind.highestVolts(supply);
  const limit = kind.limit(supply).amps;
  if (supply.kind === 'cell' || volts / (kind.sourceOhms(supply) + (chargeResistor?.ohms ?? 0)) <= limit)
    return;
  const ohms = nextPreferred(volts / (CHARGE_SHARE * limit), 'E12');
  coachIn(draft, bench.jobId).conditioning.chargeResistor = { ratedWatts: 0.25, ...chargeResistor, ohms };
}

/** Share of its supply's limit that one coach's charging is kept to. */
export const CHARGE_SHARE = 0.5;

/** Writes only what differs, so that a remedy says no more than it changes. */
function assignJob(draft: Draft<Layout>, from: Layout, jobId: string): void {
  copyDifferences(coachIn(draft, jobId) as Record<string, unknown>, coachIn(from, jobId));
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
