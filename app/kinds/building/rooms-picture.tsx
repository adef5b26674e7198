import { roomsLight } from '../../../core/kinds/building/light';
import { curtains } from '../../../core/kinds/building/shell';
import { FAINT_LIGHTNESS } from '../../../core/light/lamp-light';
import { nearestWord } from '../../../core/light/wanted';
import { formatQuantity } from '../../../core/quantity/format';
import { FigureTable } from '../../fields/figure-table';
import type { BuildingRecord } from '../../../core/kinds/building/record';
import type { PictureProps } from '../face';

type RoomRow = ReturnType<typeof roomsLight>[number];

/** What leaks past an open jumper is no light. */
const NOTHING_LUX = 0.01;

/** Every room with its light, what its windows show, and what comes through its walls. */
export function RoomsPicture({ solved }: PictureProps<BuildingRecord>) {
  const { job } = solved.bench;
  if (!solved.readings) return <p className="stale-note">{solved.failure ?? 'Being worked out…'}</p>;
  const lux = (figure: number): string =>
    figure < NOTHING_LUX ? '0 lx' : formatQuantity(figure, 'lux', { significant: 2 });
  return (
    <FigureTable<RoomRow>
      label="Rooms and their light"
      rows={roomsLight(job, solved.readings)}
      rowKey={(r) => r.id}
      columns={[
        ['Room', (r) => r.name],
        ['Floor', (r) => (job.rooms[r.id].floor === 0 ? 'ground' : String(job.rooms[r.id].floor))],
        ['In the room', (r) => lux(r.lux)],
        ['Window', (r) => curtains[job.rooms[r.id].curtain].name],
        [
          'Looks',
          (r) =>
            r.lightness < FAINT_LIGHTNESS
              ? `${Math.round(r.lightness)} of 100: dark${r.leftDark ? ', as meant' : ''}`
              : `${Math.round(r.lightness)} of 100, ${nearestWord(r.windowLux).name.toLowerCase()}`,
        ],
        [
          'Through the walls',
          (r) =>
            r.leakLightness < FAINT_LIGHTNESS ? 'nothing seen' : `${Math.round(r.leakLightness)} of 100`,
        ],
      ]}
    />
  );
}
