import { inOrder } from '../../document/in-order';
import { lampType } from '../../document/lamp-type';
import { bulbs } from '../../part/bulb';
import type { JobWiring } from '../../assembly/laying';
import type { DisplayModelRecord } from './record';

/** Wires of a display model run from the stand to each lamp; all conduct alike. Lamps are called by colour and number. */
export const displayModelWiring: JobWiring<DisplayModelRecord> = {
  runs: 'apart',
  sense: () => 1,
  placeOf: () => 'model',
  spotOf: ({ lamps, body }, lampId) => ({
    along: lamps[lampId].alongMillimetres,
    across: 0,
    height: body.standMillimetres + lamps[lampId].heightMillimetres,
  }),
  // Switch, resistor and cells stand under the middle.
  hubOf: ({ body }) => ({ along: body.lengthMillimetres / 2, across: 0, height: 0 }),
  lampNames: (job, layout) =>
    new Map(
      inOrder(job.lamps).map((l, i) => {
        const type = Object.hasOwn(bulbs, l.part) ? bulbs[l.part] : lampType(layout, l.part);
        return [l.id, `${type.name.split(',')[0]} lamp ${i + 1}`];
      }),
    ),
};
