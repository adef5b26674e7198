import { Button } from 'antd';
import { useState } from 'react';
import { inOrder } from '../../../core/document/in-order';
import { plainLamp } from '../../../core/document/lamp-record';
import { lampType, lampTypes } from '../../../core/document/lamp-type';
import { freeId } from '../../../core/document/usual-supply';
import { displayModelIn } from '../../../core/kinds/display-model/jobs';
import { formatQuantity } from '../../../core/quantity/format';
import { lampNamesOf } from '../../../core/study/lamp-names';
import { CheckField } from '../../fields/check-field';
import { Choice } from '../../fields/choice';
import { More } from '../../fields/more';
import { NumberField } from '../../fields/number-field';
import { SelectField } from '../../fields/select-field';
import { BuiltInFields } from '../../panels/built-in-fields';
import { useLayoutStore } from '../../store/layout-store';
import type { Draft } from 'immer';
import type { DisplayLamp, DisplayModelRecord } from '../../../core/kinds/display-model/record';
import type { PanelProps } from '../face';

/** Which lamps, and where in the model. */
export function LampsPanel({ layout, jobId, job, solved }: PanelProps<DisplayModelRecord>) {
  const edit = useLayoutStore((s) => s.edit);
  const [chosen, setChosen] = useState<string | null>(null);
  const set = (label: string, recipe: (j: Draft<DisplayModelRecord>) => void): void =>
    edit(label, (draft) => recipe(displayModelIn(draft, jobId)));
  const names = lampNamesOf(layout, jobId);
  const lamps = inOrder(job.lamps);
  const lamp = lamps.find((l) => l.id === chosen) ?? lamps[0];
  const add = (): void => {
    const id = freeId(job.lamps, `lamp-${lamps.length + 1}`);
    const like: DisplayLamp | undefined = lamps[lamps.length - 1];
    set('Another lamp', (j) => {
      j.lamps[id] = {
        ...plainLamp,
        order: 1 + Math.max(0, ...lamps.map((l) => l.order)),
        part: like?.part ?? 'white-warm',
        circuitId: Object.keys(job.circuits)[0] ?? null,
        alongMillimetres: job.body.lengthMillimetres / 2,
        heightMillimetres: job.body.heightMillimetres / 2,
      };
    });
    setChosen(id);
  };
  return (
    <div className="choices">
      <h2>Lamps in the model</h2>
      <Choice<string>
        label="Lamps"
        quiet
        columns={1}
        options={lamps.map((l) => ({
          value: l.id,
          name: names.get(l.id) ?? l.id,
          figure: formatQuantity(solved.readings?.dies.find((d) => d.lampId === l.id)?.litAmps ?? 0, 'amp'),
        }))}
        value={lamp?.id ?? null}
        onChoose={setChosen}
      />
      <div className="button-row">
        <Button onClick={add}>Another lamp</Button>
        {lamp && (
          <Button
            danger
            onClick={() => set('Lamp taken out', (j) => void Reflect.deleteProperty(j.lamps, lamp.id))}
          >
            Take it out
          </Button>
        )}
      </div>
      {lamp && (
        <>
          <h3 className="part-head">{names.get(lamp.id)}</h3>
          <SelectField
            label="Which"
            value={lamp.part}
            options={lampTypes(layout).map((l) => ({ value: l.id, label: l.name }))}
            onChange={(part) => set('Lamp type', (j) => void (j.lamps[lamp.id].part = part))}
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
              onCommit={(mm) => set('Place of a lamp', (j) => void (j.lamps[lamp.id].alongMillimetres = mm))}
            />
            <NumberField
              label="Above its underside"
              unit="millimetre"
              figure={lamp.heightMillimetres}
              limits={{
                least: 0,
                most: job.body.heightMillimetres,
                range: `0 mm to ${job.body.heightMillimetres} mm`,
              }}
              onCommit={(mm) => set('Place of a lamp', (j) => void (j.lamps[lamp.id].heightMillimetres = mm))}
            />
          </div>
          <CheckField
            label="Soldered the wrong way round"
            checked={lamp.reversed}
            onChange={(on) => set('Lamp turned', (j) => void (j.lamps[lamp.id].reversed = on))}
          />
          <More label="Ready-wired" open={lamp.builtIn.kind !== 'nothing'}>
            <BuiltInFields
              jobId={jobId}
              lampIds={[lamp.id]}
              builtIn={lamp.builtIn}
              led={lampType(layout, lamp.part)}
            />
          </More>
        </>
      )}
    </div>
  );
}
