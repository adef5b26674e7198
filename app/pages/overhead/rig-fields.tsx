import { memo } from 'react';
import { Button } from 'antd';
import { DeleteOutlined } from '@ant-design/icons';
import { useNavigate } from 'react-router';
import { feedWires } from '../../../core/part/feed-wire';
import { placeOfRig, removeRig } from '../../../core/feed/rig-on-plan';
import { mayBeBeside } from '../../../core/overhead/beside';
import { wantedDaylights } from '../../../core/light/daylight';
import { CheckField } from '../../fields/check-field';
import { More } from '../../fields/more';
import { NumberField } from '../../fields/number-field';
import { SelectField } from '../../fields/select-field';
import { SliderField } from '../../fields/slider-field';
import { TextField } from '../../fields/text-field';
import { useLayoutStore } from '../../store/layout-store';
import { inOrder } from '../../../core/document/in-order';
import type { Draft } from 'immer';
import type { Layout } from '../../../core/document/layout';
import type { RigRecord } from '../../../core/document/rig-record';

/** Sides of the boards as the plan shows them, from above. */
const sideNames: Readonly<Record<RigRecord['backsceneAt'], string>> = {
  far: 'the far side',
  left: 'the left side',
  right: 'the right side',
  near: 'the near side',
};

interface RigFieldsProps {
  readonly layout: Layout;
  readonly rigId: string;
}

