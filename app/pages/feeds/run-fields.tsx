import { Button } from 'antd';
import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { runMillimetres } from '../../../core/feed/run-length';
import { isRail, runConductors } from '../../../core/part/rail';
import { fuseSpeeds, type FuseSpeedName } from '../../../core/part/fuse-speed';
import { fuseRatings } from '../../../core/part/fuse-ratings';
import { wireColours, type WireColour } from '../../../core/part/wire-colour';
import { formatQuantity } from '../../../core/quantity/format';
import { CheckField } from '../../fields/check-field';
import { NumberField } from '../../fields/number-field';
import { SelectField } from '../../fields/select-field';
import { TextField } from '../../fields/text-field';
import { useLayoutStore } from '../../store/layout-store';
import type { Draft } from 'immer';
import type { FeedFigures } from '../../../core/feed/reading';
import type { Layout } from '../../../core/document/layout';
import type { RunPart, RunRecord } from '../../../core/document/network-record';

interface RunFieldsProps {
  readonly layout: Layout;
  readonly id: string;
  readonly run: RunRecord;
  readonly figures: FeedFigures | null;
}

/** What a new part of a run begins with. */
const begins: Readonly<Record<RunPart['kind'], RunPart>> = {
  fuse: { kind: 'fuse', amps: 1, speed: 'quick' },
  plug: { kind: 'plug', ratedAmps: 3, contactOhms: 0.015 },
  switch: { kind: 'switch', on: true, ratedAmps: 3, contactOhms: 0.01 },
};
const BY_PLAN = 'by-plan';

/** A run: its label, wire, length and colours, and what stands in it. */
export function RunFields({ layout, id, run, figures }: RunFieldsProps) {
  const edit = useLayoutStore((s) => s.edit);
  const set = (label: string, recipe: (own: Draft<RunRecord>) => void): void =>
    edit(label, (draft) => recipe(draft.network.runs[id]));
  const { nodes } = layout.network;
  const reading = figures?.runs.get(id);
  const byPlan = runMillimetres(layout, { ...run, millimetres: null });
  const colour = (side: 'plus' | 'minus', label: string) => (
    <SelectField<WireColour>
      label={label}
      value={run[side]}
      options={wireColours.map((c) => ({ value: c, label: c }))}
      onChange={(to) => set(`Colour of ${side}`, (own) => void (own[side] = to))}
    />
  );
  return (
    <div className="choices">
      <p className="plan-figures">
        {nodes[run.from].name}
        {run.fromOutput ? ', output' : ''} to {nodes[run.to].name}
      </p>
      {reading && (
        <p className="plan-figures figure">
          {reading.open
            ? 'open'
            : `${formatQuantity(Math.abs(reading.amps), 'amp', { significant: 3 })} · loses ${formatQuantity(reading.dropVolts, 'volt', { significant: 2 })}, ${formatQuantity(reading.watts, 'watt', { significant: 2 })}`}
        </p>
      )}
      <div className="two-fields">
        <TextField
          label="Label"
          text={run.label}
          most={60}
          required
          onCommit={(label) => set('Label of a run', (own) => void (own.label = label))}
        />
        <SelectField<string>
          label={isRail(run.wire) ? 'Track' : 'Wire'}
          value={run.wire}
          options={Object.entries(runConductors).map(([value, { name, bearsAmps }]) => ({
            value,
            label: `${name}: bears ${formatQuantity(bearsAmps, 'amp')}`,
          }))}
          onChange={(wire) => set('Wire of a run', (own) => void (own.wire = wire))}
        />
        {!isRail(run.wire) && (
          <>
            {colour('plus', 'Plus')}
            {colour('minus', 'Minus')}
          </>
        )}
      </div>
      <SelectField<string>
        label="Length"
        value={run.millimetres === null ? BY_PLAN : 'typed'}
        options={[
          {
            value: BY_PLAN,
            label: `by the plan${isRail(run.wire) ? '' : ', with slack'}: ${formatQuantity(byPlan, 'millimetre')}`,
          },
          { value: 'typed', label: 'as measured' },
        ]}
        onChange={(to) =>
          set('Length of a run', (own) => void (own.millimetres = to === BY_PLAN ? null : byPlan))
        }
      />
      {run.millimetres !== null && (
        <NumberField
          label={isRail(run.wire) ? 'Its track' : 'One conductor'}
          unit="millimetre"
          figure={run.millimetres}
          limits={{ least: 1, most: 100_000, range: '1 mm to 100 m' }}
          onCommit={(mm) => set('Length of a run', (own) => void (own.millimetres = mm))}
        />
      )}
      {!isRail(run.wire) && (
        <CheckField
          label="In a bundle with others: it bears less"
          checked={run.bundled}
          onChange={(on) => set('In a bundle', (own) => void (own.bundled = on))}
        />
      )}
      {run.parts.map((part, k) => (
        <PartFields
          key={k}
          part={part}
          onSet={(label, recipe) => set(label, (own) => recipe(own.parts[k]))}
          onDrop={() => set(`The ${part.kind} taken out`, (own) => void own.parts.splice(k, 1))}
        />
      ))}
      <div className="button-row">
        {(Object.keys(begins) as RunPart['kind'][]).map((kind) => (
          <Button
            key={kind}
            icon={<PlusOutlined />}
            onClick={() => set(`A ${kind}`, (own) => void own.parts.push({ ...begins[kind] }))}
          >
            {kind.charAt(0).toUpperCase() + kind.slice(1)}
          </Button>
        ))}
        <Button
          icon={<DeleteOutlined />}
          onClick={() => edit('A run taken away', (draft) => Reflect.deleteProperty(draft.network.runs, id))}
        >
          Take the run away
        </Button>
      </div>
    </div>
  );
}

