import { useState } from 'react';
import { inOrder } from '../../../core/document/in-order';
import { plainLamp } from '../../../core/document/lamp-record';
import { usualCircuit } from '../../../core/document/usual-circuit';
import { freeId } from '../../../core/document/usual-supply';
import { buildingIn } from '../../../core/kinds/building/jobs';
import { LAMP_SHARE } from '../../../core/kinds/building/rooms';
import { curtains, shells, type CurtainName, type ShellName } from '../../../core/kinds/building/shell';
import { buildingPassages } from '../../../core/kinds/building/usual-passages';
import { FEED, hookUp, SCENIC_AMPS } from '../../../core/study/hook-up';
import { prototypeMetres } from '../../../core/quantity/scale';
import { Button } from 'antd';
import { CheckField } from '../../fields/check-field';
import { CountField } from '../../fields/count-field';
import { More } from '../../fields/more';
import { NumberField } from '../../fields/number-field';
import { SelectField } from '../../fields/select-field';
import { TextField } from '../../fields/text-field';
import { useLayoutStore } from '../../store/layout-store';
import type { Draft } from 'immer';
import type { BuildingRecord, Room } from '../../../core/kinds/building/record';
import type { PanelProps } from '../face';

type Size = 'lengthMillimetres' | 'depthMillimetres' | 'floorMillimetres' | 'roofMillimetres';
const sizes: readonly (readonly [Size, string, number, number])[] = [
  ['lengthMillimetres', 'Length', 10, 3000],
  ['depthMillimetres', 'Depth', 5, 1000],
  ['floorMillimetres', 'Height of a floor', 5, 300],
  ['roofMillimetres', 'Roof above the walls', 0, 500],
];

/** The building, its walls, and its rooms one by one. */
export function BriefPanel({ layout, jobId, job, solved }: PanelProps<BuildingRecord>) {
  const edit = useLayoutStore((s) => s.edit);
  const [chosen, setChosen] = useState<string | null>(null);
  const set = (label: string, recipe: (j: Draft<BuildingRecord>) => void): void =>
    edit(label, (draft) => recipe(buildingIn(draft, jobId)));
  const rooms = inOrder(job.rooms);
  const room = rooms.find((r) => r.id === chosen) ?? rooms[0];
  const lit = (id: string): number =>
    solved.readings?.dies.find((d) => d.circuitId === id)?.litAmps ?? SCENIC_AMPS;
  const { body } = job;
  const add = (): void => {
    const id = freeId(job.rooms, `room-${rooms.length + 1}`);
    set('Another room', (j) => {
      const like = rooms[rooms.length - 1];
      const floor = like?.floor ?? 0;
      const here = [...rooms.filter((r) => r.floor === floor).map((r) => r.id), id];
      j.rooms[id] = { ...like, order: rooms.length + 1, name: `Room ${rooms.length + 1}`, floor };
      const width = j.body.lengthMillimetres / here.length;
      here.forEach((r, i) => {
        j.rooms[r].fromMillimetres = Math.round(i * width * 10) / 10;
        j.rooms[r].toMillimetres = Math.round((i + 1) * width * 10) / 10;
        j.rooms[r].windows = Math.min(
          j.rooms[r].windows,
          Math.max(1, Math.floor(width / (j.rooms[r].windowWidthMillimetres * 1.5))),
        );
        for (const l of Object.values(j.lamps))
          if (l.roomId === r)
            l.alongMillimetres = (j.rooms[r].fromMillimetres + j.rooms[r].toMillimetres) / 2;
      });
      const lampId = freeId(j.lamps, `lamp-${Object.keys(j.lamps).length + 1}`);
      j.circuits[id] = usualCircuit(rooms.length + 1, j.rooms[id].name, FEED);
      j.lamps[lampId] = {
        ...plainLamp,
        order: Object.keys(j.lamps).length + 1,
        part: Object.values(job.lamps)[0]?.part ?? 'white-warm',
        circuitId: id,
        roomId: id,
        alongMillimetres: (j.rooms[id].fromMillimetres + j.rooms[id].toMillimetres) / 2,
        heightMillimetres: Math.round(j.body.floorMillimetres * LAMP_SHARE * 10) / 10,
      };
      j.passages = buildingPassages(j);
      hookUp(layout, j, j.hookUp, lit, 'rooms');
    });
    setChosen(id);
  };
  const takeOut = (): void =>
    set('Room taken out', (j) => {
      for (const [id, l] of Object.entries(j.lamps))
        if (l.roomId === room.id) Reflect.deleteProperty(j.lamps, id);
      Reflect.deleteProperty(j.circuits, room.id);
      Reflect.deleteProperty(j.rooms, room.id);
      j.passages = buildingPassages(j);
      hookUp(layout, j, j.hookUp, lit, 'rooms');
    });
  return (
    <div className="choices">
      <h2>What is to be lit</h2>
      <TextField
        label="Name"
        text={job.name}
        most={80}
        required
        onCommit={(name) => set('Name', (j) => void (j.name = name))}
      />
      <div className="two-fields">
        {sizes.map(([key, label, least, most]) => (
          <NumberField
            key={key}
            label={label}
            unit="millimetre"
            figure={body[key]}
            limits={{ least, most, range: `${least} mm to ${most} mm` }}
            aside={`${prototypeMetres(body[key], layout.scale).toFixed(1)} m`}
            onCommit={(mm) => set(label, (j) => void (j.body[key] = mm))}
          />
        ))}
        <CountField
          label="Floors"
          count={body.floors}
          least={1 + Math.max(0, ...rooms.map((r) => r.floor))}
          most={30}
          onCommit={(n) => set('Floors', (j) => void (j.body.floors = n))}
        />
        <SelectField
          label="Walls"
          value={body.shell}
          options={Object.entries(shells).map(([id, s]) => ({ value: id as ShellName, label: s.name }))}
          onChange={(shell) => set('Walls', (j) => void (j.body.shell = shell))}
        />
      </div>
      <CheckField
        label="Blackened or lined inside"
        checked={body.blackened}
        onChange={(on) => set('Blackened', (j) => void (j.body.blackened = on))}
      />
      <NumberField
        label="Gap under the walls"
        unit="millimetre"
        figure={body.baseGapMillimetres}
        limits={{ least: 0, most: 20, range: '0 mm to 20 mm' }}
        onCommit={(mm) => set('Gap under the walls', (j) => void (j.body.baseGapMillimetres = mm))}
      />
      <h3 className="part-head">Rooms</h3>
      <div className="button-row">
        <Button onClick={add}>Another room</Button>
        {room && (
          <Button danger onClick={takeOut}>
            Take it out
          </Button>
        )}
      </div>
      {room && (
        <>
          <SelectField
            label="Which room"
            value={room.id}
            options={rooms.map((r) => ({
              value: r.id,
              label: `${r.name}, ${r.floor === 0 ? 'ground floor' : `floor ${r.floor}`}`,
            }))}
            onChange={setChosen}
          />
          <RoomFields
            key={room.id}
            job={job}
            room={room}
            set={(label, recipe) => set(label, (j) => recipe(j.rooms[room.id]))}
          />
        </>
      )}
      <TextField
        label="Note"
        text={job.note}
        most={4000}
        lines={2}
        onCommit={(note) => set('Note', (j) => void (j.note = note))}
      />
    </div>
  );
}

