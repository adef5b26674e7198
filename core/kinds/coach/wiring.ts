import { inOrder } from '../../document/in-order';
import { lampType } from '../../document/lamp-type';
import { bulbs } from '../../part/bulb';
import type { JobWiring } from '../../assembly/laying';
import type { CoachRecord } from './record';

/** Share of a coach's length from its end to the middle of its bogie (common practice, no source). */
const BOGIE_SHARE = 0.15;

/** Wires of a coach run along its roof from lamp to lamp; its lamps lie alike. */
export const coachWiring: JobWiring<CoachRecord> = {
  runs: 'along',
  sense: () => 1,
  placeOf: () => 'roof',
  spotOf: (job, lampId) => ({
    along: job.lamps[lampId].placeMillimetres,
    across: job.lamps[lampId].acrossMillimetres,
    height: job.dimensions.bodyHeightMillimetres,
  }),
  // Leads rise at the end the person chose, over a bogie where none was chosen.
  hubOf: ({ fit, dimensions }) => ({
    along:
      fit.opening.leadsEnd === 'right'
        ? dimensions.lengthMillimetres
        : fit.opening.leadsEnd === 'left'
          ? 0
          : BOGIE_SHARE * dimensions.lengthMillimetres,
    across: 0,
    height: 0,
  }),
  lampNames: (job, layout) =>
    new Map(
      inOrder(job.lamps).map((l, i) => {
        const strip = !Object.hasOwn(bulbs, l.part) && lampType(layout, l.part).form === 'strip';
        return [l.id, `${strip ? 'Strip unit' : 'Lamp'} ${i + 1}`];
      }),
    ),
};
