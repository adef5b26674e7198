import { change, type Change } from '../document/patch';
import { coachIn } from '../document/jobs';
import type { Job, Layout } from '../document/layout';
import { inOrder } from '../document/in-order';
import { legends } from '../document/wire-legend';
import { ALL_AXLES_BASE_SHARE, TRUCK_BASE_SHARE } from '../document/migrations';
import { usualFit } from '../document/usual-fit';
import { usualInterior } from '../document/usual-interior';
import { freeId, usualSupply } from '../document/usual-supply';
import { scales } from '../quantity/scale';
import { supplyKind, type SupplyKindName } from '../supply';
import { firstGroup, layLamps, offerSchool, schools } from './schools';
import { patched } from '../document/patch';

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

/** Length of a sort of coach in a scale, in millimetres, to the millimetre. */
export function usualLength(sort: CoachSort, layout: Pick<Layout, 'scale'>): number {
  const { metres } = coachSorts.find((s) => s.id === sort)!;
  return Math.round((metres * 1000) / scales[layout.scale]);
}

/**
 * Adds a coach, laid out and sized for the wanted light: lamps at its windows with a resistor each,
 * or fairy lamps on a coin cell, rectified where the supply changes sides, and a reservoir on a track.
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
      conditioning: {
        rectifier: 'none',
        chargeResistor: null,
        chargeDiode: false,
        reservoir: null,
        regulator: null,
      },
      groups: {},
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
      variants: {},
    };
    const kind = supplyKind(draft.supplies[supplyId]);
    if (kind.changesSides) job.conditioning.rectifier = 'silicon-bridge';
    if (kind.onTrack) {
      job.conditioning.reservoir = { farads: 470e-6, ratedVolts: 25 };
      job.conditioning.chargeResistor = { ohms: 100, ratedWatts: 0.25 };
    }
    firstGroup(job);
    layLamps(job, kindName === 'cell' ? 'fairy-warm' : 'white-warm', kindName === 'cell' ? 4 : sort.windows);
    draft.jobs[jobId] = job;
  }).layout;
  const school = schools.find((s) => s.id === 'each')!;
  const asLaid = { ...school, lay: () => undefined };
  const offer = offerSchool(laid, jobId, asLaid);
  if (offer.patches) laid = patched(laid, offer.patches);
  return {
    jobId,
    ...change(layout, (draft) => {
      draft.supplies = laid.supplies;
      draft.jobs[jobId] = coachIn(laid, jobId);
    }),
  };
}

/** A name a new coach may have: its sort, with a number where one of that name is there. */
export function freeName(layout: Layout, word: string): string {
  const names = new Set(inOrder(layout.jobs).map((j) => j.name));
  if (!names.has(word)) return word;
  let n = 2;
  while (names.has(`${word} ${n}`)) n++;
  return `${word} ${n}`;
}
