import { CheckField } from '../../../fields/check-field';
import { CloseOutlined } from '@ant-design/icons';
import { Tag } from 'antd';
import { useMemo, useState } from 'react';
import { Choice } from '../../../fields/choice';
import { More } from '../../../fields/more';
import { SelectField } from '../../../fields/select-field';
import { SliderField } from '../../../fields/slider-field';
import { brightnessWords } from '../../../../core/part/decoder-type';
import { decoderTypeOf } from '../../../../core/document/decoder-record';
import { effects, type EffectName } from '../../../../core/part/output-effect';
import { keyWords, ruleWords } from '../../../../core/build/function-sheet';
import { isWindowed, usualRule } from '../../../../core/supply/drivers/function-map';
import { lampName } from '../../../../core/kinds/locomotive/lamp-name';
import { formatQuantity } from '../../../../core/quantity/format';
import { dimmingStudy, type DimmingStudy } from '../../../../core/study/dimming';
import { useLocomotiveEdit, type LocomotiveProps } from '../locomotive-props';
import { CvTable } from './cv-table';
import { TableFile } from './function-table-file';
import type { Draft } from 'immer';
import type { DecoderRecord, OutputRecord } from '../../../../core/document/decoder-record';
import type { LocomotiveRecord } from '../../../../core/kinds/locomotive/record';
import type { Bench } from '../../../../core/study/bench';
import type { OutputKey } from '../../../../core/supply/drivers/decoder';

const keyOf = (k: OutputKey): string => `${k.function} ${k.direction}`;
const keyOptions = Array.from({ length: 29 }, (_, f) => f).flatMap((f) =>
  (['both', 'forward', 'reverse'] as const).map((direction) => ({
    value: `${f} ${direction}`,
    label: direction === 'both' ? `F${f}, both ways` : `F${f}, ${direction} only`,
  })),
);

const noneOrKey = [
  { value: -1, label: 'nothing' },
  ...Array.from({ length: 29 }, (_, f) => ({ value: f, label: `F${f}` })),
];
const effectOptions = (Object.keys(effects) as EffectName[]).map((e) => ({ value: e, label: effects[e] }));
/** A lamp that is steady winks with the key; one that does something else stands still with it. */
const otherThan = (effect: EffectName): EffectName => (effect === 'steady' ? 'alternate-one' : 'steady');
type ChangeOutput = (
  label: string,
  recipe: (o: Draft<OutputRecord>, d: Draft<DecoderRecord>) => void,
) => void;

