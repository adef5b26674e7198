import { inOrder } from '../../document/in-order';
import type { JobWiring } from '../../assembly/laying';
import type { BuildingRecord } from './record';

/** Thickness of the board the building stands on, in millimetres (common practice, no source). */
const BOARD = 12;

/** Each room's leads go down to what feeds the building, under the middle of it. */
export const buildingWiring: JobWiring<BuildingRecord> = {
  runs: 'apart',
  sense: () => 1,
  placeOf: ({ lamps }, lampId) => lamps[lampId].roomId,
  spotOf({ lamps, rooms, body }, lampId) {
    const { roomId, alongMillimetres, heightMillimetres } = lamps[lampId];
    return {
      along: alongMillimetres,
      across: 0,
      height: BOARD + rooms[roomId].floor * body.floorMillimetres + heightMillimetres,
    };
  },
  hubOf: ({ body }) => ({ along: body.lengthMillimetres / 2, across: 0, height: 0 }),
  lampNames(job) {
    const lamps = inOrder(job.lamps);
    return new Map(
      lamps.map((l) => {
        const mates = lamps.filter((m) => m.roomId === l.roomId);
        const name = job.rooms[l.roomId].name;
        return [l.id, mates.length === 1 ? `${name} lamp` : `${name} lamp ${mates.indexOf(l) + 1}`];
      }),
    );
  },
};
