import { Button } from 'antd';
import { useState } from 'react';
import { Choice } from '../../fields/choice';
import { More } from '../../fields/more';
import { NumberField } from '../../fields/number-field';
import { SelectField } from '../../fields/select-field';
import { BandedResistor } from '../../drawings/banded-resistor';
import { resistorBodies } from '../../../core/part/resistor';
import { decoderTypes } from '../../../core/part/decoder-type';
import { formatQuantity } from '../../../core/quantity/format';
import { inOrder } from '../../../core/document/in-order';
import { lampName } from '../../../core/document/lamp-name';
import { freeId } from '../../../core/document/usual-supply';
import { topologies } from '../../../core/assembly/topologies';
import { topologiesOn, usualCircuit } from '../../../core/study/locomotive/lay-circuits';
import { EqualLight } from './equal-light';
import { useVehicleEdit, type VehiclePanelProps } from './vehicle-panel';
import type { Draft } from 'immer';
import type { LampCircuitRecord } from '../../../core/document/locomotive-record';
import type { TopologyName } from '../../../core/document/topology-names';

const ohmLimits = { least: 0.1, most: 1e7, range: '0.1 Ω to 10 MΩ' };
const tapNames = {
  pickups: 'the pickups',
  'motor-tags': 'the motor tags',
  board: 'the board’s contacts',
} as const;
const steeringNames = {
  none: 'None there',
  kept: 'Left in',
  bridged: 'Bridged',
  removed: 'Taken out',
} as const;

