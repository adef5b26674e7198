import { freeName } from '../../document/free-name';
import { lampType } from '../../document/lamp-type';
import { plainLamp } from '../../document/lamp-record';
import { lineFrom, putRectifier, putStage } from '../../document/line-stages';
import { change, type Change } from '../../document/patch';
import { usualCircuit } from '../../document/usual-circuit';
import { freeId, usualSupply } from '../../document/usual-supply';
import { passLeads } from '../../study/pass-leads';
import { legends } from '../../document/wire-legend';
import { firstResistor, type SoldResistor } from '../../study/first-resistor';
import { supplyKind, type Supply, type SupplyKindName } from '../../supply';
import { noProgress } from '../../document/progress-record';
import { usualWires } from '../../document/usual-wires';
import { standPassages } from './usual-passages';
import type { LedPart } from '../../part/led';
import type { Layout } from '../../document/layout';
import type { DisplayModelRecord, DisplayShape } from './record';

/** Sorts of display models with the proportions they begin with (common practice, no source). */
export const displaySorts: readonly {
  readonly id: DisplayShape;
  readonly name: string;
  readonly says: string;
  readonly millimetres: number;
  readonly heightShare: number;
}[] = [
  { id: 'ship', name: 'Ship', says: 'tug, ferry', millimetres: 300, heightShare: 0.36 },
  { id: 'aircraft', name: 'Aircraft', says: 'wing tips, tail', millimetres: 240, heightShare: 0.24 },
  { id: 'building', name: 'Building', says: 'windows, porch', millimetres: 160, heightShare: 0.8 },
  { id: 'vehicle', name: 'Vehicle', says: 'head, tail', millimetres: 200, heightShare: 0.4 },
];

/** A display model as wanted by someone who has not said more than this. */
export interface DisplayWish {
  readonly shape: DisplayShape;
  readonly name: string;
  readonly lengthMillimetres: number;
  /** Lamp type, and how many. */
  readonly part: string;
  readonly lamps: number;
  readonly supply: { readonly id: string } | { readonly kind: SupplyKindName };
}

/** Height of a stand over the length of what stands on it. */
const STAND_SHARE = 0.12;
/** Share of its greatest current a lamp is given: half of it lasts long and is bright (common practice, no source). */
const CURRENT_SHARE = 0.5;

/** USB gives 5 V, at most 5.25, and 0.5 A (USB 2.0, section 7.3.2). */
const usb = { name: 'USB', volts: 5, highestVolts: 5.25, limitAmps: 0.5, wireOhms: 0.3 };
/** Three penlight cells: what fits a stand. */
const pack = { name: 'Cells in the stand', cell: 'aa', inSeries: 3, spent: 0 };

/** The supply a wish names, made where it is not there: cells in the stand, or USB. */
function supplyFor(layout: Layout, kind: SupplyKindName, order: number): Layout['supplies'][string] {
  const made = usualSupply(kind, layout.scale, order);
  if (made.kind === 'cell') return { ...made, ...pack };
  return made.kind === 'layout-bus' ? { ...made, ...usb } : made;
}

/** The resistor that serves all lamps in parallel, each given half of what it bears. */
export const sharedResistor = (supply: Supply, led: LedPart, count: number): SoldResistor =>
  firstResistor(supply, led, count * CURRENT_SHARE * led.greatestAmps);

/**
 * Adds a display model: its lamps along it, a switch, and one resistor in the stand serving all; a
 * bridge where the supply changes sides.
 * @returns the change, and the id of the new job
 */
export function newDisplayModel(layout: Layout, wish: DisplayWish): Change & { readonly jobId: string } {
  const jobId = freeId(layout.jobs, 'model');
  const sort = displaySorts.find((s) => s.id === wish.shape)!;
  const height = Math.round(wish.lengthMillimetres * sort.heightShare);
  const made = change(layout, (draft) => {
    let supplyId: string;
    if ('id' in wish.supply) supplyId = wish.supply.id;
    else {
      supplyId = freeId(layout.supplies, wish.supply.kind);
      const order = 1 + Math.max(0, ...Object.values(layout.supplies).map((s) => s.order));
      draft.supplies[supplyId] = supplyFor(layout, wish.supply.kind, order);
    }
    const supply = draft.supplies[supplyId];
    const kind = supplyKind(supply);
    const job: DisplayModelRecord = {
      order: 1 + Math.max(0, ...Object.values(layout.jobs).map((j) => j.order)),
      kind: 'display-model',
      name: wish.name,
      note: '',
      supplyId,
      body: {
        shape: wish.shape,
        lengthMillimetres: wish.lengthMillimetres,
        heightMillimetres: height,
        standMillimetres: Math.round(wish.lengthMillimetres * STAND_SHARE),
      },
      decoder: null,
      lines: { stand: lineFrom({ kind: 'supply', tap: 'board', supplyId: null }, 1, 'Stand') },
      circuits: {
        lamps: usualCircuit(1, 'Lamps', 'stand', {
          limit: 'shared',
          ...sharedResistor(supply, lampType(layout, wish.part), wish.lamps),
        }),
      },
      lamps: Object.fromEntries(
        Array.from({ length: wish.lamps }, (_, i) => [
          `lamp-${i + 1}`,
          {
            ...plainLamp,
            order: i + 1,
            part: wish.part,
            circuitId: 'lamps',
            alongMillimetres: Math.round((wish.lengthMillimetres * (i + 0.5)) / wish.lamps),
            heightMillimetres: Math.round(height * 0.6),
          },
        ]),
      ),
      legend: { ...legends['red-black'] },
      passages: standPassages(Math.round(wish.lengthMillimetres * STAND_SHARE)),
      wires: { ...usualWires },
      progress: noProgress(),
      variants: {},
    };
    if (!kind.ownSwitch) putStage(job.lines.stand, 'switch', { name: 'Switch', on: true, lead: 'first' });
    if (kind.changesSides) putRectifier(job.lines.stand, 'silicon-bridge');
    draft.jobs[jobId] = job;
    passLeads(draft as Layout, jobId);
  });
  return { ...made, jobId };
}

/** A ship with two red lamps, on what feeds it. */
export const usualDisplayModel = (layout: Layout, supplyId: string): Change & { readonly jobId: string } =>
  newDisplayModel(layout, {
    shape: 'ship',
    name: freeName(layout, 'Ship'),
    lengthMillimetres: 300,
    part: 'red',
    lamps: 2,
    supply: { id: supplyId },
  });
