import { change, type Change } from '../../document/patch';
import { coachIn } from './jobs';
import { noProgress } from '../../document/progress-record';
import { usualWires } from '../../document/usual-wires';
import { coachPassages } from './usual-passages';
import type { CoachRecord as Job } from './record';
import type { Layout } from '../../document/layout';
import { legends } from '../../document/wire-legend';
import { ALL_AXLES_BASE_SHARE, TRUCK_BASE_SHARE } from '../../document/usual-running';
import { lampType } from '../../document/lamp-type';
import { nextPreferred } from '../../part/preferred';
import { onPartition } from './on-partition';
import { darkRooms } from './dark-rooms';
import { hangOver } from './hang-over';
import { solvedCoach } from './solved-coach';
import { usualFit } from './usual-fit';
import { usualInterior } from './usual-interior';
import { freeName } from '../../document/free-name';
import { freeId, usualSupply } from '../../document/usual-supply';
import { scales } from '../../quantity/scale';
import { supplyKind, type SupplyKindName } from '../../supply';
import { firstCircuit, mainLine, layLamps, offerSchool, schools } from './schools';
import { soldFarads } from '../../part/electrolytic';
import { putRectifier, putStage, stageOf } from '../../document/line-stages';
import { patched } from '../../document/patch';

/** Sorts of coaches, with the defaults that follow from them; metres of the prototype (common practice, no source). */
export const coachSorts = [
  { id: 'open', name: 'Open saloon', metres: 20, windows: 8, plan: 'open' },
  { id: 'compartment', name: 'Compartment coach', metres: 19.5, windows: 7, plan: 'compartment' },
  { id: 'sleeping', name: 'Sleeping coach', metres: 22.5, windows: 10, plan: 'sleeping' },
  { id: 'short', name: 'Short four-wheeler', metres: 10, windows: 4, plan: 'divided' },
  { id: 'van', name: 'Luggage van', metres: 14, windows: 2, plan: 'luggage' },
] as const;
export type CoachSort = (typeof coachSorts)[number]['id'];

/** Height and width of the prototype's body, and its wheels, in metres. */
const BODY = { width: 2.85, height: 2.6, wheel: 0.914 };

/** A coach as wanted by someone who has not said more than what feeds it and how long it is. */
export interface CoachWish {
  readonly sort: CoachSort;
  readonly name: string;
  readonly lengthMillimetres: number;
  readonly wantedLux: number;
  /** One of the layout's supplies, or the kind of one to be added. */
  readonly supply: { readonly id: string } | { readonly kind: SupplyKindName };
}

/** A charge resistor that leaves a reservoir on the mains time to fill between two crests (common practice, no source). */
const MAINS_CHARGE_OHMS = 15;
/** Lost in it by the mean current, at the most, in volts; and the largest reservoir that is fitted. */
const CREST_VOLTS = 0.4;
const MOST_FARADS = 4700e-6;
/** Share of its volts that a reservoir may fall by within a half wave. */
const RIPPLE_SHARE = 0.03;

/** Length of a sort of coach in a scale, in millimetres, to the millimetre. */
export function usualLength(sort: CoachSort, layout: Pick<Layout, 'scale'>): number {
  const { metres } = coachSorts.find((s) => s.id === sort)!;
  return Math.round((metres * 1000) / scales[layout.scale]);
}

/** Less is not fitted: wires and joints have as much (common practice, no source). */
const LEAST_OHMS = 1;

/** How far a lamp is moved off a partition at a time, and how often, in millimetres. */
const ASIDE = 1;
const MOVES = 6;

/** Moves lamps that would stand on a partition to the side of it where the middle of the coach is. */
function besidePartitions(job: Job, layout: Layout): void {
  const middle = job.dimensions.lengthMillimetres / 2;
  for (const lamp of Object.values(job.lamps)) {
    const led = lampType(layout, lamp.part);
    const step = lamp.placeMillimetres < middle ? ASIDE : -ASIDE;
    for (let i = 0; i < MOVES && onPartition(job, { led }, lamp); i++) lamp.placeMillimetres += step;
  }
}

/**
 * Adds a coach, laid out and sized for the wanted light: lamps at its windows, and over what they would
 * leave dark, with a resistor each, or fairy lamps on a coin cell, rectified where the supply changes sides, and a reservoir on a track.
 * @returns the change, and the id of the new job
 */
