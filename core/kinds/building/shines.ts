import { windowLightness } from '../../light/wanted';
import { roomLux } from './light';
import { curtains } from './shell';
import type { LampView } from '../../study/readings';
import type { BuildingRecord } from './record';

/** Lamps of rooms shine whenever they are fed; one is seen by what it does to the windows of its room. */
export const buildingShines: LampView<BuildingRecord> = {
  shines: (_, __, ___, second) => !second,
  lightness(job, { lampId, lumens }) {
    const room = job.rooms[job.lamps[lampId].roomId];
    return windowLightness(roomLux(job, room, lumens) * curtains[room.curtain].passes);
  },
};