/** What each output does: presses, brightness, effect, conditions; and the same as CVs, to and fro. */
export function FunctionsPanel({ jobId, job, solved }: LocomotiveProps) {
  const set = useLocomotiveEdit(jobId);
  const [chosen, setChosen] = useState('out1');
  const { decoder } = job;
  if (!decoder) {
    return (
      <div className="choices">
        <h2>Functions</h2>
        <p className="hint">
          This vehicle hangs on the rails: direction alone tells its lamps. Fit a decoder under Power for
          function keys.
        </p>
      </div>
    );
  }
  const type = decoderTypeOf(decoder);
  const output = type.outputs.find((o) => o.id === chosen) ?? type.outputs[0];
  const rule: OutputRecord = decoder.outputs[output.id] ?? (usualRule as OutputRecord);
  const change: ChangeOutput = (label, recipe) =>
    set(label, (j) => {
      if (!j.decoder) return;
      j.decoder.outputs[output.id] ??= { ...usualRule, keys: [] };
      recipe(j.decoder.outputs[output.id], j.decoder);
    });
  return (
    <div className="choices">
      <h2>What each output does</h2>
      <Choice<string>
        label="Outputs"
        quiet
        columns={1}
        options={type.outputs.map((o) => ({
          value: o.id,
          name: o.name,
          figure:
            ruleWords(decoder.outputs[o.id]) ||
            (decoder.stepped?.outputs.includes(o.id) ? `F${decoder.stepped.function} steps` : 'spare'),
        }))}
        value={output.id}
        onChoose={setChosen}
      />
      <h3 className="part-head">{output.name}</h3>
      <div className="key-list">
        {rule.keys.map((k) => (
          <Tag
            key={keyOf(k)}
            closable
            closeIcon={<CloseOutlined aria-label={`${keyWords(k)} no more`} />}
            onClose={() =>
              change('Press taken away', (o) => void (o.keys = o.keys.filter((x) => keyOf(x) !== keyOf(k))))
            }
          >
            {keyWords(k)}
          </Tag>
        ))}
      </div>
      <SelectField
        label="Lit by"
        value={undefined}
        placeholder="add a press"
        options={keyOptions.filter((o) => !rule.keys.some((k) => keyOf(k) === o.value))}
        onChange={(v) => {
          const [f, direction] = v.split(' ');
          change(
            'Press',
            (o) => void o.keys.push({ function: Number(f), direction: direction as OutputKey['direction'] }),
          );
        }}
      />
      <SliderField
        label="Brightness"
        figure={rule.brightness}
        least={0}
        most={1}
        step={type.brightnessSteps === 31 ? 1 / 31 : 0.05}
        says={brightnessWords(rule.brightness, type)}
        onChange={(b) => change('Brightness', (o) => void (o.brightness = b))}
      />
      <AsResistor vehicle={solved.bench} outputId={output.id} />
      <SelectField<EffectName>
        label="Effect"
        value={rule.effect}
        options={effectOptions}
        onChange={(e) => change('Effect', (o) => void (o.effect = e))}
      />
      <More
        label="Conditions, other effect, dim, exclusive, stepped"
        open={
          rule.moving !== 'any' ||
          rule.unless !== null ||
          rule.withKey !== null ||
          decoder.dim !== null ||
          decoder.stepped !== null
        }
      >
        <div className="two-fields">
          <SelectField
            label="Another effect with"
            value={rule.withKey?.function ?? -1}
            options={noneOrKey}
            onChange={(f) =>
              change(
                'Effect with a key',
                (o) =>
                  void (o.withKey =
                    f < 0 ? null : { function: f, effect: o.withKey?.effect ?? otherThan(o.effect) }),
              )
            }
          />
          {rule.withKey && (
            <SelectField<EffectName>
              label="Then"
              value={rule.withKey.effect}
              options={effectOptions}
              onChange={(e) =>
                change('Effect with a key', (o) => {
                  if (o.withKey) o.withKey.effect = e;
                })
              }
            />
          )}
        </div>
        <DimKey decoder={decoder} outputId={output.id} change={change} />
        <Choice<OutputRecord['moving']>
          label="Shines while it"
          options={[
            { value: 'any', name: 'Does either' },
            { value: 'moving', name: 'Moves' },
            { value: 'standing', name: 'Stands' },
          ]}
          value={rule.moving}
          onChoose={(m) => change('While moving', (o) => void (o.moving = m))}
        />
        <SelectField
          label="Dark while another is on"
          value={rule.unless ?? -1}
          options={noneOrKey}
          onChange={(f) => change('Dark while another is on', (o) => void (o.unless = f < 0 ? null : f))}
        />
        <CheckField
          label="Only one of these at once"
          checked={decoder.exclusive.includes(output.id)}
          onChange={(on) =>
            change('Exclusive outputs', (_, d) => {
              d.exclusive = on ? [...d.exclusive, output.id] : d.exclusive.filter((id) => id !== output.id);
            })
          }
        />
        <SelectField
          label="Cycled by one key"
          value={decoder.stepped?.outputs.includes(output.id) ? decoder.stepped.function : -1}
          options={noneOrKey}
          onChange={(f) =>
            change('Stepping function', (_, d) => {
              const others = d.stepped?.outputs.filter((id) => id !== output.id) ?? [];
              if (f < 0)
                d.stepped = others.length > 0 && d.stepped ? { ...d.stepped, outputs: others } : null;
              else d.stepped = { function: f, outputs: [...others, output.id] };
            })
          }
        />
      </More>
      {isWindowed(type) ? (
        <CvTable jobId={jobId} decoder={decoder} type={type} />
      ) : (
        <p className="hint">This decoder maps freely: any press lights any output, in either direction.</p>
      )}
      <TableFile jobId={jobId} decoder={decoder} />
    </div>
  );
}

/** The key that dims, to what, and whether it dims this output. */
function DimKey({
  decoder: { dim },
  outputId,
  change,
}: {
  readonly decoder: DecoderRecord;
  readonly outputId: `out${number}`;
  readonly change: ChangeOutput;
}) {
  const within = dim?.outputs.includes(outputId) === true;
  return (
    <>
      <SelectField
        label="Dimmed by"
        value={within ? dim.function : -1}
        options={noneOrKey}
        onChange={(f) =>
          change('Dim key', (_, d) => {
            const others = d.dim?.outputs.filter((id) => id !== outputId) ?? [];
            if (f < 0) d.dim = others.length > 0 && d.dim ? { ...d.dim, outputs: others } : null;
            else d.dim = { share: 0.4, ...d.dim, function: f, outputs: [...others, outputId] };
          })
        }
      />
      {within && (
        <SliderField
          label={`With F${dim.function} it has`}
          figure={dim.share}
          least={0.05}
          most={1}
          step={0.05}
          says={`${Math.round(dim.share * 100)} % of its light`}
          onChange={(share) =>
            change('Dim key', (_, d) => {
              if (d.dim) d.dim.share = share;
            })
          }
        />
      )}
    </>
  );
}

/** The resistors that would dim an output's lamps as its drive share does. */
function AsResistor({
  vehicle,
  outputId,
}: {
  readonly vehicle: Bench<LocomotiveRecord>;
  readonly outputId: string;
}) {
  const study = useMemo(() => dimmingOf(vehicle, outputId), [vehicle, outputId]);
  if (!study) return null;
  const named = (r: DimmingStudy['resistors'][number]): string =>
    r.of === 'lamp' ? lampName(vehicle.job, r.id) : vehicle.job.circuits[r.id].name;
  return (
    <p className="by-hand">
      The same light without dimming:{' '}
      {study.resistors
        .map(
          (r) =>
            `${named(r)} ${formatQuantity(r.preferred, 'ohm')} in place of ${formatQuantity(r.ohms, 'ohm')}`,
        )
        .join('; ')}
      .
    </p>
  );
}

/** What cannot be solved has no resistor to offer; the findings say why. */
function dimmingOf(vehicle: Bench<LocomotiveRecord>, outputId: string): DimmingStudy | null {
  try {
    return dimmingStudy(vehicle, outputId);
  } catch {
    return null;
  }
}
