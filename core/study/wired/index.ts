import { threaded } from '../../assembly/passages';
import {
  netsOf,
  terminalKey,
  terminalsOf,
  type Assembly,
  type Lead,
  type Terminal,
} from '../../assembly/assembly';
import { withSecondBogie, withStripOrRail } from './at-source';
import { lampsPlusOf, withDriverFeed } from './driver-feed';
import { isFeedPart } from './feed-parts';
import { laidInPlaces } from './in-places';
import { withPads } from './pads';
import { toldApart } from './told-apart';
import type { Bench } from '../bench';

const wiredBenches = new WeakMap<Bench, Bench>();

/**
 * A job as it is wired by hand, which conducts as the one that is solved: what feeds a driver opened up, wires
 * laid in their places, strips, rails and pads where wires meet, pickups of both bogies, colours that are
 * told apart.
 */
export function asWired(bench: Bench): Bench {
  const known = wiredBenches.get(bench);
  if (known) return known;
  const { job } = bench;
  const fed = withDriverFeed(bench);
  const joined = withStripOrRail(laidInPlaces(fed, job), job);
  const whole = withPads(withSecondBogie(joined, bench), job);
  const laid = {
    ...whole,
    leads: threaded(
      whole.leads.map((l) => ({ ...l, through: [] })),
      whole.parts,
      job,
    ),
  };
  const wired: Bench = { ...bench, assembly: { ...laid, leads: toldApart(laid, job) } };
  wiredBenches.set(bench, wired);
  wiredBenches.set(wired, wired);
  return wired;
}

/**
 * What of the assembly that is solved is joined, when so much of it as wired is: terminals that some way of
 * wires joins, however it goes. What feeds a driver counts when all before it is joined.
 */
export function asSolved(solved: Assembly, wired: Assembly, joined: Assembly): Assembly {
  const feeds = wired.leads.filter((l) => [l.from, l.to].some((t) => isFeedPart({ id: t.part })));
  const there = new Set(joined.leads.map((l) => l.id));
  const fed = feeds.every((l) => there.has(l.id));
  const driver = solved.parts.find((p) => p.kind === 'driver')?.id;
  /** With what is fed so only the whole of its feed counts. */
  const isFed = (t: Terminal): boolean =>
    feeds.length > 0 && t.part === driver && (t.terminal === 'right' || t.terminal === 'left');
  const common = driver === undefined ? null : { part: driver, terminal: 'common' };
  const plus =
    common &&
    feeds.length > 0 &&
    wired.leads.every((l) => [l.from, l.to].every((t) => terminalKey(t) !== terminalKey(common)))
      ? lampsPlusOf(wired, common.part)
      : null;
  const nets = netsOf(joined);
  const netOf = (t: Terminal): string | undefined =>
    nets.get(terminalKey(plus && common && terminalKey(t) === terminalKey(common) ? plus : t));
  const kept = solved.leads.filter((l) =>
    isFed(l.from) || isFed(l.to) ? fed : netOf(l.from) === netOf(l.to),
  );
  // Terminals of one net that meet by a way of wires which the solved job lays otherwise.
  const whole = netsOf(solved);
  const known = netsOf({ ...solved, leads: kept });
  const firsts = new Map<string, Terminal>();
  const ways: Lead[] = [];
  for (const part of solved.parts)
    for (const terminal of terminalsOf[part.kind]) {
      const here = { part: part.id, terminal };
      const net = netOf(here);
      if (net === undefined || isFed(here)) continue;
      const key = `${net} in ${whole.get(terminalKey(here))!}`;
      const first = firsts.get(key);
      if (!first) firsts.set(key, here);
      else if (known.get(terminalKey(first)) !== known.get(terminalKey(here)))
        ways.push({
          ...solved.leads[0],
          id: `way to ${terminalKey(here)}`,
          from: first,
          to: here,
          jointOhms: 0,
          through: [],
        });
    }
  return { ...solved, leads: ways.length === 0 ? kept : [...kept, ...ways] };
}
