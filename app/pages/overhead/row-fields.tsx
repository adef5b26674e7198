import { memo } from 'react';
import { Button } from 'antd';
import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { inOrder } from '../../../core/document/in-order';
import { freeId } from '../../../core/document/usual-supply';
import { rowOf } from '../../../core/overhead/begin';
import { areaOf } from '../../../core/overhead/area';
import { laidMillimetres, stretchMillimetres } from '../../../core/overhead/geometry';
import { channels, overheadLamps, type ChannelName } from '../../../core/part/overhead-lamp';
import { CheckField } from '../../fields/check-field';
import { Choice } from '../../fields/choice';
import { More } from '../../fields/more';
import { NumberField } from '../../fields/number-field';
import { SelectField } from '../../fields/select-field';
import { SliderField } from '../../fields/slider-field';
import { TextField } from '../../fields/text-field';
import { useLayoutStore } from '../../store/layout-store';
import type { MovedRow } from '../../../core/overhead/study';
import { ChromaticityField } from './chromaticity-field';
import type { Draft } from 'immer';
import type { Layout } from '../../../core/document/layout';
import type { RigRowRecord } from '../../../core/document/rig-record';

interface RowFieldsProps {
  readonly layout: Layout;
  readonly rigId: string;
  readonly chosen: string | null;
  readonly onChoose: (rowId: string | null) => void;
  readonly onSlide: (moved: MovedRow) => void;
}

/** The lamp a row is, as it is sold; null where its figures are its own. */
const lampOf = (row: RigRowRecord): string | null =>
  Object.values(overheadLamps).find(
    (l) => l.form === row.form && l.volts === row.volts && l.watts === row.watts && l.lumens === row.lumens,
  )?.id ?? null;

/** The rows of a rig, and the figures of the one that is looked at. */
export const RowFields = memo(function RowFields({
  layout,
  rigId,
  chosen,
  onChoose,
  onSlide,
}: RowFieldsProps) {
  const edit = useLayoutStore((s) => s.edit);
  const rig = layout.rigs[rigId];
  const area = areaOf(layout, rig);
  const rows = inOrder(rig.rows);
  const add = (): void => {
    const id = freeId(rig.rows, 'row');
    const last = rows[rows.length - 1] as (typeof rows)[number] | undefined;
    const order = 1 + Math.max(0, ...rows.map((r) => r.order));
    edit('Another row', (draft) => {
      draft.rigs[rigId].rows[id] = last
        ? {
            ...structuredClone(rig.rows[last.id]),
            order,
            name: `Row ${rows.length + 1}`,
            depthMillimetres: Math.min(area.depth, last.depthMillimetres + 100),
          }
        : rowOf(overheadLamps['strip-24-10'], 1, {
            lengthMillimetres: rig.moduleMillimetres ?? area.width,
            depthMillimetres: Math.round(area.depth / 2),
            heightMillimetres: 450,
          });
    });
    onChoose(id);
  };
  return (
    <div className="choices">
      <h2>Rows of light</h2>
      <Choice<string>
        label="Rows"
        quiet
        columns={1}
        options={rows.map((r) => ({
          value: r.id,
          name: r.name,
          figure: `${r.depthMillimetres} mm deep${r.on ? '' : ', off'}`,
        }))}
        value={chosen ?? ''}
        onChoose={onChoose}
      />
      <Button icon={<PlusOutlined />} onClick={add}>
        Another row
      </Button>
      {chosen !== null && (
        <OneRow
          layout={layout}
          rigId={rigId}
          rowId={chosen}
          onGone={() => onChoose(null)}
          onSlide={onSlide}
        />
      )}
    </div>
  );
});

interface OneRowProps {
  readonly layout: Layout;
  readonly rigId: string;
  readonly rowId: string;
  readonly onGone: () => void;
  /** A row of the rig while a hand moves it. */
  readonly onSlide: (moved: MovedRow) => void;
}

