import fc from 'fast-check';
import { emptyLayout } from '../core/document/empty-layout';
import { change } from '../core/document/patch';
import { usualSupply } from '../core/document/usual-supply';
import { displaySorts, newDisplayModel } from '../core/kinds/display-model/make';
import { displayModelIn } from '../core/kinds/display-model/jobs';
import type { Layout } from '../core/document/layout';

export const displayId = 'model';

/** A layout with three penlight cells in a stand, 4.5 V when fresh, and a USB plug. */
export function stands(): Layout {
  return change(emptyLayout('Brackwater shelf'), (draft) => {
    draft.supplies.cells = { ...usualSupply('cell', 'H0', 1), cell: 'aa', inSeries: 3 } as never;
    draft.supplies.usb = {
      ...usualSupply('layout-bus', 'H0', 2),
      volts: 5,
      highestVolts: 5.25,
      limitAmps: 0.5,
    } as never;
    draft.supplies.mains = usualSupply('ac-track', 'H0', 3);
  }).layout;
}

/** Two red lamps of 2.1 V in parallel behind 27 ohm on three cells. */
export function tug(ohms = 27): Layout {
  const { layout } = newDisplayModel(stands(), {
    shape: 'ship',
    name: 'Tug Dunlin',
    lengthMillimetres: 300,
    part: 'red',
    lamps: 2,
    supply: { id: 'cells' },
  });
  return change(layout, (draft) => void (displayModelIn(draft, displayId).circuits.lamps.ohms = ohms)).layout;
}

/** Display models of every shape, with a few lamps of any sort limited in any way, some of them badly. */
export const generatedDisplay: fc.Arbitrary<Layout> = fc
  .record({
    shape: fc.constantFrom(...displaySorts.map((s) => s.id)),
    part: fc.constantFrom('red', 'white-warm', 'yellow', 'green', 'strip-5v-warm'),
    lamps: fc.integer({ min: 1, max: 6 }),
    supply: fc.constantFrom('cells', 'usb', 'mains'),
    limit: fc.constantFrom('shared' as const, 'each' as const, 'limiter' as const),
    ohms: fc.constantFrom(27, 100, 330, 1000),
    reversed: fc.boolean(),
    reservoir: fc.boolean(),
  })
  .map(({ shape, part, lamps, supply, limit, ohms, reversed, reservoir }) => {
    const { layout } = newDisplayModel(stands(), {
      shape,
      name: 'Generated',
      lengthMillimetres: 250,
      part,
      lamps,
      supply: { id: supply },
    });
    return change(layout, (draft) => {
      const job = displayModelIn(draft, displayId);
      Object.assign(job.circuits.lamps, { limit, ohms });
      if (reversed && lamps > 1) job.lamps['lamp-1'].reversed = true;
      if (reservoir)
        job.lines.stand.stages.hold = { kind: 'reservoir', order: 9, farads: 220e-6, ratedVolts: 25 };
    }).layout;
  });
