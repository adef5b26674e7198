import { inOrder } from '../../document/in-order';
import type { JobWiring } from '../../assembly/laying';
import type { SceneRecord } from './record';

/** Thickness of the board, in millimetres (common practice, no source). */
const BOARD = 12;

/** Each lamp has its own lead to its channel, and all share one common; the driver lies under the board. */
export const sceneWiring: JobWiring<SceneRecord> = {
  runs: 'by-place',
  sense: () => 1,
  placeOf: () => 'scene',
  spotOf({ lamps }, lampId) {
    const { alongMillimetres, heightMillimetres } = lamps[lampId];
    return { along: alongMillimetres, across: 0, height: heightMillimetres + BOARD };
  },
  hubOf: ({ body }) => ({ along: body.widthMillimetres / 2, across: 0, height: 0 }),
  lampNames: ({ lamps }) => new Map(inOrder(lamps).map(({ id, name }) => [id, name])),
};
