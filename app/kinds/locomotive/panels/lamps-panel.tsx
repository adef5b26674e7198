import { CheckField } from '../../../fields/check-field';
import { Button } from 'antd';
import { useState } from 'react';
import { Choice } from '../../../fields/choice';
import { More } from '../../../fields/more';
import { NumberField } from '../../../fields/number-field';
import { SelectField } from '../../../fields/select-field';
import { TextField } from '../../../fields/text-field';
import { useLayoutStore } from '../../../store/layout-store';
import { bulbs } from '../../../../core/part/bulb';
import { lampBodies, type LampBodyName } from '../../../../core/part/lamp-body';
import { tints } from '../../../../core/part/tint';
import { endNames, otherEnd, type End } from '../../../../core/document/ends';
import { freeId } from '../../../../core/document/usual-supply';
import { inOrder } from '../../../../core/document/in-order';
import { lampName } from '../../../../core/kinds/locomotive/lamp-name';
import { lampRoles, type LampRoleName, type Shows } from '../../../../core/document/lamp-roles';
import { lampTypes } from '../../../../core/document/lamp-type';
import { keepAsSet, setsOf } from '../../../../core/kinds/locomotive/lamp-sets';
import { layLampSet, usualVehicleLamp } from '../../../../core/kinds/locomotive/lay-lamps';
import { hangLoose, setRole, takeLamp } from '../../../../core/kinds/locomotive/change-lamps';
import { wireAnew } from '../../../../core/kinds/locomotive/lay-circuits';
import { suitLimits } from '../../../../core/kinds/locomotive/suit-limits';
import { useLocomotiveEdit, type LocomotiveProps } from '../locomotive-props';
import type { Draft } from 'immer';
import type { Layout } from '../../../../core/document/layout';
import type { LocomotiveRecord } from '../../../../core/kinds/locomotive/record';

const showsWords: Readonly<Record<Shows, string>> = {
  leading: 'while its end leads',
  trailing: 'while its end trails',
  both: 'both ways',
};

