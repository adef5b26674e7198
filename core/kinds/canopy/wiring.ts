import { inOrder } from '../../document/in-order';
import { acrossOf, canopySideName, canopySides } from './string';
import type { JobWiring } from '../../assembly/laying';
import type { CanopyRecord } from './record';

/** Wires run along each side from lamp to lamp; up a post at the left end, and across in the hidden link. */
export const canopyWiring: JobWiring<CanopyRecord> = {
  runs: 'along',
  sense: () => 1,
  placeOf: ({ lamps }, lampId) => lamps[lampId].side,
  spotOf: ({ lamps, roof }, lampId) => ({
    along: lamps[lampId].alongMillimetres,
    across: acrossOf(roof, lamps[lampId].side),
    height: roof.heightMillimetres,
  }),
  hubOf: ({ roof }) => ({ along: 0, across: acrossOf(roof, 'near'), height: 0 }),
  lampNames: (job) =>
    new Map(
      canopySides.flatMap((side) =>
        inOrder(job.lamps)
          .filter((l) => l.side === side)
          .map((l, i): [string, string] => [l.id, `${canopySideName(side)} lamp ${i + 1}`]),
      ),
    ),
};
