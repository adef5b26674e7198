import { freeName } from '../../document/free-name';
import { plainLamp } from '../../document/lamp-record';
import { change, type Change } from '../../document/patch';
import { passLeads } from '../../study/pass-leads';
import { freeId } from '../../document/usual-supply';
import { driverOn, hangOnDriver } from '../../study/begin-driven';
import { jobStart, supplyFor, type SupplyWish } from '../../study/begin-scenery';
import { driverKind } from '../../supply/drivers';
import { usualPlaces, usualRoad } from './road';
import { crossingPassages } from './usual-passages';
import type { Show } from '../../supply/drivers/driver-kind';
import type { DriverRecord } from '../../document/driver-record';
import type { Layout } from '../../document/layout';
import type { CrossingPlace, CrossingRecord } from './record';

/** A crossing as wanted by someone who has not said more than this. */
export interface CrossingWish {
  readonly name: string;
  readonly posts: number;
  readonly barriers: boolean;
  readonly bell: boolean;
  /** Lamp type. */
  readonly part: string;
  readonly supply: SupplyWish;
  readonly driver: DriverRecord['kind'];
  readonly common: 'anode' | 'cathode';
}

/** Output of each place: the barrier has one of its own where the driver has so many. */
const outputFor = (place: CrossingPlace, outputs: number): number => {
  if (place === 'right') return 2;
  return place === 'barrier' && outputs > 2 ? 3 : 1;
};

/** How each place shows while the crossing is closed to the road. */
const showOf = (place: CrossingPlace, outputs: number): Show => {
  if (place === 'right') return 'flash-other';
  return place === 'barrier' && outputs > 2 ? 'steady' : 'flash';
};

const outputNames = ['Left lamps', 'Right lamps', 'Barrier lamps'];

/**
 * Adds a crossing sized for its scale: the left lamps on one output of its driver, the right ones on
 * another, so that they flash in turn.
 * @returns the change, and the id of the new job
 */
export function newCrossing(layout: Layout, wish: CrossingWish): Change & { readonly jobId: string } {
  const jobId = freeId(layout.jobs, 'crossing');
  const made = change(layout, (draft) => {
    const supplyId = supplyFor(draft, wish.supply);
    const road = usualRoad(layout.scale, wish.barriers);
    const places = usualPlaces(wish.posts, road, wish.bell);
    const base = driverOn(wish.driver, draft.supplies[supplyId], wish.barriers ? 3 : 2);
    const switches = wish.common === 'anode' ? ('minus' as const) : ('plus' as const);
    const driver: DriverRecord = 'switches' in base ? { ...base, switches } : base;
    const outputs = driverKind(driver).build(driver).outputs.length;
    const lamps: CrossingRecord['lamps'] = Object.fromEntries(
      places.map((place, i) => [
        `lamp-${i + 1}`,
        {
          ...plainLamp,
          ...place,
          order: i + 1,
          part: place.place === 'bell' ? 'white-warm' : wish.part,
          circuitId: null,
        },
      ]),
    );
    const job: CrossingRecord = {
      ...jobStart(draft as Layout, wish.name, supplyId),
      kind: 'crossing',
      road,
      driver,
      common: wish.common,
      aspects: {
        closed: {
          order: 1,
          name: 'Closed to the road',
          lamps: Object.fromEntries(Object.entries(lamps).map(([id, l]) => [id, showOf(l.place, outputs)])),
          dark: false,
          glass: null,
        },
        open: { order: 2, name: 'Open to the road', lamps: {}, dark: true, glass: null },
      },
      passages: crossingPassages({ road, lamps }),
      lamps,
    };
    draft.jobs[jobId] = job;
    hangOnDriver(
      draft as Layout,
      draft.jobs[jobId] as CrossingRecord,
      (id) => outputFor(lamps[id].place, outputs),
      (n) => outputNames[n - 1],
    );
    passLeads(draft as Layout, jobId);
  });
  return { ...made, jobId };
}

/** A crossing of one post on a flashing decoder, on what feeds it. */
export const usualCrossing = (layout: Layout, supplyId: string): Change & { readonly jobId: string } =>
  newCrossing(layout, {
    name: freeName(layout, 'Crossing'),
    posts: 1,
    barriers: false,
    bell: false,
    part: 'red',
    supply: { id: supplyId },
    driver: 'alternating',
    common: 'anode',
  });