/** Lamps of both ends: sets, roles, types, bodies and places. */
export function LampsPanel({ layout, jobId, job }: LocomotiveProps) {
  const set = useLocomotiveEdit(jobId);
  const [end, setEnd] = useState<End>('A');
  const [chosen, setChosen] = useState<string | null>(null);
  const here = inOrder(job.lamps).filter((l) => l.end === end);
  const lampId = chosen !== null && here.some((l) => l.id === chosen) ? chosen : here[0]?.id;
  const lamp = lampId === undefined ? null : job.lamps[lampId];
  const change = (label: string, recipe: (l: Draft<LocomotiveRecord['lamps'][string]>) => void): void =>
    set(label, (j) => {
      if (lampId !== undefined) recipe(j.lamps[lampId]);
    });
  const types = lampTypes(layout).filter((t) => t.form === 'led');
  const whites = new Set(
    Object.values(job.lamps).flatMap((l) => (l.part.startsWith('white') ? [l.part] : [])),
  );
  return (
    <div className="choices">
      <h2>Lamps at the ends</h2>
      <Choice<End>
        label="End"
        quiet
        columns={2}
        options={endNames.map((e) => ({
          value: e,
          name: `End ${e}`,
          figure: `${Object.values(job.lamps).filter((l) => l.end === e).length} lamps`,
        }))}
        value={end}
        onChoose={setEnd}
      />
      <SelectField
        label="Lay a set at this end"
        value={undefined}
        placeholder="choose a set"
        options={setsOf(layout).map((s) => ({ value: s.id, label: s.name }))}
        onChange={(id) =>
          set('Lay a set of lamps', (j) => {
            layLampSet(
              j,
              end,
              setsOf(layout).find((s) => s.id === id)!,
              layout.scale,
            );
            wireAnew(j);
          })
        }
      />
      <SelectField
        label="All white lamps are"
        value={whites.size === 1 ? [...whites][0] : undefined}
        placeholder="several sorts"
        options={types.filter((t) => t.id.startsWith('white')).map((t) => ({ value: t.id, label: t.name }))}
        onChange={(part) =>
          set('White lamps', (j) => {
            for (const l of Object.values(j.lamps)) if (l.part.startsWith('white')) l.part = part;
          })
        }
      />
      <Choice<string>
        label="Lamps at this end"
        quiet
        columns={1}
        options={here.map((l) => ({
          value: l.id,
          name: lampName(job, l.id),
          figure: l.circuitId === null ? 'loose' : job.circuits[l.circuitId].name,
        }))}
        value={lampId ?? null}
        onChoose={setChosen}
      />
      <div className="button-row">
        <Button
          onClick={() => {
            const id = freeId(job.lamps, `headlight-${end.toLowerCase()}`);
            set('Another lamp', (j) => {
              const order = 1 + Math.max(0, ...Object.values(job.lamps).map((l) => l.order));
              j.lamps[id] = usualVehicleLamp(job, 'headlight', end, order, layout.scale);
              hangLoose(j);
            });
            setChosen(id);
          }}
        >
          Another lamp
        </Button>
        {here.length > 0 && (
          <Button
            onClick={() =>
              set(`Like end ${end}`, (j) => {
                const far = otherEnd(end);
                for (const [id, l] of Object.entries(job.lamps))
                  if (l.end === far) Reflect.deleteProperty(j.lamps, id);
                for (const l of here) {
                  const id = freeId(j.lamps, l.id.replace(/-[ab](-|$)/, `-${far.toLowerCase()}$1`));
                  j.lamps[id] = {
                    ...job.lamps[l.id],
                    end: far,
                    order: l.order + 100,
                    alongMillimetres: Math.max(0, job.body.lengthMillimetres - l.alongMillimetres),
                  };
                }
                wireAnew(j);
              })
            }
          >
            End {otherEnd(end)} the same
          </Button>
        )}
      </div>
      <OwnSets layout={layout} job={job} end={end} />
      {lamp && lampId !== undefined && (
        <>
          <h3 className="part-head">{lampName(job, lampId)}</h3>
          <div className="two-fields">
            <SelectField<LampRoleName>
              label="Role"
              value={lamp.role}
              options={(Object.keys(lampRoles) as LampRoleName[]).map((r) => ({
                value: r,
                label: lampRoles[r].name,
              }))}
              onChange={(role) =>
                set('Role', (j) => {
                  if (lampId !== undefined) setRole(j, lampId, role);
                })
              }
            />
            <SelectField
              label="Lamp"
              value={lamp.part}
              options={[
                ...types.map((t) => ({ value: t.id, label: t.name })),
                ...Object.values(bulbs).map((b) => ({ value: b.id, label: b.name })),
              ]}
              onChange={(part) =>
                set('Lamp type', (j) => {
                  if (lampId === undefined) return;
                  j.lamps[lampId].part = part;
                  suitLimits(j);
                })
              }
            />
            <SelectField<LampBodyName>
              label="Body"
              value={lamp.body}
              options={Object.values(lampBodies).map((b) => ({ value: b.id as LampBodyName, label: b.name }))}
              onChange={(b) => change('Lamp body', (l) => void (l.body = b))}
            />
            <SelectField
              label="Tint"
              value={lamp.tint}
              options={Object.values(tints).map((t) => ({ value: t.id, label: t.name }))}
              onChange={(tint) => change('Tint', (l) => void (l.tint = tint))}
            />
            <NumberField
              label="Above the rail"
              unit="millimetre"
              figure={lamp.heightMillimetres}
              limits={{ least: 0, most: 300, range: '0 to 300 mm' }}
              onCommit={(mm) => change('Place of a lamp', (l) => void (l.heightMillimetres = mm))}
            />
            <NumberField
              label="From the middle"
              unit="millimetre"
              figure={lamp.acrossMillimetres}
              limits={{ least: -100, most: 100, range: '−100 to 100 mm; left is below zero' }}
              onCommit={(mm) => change('Place of a lamp', (l) => void (l.acrossMillimetres = mm))}
            />
            <NumberField
              label="Lens"
              unit="millimetre"
              figure={lamp.lensMillimetres}
              limits={{ least: 0.1, most: 30, range: '0.1 to 30 mm' }}
              onCommit={(mm) => change('Lens', (l) => void (l.lensMillimetres = mm))}
            />
            <Choice<'sits' | 'drill'>
              label="Its place"
              columns={2}
              options={[
                { value: 'sits', name: 'Sits' },
                { value: 'drill', name: 'Drilled' },
              ]}
              value={lamp.way}
              onChoose={(way) => change('Way in', (l) => void (l.way = way))}
            />
          </div>
          <More
            label="Two colours, ready-wired, aim, as soldered"
            open={
              lamp.secondPart !== null ||
              lamp.builtIn.kind !== 'nothing' ||
              lamp.reversed ||
              lamp.aimDegrees !== 0
            }
          >
            <SelectField
              label="The other way it shines"
              value={lamp.secondPart ?? ''}
              options={[
                { value: '', label: 'Not at all: one colour' },
                ...types.map((t) => ({ value: t.id, label: t.name })),
              ]}
              onChange={(p) => change('Two-colour lamp', (l) => void (l.secondPart = p === '' ? null : p))}
            />
            <SelectField
              label="It shines on the rails"
              value={lamp.shows ?? 'role'}
              options={[
                { value: 'role', label: `as its role does: ${showsWords[lampRoles[lamp.role].shows]}` },
                ...(Object.keys(showsWords) as Shows[]).map((s) => ({
                  value: s as string,
                  label: showsWords[s],
                })),
              ]}
              onChange={(s) =>
                change('When it shines', (l) => void (l.shows = s === 'role' ? null : (s as Shows)))
              }
            />
            <div className="two-fields">
              <NumberField
                label="Resistor inside"
                unit="ohm"
                figure={lamp.builtIn.kind === 'resistor' ? lamp.builtIn.ohms : 0}
                limits={{ least: 0, most: 1e6, range: '0 to 1 MΩ' }}
                onCommit={(ohms) =>
                  change('Resistor inside', (l) => {
                    l.builtIn = ohms >= 0.1 ? { kind: 'resistor', ohms } : { kind: 'nothing' };
                  })
                }
              />
              <NumberField
                label="Turned aside"
                unit="degree"
                figure={lamp.aimDegrees}
                limits={{ least: -90, most: 90, range: '−90° to 90°' }}
                onCommit={(d) => change('Aim', (l) => void (l.aimDegrees = d))}
              />
            </div>
            <CheckField
              label="It is soldered the wrong way round"
              checked={lamp.reversed}
              onChange={(on) => change('Turned round', (l) => void (l.reversed = on))}
            />
          </More>
          <div className="button-row">
            <Button danger onClick={() => set('A lamp taken away', (j) => takeLamp(j, lampId))}>
              Take it away
            </Button>
          </div>
        </>
      )}
    </div>
  );
}