export function newCoach(layout: Layout, wish: CoachWish): Change & { readonly jobId: string } {
  const mm = (metres: number): number => Number(((metres * 1000) / scales[layout.scale]).toFixed(1));
  const jobId = freeId(layout.jobs, 'coach');
  const kindName = 'id' in wish.supply ? layout.supplies[wish.supply.id].kind : wish.supply.kind;
  const sort = coachSorts.find((s) => s.id === wish.sort)!;
  const trucks = sort.id !== 'short';
  let laid = change(layout, (draft) => {
    let supplyId: string;
    if ('id' in wish.supply) supplyId = wish.supply.id;
    else {
      supplyId = freeId(layout.supplies, kindName);
      const order = 1 + Math.max(0, ...Object.values(layout.supplies).map((s) => s.order));
      draft.supplies[supplyId] = usualSupply(kindName, layout.scale, order);
    }
    const dimensions = {
      lengthMillimetres: wish.lengthMillimetres,
      widthMillimetres: mm(BODY.width),
      bodyHeightMillimetres: mm(BODY.height),
      windowCount: sort.windows,
      wheelMillimetres: mm(BODY.wheel),
    };
    const job: Job = {
      order: 1 + Math.max(0, ...Object.values(layout.jobs).map((j) => j.order)),
      kind: 'coach',
      name: wish.name,
      note: '',
      supplyId,
      dimensions,
      interior: usualInterior(sort.plan, dimensions, layout.scale),
      fit: usualFit(),
      wantedLux: wish.wantedLux,
      decoder: null,
      lines: {},
      circuits: {},
      lamps: {},
      legend: { ...legends.decoder },
      pickups: {
        kind: 'wipers',
        axles: trucks ? 'one-truck' : 'all',
        wheelsPerRail: 2,
        baseMillimetres: Math.round(
          wish.lengthMillimetres * (trucks ? TRUCK_BASE_SHARE : ALL_AXLES_BASE_SHARE / 1.4),
        ),
      },
      ride: { deadMillimetres: 0, kilometresPerHour: 40 },
      oldBulbs: null,
      passages: coachPassages(),
      wires: { ...usualWires },
      progress: noProgress(),
      variants: {},
    };
    const kind = supplyKind(draft.supplies[supplyId]);
    const line = job.lines[mainLine(job)];
    if (kind.changesSides) putRectifier(line, 'silicon-bridge');
    if (kind.onTrack) {
      // With a diode round it: what lights the lamps does not go through it.
      // On the mains it is charged at the crests alone: little may stand in its way.
      const ohms = kindName === 'ac-track' ? MAINS_CHARGE_OHMS : 100;
      putStage(line, 'charge', { ohms, ratedWatts: 0.5, beside: true });
      putStage(line, 'reservoir', {
        farads: 470e-6,
        ratedVolts: 25,
      });
    }
    firstCircuit(job);
    layLamps(job, kindName === 'cell' ? 'fairy-warm' : 'white-warm', kindName === 'cell' ? 4 : sort.windows);
    besidePartitions(job, draft as Layout);
    draft.jobs[jobId] = job;
  }).layout;
  const school = schools.find((s) => s.id === 'each')!;
  const asLaid = { ...school, lay: () => undefined };
  const sized = (as: Layout): Layout => {
    const offer = offerSchool(as, jobId, asLaid);
    return offer.patches ? patched(as, offer.patches) : as;
  };
  laid = sized(laid);
  // A row along the windows leaves dark what walls part from it.
  const { light } = solvedCoach(laid, jobId);
  const dark = light ? darkRooms(light) : [];
  if (dark.length > 0)
    laid = sized(change(laid, (draft) => hangOver(coachIn(draft, jobId), laid, dark)).layout);
  // What a coin cell leaves to a resistor may be nothing: its own resistance is the limit.
  for (const [id, { ohms }] of Object.entries(coachIn(laid, jobId).circuits))
    if (kindName === 'cell' && ohms < LEAST_OHMS)
      laid = change(laid, (draft) => void (coachIn(draft, jobId).circuits[id].limit = 'none')).layout;
  // On the mains many lamps empty a reservoir between two crests: one that falls by little is fitted.
  const reservoir = stageOf(coachIn(laid, jobId).lines[mainLine(coachIn(laid, jobId))], 'reservoir');
  const supply = laid.supplies[coachIn(laid, jobId).supplyId];
  if (reservoir && supply.kind === 'ac-track') {
    const drawn = solvedCoach(laid, jobId).steady?.supplyAmps.mean ?? 0;
    const farads = Math.min(
      MOST_FARADS,
      soldFarads(drawn / (2 * supply.hertz * RIPPLE_SHARE * supply.rmsVolts * Math.SQRT2)),
    );
    // What flows on the mean flows at the crests several times over.
    const ohms = Math.min(MAINS_CHARGE_OHMS, nextPreferred(CREST_VOLTS / Math.max(drawn, 1e-3), 'E12'));
    if (farads > reservoir.farads || ohms < MAINS_CHARGE_OHMS)
      laid = sized(
        change(laid, (draft) => {
          const own = coachIn(draft, jobId);
          const line = own.lines[mainLine(own)];
          putStage(line, 'reservoir', { ...reservoir, farads: Math.max(farads, reservoir.farads) });
          putStage(line, 'charge', { ohms, ratedWatts: 0.5, beside: true });
        }).layout,
      );
  }
  return {
    jobId,
    ...change(layout, (draft) => {
      draft.supplies = laid.supplies;
      draft.jobs[jobId] = coachIn(laid, jobId);
    }),
  };
}

/** Wanted where nothing is said: an evening. */
const WANTED_LUX = 55;

/** A coach as someone wants it who has said no more than what feeds it. */
export const usualCoach = (layout: Layout, supplyId: string): Change & { readonly jobId: string } =>
  newCoach(layout, {
    sort: 'open',
    name: freeName(layout, 'Open saloon'),
    lengthMillimetres: usualLength('open', layout),
    wantedLux: WANTED_LUX,
    supply: { id: supplyId },
  });
