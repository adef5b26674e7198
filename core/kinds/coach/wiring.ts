import { inOrder } from '../../document/in-order';
import { lampType } from '../../document/lamp-type';
import { bulbs } from '../../part/bulb';
import type { JobWiring } from '../../assembly/laying';
import type { CoachRecord } from './record';

/** Wires of a coach run along its roof from lamp to lamp; its lamps lie alike. */
export const coachWiring: JobWiring<CoachRecord> = {
  runs: 'along',
  sense: () => 1,
  lampNames: (job, layout) =>
    new Map(
      inOrder(job.lamps).map((l, i) => {
        const strip = !Object.hasOwn(bulbs, l.part) && lampType(layout, l.part).form === 'strip';
        return [l.id, `${strip ? 'Strip unit' : 'Lamp'} ${i + 1}`];
      }),
    ),
};