interface PartFieldsProps {
  readonly part: RunPart;
  readonly onSet: (label: string, recipe: (own: Draft<RunPart>) => void) => void;
  readonly onDrop: () => void;
}

/** A fuse, a plug or a switch in a run. */
function PartFields({ part, onSet, onDrop }: PartFieldsProps) {
  return (
    <div className="run-part">
      {part.kind === 'fuse' ? (
        <>
          <SelectField<number>
            label="Fuse"
            value={part.amps}
            options={[...new Set([...fuseRatings, part.amps])]
              .sort((a, b) => a - b)
              .map((a) => ({ value: a, label: formatQuantity(a, 'amp') }))}
            onChange={(a) => onSet('Rating of a fuse', (own) => void (own.kind === 'fuse' && (own.amps = a)))}
          />
          <SelectField<FuseSpeedName>
            label="goes"
            value={part.speed}
            options={(Object.keys(fuseSpeeds) as FuseSpeedName[]).map((s) => ({
              value: s,
              label: fuseSpeeds[s].name,
            }))}
            onChange={(speed) =>
              onSet('Speed of a fuse', (own) => void (own.kind === 'fuse' && (own.speed = speed)))
            }
          />
        </>
      ) : (
        <>
          <NumberField
            label={part.kind === 'plug' ? 'Plug, rated' : 'Switch, rated'}
            unit="amp"
            figure={part.ratedAmps}
            limits={{ least: 0.1, most: 100, range: '0.1 to 100 A' }}
            onCommit={(a) =>
              onSet(`Rating of a ${part.kind}`, (own) => void (own.kind !== 'fuse' && (own.ratedAmps = a)))
            }
          />
          {part.kind === 'switch' ? (
            <CheckField
              label="on"
              checked={part.on}
              onChange={(on) => onSet('A switch', (own) => void (own.kind === 'switch' && (own.on = on)))}
            />
          ) : (
            <NumberField
              label="A contact has"
              unit="ohm"
              figure={part.contactOhms}
              limits={{ least: 0, most: 10, range: '0 to 10 Ω' }}
              onCommit={(ohms) =>
                onSet('Contact of a plug', (own) => void (own.kind === 'plug' && (own.contactOhms = ohms)))
              }
            />
          )}
        </>
      )}
      <Button aria-label={`Take the ${part.kind} out`} icon={<DeleteOutlined />} onClick={onDrop} />
    </div>
  );
}
