import { freeName } from '../../document/free-name';
import { change, type Change } from '../../document/patch';
import { seenAmps } from '../../study/seen-amps';
import { passLeads } from '../../study/pass-leads';
import { usualCircuit } from '../../document/usual-circuit';
import { freeId } from '../../document/usual-supply';
import { modelMillimetres } from '../../quantity/scale';
import { sceneryStart, supplyFor, type SupplyWish } from '../../study/begin-scenery';
import { FEED, hookUp } from '../../study/hook-up';
import { canopySideName, canopySides, stringLamps } from './string';
import { canopyPassages } from './usual-passages';
import type { HookUpName } from '../../document/scenery-record';
import type { Layout } from '../../document/layout';
import type { CanopyRecord } from './record';

/** A lit roof as wanted by someone who has not said more than this. */
export interface CanopyWish {
  readonly name: string;
  readonly lengthMillimetres: number;
  /** Lamps on each side; none on the far side for a string along one side. */
  readonly near: number;
  readonly far: number;
  readonly part: string;
  readonly supply: SupplyWish;
  readonly hookUp: HookUpName;
}

/** A platform roof in metres: its width, the height of its lamps, from truss to truss (common practice, no source). */
const WIDTH = 6;
const HEIGHT = 3.4;
const TRUSS = 3;
/** What a lamp of a string is given: many together are seen as one light (common practice, no source). */
const STRING_AMPS = 1.5e-3;

/**
 * Adds a canopy: a string along its trusses on one side or both, joined to its supply, each lamp limited.
 * @returns the change, and the id of the new job
 */
export function newCanopy(layout: Layout, wish: CanopyWish): Change & { readonly jobId: string } {
  const jobId = freeId(layout.jobs, 'canopy');
  const made = change(layout, (draft) => {
    const supplyId = supplyFor(draft, wish.supply);
    const at = (metres: number): number => Math.round(modelMillimetres(metres, layout.scale));
    const roof: CanopyRecord['roof'] = {
      lengthMillimetres: wish.lengthMillimetres,
      widthMillimetres: Math.max(5, at(WIDTH)),
      heightMillimetres: Math.max(3, at(HEIGHT)),
      trussMillimetres: Math.max(3, at(TRUSS)),
      twisted: true,
      backsPainted: true,
    };
    const counts = { near: wish.near, far: wish.far };
    const job: CanopyRecord = {
      ...sceneryStart(draft as Layout, wish.name, supplyId, wish.hookUp),
      kind: 'canopy',
      roof,
      circuits: Object.fromEntries(
        canopySides
          .filter((side) => counts[side] > 0)
          .map((side, i) => [side, usualCircuit(i + 1, canopySideName(side), FEED)]),
      ),
      passages: canopyPassages(roof.heightMillimetres, roof.widthMillimetres),
      lamps: stringLamps(roof, counts, wish.part),
    };
    const amps = seenAmps(layout, wish.part, STRING_AMPS);
    draft.jobs[jobId] = job;
    hookUp(draft as Layout, draft.jobs[jobId] as CanopyRecord, wish.hookUp, () => amps, 'string');
    passLeads(draft as Layout, jobId);
  });
  return { ...made, jobId };
}

/** A roof with six lamps on each side, on what feeds it. */
export const usualCanopy = (layout: Layout, supplyId: string): Change & { readonly jobId: string } =>
  newCanopy(layout, {
    name: freeName(layout, 'Canopy'),
    lengthMillimetres: 360,
    near: 6,
    far: 6,
    part: 'white-warm',
    supply: { id: supplyId },
    hookUp: layout.supplies[supplyId].kind === 'accessory-output' ? 'output' : 'strip',
  });