interface RoomFieldsProps {
  readonly job: BuildingRecord;
  readonly room: Room;
  readonly set: (label: string, recipe: (room: Draft<Room>) => void) => void;
}

/** One room: its windows, curtain and walls. */
function RoomFields({ job, room, set }: RoomFieldsProps) {
  const { lengthMillimetres: length, floors } = job.body;
  const place = (key: 'fromMillimetres' | 'toMillimetres', label: string, least: number, most: number) => (
    <NumberField
      label={label}
      unit="millimetre"
      figure={room[key]}
      limits={{ least, most, range: `${least} mm to ${most} mm` }}
      onCommit={(mm) => set(label, (r) => void (r[key] = mm))}
    />
  );
  const window = (
    key: 'windowWidthMillimetres' | 'windowHeightMillimetres' | 'sillMillimetres',
    label: string,
  ) => (
    <NumberField
      label={label}
      unit="millimetre"
      figure={room[key]}
      limits={{ least: key === 'sillMillimetres' ? 0 : 0.5, most: 200, range: 'up to 200 mm' }}
      onCommit={(mm) => set(label, (r) => void (r[key] = mm))}
    />
  );
  return (
    <>
      <TextField
        label="Called"
        text={room.name}
        most={60}
        required
        onCommit={(n) => set('Name of a room', (r) => void (r.name = n))}
      />
      <div className="two-fields">
        {place('fromMillimetres', 'From', 0, Math.max(0, room.toMillimetres - 1))}
        {place('toMillimetres', 'To', room.fromMillimetres + 1, length)}
        <CountField
          label="Windows"
          count={room.windows}
          least={0}
          most={20}
          onCommit={(n) => set('Windows', (r) => void (r.windows = n))}
        />
        <CountField
          label="Floor, 0 the ground"
          count={room.floor}
          least={0}
          most={floors - 1}
          onCommit={(n) => set('Floor of a room', (r) => void (r.floor = n))}
        />
      </div>
      <SelectField
        label="Before the window"
        value={room.curtain}
        options={Object.entries(curtains).map(([id, c]) => ({ value: id as CurtainName, label: c.name }))}
        onChange={(curtain) => set('Curtain', (r) => void (r.curtain = curtain))}
      />
      <CheckField
        label="Walls of its own inside"
        checked={room.closedOff}
        onChange={(on) => set('Inner walls', (r) => void (r.closedOff = on))}
      />
      <CheckField
        label="Left dark on purpose"
        checked={room.leftDark}
        onChange={(on) => set('Left dark', (r) => void (r.leftDark = on))}
      />
      <More label="Window sizes">
        <div className="two-fields">
          {window('windowWidthMillimetres', 'Width')}
          {window('windowHeightMillimetres', 'Height')}
          {window('sillMillimetres', 'Sill above the floor')}
        </div>
      </More>
    </>
  );
}
