import { roomsLight } from '../../../core/kinds/building/light';
import { FAINT_LIGHTNESS } from '../../../core/light/lamp-light';
import { BuildingFront, buildingTop } from './building-front';
import type { BuildingRecord } from '../../../core/kinds/building/record';
import type { LineFace, OnLineProps } from '../face';

/** A building among other things. */
function BuildingOnLine({ job, readings }: OnLineProps<BuildingRecord>) {
  return (
    <BuildingFront job={job} readings={readings} shown={(lightness) => Math.min(100, lightness)} by="night" />
  );
}

export const onLine: LineFace<BuildingRecord> = {
  OnLine: BuildingOnLine,
  heights: (job) => ({ floor: 0, top: buildingTop(job) }),
  facts(_, job, readings) {
    const rooms = readings ? roomsLight(job, readings) : [];
    const lit = rooms.filter((r) => r.lightness >= FAINT_LIGHTNESS).length;
    const count = Object.keys(job.rooms).length;
    return [`${count} ${count === 1 ? 'room' : 'rooms'}, ${lit} lit`];
  },
};
