import { freeName } from '../../document/free-name';
import { plainLamp } from '../../document/lamp-record';
import { change, type Change } from '../../document/patch';
import { seenAmps } from '../../study/seen-amps';
import { passLeads } from '../../study/pass-leads';
import { usualCircuit } from '../../document/usual-circuit';
import { freeId } from '../../document/usual-supply';
import { fittingSorts, type FittingSortName } from '../../part/lamp-fitting';
import { sceneryStart, supplyFor, type SupplyWish } from '../../study/begin-scenery';
import { FEED, hookUp, SCENIC_AMPS } from '../../study/hook-up';
import { lampPassages } from './usual-passages';
import { placesOfRow, usualFitting } from './row';
import type { HookUpName } from '../../document/scenery-record';
import type { Layout } from '../../document/layout';
import type { LampRecord } from './record';

/** A row of lamps as wanted by someone who has not said more than this. */
export interface LampWish {
  readonly sort: FittingSortName;
  readonly name: string;
  readonly lamps: number;
  /** Lamp type. */
  readonly part: string;
  readonly supply: SupplyWish;
  readonly hookUp: HookUpName;
}

/** Lamps that are looked at, straight: about as much as small lamps of the scenery are given (common practice, no source). */
const SEEN_AMPS = 2e-3;

/** A lamp from scraps (common practice, no source). */
const usualKit: LampRecord['kit'] = {
  mast: 'brass-2',
  hood: 'punched',
  base: 'washer',
  ball: false,
  wraps: 0,
};

/**
 * Adds a row of lamps, sized for its scale and sort, joined to its supply as wanted, each lamp limited.
 * @returns the change, and the id of the new job
 */
export function newLamps(layout: Layout, wish: LampWish): Change & { readonly jobId: string } {
  const jobId = freeId(layout.jobs, 'lamps');
  const made = change(layout, (draft) => {
    const supplyId = supplyFor(draft, wish.supply);
    const fitting = usualFitting(wish.sort, layout.scale);
    const usual = fittingSorts[wish.sort].toBeSeen ? SEEN_AMPS : SCENIC_AMPS;
    const amps = seenAmps(layout, wish.part, usual);
    const job: LampRecord = {
      ...sceneryStart(draft as Layout, wish.name, supplyId, wish.hookUp),
      kind: 'lamp',
      fitting,
      kit: { ...usualKit },
      circuits: { lamps: usualCircuit(1, 'Lamps', FEED) },
      passages: lampPassages({ fitting, kit: usualKit }),
      lamps: Object.fromEntries(
        placesOfRow(fitting, wish.lamps).map((alongMillimetres, i) => [
          `lamp-${i + 1}`,
          { ...plainLamp, order: i + 1, part: wish.part, circuitId: 'lamps', alongMillimetres },
        ]),
      ),
    };
    draft.jobs[jobId] = job;
    hookUp(draft as Layout, draft.jobs[jobId] as LampRecord, wish.hookUp, () => amps, 'apart');
    passLeads(draft as Layout, jobId);
  });
  return { ...made, jobId };
}

/** Three lamps on masts, on what feeds them. */
export const usualLamps = (layout: Layout, supplyId: string): Change & { readonly jobId: string } =>
  newLamps(layout, {
    sort: 'mast',
    name: freeName(layout, 'Quay lamps'),
    lamps: 3,
    part: 'white-warm',
    supply: { id: supplyId },
    hookUp: layout.supplies[supplyId].kind === 'accessory-output' ? 'output' : 'strip',
  });
