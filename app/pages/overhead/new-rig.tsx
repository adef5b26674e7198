import { Button } from 'antd';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { inOrder } from '../../../core/document/in-order';
import { legsOf } from '../../../core/overhead/area';
import { newRigs } from '../../../core/overhead/begin';
import { wantedDaylights } from '../../../core/light/daylight';
import { formatQuantity } from '../../../core/quantity/format';
import { CheckField } from '../../fields/check-field';
import { Choice } from '../../fields/choice';
import { NumberField } from '../../fields/number-field';
import { TextField } from '../../fields/text-field';
import { rigPath } from '../../shell/paths';
import { useLayoutStore } from '../../store/layout-store';
import type { Layout } from '../../../core/document/layout';
import '../line.css';
import './overhead.css';

/** The few questions a rig is begun with: which boards, how high, what light. */
export function NewRig({ layout }: { readonly layout: Layout }) {
  const edit = useLayoutStore((s) => s.edit);
  const navigate = useNavigate();
  const boards = inOrder(layout.boards);
  const [wish, setWish] = useState({
    name: 'The light above',
    boards: boards.slice(0, 2).map((b) => b.id),
    widthMillimetres: 2000,
    depthMillimetres: 450,
    heightMillimetres: 450,
    wanted: wantedDaylights[0].id,
  });
  const legs = legsOf(layout, wish.boards).length;
  const begin = (): void => {
    const { layout: made, rigIds } = newRigs(layout, wish);
    edit(`New rig: ${wish.name}`, (draft) => {
      for (const id of rigIds) draft.rigs[id] = made.rigs[id];
    });
    void navigate(rigPath(rigIds[0]));
  };
  return (
    <main className="first-page begin">
      <h1>The light above the layout</h1>
      <p>
        Boards, a height and a light that is wanted: the strip, its rows, their supply and the timber are
        chosen and reckoned, and can be changed after.
      </p>
      <TextField
        label="What it is called"
        text={wish.name}
        most={60}
        required
        onCommit={(name) => setWish({ ...wish, name })}
      />
      {boards.length > 0 && (
        <fieldset className="own-output">
          <legend>Over which boards</legend>
          {boards.map((b) => (
            <CheckField
              key={b.id}
              label={b.name}
              aside={`${b.widthMillimetres} × ${b.depthMillimetres} mm`}
              checked={wish.boards.includes(b.id)}
              onChange={(on) =>
                setWish({
                  ...wish,
                  boards: on ? [...wish.boards, b.id] : wish.boards.filter((id) => id !== b.id),
                })
              }
            />
          ))}
          {legs > 1 && (
            <p className="hint">
              They lie around a corner: {legs} rigs are made, one along each leg, its backscene at the outer
              side.
            </p>
          )}
        </fieldset>
      )}
      <div className="two-fields">
        {wish.boards.length === 0 && (
          <>
            <NumberField
              label="Long"
              unit="millimetre"
              figure={wish.widthMillimetres}
              limits={{ least: 50, most: 20_000 }}
              onCommit={(widthMillimetres) => setWish({ ...wish, widthMillimetres })}
            />
            <NumberField
              label="Deep"
              unit="millimetre"
              figure={wish.depthMillimetres}
              limits={{ least: 50, most: 5000 }}
              onCommit={(depthMillimetres) => setWish({ ...wish, depthMillimetres })}
            />
          </>
        )}
        <NumberField
          label="Lamps above the scenery"
          unit="millimetre"
          figure={wish.heightMillimetres}
          limits={{ least: 100, most: 3000 }}
          aside="400 to 600 is usual"
          onCommit={(heightMillimetres) => setWish({ ...wish, heightMillimetres })}
        />
      </div>
      <Choice<string>
        label="Light that is wanted"
        columns={3}
        options={wantedDaylights.map((d) => ({
          value: d.id,
          name: d.name,
          figure: `${formatQuantity(d.lux, 'lux')}, ${d.leastKelvin}–${d.mostKelvin} K`,
        }))}
        value={wish.wanted}
        onChoose={(wanted) => setWish({ ...wish, wanted })}
      />
      <Button type="primary" size="large" onClick={begin}>
        Light it
      </Button>
    </main>
  );
}
