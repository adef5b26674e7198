import { Button } from 'antd';
import { More } from '../../../fields/more';
import { NumberField } from '../../../fields/number-field';
import { SelectField } from '../../../fields/select-field';
import { useLayoutStore } from '../../../store/layout-store';
import { inOrder } from '../../../../core/document/in-order';
import { reaches, thingKinds, type Reach, type ThingKind } from '../../../../core/kinds/coach/thing-kinds';
import { usualThing } from '../../../../core/kinds/coach/usual-fit';
import { freeId } from '../../../../core/document/usual-supply';
import { formatQuantity } from '../../../../core/quantity/format';
import { coachIn } from '../../../../core/kinds/coach/jobs';
import type { FitRecord } from '../../../../core/kinds/coach/fit-record';
import type { CoachProps } from '../coach-props';

/** Cell, switch, plug and the like: where they stand, how big they are, how they are reached. */
export function FitThings({ layout, jobId }: Pick<CoachProps, 'layout' | 'jobId'>) {
  const edit = useLayoutStore((s) => s.edit);
  const job = coachIn(layout, jobId);
  const things = inOrder(job.fit.things);
  const set = (id: string, label: string, value: Partial<FitRecord['things'][string]>): void =>
    edit(label, (draft) => void Object.assign(coachIn(draft, jobId).fit.things[id], value));
  return (
    <>
      {things.map((t) => (
        <More
          key={t.id}
          label={`${thingKinds[t.kind].name} at ${formatQuantity(t.placeMillimetres, 'millimetre')}`}
        >
          <div className="two-fields">
            {(
              [
                ['placeMillimetres', 'Middle, from the left', 0, 1500],
                ['acrossMillimetres', 'Across, far side +', -100, 100],
                ['bottomMillimetres', 'Stands above the floor', -50, 250],
                ['lengthMillimetres', 'Long', 0.5, 500],
                ['widthMillimetres', 'Wide', 0.5, 200],
                ['heightMillimetres', 'High', 0.5, 200],
              ] as const
            ).map(([key, label, least, most]) => (
              <NumberField
                key={key}
                label={label}
                unit="millimetre"
                figure={t[key]}
                limits={{ least, most, range: `${least} mm to ${most} mm` }}
                onCommit={(mm) => set(t.id, label, { [key]: mm })}
              />
            ))}
          </div>
          <SelectField<Reach>
            label="Reached"
            value={t.reach}
            options={(Object.keys(reaches) as Reach[]).map((r) => ({ value: r, label: reaches[r] }))}
            onChange={(reach) => set(t.id, 'Reach', { reach })}
          />
          <Button
            size="small"
            onClick={() =>
              edit(`${thingKinds[t.kind].name} taken out`, (draft) => {
                Reflect.deleteProperty(coachIn(draft, jobId).fit.things, t.id);
              })
            }
          >
            Take it out
          </Button>
        </More>
      ))}
      <SelectField<ThingKind>
        key={things.length}
        label="Something more"
        value={undefined}
        placeholder="a cell, a switch, a plug…"
        options={(Object.keys(thingKinds) as ThingKind[]).map((k) => ({
          value: k,
          label: thingKinds[k].name,
        }))}
        onChange={(kind) =>
          edit(`${thingKinds[kind].name} put in`, (draft) => {
            const own = coachIn(draft, jobId).fit.things;
            own[freeId(own, kind)] = usualThing(
              kind,
              1 + Math.max(0, ...Object.values(own).map((o) => o.order)),
              Math.round(job.dimensions.lengthMillimetres / 2),
            );
          })
        }
      />
    </>
  );
}
