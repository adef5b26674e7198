import { CheckField } from '../../../fields/check-field';
import { Button } from 'antd';
import { More } from '../../../fields/more';
import { NumberField } from '../../../fields/number-field';
import { SelectField } from '../../../fields/select-field';
import { useLayoutStore } from '../../../store/layout-store';
import { coachIn } from '../../../../core/kinds/coach/jobs';
import type { InteriorRecord } from '../../../../core/kinds/coach/interior-record';
import { lampDrop, roomKinds, type RoomKind } from '../../../../core/kinds/coach/room-kinds';
import { inOrder } from '../../../../core/document/in-order';
import {
  interiorPlans,
  planOf,
  usualInterior,
  type InteriorPlan,
} from '../../../../core/kinds/coach/usual-interior';
import { freeId } from '../../../../core/document/usual-supply';
import { formatQuantity } from '../../../../core/quantity/format';
import { prototypeMetres } from '../../../../core/quantity/scale';
import { coachInterior, type LaidRoom } from '../../../../core/kinds/coach/interior';
import { interiorDoubts } from '../../../../core/kinds/coach/interior-doubts';
import type { Draft } from 'immer';
import type { CoachProps } from '../coach-props';

type InteriorProps = Pick<CoachProps, 'layout' | 'jobId'>;

const finishes = [
  { value: 0.15, label: 'dark wood or paint' },
  { value: 0.4, label: 'plain light plastic' },
  { value: 0.7, label: 'painted white' },
];

/** The inside of the coach: how it is divided, its heights, and what is behind which window. */
export function InteriorFields({ layout, jobId }: InteriorProps) {
  const edit = useLayoutStore((s) => s.edit);
  const job = coachIn(layout, jobId);
  const { interior, dimensions } = job;
  const plan = planOf(interior, dimensions, layout.scale);
  const change = (label: string, recipe: (interior: Draft<InteriorRecord>) => void): void =>
    edit(label, (draft) => recipe(coachIn(draft, jobId).interior));
  const doubts = interiorDoubts(job);
  const finish = finishes.find((f) => f.value === interior.reflectance);
  return (
    <>
      <h2 className="part-head">Inside</h2>
      <SelectField<InteriorPlan>
        label="Divided as"
        value={plan ?? undefined}
        placeholder="laid out by hand"
        options={(Object.keys(interiorPlans) as InteriorPlan[]).map((p) => ({
          value: p,
          label: interiorPlans[p].name,
        }))}
        onChange={(p) =>
          edit('Inside', (draft) => {
            coachIn(draft, jobId).interior = usualInterior(p, dimensions, layout.scale);
          })
        }
      />
      <div className="two-fields">
        <NumberField
          label="Seats above floor"
          unit="millimetre"
          figure={interior.seatMillimetres}
          limits={{ least: 0, most: 100, range: '0 mm to 100 mm' }}
          doubt={doubts.seatMillimetres}
          onCommit={(mm) => change('Seat height', (i) => void (i.seatMillimetres = mm))}
        />
        <NumberField
          label="Light below the ceiling"
          unit="millimetre"
          figure={interior.lampsBelowCeilingMillimetres}
          limits={{ least: 0, most: 50, range: '0 mm to 50 mm' }}
          doubt={doubts.lampsBelowCeilingMillimetres}
          onCommit={(mm) => change('Height of the lamps', (i) => void (i.lampsBelowCeilingMillimetres = mm))}
        />
      </div>
      <p className="hint">
        So the lamps hang {formatQuantity(lampDrop(interior), 'millimetre')} above the seats; that decides the
        light.
      </p>
      <Corridor layout={layout} jobId={jobId} />
      <More label="Rooms, one by one" open={plan === null}>
        <div className="two-fields">
          <NumberField
            label="Width inside"
            unit="millimetre"
            figure={interior.widthMillimetres}
            limits={{ least: 3, most: 200, range: '3 mm to 200 mm' }}
            onCommit={(mm) => change('Width inside', (i) => void (i.widthMillimetres = mm))}
          />
          <NumberField
            label="Ceiling, above floor"
            unit="millimetre"
            figure={interior.ceilingMillimetres}
            limits={{ least: 5, most: 250, range: '5 mm to 250 mm' }}
            doubt={doubts.ceilingMillimetres}
            onCommit={(mm) => change('Ceiling', (i) => void (i.ceilingMillimetres = mm))}
          />
        </div>
        <SelectField<number>
          label="Walls and partitions"
          value={finish?.value}
          placeholder={`throw back ${Math.round(100 * interior.reflectance)} %`}
          options={finishes}
          onChange={(share) => change('Walls', (i) => void (i.reflectance = share))}
        />
        <RoomList layout={layout} jobId={jobId} />
      </More>
    </>
  );
}