function OneRow({ layout, rigId, rowId, onGone, onSlide }: OneRowProps) {
  const edit = useLayoutStore((s) => s.edit);
  const rig = layout.rigs[rigId];
  const row = rig.rows[rowId];
  const area = areaOf(layout, rig);
  const set = (label: string, change: (r: Draft<RigRowRecord>) => unknown, step?: string): void =>
    edit(label, (draft) => void change(draft.rigs[rigId].rows[rowId]), step);
  const sold = lampOf(row);
  const laid = laidMillimetres(row, stretchMillimetres(rig, area));
  return (
    <section aria-label={row.name}>
      <TextField
        label="The row"
        text={row.name}
        most={60}
        required
        onCommit={(name) => set('Name of a row', (r) => (r.name = name))}
      />
      <SelectField
        label="What it is"
        value={sold ?? 'own'}
        options={[
          ...Object.values(overheadLamps).map((l) => ({ value: l.id, label: l.name })),
          ...(sold ? [] : [{ value: 'own', label: 'By its own figures' }]),
        ]}
        onChange={(id) => {
          if (!Object.hasOwn(overheadLamps, id)) return;
          const { lengthMillimetres, depthMillimetres, heightMillimetres } = row;
          const next = rowOf(overheadLamps[id], row.order, {
            lengthMillimetres,
            depthMillimetres,
            heightMillimetres,
          });
          set('Lamps of a row', (r) => Object.assign(r, { ...next, name: row.name }));
        }}
      />
      <SliderField
        label="Above the scenery"
        figure={row.heightMillimetres}
        least={100}
        most={1200}
        step={10}
        says={(mm) => `${Math.round(mm)} mm`}
        onSlide={(to) => onSlide({ rowId, key: 'heightMillimetres', to })}
        onChange={(mm) => set('Height of a row', (r) => (r.heightMillimetres = mm))}
      />
      <SliderField
        label="Before the backscene"
        figure={Math.min(row.depthMillimetres, area.depth + 300)}
        least={0}
        most={area.depth + 300}
        step={5}
        says={(mm) => `${Math.round(mm)} mm`}
        onSlide={(to) => onSlide({ rowId, key: 'depthMillimetres', to })}
        onChange={(mm) => set('Depth of a row', (r) => (r.depthMillimetres = mm))}
      />
      <SliderField
        label="Dimmed to"
        figure={row.level}
        least={0.05}
        most={1}
        step={0.01}
        says={(level) => `${Math.round(100 * level)} %`}
        onSlide={(to) => onSlide({ rowId, key: 'level', to })}
        onChange={(v) => set('Dimming of a row', (r) => (r.level = v))}
      />
      <div className="two-fields">
        <NumberField
          label="Wanted length"
          unit="millimetre"
          figure={row.lengthMillimetres}
          limits={{ least: 10, most: 20_000 }}
          aside={laid === row.lengthMillimetres ? undefined : `cut to ${Math.round(laid)}`}
          onCommit={(mm) => set('Length of a row', (r) => (r.lengthMillimetres = mm))}
        />
        <NumberField
          label="Begins at"
          unit="millimetre"
          figure={row.fromMillimetres}
          limits={{ least: 0, most: 20_000 }}
          onCommit={(mm) => set('Where a row begins', (r) => (r.fromMillimetres = mm))}
        />
      </div>
      <SelectField<ChannelName>
        label="It lies in"
        value={row.channel}
        options={(Object.keys(channels) as ChannelName[]).map((c) => ({ value: c, label: channels[c].name }))}
        onChange={(c) => set('Channel of a row', (r) => (r.channel = c))}
      />
      <Choice<RigRowRecord['fed']>
        label="Fed at"
        columns={2}
        options={[
          { value: 'one end', name: 'One end' },
          { value: 'both ends', name: 'Both ends' },
        ]}
        value={row.fed}
        onChoose={(fed) => set('Feed of a row', (r) => (r.fed = fed))}
      />
      <CheckField
        label="Switched on"
        checked={row.on}
        onChange={(on) => set('A row switched', (r) => (r.on = on))}
      />
      {row.volts < rig.supply.volts && (
        <CheckField
          label={`Behind a step-down converter to ${row.volts} V`}
          checked={row.converter}
          onChange={(on) => set('Converter of a row', (r) => (r.converter = on))}
        />
      )}
      <More label="Figures of its bag, tilt">
        <div className="two-fields">
          <NumberField
            label={row.form === 'spot' ? 'Light of one' : 'Light of a metre'}
            unit="lumen"
            figure={row.lumens}
            limits={{ least: 1, most: 10_000 }}
            onCommit={(v) => set('Light of a row', (r) => (r.lumens = v))}
          />
          <NumberField
            label={row.form === 'spot' ? 'Power of one' : 'Power of a metre'}
            unit="watt"
            figure={row.watts}
            limits={{ least: 0.1, most: 200 }}
            onCommit={(v) => set('Power of a row', (r) => (r.watts = v))}
          />
          <NumberField
            label="Made for"
            unit="volt"
            figure={row.volts}
            limits={{ least: 3, most: 48 }}
            onCommit={(v) => set('Volts of a row', (r) => (r.volts = v))}
          />
          <NumberField
            label="White"
            unit="kelvin"
            figure={row.kelvin}
            significant={5}
            limits={{ least: 1500, most: 12_000 }}
            onCommit={(v) => set('White of a row', (r) => (r.kelvin = v))}
          />
          <NumberField
            label="Beam"
            unit="degree"
            figure={row.beamDegrees}
            limits={{ least: 10, most: 170 }}
            onCommit={(v) => set('Beam of a row', (r) => (r.beamDegrees = v))}
          />
          <NumberField
            label="Tilt to the backscene"
            unit="degree"
            figure={row.tiltDegrees}
            limits={{ least: -80, most: 80 }}
            onCommit={(v) => set('Tilt of a row', (r) => (r.tiltDegrees = v))}
          />
          {row.form === 'strip' ? (
            <NumberField
              label="Cut every"
              unit="millimetre"
              figure={row.cutMillimetres}
              limits={{ least: 1, most: 2000 }}
              onCommit={(v) => set('Cut marks', (r) => (r.cutMillimetres = v))}
            />
          ) : (
            <NumberField
              label={row.form === 'tube' ? 'One is long' : 'One every'}
              unit="millimetre"
              figure={row.pieceMillimetres}
              limits={{ least: 10, most: 5000 }}
              onCommit={(v) => set('Pieces of a row', (r) => (r.pieceMillimetres = v))}
            />
          )}
        </div>
        <ChromaticityField
          white={row}
          onCommit={({ kelvin, duv }) => set('White of a row', (r) => Object.assign(r, { kelvin, duv }))}
        />
        <SliderField
          label="Green or magenta (Duv)"
          figure={row.duv}
          least={-0.02}
          most={0.02}
          step={0.001}
          says={`${row.duv > 0 ? '+' : ''}${row.duv.toFixed(3)}`}
          onChange={(v) => set('Duv of a row', (r) => (r.duv = v), `duv ${rowId}`)}
        />
      </More>
      <Button
        icon={<DeleteOutlined />}
        onClick={() => {
          edit(`${row.name} taken away`, (draft) => Reflect.deleteProperty(draft.rigs[rigId].rows, rowId));
          onGone();
        }}
      >
        Take the row away
      </Button>
    </section>
  );
}
