import { nearestPair, nearestPreferred, type ResistorPair, type SeriesName } from '../part/preferred';
import { bodyFor } from '../part/resistor';
import { lampType } from '../document/lamp-type';
import { change } from '../document/patch';
import { coachIn } from '../document/jobs';
import type { Layout } from '../document/layout';
import { inOrder } from '../document/in-order';
import { atMost, benchOf } from './bench';
import { steadyStudy, type SteadyStudy } from './steady';
import { coachLight } from './coach-light';
import { TAIL_LAMP_AMPS } from './tail-lamp';
import type { GroupRecord } from '../document/coach-record';

/** One thing that can be fitted, and what it then gives. */
export interface Offer {
  readonly from: 'drawer' | SeriesName | 'pair' | 'fixed' | 'adjustable';
  /** Ohms of a resistor or pair; amperes of a limiter. */
  readonly figure: number;
  readonly pair: ResistorPair | null;
  /** How many of it the drawer holds; null where it is not from there. */
  readonly inDrawer: number | null;
}

/** What gives a group the wanted light, and what it then does. */
export interface Proposal {
  readonly drive: Exclude<GroupRecord['drive'], 'none'>;
  /** Resistance (ohms) or limiter setting (amperes) that would hit the wanted light exactly. */
  readonly exact: number;
  /** What is proposed to be fitted. */
  readonly figure: number;
  readonly from: Offer['from'];
  /** Other ways to come near it, nearest last. */
  readonly offers: readonly Offer[];
  /** Heat in each such resistor (or in the limiter), and the resistor body that takes it. */
  readonly watts: number;
  readonly ratedWatts: number;
  /** What it is sized by: the wanted light, or where no window tells, the current of a lamp. */
  readonly by: 'light' | 'current';
  /** Light it gives over the lit windows, in lux at seat height. */
  readonly lux: number;
  /** Mean current of a lamp it gives. */
  readonly amps: number;
  /** Why the wanted light is not reached, when it is not. */
  readonly limitedBy: 'lamp' | 'supply' | null;
}

const TURNS = 24;
/** A drawer's resistor is taken when it is this near to the exact value, as a ratio. */
const NEAR_ENOUGH = 1.25;
/** Limiters that are sold with a fixed current, in amperes. */
export const fixedLimiterAmps = [0.01, 0.015, 0.02] as const;
const LEAST_LIMITER_AMPS = 2e-4;
const MOST_LIMITER_AMPS = 0.5;

/** Current a lamp may carry for a long life, in amperes. */
export function longLifeAmps(led: { readonly greatestAmps: number; readonly longLifeShare: number }): number {
  return led.greatestAmps * led.longLifeShare;
}

/** How a group without a limit is best given one: strips and the like share, lamps have their own. */
export function usualDrive(
  layout: Layout,
  jobId: string,
  groupId: string,
): 'resistor-each' | 'resistor-shared' {
  const members = Object.values(coachIn(layout, jobId).lamps).filter((l) => l.groupId === groupId);
  return members.every((l) => lampType(layout, l.part).builtInOhms > 0) && members.length > 0
    ? 'resistor-shared'
    : 'resistor-each';
}

/**
 * Finds the resistor, or limiter setting, for a group of lamps that gives the wanted light, by
 * solving the job, not by a rule: the light of the periodic steady state is brought to the wanted
 * mean over the windows. Lamps are never asked for more than their long-life current, at full
 * throttle either.
 * @param drive how the group is to be driven; the drive it has when left out, the usual one when it has none
 * @returns null when the group has no lamps or no light can be had
 */