function Corridor({ layout, jobId }: InteriorProps) {
  const edit = useLayoutStore((s) => s.edit);
  const { interior, dimensions } = coachIn(layout, jobId);
  const { corridor } = interior;
  const usual = usualInterior('compartment', dimensions, layout.scale).corridor!;
  return (
    <div className="two-fields">
      <SelectField<'none' | 'near' | 'far'>
        label="Side corridor"
        value={corridor?.side ?? 'none'}
        options={[
          { value: 'none', label: 'none' },
          { value: 'far', label: 'on the far side' },
          { value: 'near', label: 'on the near side' },
        ]}
        onChange={(side) =>
          edit('Side corridor', (draft) => {
            const i = coachIn(draft, jobId).interior;
            i.corridor =
              side === 'none'
                ? null
                : { ...usual, wallMillimetres: interior.ceilingMillimetres, ...i.corridor, side };
          })
        }
      />
      {corridor && (
        <NumberField
          label="Its width"
          unit="millimetre"
          figure={corridor.widthMillimetres}
          limits={{ least: 1, most: 100, range: '1 mm to 100 mm' }}
          aside={`${prototypeMetres(corridor.widthMillimetres, layout.scale).toFixed(2)} m`}
          onCommit={(mm) =>
            edit('Corridor', (draft) => void (coachIn(draft, jobId).interior.corridor!.widthMillimetres = mm))
          }
        />
      )}
    </div>
  );
}

/** Rooms from the left, each with what it is, where it ends, and how high the partition there is. */
function RoomList({ layout, jobId }: InteriorProps) {
  const edit = useLayoutStore((s) => s.edit);
  const job = coachIn(layout, jobId);
  const rooms = coachInterior(job).rooms;
  const change = (label: string, room: LaidRoom, set: Partial<LaidRoom>): void =>
    edit(label, (draft) => void Object.assign(coachIn(draft, jobId).interior.rooms[room.id], set));
  const split = (room: LaidRoom): void =>
    edit('Room divided', (draft) => {
      const own = coachIn(draft, jobId).interior.rooms;
      const id = freeId(own, `room-${Object.keys(own).length + 1}`);
      own[id] = {
        ...own[room.id],
        order: room.order - 0.5,
        endMillimetres: Math.round((room.from + room.to) * 5) / 10,
      };
      inOrder(own).forEach((r, i) => (own[r.id].order = i + 1));
    });
  return (
    <ol className="room-list">
      {rooms.map((room, i) => (
        <li key={room.id}>
          <SelectField<RoomKind>
            label={`Room ${i + 1}`}
            value={room.kind}
            options={(Object.keys(roomKinds) as RoomKind[]).map((k) => ({
              value: k,
              label: roomKinds[k].name,
            }))}
            onChange={(kind) => change('Room', room, { kind })}
          />
          {i < rooms.length - 1 ? (
            <>
              <NumberField
                label="ends at"
                unit="millimetre"
                figure={room.to}
                limits={{
                  least: room.from,
                  most: rooms[i + 1].to,
                  range: `${formatQuantity(room.from, 'millimetre')} to ${formatQuantity(rooms[i + 1].to, 'millimetre')}`,
                }}
                onCommit={(endMillimetres) => change('Partition', room, { endMillimetres })}
              />
              <NumberField
                label="wall there, high"
                unit="millimetre"
                figure={room.partitionMillimetres}
                limits={{ least: 0, most: 250, range: '0 mm to 250 mm' }}
                onCommit={(partitionMillimetres) => change('Partition', room, { partitionMillimetres })}
              />
            </>
          ) : (
            <p className="hint room-end">to the end</p>
          )}
          <div className="room-acts">
            <CheckField
              label="left dark"
              checked={room.leftDark}
              onChange={(on) => change('Left dark', room, { leftDark: on })}
            />
            <Button size="small" onClick={() => split(room)}>
              Divide
            </Button>
            {rooms.length > 1 && (
              <Button
                size="small"
                onClick={() =>
                  edit('Room taken out', (draft) => {
                    Reflect.deleteProperty(coachIn(draft, jobId).interior.rooms, room.id);
                  })
                }
              >
                Take out
              </Button>
            )}
          </div>
        </li>
      ))}
    </ol>
  );
}
