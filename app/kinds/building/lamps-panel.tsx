import { inOrder } from '../../../core/document/in-order';
import { plainLamp } from '../../../core/document/lamp-record';
import { freeId } from '../../../core/document/usual-supply';
import { buildingIn } from '../../../core/kinds/building/jobs';
import { LAMP_SHARE } from '../../../core/kinds/building/rooms';
import { CountField } from '../../fields/count-field';
import { NumberField } from '../../fields/number-field';
import { SelectField } from '../../fields/select-field';
import { LampFields } from '../../panels/scenery/lamp-fields';
import { useLayoutStore } from '../../store/layout-store';
import type { BuildingRecord } from '../../../core/kinds/building/record';
import type { PanelProps } from '../face';

/** How many lamps in each room, which, and where they hang. */
export function LampsPanel(props: PanelProps<BuildingRecord>) {
  const { jobId, job } = props;
  const edit = useLayoutStore((s) => s.edit);
  const inRoom = (roomId: string) => inOrder(job.lamps).filter((l) => l.roomId === roomId);
  const setCount = (roomId: string, count: number): void =>
    edit('Lamps of a room', (draft) => {
      const own = buildingIn(draft, jobId);
      const before = inRoom(roomId);
      const room = job.rooms[roomId];
      for (const { id } of before.slice(count)) Reflect.deleteProperty(own.lamps, id);
      for (let n = before.length; n < count; n++)
        own.lamps[freeId(own.lamps, `lamp-${Object.keys(own.lamps).length + 1}`)] = {
          ...plainLamp,
          part: before[0]?.part ?? Object.values(job.lamps)[0]?.part ?? 'white-warm',
          order: 1 + Math.max(0, ...Object.values(own.lamps).map((l) => l.order)),
          circuitId: Object.hasOwn(own.circuits, roomId) ? roomId : null,
          roomId,
          alongMillimetres: 0,
          heightMillimetres: Math.round(job.body.floorMillimetres * LAMP_SHARE * 10) / 10,
        };
      inOrder(own.lamps)
        .filter((l) => l.roomId === roomId)
        .forEach((l, i) => {
          own.lamps[l.id].alongMillimetres =
            room.fromMillimetres + ((room.toMillimetres - room.fromMillimetres) * (i + 0.5)) / count;
        });
    });
  return (
    <LampFields
      of={props}
      title="Lamps in the rooms"
      before={
        <div className="two-fields">
          {inOrder(job.rooms).map((r) => (
            <CountField
              key={r.id}
              label={r.name}
              count={inRoom(r.id).length}
              least={0}
              most={12}
              onCommit={(n) => setCount(r.id, n)}
            />
          ))}
        </div>
      }
      about={(lampId) => {
        const lamp = job.lamps[lampId];
        return (
          <>
            <SelectField
              label="Hangs in"
              value={lamp.roomId}
              options={inOrder(job.rooms).map((r) => ({ value: r.id, label: r.name }))}
              onChange={(roomId) =>
                edit('Room of a lamp', (draft) => {
                  const own = buildingIn(draft, jobId).lamps[lampId];
                  own.roomId = roomId;
                  if (Object.hasOwn(job.circuits, roomId)) own.circuitId = roomId;
                })
              }
            />
            <div className="two-fields">
              <NumberField
                label="From the left end"
                unit="millimetre"
                figure={lamp.alongMillimetres}
                limits={{
                  least: 0,
                  most: job.body.lengthMillimetres,
                  range: `0 mm to ${job.body.lengthMillimetres} mm`,
                }}
                onCommit={(mm) =>
                  edit(
                    'Place of a lamp',
                    (d) => void (buildingIn(d, jobId).lamps[lampId].alongMillimetres = mm),
                  )
                }
              />
              <NumberField
                label="Above the floor"
                unit="millimetre"
                figure={lamp.heightMillimetres}
                limits={{
                  least: 0,
                  most: job.body.floorMillimetres,
                  range: `0 mm to ${job.body.floorMillimetres} mm`,
                }}
                onCommit={(mm) =>
                  edit(
                    'Height of a lamp',
                    (d) => void (buildingIn(d, jobId).lamps[lampId].heightMillimetres = mm),
                  )
                }
              />
            </div>
          </>
        );
      }}
    />
  );
}
