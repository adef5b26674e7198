import { FAINT_LIGHTNESS } from '../../light/lamp-light';
import { solvedJob } from '../../study/solved-job';
import { stands } from '../stands';
import { buildingIn } from './jobs';
import { roomsLight } from './light';
import { buildingSketch } from './sketch';
import type { JobKind } from '../job-kind';
import type { BuildingRecord } from './record';

export const building: JobKind<BuildingRecord> = {
  ...stands,
  name: 'Building',
  lengthMillimetres: ({ body }) => body.lengthMillimetres,
  words(layout, jobId) {
    const { readings } = solvedJob(layout, jobId);
    const rooms = readings ? roomsLight(buildingIn(layout, jobId), readings) : [];
    const lit = rooms.filter((r) => r.lightness >= FAINT_LIGHTNESS).length;
    return lit === 0 ? 'Dark' : `${lit} of ${rooms.length} rooms lit`;
  },
  sketch: buildingSketch,
};
