import { Button } from 'antd';
import { lazy, Suspense } from 'react';
import { Link } from 'react-router';
import { rigPath } from '../../shell/paths';
import { DeleteOutlined } from '@ant-design/icons';
import { dropPlace, putRun } from '../../../core/feed/begin';
import { inOrder } from '../../../core/document/in-order';
import { lampTypes } from '../../../core/document/lamp-type';
import { formatQuantity } from '../../../core/quantity/format';
import { CheckField } from '../../fields/check-field';
import { CountField } from '../../fields/count-field';
import { NumberField } from '../../fields/number-field';
import { SelectField } from '../../fields/select-field';
import { TextField } from '../../fields/text-field';
import { useLayoutStore } from '../../store/layout-store';
import type { Draft } from 'immer';
import type { FeedFigures } from '../../../core/feed/reading';
import type { Layout } from '../../../core/document/layout';
import type { NodePart, NodeRecord } from '../../../core/document/network-record';

/** Fetched when a supply is looked at. */
const SupplyFields = lazy(async () => ({ default: (await import('../../panels/supplies')).SupplyFields }));

interface PlaceFieldsProps {
  readonly layout: Layout;
  readonly id: string;
  readonly node: NodeRecord;
  readonly figures: FeedFigures | null;
}

/** A thing on the plan: what it is called, where it stands, its figures; a run from it to another. */
export function PlaceFields({ layout, id, node, figures }: PlaceFieldsProps) {
  const edit = useLayoutStore((s) => s.edit);
  const set = (label: string, recipe: (own: Draft<NodeRecord>) => void): void =>
    edit(label, (draft) => recipe(draft.network.nodes[id]));
  const reading = figures?.places.get(id);
  const at = (key: 'xMillimetres' | 'yMillimetres', label: string) => (
    <NumberField
      label={label}
      unit="millimetre"
      figure={node[key]}
      limits={{ least: -20_000, most: 20_000, range: 'within 20 m' }}
      onCommit={(mm) => set(label, (own) => void (own[key] = mm))}
    />
  );
  return (
    <div className="choices">
      <TextField
        label="Called"
        text={node.name}
        most={60}
        required
        onCommit={(name) => set('Name of a place', (own) => void (own.name = name))}
      />
      {reading && (
        <p className="plan-figures figure">
          {formatQuantity(reading.volts, 'volt', { significant: 4 })}
          {reading.amps > 0 && ` · ${formatQuantity(reading.amps, 'amp', { significant: 3 })}`}
          {reading.outVolts !== null &&
            ` · gives ${formatQuantity(reading.outVolts, 'volt', { significant: 3 })}`}
          {reading.lightness !== null && ` · shows ${reading.lightness.toFixed(0)} of 100`}
        </p>
      )}
      <div className="two-fields">
        {at('xMillimetres', 'Along')}
        {at('yMillimetres', 'From the back')}
      </div>
      <PartFields layout={layout} id={id} is={node.is} />
      <SelectField<string>
        key={Object.keys(layout.network.runs).length}
        label="A run from here to"
        value={undefined}
        placeholder="which place"
        options={inOrder(layout.network.nodes)
          .filter((n) => n.id !== id)
          .map((n) => ({ value: n.id, label: n.name }))}
        onChange={(to) => edit('A run more', (draft) => void putRun(draft, id, to))}
      />
      <Button
        icon={<DeleteOutlined />}
        onClick={() => edit(`${node.name} taken off the plan`, (draft) => dropPlace(draft, id))}
      >
        Take it off the plan
      </Button>
    </div>
  );
}