interface OwnSetsProps {
  readonly layout: Layout;
  readonly job: LocomotiveRecord;
  readonly end: End;
}

/** Sets by one's own practice: kept from an end, renamed, forgotten. */
function OwnSets({ layout, job, end }: OwnSetsProps) {
  const edit = useLayoutStore((s) => s.edit);
  const own = inOrder(layout.lampSets);
  const any = Object.values(job.lamps).some((l) => l.end === end);
  return (
    <More label="Sets of your own" open={own.length > 0}>
      {own.map((s) => (
        <div key={s.id} className="own-set">
          <TextField
            label="Set"
            text={s.name}
            most={60}
            required
            onCommit={(name) => edit('Name of a set', (draft) => void (draft.lampSets[s.id].name = name))}
          />
          <Button
            aria-label={`Forget ${s.name}`}
            onClick={() =>
              edit('A set forgotten', (draft) => void Reflect.deleteProperty(draft.lampSets, s.id))
            }
          >
            Forget
          </Button>
        </div>
      ))}
      <div className="button-row">
        <Button
          disabled={!any}
          onClick={() =>
            edit(
              'A set kept',
              (draft) => void keepAsSet(draft, job, end, `${job.name}, end ${end}`.slice(0, 60)),
            )
          }
        >
          Keep end {end} as a set
        </Button>
      </div>
    </More>
  );
}
