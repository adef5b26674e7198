import { inOrder } from '../../document/in-order';
import type { JobWiring } from '../../assembly/laying';
import type { LampRecord } from './record';

/** Thickness of the board the lamps stand on, in millimetres (common practice, no source). */
const BOARD = 12;

/** Each lamp has its own leads, down its mast and under the board to what feeds it; a rail runs under all of them. */
export const lampWiring: JobWiring<LampRecord> = {
  runs: 'apart',
  sense: () => 1,
  placeOf: (_, lampId) => lampId,
  spotOf: ({ lamps, fitting }, lampId) => ({
    along: lamps[lampId].alongMillimetres,
    across: -fitting.outreachMillimetres,
    height: fitting.heightMillimetres + BOARD,
  }),
  // Strip, hub or board sit under the first lamp; a rail begins there.
  hubOf: ({ lamps }) => ({
    along: Math.min(...Object.values(lamps).map((l) => l.alongMillimetres)),
    across: 0,
    height: 0,
  }),
  lampNames: (job) => new Map(inOrder(job.lamps).map((l, i) => [l.id, `Lamp ${i + 1}`])),
};