/** The figures of what a place is. */
function PartFields({
  layout,
  id,
  is,
}: {
  readonly layout: Layout;
  readonly id: string;
  readonly is: NodePart;
}) {
  const edit = useLayoutStore((s) => s.edit);
  const set = <K extends NodePart['kind']>(
    kind: K,
    label: string,
    recipe: (own: Extract<Draft<NodePart>, { kind: K }>) => void,
  ): void =>
    edit(label, (draft) => {
      const own = draft.network.nodes[id].is;
      if (own.kind === kind) recipe(own as Extract<Draft<NodePart>, { kind: K }>);
    });
  switch (is.kind) {
    case 'supply':
      return (
        <>
          <SelectField<string>
            label="Supply"
            value={is.supplyId}
            options={inOrder(layout.supplies)
              .filter((s) => s.kind !== 'cell')
              .map((s) => ({ value: s.id, label: s.name }))}
            onChange={(supplyId) =>
              set('supply', 'Supply of a place', (own) => void (own.supplyId = supplyId))
            }
          />
          {Object.hasOwn(layout.supplies, is.supplyId) && (
            <Suspense fallback={null}>
              <SupplyFields supplyId={is.supplyId} supply={layout.supplies[is.supplyId]} />
            </Suspense>
          )}
          <CheckField
            label="Its minus is joined to the common return"
            checked={is.joinsMinus ?? false}
            onChange={(on) => set('supply', 'Common return', (own) => void (own.joinsMinus = on))}
          />
        </>
      );
    case 'strip':
      return (
        <div className="two-fields">
          <CountField
            label="Ways"
            count={is.ways}
            least={2}
            most={48}
            onCommit={(n) => set('strip', 'Ways of a strip', (own) => void (own.ways = n))}
          />
          <NumberField
            label="Rated"
            unit="amp"
            figure={is.ratedAmps}
            limits={{ least: 0.1, most: 100, range: '0.1 to 100 A' }}
            onCommit={(a) => set('strip', 'Rating of a strip', (own) => void (own.ratedAmps = a))}
          />
        </div>
      );
    case 'converter':
      return (
        <div className="two-fields">
          <NumberField
            label="Gives"
            unit="volt"
            figure={is.outVolts}
            limits={{ least: 0.8, most: 30, range: '0.8 to 30 V' }}
            onCommit={(v) => set('converter', 'Volts of a step-down', (own) => void (own.outVolts = v))}
          />
          <NumberField
            label="at most"
            unit="amp"
            figure={is.limitAmps}
            limits={{ least: 0.01, most: 100, range: '10 mA to 100 A' }}
            onCommit={(a) => set('converter', 'Limit of a step-down', (own) => void (own.limitAmps = a))}
          />
          <CountField
            label="Efficiency, %"
            count={Math.round(100 * is.efficiency)}
            least={30}
            most={99}
            onCommit={(n) => set('converter', 'Efficiency', (own) => void (own.efficiency = n / 100))}
          />
        </div>
      );
    case 'rig':
      return (
        <p>
          <Link to={rigPath(is.rigId)}>The light above</Link>, by what its rows take.
        </p>
      );
    case 'lamps':
      return (
        <>
          <SelectField<string>
            label="Lamps"
            value={is.part}
            options={lampTypes(layout).map((l) => ({ value: l.id, label: l.name }))}
            onChange={(part) => set('lamps', 'Lamps of a place', (own) => void (own.part = part))}
          />
          <div className="two-fields">
            <CountField
              label="How many"
              count={is.count}
              least={1}
              most={500}
              onCommit={(n) => set('lamps', 'Number of lamps', (own) => void (own.count = n))}
            />
            <NumberField
              label="Resistor each"
              unit="ohm"
              figure={is.ohms}
              limits={{ least: 0, most: 1e6, range: '0 to 1 MΩ' }}
              onCommit={(ohms) => set('lamps', 'Resistor of lamps', (own) => void (own.ohms = ohms))}
            />
          </div>
        </>
      );
    case 'typed':
      return (
        <>
          <div className="two-fields">
            <NumberField
              label="At"
              unit="volt"
              figure={is.volts}
              limits={{ least: 0.5, most: 60, range: '0.5 to 60 V' }}
              onCommit={(v) => set('typed', 'Volts of a load', (own) => void (own.volts = v))}
            />
            <NumberField
              label="it draws"
              unit="amp"
              figure={is.amps}
              limits={{ least: 0.001, most: 100, range: '1 mA to 100 A' }}
              onCommit={(a) => set('typed', 'Current of a load', (own) => void (own.amps = a))}
            />
          </div>
          <SelectField<typeof is.behaves>
            label="As its volts fall"
            value={is.behaves}
            options={[
              { value: 'resistor', label: 'it draws less, as a resistor does' },
              { value: 'current', label: 'it draws the same' },
              { value: 'power', label: 'it draws more, as a converter does' },
            ]}
            onChange={(behaves) => set('typed', 'How a load behaves', (own) => void (own.behaves = behaves))}
          />
        </>
      );
    default:
      return null;
  }
}
