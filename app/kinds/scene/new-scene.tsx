import { useState } from 'react';
import { addressableStrings, type AddressableName } from '../../../core/part/addressable';
import { newScene } from '../../../core/kinds/scene/make';
import { sceneShapes, type SceneShape } from '../../../core/kinds/scene/record';
import { shapes } from '../../../core/kinds/scene/shapes';
import { CheckField } from '../../fields/check-field';
import { Choice } from '../../fields/choice';
import { CountField } from '../../fields/count-field';
import { NumberField } from '../../fields/number-field';
import { SelectField } from '../../fields/select-field';
import { Begin } from '../../panels/begin';
import { drivenSupplies, drivenVariants } from '../../panels/driven/supplies';
import type { Layout } from '../../../core/document/layout';

const NONE = 'none';
type Sort = AddressableName | typeof NONE;
const USUAL_COUNT = 24;
const USUAL_VOLTS = 12;

/** Few questions, and a scene stands to scale and moves. */
export function NewScene({ layout }: { readonly layout: Layout }) {
  const [shape, setShape] = useState<SceneShape>('ride');
  const [sort, setSort] = useState<Sort>('ring');
  const [count, setCount] = useState(USUAL_COUNT);
  const [motor, setMotor] = useState(false);
  const [volts, setVolts] = useState(USUAL_VOLTS);
  return (
    <Begin
      layout={layout}
      usualName={shapes[shape].name}
      supplies={drivenSupplies}
      variants={drivenVariants}
      prefersFirst
      make={(name, supply) =>
        newScene(layout, {
          name,
          shape,
          string: sort === NONE ? null : { sort, count },
          motorVolts: motor ? volts : null,
          supply,
        })
      }
      before={
        <>
          <Choice<SceneShape>
            label="What is it?"
            columns={3}
            options={sceneShapes.map((id) => ({ value: id, name: shapes[id].name, figure: shapes[id].says }))}
            value={shape}
            onChoose={(to) => {
              setShape(to);
              setSort(to === 'ride' ? 'ring' : NONE);
            }}
          />
          <div className="two-fields">
            <SelectField<Sort>
              label="Addressable string"
              value={sort}
              options={[
                { value: NONE, label: 'none: plain lamps only' },
                ...Object.values(addressableStrings).map((s) => ({ value: s.id as Sort, label: s.name })),
              ]}
              onChange={setSort}
            />
            {sort !== NONE && (
              <CountField label="Lamps on it" count={count} least={1} most={1000} onCommit={setCount} />
            )}
          </div>
          <CheckField label="A motor on the same supply" checked={motor} onChange={setMotor} />
          {motor && (
            <NumberField
              label="Volts of the motor"
              unit="volt"
              figure={volts}
              limits={{ least: 0.5, most: 30, range: '0.5 to 30 V' }}
              onCommit={setVolts}
            />
          )}
        </>
      }
    />
  );
}