export function proposeDrive(
  layout: Layout,
  jobId: string,
  groupId: string,
  drive?: Exclude<GroupRecord['drive'], 'none'>,
): Proposal | null {
  const job = coachIn(layout, jobId);
  const group = job.groups[groupId];
  const members = Object.entries(job.lamps).filter(([, l]) => l.groupId === groupId);
  if (members.length === 0) return null;
  const chosen = drive ?? (group.drive === 'none' ? usualDrive(layout, jobId, groupId) : group.drive);
  const limiter = chosen === 'limiter';
  let stored: Float64Array | undefined;

  const wantedAmps = ampsWanted(layout, jobId, groupId);

  interface Tried {
    /** Mean over the group's lamps. */
    readonly amps: number;
    readonly lux: number;
    /** The largest share of its long-life current that a lamp of the group carries. */
    readonly load: number;
    readonly watts: number;
  }
  const memberIds = new Set(members.map(([id]) => id));
  const resistorIds = new Set([
    ...[...memberIds].map((id) => `resistor-${id}`),
    `shared-resistor-${groupId}`,
  ]);
  const loadOf = (steady: SteadyStudy): number =>
    Math.max(
      0,
      ...steady.lamps
        .filter((l) => memberIds.has(l.lampId))
        .map((l) => l.amps.greatest / longLifeAmps(l.led)),
    );
  const solve = (figure: number): Tried => {
    const { layout: tried } = change(layout, (draft) => {
      const g = coachIn(draft, jobId).groups[groupId];
      g.drive = chosen;
      if (g.switch) g.switch.on = true;
      if (limiter) g.limiterAmps = figure;
      else g.ohms = figure;
    });
    const bench = benchOf(tried, jobId);
    const steady = steadyStudy(bench, stored);
    stored = steady.stored;
    const most = atMost(bench);
    const hard = most === bench ? steady : steadyStudy(most);
    const heats = limiter
      ? [hard.holders.get(`limiter-${groupId}`)?.watts ?? 0]
      : [...hard.resistors].filter(([id]) => resistorIds.has(id)).map(([, r]) => r.watts);
    const own = steady.lamps.filter((l) => memberIds.has(l.lampId));
    return {
      amps: own.reduce((sum, l) => sum + l.amps.mean, 0) / Math.max(1, own.length),
      lux: coachLight(coachIn(tried, jobId), steady).litLux,
      load: loadOf(hard),
      watts: Math.max(0, ...heats),
    };
  };
  const tooBright = (t: Tried): boolean =>
    t.load > 1 || (wantedAmps === null ? t.lux > job.wantedLux : t.amps > wantedAmps);

  // Bracketed by figures at which it is too bright, and at which it is not.
  let bright = limiter ? MOST_LIMITER_AMPS : 0.1;
  let dim = limiter ? LEAST_LIMITER_AMPS : 1e6;
  if (!tooBright(solve(bright))) return settled(bright, 'supply');
  if (tooBright(solve(dim))) return settled(dim, null);
  for (let i = 0; i < TURNS && Math.abs(Math.log(dim / bright)) > 0.005; i++) {
    const middle = Math.sqrt(bright * dim);
    if (tooBright(solve(middle))) bright = middle;
    else dim = middle;
  }
  return settled(dim, solve(bright).load > 1 ? 'lamp' : null);

  function settled(exact: number, limitedBy: Proposal['limitedBy']): Proposal | null {
    const offers = limiter ? limiterOffers(exact) : resistorOffers(layout, exact, members.length);
    let { figure, from } = preferredOffer(offers, exact);
    let at = solve(figure);
    if (at.load > 1) {
      figure = limiter ? exact : nearestPreferred(Math.max(exact, figure) * 1.2, 'E12');
      from = limiter ? 'adjustable' : 'E12';
      at = solve(figure);
    }
    if (!((wantedAmps === null ? at.lux : at.amps) > 0)) return null;
    const body = bodyFor(at.watts);
    return {
      drive: chosen,
      exact,
      figure,
      from,
      offers,
      watts: at.watts,
      ratedWatts: body?.watts ?? 5,
      by: wantedAmps === null ? 'light' : 'current',
      lux: at.lux,
      amps: at.amps,
      limitedBy,
    };
  }
}

/**
 * What a group's lamps are sized by where the windows do not tell: tail and marker lamps by the usual
 * current, a later group of room lamps by what the first group's carry.
 * @returns amperes a lamp; null where the wanted light decides
 */