/** What a rig hangs over, what hides it, who looks at it, what feeds it. */
export const RigFields = memo(function RigFields({ layout, rigId }: RigFieldsProps) {
  const edit = useLayoutStore((s) => s.edit);
  const navigate = useNavigate();
  const rig = layout.rigs[rigId];
  const set = (label: string, change: (r: Draft<RigRecord>) => unknown, step?: string): void =>
    edit(label, (draft) => void change(draft.rigs[rigId]), step);
  const wanted = wantedDaylights.find(
    (d) => d.lux === rig.wanted.lux && d.leastKelvin === rig.wanted.leastKelvin,
  );
  return (
    <div className="choices">
      <h2>The rig</h2>
      <TextField
        label="What it is called"
        text={rig.name}
        most={60}
        required
        onCommit={(name) =>
          edit('Name of a rig', (draft) => {
            const place = placeOfRig(layout, rigId);
            if (place !== null) draft.network.nodes[place].name = name;
            draft.rigs[rigId].name = name;
          })
        }
      />
      <SelectField
        label="Light that is wanted"
        value={wanted?.id ?? 'own'}
        options={[
          ...wantedDaylights.map((d) => ({ value: d.id, label: `${d.name}, ${d.lux} lx` })),
          ...(wanted ? [] : [{ value: 'own', label: `${rig.wanted.lux} lx` }]),
        ]}
        onChange={(id) => {
          const to = wantedDaylights.find((d) => d.id === id);
          if (to)
            set('Light that is wanted', (r) => {
              r.wanted = { lux: to.lux, leastKelvin: to.leastKelvin, mostKelvin: to.mostKelvin };
            });
        }}
      />
      <NumberField
        label="Wanted on the boards"
        unit="lux"
        figure={rig.wanted.lux}
        limits={{ least: 1, most: 20_000 }}
        onCommit={(lux) => set('Light that is wanted', (r) => (r.wanted.lux = lux))}
      />
      <More label="Boards and modules">
        {inOrder(layout.boards).map((b) => (
          <CheckField
            key={b.id}
            label={b.name}
            checked={rig.boards.includes(b.id)}
            onChange={(on) =>
              set('Boards under a rig', (r) => {
                r.boards = on ? [...r.boards, b.id] : r.boards.filter((id) => id !== b.id);
              })
            }
          />
        ))}
        {mayBeBeside(layout, rigId).map((id) => (
          <CheckField
            key={id}
            label={`Lit with ${layout.rigs[id].name}`}
            checked={rig.litWith.includes(id)}
            onChange={(on) =>
              set('Rigs lit together', (r) => {
                r.litWith = on ? [...r.litWith, id] : r.litWith.filter((other) => other !== id);
              })
            }
          />
        ))}
        {rig.boards.length === 0 && (
          <div className="two-fields">
            <NumberField
              label="Long"
              unit="millimetre"
              figure={rig.widthMillimetres}
              limits={{ least: 50, most: 20_000 }}
              onCommit={(mm) => set('Length of the boards', (r) => (r.widthMillimetres = mm))}
            />
            <NumberField
              label="Deep"
              unit="millimetre"
              figure={rig.depthMillimetres}
              limits={{ least: 50, most: 5000 }}
              onCommit={(mm) => set('Depth of the boards', (r) => (r.depthMillimetres = mm))}
            />
          </div>
        )}
        <SelectField<RigRecord['backsceneAt']>
          label="Its backscene stands at"
          value={rig.backsceneAt}
          options={(Object.keys(sideNames) as RigRecord['backsceneAt'][]).map((side) => ({
            value: side,
            label: sideNames[side],
          }))}
          onChange={(side) => set('Where the backscene stands', (r) => (r.backsceneAt = side))}
        />
        <CheckField
          label="Built of modules that repeat and join"
          checked={rig.moduleMillimetres !== null}
          onChange={(on) => set('Modules', (r) => (r.moduleMillimetres = on ? 1000 : null))}
        />
        {rig.moduleMillimetres !== null && (
          <NumberField
            label="A module is long"
            unit="millimetre"
            figure={rig.moduleMillimetres}
            limits={{ least: 100, most: 5000 }}
            onCommit={(mm) => set('Length of a module', (r) => (r.moduleMillimetres = mm))}
          />
        )}
      </More>
      <More label="Backscene, fascia, eye, room">
        <CheckField
          label="A backscene"
          checked={rig.backscene !== null}
          onChange={(on) =>
            set('Backscene', (r) => (r.backscene = on ? { heightMillimetres: 300, reflectance: 0.5 } : null))
          }
        />
        {rig.backscene && (
          <>
            <NumberField
              label="It is high"
              unit="millimetre"
              figure={rig.backscene.heightMillimetres}
              limits={{ least: 10, most: 3000 }}
              onCommit={(mm) =>
                set('Height of the backscene', (r) => r.backscene && (r.backscene.heightMillimetres = mm))
              }
            />
            <SliderField
              label="It throws back"
              figure={rig.backscene.reflectance}
              least={0}
              most={0.9}
              step={0.05}
              says={`${Math.round(100 * rig.backscene.reflectance)} %`}
              onChange={(v) =>
                set(
                  'What the backscene throws back',
                  (r) => r.backscene && (r.backscene.reflectance = v),
                  'throws',
                )
              }
            />
          </>
        )}
        <CheckField
          label="A fascia before the rows"
          checked={rig.fascia !== null}
          onChange={(on) =>
            set(
              'Fascia',
              (r) => (r.fascia = on ? { forwardMillimetres: 20, dropMillimetres: 80, reflectance: 0 } : null),
            )
          }
        />
        {rig.fascia && (
          <div className="two-fields">
            <NumberField
              label="It hangs down"
              unit="millimetre"
              figure={rig.fascia.dropMillimetres}
              limits={{ least: 0, most: 2000 }}
              onCommit={(mm) => set('Fascia', (r) => r.fascia && (r.fascia.dropMillimetres = mm))}
            />
            <NumberField
              label="Before the edge"
              unit="millimetre"
              figure={rig.fascia.forwardMillimetres}
              limits={{ least: 0, most: 2000 }}
              onCommit={(mm) => set('Fascia', (r) => r.fascia && (r.fascia.forwardMillimetres = mm))}
            />
          </div>
        )}
        <div className="two-fields">
          <NumberField
            label="Eye above scenery"
            unit="millimetre"
            figure={rig.eye.heightMillimetres}
            limits={{ least: -1000, most: 3000 }}
            onCommit={(mm) => set('Eye', (r) => (r.eye.heightMillimetres = mm))}
          />
          <NumberField
            label="Eye before the edge"
            unit="millimetre"
            figure={rig.eye.awayMillimetres}
            limits={{ least: 50, most: 5000 }}
            onCommit={(mm) => set('Eye', (r) => (r.eye.awayMillimetres = mm))}
          />
          <NumberField
            label="The room’s own light"
            unit="lux"
            figure={rig.room.lux}
            limits={{ least: 0, most: 5000 }}
            onCommit={(lux) => set('The room', (r) => (r.room.lux = lux))}
          />
          <NumberField
            label="Its white"
            unit="kelvin"
            figure={rig.room.kelvin}
            limits={{ least: 1500, most: 12_000 }}
            onCommit={(k) => set('The room', (r) => (r.room.kelvin = k))}
          />
        </div>
      </More>
      <More label="Supply, wire, dimming">
        <div className="two-fields">
          <NumberField
            label="The unit gives"
            unit="volt"
            figure={rig.supply.volts}
            limits={{ least: 3, most: 48 }}
            onCommit={(v) => set('Supply of a rig', (r) => (r.supply.volts = v))}
          />
          <NumberField
            label="At most"
            unit="amp"
            figure={rig.supply.amps}
            limits={{ least: 0.05, most: 100 }}
            onCommit={(a) => set('Supply of a rig', (r) => (r.supply.amps = a))}
          />
          <SelectField
            label="Feed wire"
            value={rig.supply.wire}
            options={Object.values(feedWires).map((w) => ({ value: w.id, label: w.name }))}
            onChange={(wire) => set('Feed wire of a rig', (r) => (r.supply.wire = wire))}
          />
          <NumberField
            label="It is long"
            unit="millimetre"
            figure={rig.supply.wireMillimetres}
            limits={{ least: 0, most: 50_000 }}
            onCommit={(mm) => set('Feed wire of a rig', (r) => (r.supply.wireMillimetres = mm))}
          />
          {rig.moduleMillimetres !== null && (
            <NumberField
              label="Plugs bear"
              unit="amp"
              figure={rig.supply.plugAmps}
              limits={{ least: 0.1, most: 50 }}
              onCommit={(a) => set('Plugs of a rig', (r) => (r.supply.plugAmps = a))}
            />
          )}
          <SelectField<RigRecord['dimming']['kind']>
            label="Dimmed by"
            value={rig.dimming.kind}
            options={[
              { value: 'none', label: 'nothing' },
              { value: 'pulse-width', label: 'pulses' },
              { value: 'voltage', label: 'voltage' },
            ]}
            onChange={(kind) =>
              set('Dimming', (r) => (r.dimming = kind === 'pulse-width' ? { kind, hertz: 1000 } : { kind }))
            }
          />
          {rig.dimming.kind === 'pulse-width' && (
            <NumberField
              label="Pulses a second"
              unit="hertz"
              figure={rig.dimming.hertz}
              limits={{ least: 10, most: 100_000 }}
              onCommit={(hertz) => set('Dimming', (r) => (r.dimming = { kind: 'pulse-width', hertz }))}
            />
          )}
        </div>
      </More>
      <Button
        icon={<DeleteOutlined />}
        onClick={() => {
          edit(`${rig.name} taken away`, (draft) => removeRig(draft, rigId));
          void navigate('/overhead');
        }}
      >
        Take the rig away
      </Button>
    </div>
  );
});