/** How each circuit is wired, what limits its lamps, and where its leads go. */
export function VehicleCircuit(props: VehiclePanelProps) {
  const { jobId, job, solved } = props;
  const set = useVehicleEdit(jobId);
  const [chosen, setChosen] = useState<string | null>(null);
  const circuits = inOrder(job.circuits);
  const circuit = circuits.find((c) => c.id === chosen) ?? circuits[0];
  if (!circuit) {
    return (
      <div className="choices">
        <h2>Circuits</h2>
        <p className="hint">No lamp is wired yet. Lay a set of lamps at an end: its circuit comes with it.</p>
      </div>
    );
  }
  const change = (label: string, recipe: (c: Draft<LampCircuitRecord>) => void): void =>
    set(label, (j) => recipe(j.circuits[circuit.id]));
  const on = circuit.feed.kind === 'output' && job.decoder ? 'output' : 'track';
  const topology = topologies[circuit.topology];
  const members = inOrder(job.lamps).filter((l) => l.circuitId === circuit.id);
  const watts = (part: string): string =>
    formatQuantity(solved.lit?.resistorWatts.get(part) ?? 0, 'watt', { significant: 2 });
  const outputs = job.decoder ? decoderTypes[job.decoder.type].outputs : [];
  return (
    <div className="choices">
      <h2>How it is wired</h2>
      <SelectField
        label="Circuit"
        value={circuit.id}
        options={circuits.map((c) => ({ value: c.id, label: c.name }))}
        onChange={setChosen}
      />
      <SelectField<TopologyName>
        label="Wired"
        value={circuit.topology}
        options={topologiesOn(on).map((t) => ({ value: t.id as TopologyName, label: t.name }))}
        onChange={(t) => change('Wiring', (c) => void (c.topology = t))}
      />
      <p className="hint">{topology.says}</p>
      {topology.resistors === 'shared' && (
        <>
          <div className="two-fields">
            <NumberField
              label="Its resistor"
              unit="ohm"
              figure={circuit.ohms}
              limits={ohmLimits}
              aside={watts(`shared-resistor-${circuit.id}`)}
              onCommit={(ohms) => change('Resistor', (c) => void (c.ohms = ohms))}
            />
            <Body
              circuit={circuit}
              onChange={(w) => change('Resistor body', (c) => void (c.ratedWatts = w))}
            />
          </div>
          <BandedResistor ohms={circuit.ohms} />
        </>
      )}
      {topology.resistors === 'each' && (
        <>
          <div className="two-fields">
            {members.map((l) => (
              <NumberField
                key={l.id}
                label={lampName(job, l.id)}
                unit="ohm"
                figure={l.ohms}
                limits={ohmLimits}
                aside={watts(`resistor-${l.id}`)}
                onCommit={(ohms) => set('Resistor', (j) => void (j.lamps[l.id].ohms = ohms))}
              />
            ))}
            <Body
              circuit={circuit}
              onChange={(w) => change('Resistor body', (c) => void (c.ratedWatts = w))}
            />
          </div>
        </>
      )}
      <EqualLight {...props} circuitId={circuit.id} />
      {on === 'track' && circuit.feed.kind === 'track' && (
        <SelectField
          label="Its two leads come from"
          value={circuit.feed.tap}
          options={(Object.keys(tapNames) as (keyof typeof tapNames)[]).map((t) => ({
            value: t,
            label: tapNames[t],
          }))}
          onChange={(tap) =>
            change('Where the leads come from', (c) => {
              if (c.feed.kind === 'track') c.feed.tap = tap;
            })
          }
        />
      )}
      {on === 'output' && circuit.feed.kind === 'output' && (
        <div className="two-fields">
          <SelectField
            label="Output"
            value={circuit.feed.output as string}
            options={outputs.map((o) => ({ value: o.id as string, label: o.name }))}
            onChange={(output) =>
              change('Output', (c) => {
                if (c.feed.kind === 'output') c.feed.output = output as `out${number}`;
              })
            }
          />
          <SelectField<'common' | 'right-rail' | 'left-rail'>
            label="Plus from"
            value={circuit.feed.returnTo}
            options={[
              { value: 'common', label: 'Blue, common positive' },
              { value: 'right-rail', label: 'Red, right rail' },
              { value: 'left-rail', label: 'Black, left rail' },
            ]}
            onChange={(r) =>
              change('Return', (c) => {
                if (c.feed.kind === 'output') c.feed.returnTo = r;
              })
            }
          />
        </div>
      )}
      <label className="fit-label">
        <input
          type="checkbox"
          checked={circuit.leadsSwapped}
          onChange={(e) => change('Leads swapped', (c) => void (c.leadsSwapped = e.target.checked))}
        />
        Its two leads are swapped, as built
      </label>
      <label className="fit-label">
        <input
          type="checkbox"
          checked={circuit.switch !== null}
          onChange={(e) =>
            change(
              'Switch',
              (c) => void (c.switch = e.target.checked ? { name: 'Tail switch', on: true } : null),
            )
          }
        />
        A small switch in its feed <small>off while hauling</small>
      </label>
      <More
        label="Old steering diode, reservoir, regulator, another circuit"
        open={
          circuit.steering !== 'none' || circuit.reservoir !== null || circuit.topology === 'regulated-board'
        }
      >
        {on === 'track' && (
          <>
            <Choice<LampCircuitRecord['steering']>
              label="The old bulb’s steering diode"
              columns={2}
              options={(Object.keys(steeringNames) as LampCircuitRecord['steering'][]).map((s) => ({
                value: s,
                name: steeringNames[s],
              }))}
              value={circuit.steering}
              onChoose={(s) => change('Steering diode', (c) => void (c.steering = s))}
            />
            <p className="hint">
              Left in, it keeps this end dark one way. Bridged with a wire the red lamps work, and the wire
              can be taken out again.
            </p>
          </>
        )}
        {(circuit.topology === 'own-bridge' || circuit.topology === 'regulated-board') && (
          <>
            <label className="fit-label">
              <input
                type="checkbox"
                checked={circuit.reservoir !== null}
                onChange={(e) =>
                  change(
                    'Reservoir',
                    (c) => void (c.reservoir = e.target.checked ? { farads: 100e-6, ratedVolts: 25 } : null),
                  )
                }
              />
              Reservoir <small>only where plus stays plus</small>
            </label>
            {circuit.reservoir && (
              <NumberField
                label="It holds"
                unit="farad"
                figure={circuit.reservoir.farads}
                limits={{ least: 1e-9, most: 0.5, range: '1 nF to 0.5 F' }}
                onCommit={(f) =>
                  change('Reservoir', (c) => {
                    if (c.reservoir) c.reservoir.farads = f;
                  })
                }
              />
            )}
          </>
        )}
        {circuit.topology === 'regulated-board' && (
          <NumberField
            label="The board holds its lamps at"
            unit="volt"
            figure={circuit.regulatedVolts}
            limits={{ least: 1.5, most: 24, range: '1.5 to 24 V' }}
            onCommit={(v) => change('Board voltage', (c) => void (c.regulatedVolts = v))}
          />
        )}
        <SelectField
          label="Move a lamp into this circuit"
          value={undefined}
          placeholder="choose a lamp"
          options={inOrder(job.lamps)
            .filter((l) => l.circuitId !== circuit.id)
            .map((l) => ({ value: l.id, label: lampName(job, l.id) }))}
          onChange={(id) => set('Move a lamp', (j) => void (j.lamps[id].circuitId = circuit.id))}
        />
        <div className="button-row">
          <Button
            onClick={() => {
              const id = freeId(job.circuits, 'circuit');
              set('Another circuit', (j) => {
                const order = 1 + Math.max(0, ...circuits.map((c) => c.order));
                j.circuits[id] = usualCircuit(order, `Circuit ${circuits.length + 1}`, {
                  feed: { ...circuit.feed },
                });
              });
              setChosen(id);
            }}
          >
            Another circuit
          </Button>
        </div>
      </More>
    </div>
  );
}

interface BodyProps {
  readonly circuit: LampCircuitRecord;
  readonly onChange: (watts: number) => void;
}

function Body({ circuit, onChange }: BodyProps) {
  return (
    <SelectField
      label="Body of its resistors"
      value={circuit.ratedWatts}
      options={resistorBodies.map((b) => ({
        value: b.watts as number,
        label: `${b.name}, ${b.lengthMillimetres} mm`,
      }))}
      onChange={onChange}
    />
  );
}