function ampsWanted(layout: Layout, jobId: string, groupId: string): number | null {
  const job = coachIn(layout, jobId);
  const roleIn = (id: string) =>
    Object.values(job.lamps).filter((l) => l.groupId === id && l.role === 'room');
  if (roleIn(groupId).length === 0) return TAIL_LAMP_AMPS;
  const first = inOrder(job.groups).find((g) => roleIn(g.id).length > 0)!.id;
  if (first === groupId) return null;
  const own = steadyStudy(benchOf(layout, jobId)).lamps.filter((l) => job.lamps[l.lampId].groupId === first);
  const mean = own.reduce((sum, l) => sum + l.amps.mean, 0) / Math.max(1, own.length);
  return mean > 0 ? mean : null;
}

function preferredOffer(offers: readonly Offer[], exact: number): { figure: number; from: Offer['from'] } {
  const near = (o: Offer): boolean => Math.abs(Math.log(o.figure / exact)) < Math.log(NEAR_ENOUGH);
  const chosen =
    offers.find((o) => o.from === 'drawer' && near(o)) ??
    offers.find((o) => o.from === 'fixed' && Math.abs(Math.log(o.figure / exact)) < Math.log(1.06)) ??
    offers.find((o) => o.from === 'E12' || o.from === 'adjustable')!;
  return chosen;
}

/** What can be had for a resistance: from the drawer, from E6 to E96, and as a pair. */
export function resistorOffers(layout: Layout, ohms: number, needed: number): Offer[] {
  const held = Math.min(1e7, Math.max(0.1, ohms));
  const stock = inOrder(layout.drawer.resistors)
    .filter((r) => r.count >= needed)
    .sort((a, b) => Math.abs(Math.log(a.ohms / held)) - Math.abs(Math.log(b.ohms / held)))[0];
  const series = (['E6', 'E12', 'E24', 'E48', 'E96'] as const).map((from): Offer => ({
    from,
    figure: nearestPreferred(held, from),
    pair: null,
    inDrawer: null,
  }));
  const pair = nearestPair(held);
  return [
    ...(stock ? [{ from: 'drawer' as const, figure: stock.ohms, pair: null, inDrawer: stock.count }] : []),
    ...series,
    { from: 'pair', figure: pair.ohms, pair, inDrawer: null },
  ];
}

function limiterOffers(amps: number): Offer[] {
  const fixed = [...fixedLimiterAmps].sort(
    (a, b) => Math.abs(Math.log(a / amps)) - Math.abs(Math.log(b / amps)),
  )[0];
  const plain = { pair: null, inDrawer: null };
  return [
    { from: 'fixed', figure: fixed, ...plain },
    { from: 'adjustable', figure: Number(amps.toPrecision(2)), ...plain },
  ];
}

/**
 * The light that was liked on a bench supply: the group's lamps on plain DC through a resistance.
 * @param volts what the bench supply was set to
 * @param ohms resistance in the way of the whole group; 0 for none
 * @returns mean illuminance over the windows, in lux, to be wanted in the coach
 */
export function likedLux(
  layout: Layout,
  jobId: string,
  groupId: string,
  volts: number,
  ohms: number,
): number {
  const { layout: bench } = change(layout, (draft) => {
    const job = coachIn(draft, jobId);
    draft.supplies[job.supplyId] = {
      kind: 'layout-bus',
      order: 1,
      name: 'Bench supply',
      volts,
      highestVolts: volts,
      limitAmps: 1,
      tripSeconds: 1,
      wireOhms: 0.01,
    };
    Object.assign(job.conditioning, {
      rectifier: 'none',
      chargeResistor: null,
      reservoir: null,
      regulator: null,
    });
    const group = job.groups[groupId];
    group.drive = ohms > 0 ? 'resistor-shared' : 'none';
    if (ohms > 0) group.ohms = ohms;
  });
  return coachLight(coachIn(bench, jobId), steadyStudy(benchOf(bench, jobId))).litLux;
}
