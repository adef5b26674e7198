import { freeName } from '../../document/free-name';
import { plainLamp } from '../../document/lamp-record';
import { change, type Change } from '../../document/patch';
import { passLeads } from '../../study/pass-leads';
import { freeId } from '../../document/usual-supply';
import { driverOn, hangOnDriver } from '../../study/begin-driven';
import { jobStart, supplyFor, type SupplyWish } from '../../study/begin-scenery';
import { usualHead } from './head';
import { practiceOf, type PracticeName } from './practices';
import { signalPassages } from './usual-passages';
import type { DriverRecord } from '../../document/driver-record';
import type { Layout } from '../../document/layout';
import type { SignalRecord } from './record';

/** A signal as wanted by someone who has not said more than this. */
export interface SignalWish {
  readonly practice: PracticeName;
  readonly name: string;
  readonly supply: SupplyWish;
  /** What switches its lamps; nothing does behind an arm. */
  readonly driver: DriverRecord['kind'];
  readonly common: 'anode' | 'cathode';
}

/**
 * Adds a signal after a practice, sized for its scale, each lamp on an output of its driver and
 * limited so that all look alike.
 * @returns the change, and the id of the new job
 */
export function newSignal(layout: Layout, wish: SignalWish): Change & { readonly jobId: string } {
  const jobId = freeId(layout.jobs, 'signal');
  const practice = practiceOf(wish.practice);
  const made = change(layout, (draft) => {
    const supplyId = supplyFor(draft, wish.supply);
    const head = usualHead(practice.form, layout.scale);
    const outputs = new Map(practice.lamps.map((l) => [l.id, l.output]));
    const driver =
      practice.form === 'semaphore'
        ? null
        : driverOn(wish.driver, draft.supplies[supplyId], Math.max(...outputs.values()));
    const job: SignalRecord = {
      ...jobStart(draft as Layout, wish.name, supplyId),
      kind: 'signal',
      head,
      driver: driver && fitted(driver, practice.aspects, wish.common),
      common: wish.common,
      aspects: Object.fromEntries(
        practice.aspects.map(({ id, name, lamps, dark = false, glass = null }, i) => [
          id,
          { order: i + 1, name, lamps: { ...lamps }, dark, glass },
        ]),
      ),
      passages: signalPassages({ head }),
      lamps: Object.fromEntries(
        practice.lamps.map(({ id, name, part, row, column }, i) => [
          id,
          { ...plainLamp, order: i + 1, name, part, row, column, circuitId: null },
        ]),
      ),
    };
    draft.jobs[jobId] = job;
    hangOnDriver(
      draft as Layout,
      draft.jobs[jobId] as SignalRecord,
      (id) => outputs.get(id)!,
      (n) => {
        const own = practice.lamps.filter((l) => l.output === n);
        return own.length === 1 ? own[0].name : practice.name;
      },
    );
    passLeads(draft as Layout, jobId);
  });
  return { ...made, jobId };
}

/** A driver with as many decks as an aspect lights lamps, that switches the side the head is made for. */
function fitted(
  driver: DriverRecord,
  aspects: readonly { readonly lamps: object }[],
  common: 'anode' | 'cathode',
): DriverRecord {
  const switches = common === 'anode' ? ('minus' as const) : ('plus' as const);
  if (driver.kind === 'contacts')
    return {
      ...driver,
      switches,
      ways: Math.max(driver.ways, aspects.length),
      sort: aspects.length > 2 ? 'rotary' : driver.sort,
      decks: Math.min(4, Math.max(1, ...aspects.map((a) => Object.keys(a.lamps).length))),
    };
  return 'switches' in driver ? { ...driver, switches } : driver;
}

/** A signal with red and green, on what feeds it. */
export const usualSignal = (layout: Layout, supplyId: string): Change & { readonly jobId: string } =>
  newSignal(layout, {
    practice: 'two-aspect',
    name: freeName(layout, 'Signal'),
    supply: { id: supplyId },
    driver: 'accessory-pairs',
    common: 'anode',
  });
