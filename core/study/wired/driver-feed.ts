import { driverOf } from '../../document/aspect-record';
import { ratingFor, ratedVoltsSold } from '../../part/electrolytic';
import { formatQuantity } from '../../quantity/format';
import { supplyKind } from '../../supply';
import type { Assembly, Lead, Part, Terminal } from '../../assembly/assembly';
import type { DriverRecord } from '../../document/driver-record';
import { feedParts } from './feed-parts';
import type { Bench } from '../bench';
import type { JobCore } from '../../document/job-record';
import type { WireRole } from '../../document/wire-legend';

/** Drivers that are put together by hand, with what stands before them; others have it on their board. */
const madeByHand: readonly DriverRecord['kind'][] = ['pins', 'matrix', 'flasher', 'timer'];
/** Those that run on volts of their own. */
const computers: readonly DriverRecord['kind'][] = ['pins', 'matrix'];
/** What feeds a small computer, whatever its pins have, and what it bears over that (common practice, no source). */
const BOARD_VOLTS = 5;
const BORNE_VOLTS = 0.5;
/** A small converter wants so much over what it gives (typical, from memory). */
const DROPOUT_VOLTS = 1.5;

/** Whether what drives the lamps of a job is put together by hand, from parts and pins. */
export const isMadeByHand = (job: JobCore): boolean => madeByHand.includes(driverOf(job)?.kind as never);

const t = (part: string, terminal: string): Terminal => ({ part, terminal });

/**
 * What feeds a driver that is put together by hand: before it stand a bridge, a reservoir and a converter to
 * what its board bears, each with its leads. It is solved with all of them inside the driver.
 */
export function withDriverFeed({ assembly, job, supply }: Bench): Assembly {
  const record = driverOf(job);
  const driver = assembly.parts.find((p) => p.kind === 'driver');
  if (!record || driver?.kind !== 'driver' || !madeByHand.includes(record.kind)) return assembly;
  const kind = supplyKind(supply);
  const highest = kind.highestVolts(supply);
  const feeds = assembly.leads.filter((l) => isFeed(l, driver.id));
  const sideOf = (side: 'right' | 'left'): Terminal => {
    const lead = feeds.find((l) => [l.from, l.to].some((e) => e.part === driver.id && e.terminal === side))!;
    return lead.from.part === driver.id ? lead.to : lead.from;
  };
  const base = {
    path: driver.path,
    line: null,
    circuit: null,
    lamp: null,
    place: null,
    board: null,
    decides: {},
  } as const;
  const parts: Part[] = [];
  const leads: Lead[] = [];
  let [plus, minus] = [sideOf('right'), sideOf('left')];
  let roles: readonly [WireRole, WireRole] = kind.changesSides ? ['right', 'left'] : ['plus', 'minus'];
  /** Leads from both sides so far to two terminals of a part. */
  const feed = (id: string, toPlus: string, toMinus: string): void => {
    for (const [from, terminal, role] of [
      [plus, toPlus, roles[0]],
      [minus, toMinus, roles[1]],
    ] as const)
      leads.push({
        id: `${id} ${terminal}`,
        from,
        to: t(id, terminal),
        colour: job.legend[role],
        role,
        jointOhms: 0,
        through: [],
      });
  };
  if (record.feed.bridge) {
    const id = feedParts.bridge;
    parts.push({ ...base, id, label: 'Bridge of the feed', kind: 'bridge', diode: 'silicon', loose: false });
    feed(id, 'right', 'left');
    [plus, minus] = [t(id, 'plus'), t(id, 'minus')];
    roles = ['plus', 'minus'];
  }
  if (record.feed.farads > 0) {
    const id = feedParts.reservoir;
    const ratedVolts = ratingFor(highest) ?? ratedVoltsSold[ratedVoltsSold.length - 1];
    const { farads } = record.feed;
    parts.push({ ...base, id, label: 'Reservoir of the feed', kind: 'electrolytic', farads, ratedVolts });
    feed(id, 'plus', 'minus');
    [plus, minus] = [t(id, 'plus'), t(id, 'minus')];
  }
  const lampsAt = plus;
  if (computers.includes(record.kind) && highest > BOARD_VOLTS + BORNE_VOLTS) {
    const id = feedParts.converter;
    parts.push({
      ...base,
      id,
      label: `Step-down converter to ${formatQuantity(BOARD_VOLTS, 'volt')}`,
      kind: 'regulator',
      outVolts: BOARD_VOLTS,
      dropoutVolts: DROPOUT_VOLTS,
      quiescentAmps: 0,
    });
    feed(id, 'in', 'common');
    [plus, minus] = [t(id, 'out'), t(id, 'common')];
  }
  if (parts.length === 0) return assembly;
  feed(driver.id, 'right', 'left');
  // Lamps that do not run on the board's own volts hang before its converter.
  const before = driver.ownVolts === null || driver.commonAtFeed === true;
  const moved = (end: Terminal): Terminal =>
    before && driver.switches === 'minus' && end.part === driver.id && end.terminal === 'common'
      ? lampsAt
      : end;
  const rest = assembly.leads.filter((l) => !feeds.includes(l));
  return {
    ...assembly,
    parts: [...assembly.parts, ...parts],
    leads: [...leads, ...rest.map((l) => ({ ...l, from: moved(l.from), to: moved(l.to) }))],
  };
}

/** Whether a lead feeds a driver. */
const isFeed = ({ from, to }: Lead, driver: string): boolean =>
  [from, to].some((e) => e.part === driver && (e.terminal === 'right' || e.terminal === 'left'));

/** A terminal where plus of the lamps of a driver lies that is fed so: what its converter begins with, else its own. */
export const lampsPlusOf = ({ parts }: Assembly, driver: string): Terminal =>
  parts.some((p) => p.id === feedParts.converter) ? t(feedParts.converter, 'in') : t(driver, 'right');
