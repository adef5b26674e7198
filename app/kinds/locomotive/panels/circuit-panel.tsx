import { CheckField } from '../../../fields/check-field';
import { Button } from 'antd';
import { Choice } from '../../../fields/choice';
import { More } from '../../../fields/more';
import { SelectField } from '../../../fields/select-field';
import { decoderTypeOf } from '../../../../core/document/decoder-record';
import { inOrder } from '../../../../core/document/in-order';
import { lampName } from '../../../../core/kinds/locomotive/lamp-name';
import { freeId } from '../../../../core/document/usual-supply';
import {
  putStage,
  putSwitch,
  stageOf,
  supplyBeside,
  switchOf,
  takeStage,
  lineFrom,
} from '../../../../core/document/line-stages';
import { usualCircuit } from '../../../../core/document/usual-circuit';
import { CircuitChoice } from '../../../panels/circuit/circuit-choice';
import { LimitFields } from '../../../panels/circuit/limit-fields';
import { LineStageFields } from '../../../panels/circuit/line-stage-fields';
import { PresetField } from '../../../panels/circuit/preset-field';
import { SourceField } from '../../../panels/circuit/source-field';
import { useChosenGroup, useRunStore } from '../../../store/run-store';
import { EqualLight } from './equal-light';
import { useLocomotiveEdit, type LocomotiveProps } from '../locomotive-props';
import type { Draft } from 'immer';
import type { CircuitRecord, LineRecord } from '../../../../core/document/wiring-record';

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
export function CircuitPanel(props: LocomotiveProps) {
  const { jobId, job } = props;
  const set = useLocomotiveEdit(jobId);
  const choose = useRunStore((s) => s.chooseGroup);
  const circuits = inOrder(job.circuits);
  const circuit = useChosenGroup(job, jobId);
  if (!circuit) {
    return (
      <div className="choices">
        <h2>Circuits</h2>
        <p className="hint">No lamp is wired yet. Lay a set of lamps at an end: its circuit comes with it.</p>
      </div>
    );
  }
  const change = (label: string, recipe: (c: Draft<CircuitRecord>) => void): void =>
    set(label, (j) => recipe(j.circuits[circuit.id]));
  const line = job.lines[circuit.lineId];
  const changeLine = (label: string, recipe: (l: Draft<LineRecord>) => void): void =>
    set(label, (j) => recipe(j.lines[circuit.lineId]));
  const { from } = line;
  const on = from.kind === 'output' ? 'output' : 'track';
  const steering = stageOf(line, 'steering');
  const reservoir = stageOf(line, 'reservoir');
  const regulator = stageOf(line, 'regulator');
  const usualWay =
    inOrder(job.lamps).find((l) => l.circuitId === circuit.id)?.end === 'B' ? 'second' : 'first';
  const rectified = stageOf(line, 'bridge') !== null || stageOf(line, 'diode') !== null;
  const outputs = job.decoder ? decoderTypeOf(job.decoder).outputs : [];
  return (
    <div className="choices">
      <h2>How it is wired</h2>
      <CircuitChoice job={job} jobId={jobId} />
      <PresetField job={job} jobId={jobId} circuitId={circuit.id} />
      <LimitFields {...props} circuitId={circuit.id} apart />
      <EqualLight {...props} circuitId={circuit.id} />
      {from.kind === 'supply' && from.supplyId === null && (
        <SelectField
          label="Its two leads come from"
          value={from.tap}
          options={(Object.keys(tapNames) as (keyof typeof tapNames)[]).map((t) => ({
            value: t,
            label: tapNames[t],
          }))}
          onChange={(tap) =>
            changeLine('Where the leads come from', (l) => {
              if (l.from.kind === 'supply') l.from.tap = tap;
            })
          }
        />
      )}
      {from.kind === 'output' && (
        <div className="two-fields">
          <SelectField
            label="Output"
            value={from.output as string}
            options={outputs.map((o) => ({ value: o.id as string, label: o.name }))}
            onChange={(output) =>
              changeLine('Output', (l) => {
                if (l.from.kind === 'output') l.from.output = output as `out${number}`;
              })
            }
          />
          <SelectField<'common' | 'right-rail' | 'left-rail'>
            label="Plus from"
            value={from.returnTo}
            options={[
              { value: 'common', label: 'Blue, common positive' },
              { value: 'right-rail', label: 'Red, right rail' },
              { value: 'left-rail', label: 'Black, left rail' },
            ]}
            onChange={(r) =>
              changeLine('Return', (l) => {
                if (l.from.kind === 'output') l.from.returnTo = r;
              })
            }
          />
        </div>
      )}
      <CheckField
        label={`Its two leads are swapped ${from.kind === 'supply' && from.supplyId !== null ? 'at its supply' : 'at the pickups'}`}
        checked={line.swapped}
        onChange={(on) => changeLine('Leads swapped', (l) => void (l.swapped = on))}
      />
      {Object.keys(line.stages).length > 0 && (
        <CheckField
          label="They are swapped at the lamp board, behind what stands in them"
          checked={circuit.swapped}
          onChange={(on) => change('Leads swapped', (c) => void (c.swapped = on))}
        />
      )}
      <CheckField
        label="A small switch in its feed"
        aside="tail lamps on or off"
        checked={switchOf(job, circuit.id) !== null}
        onChange={(on) =>
          set('Switch', (j) =>
            putSwitch(j, circuit.id, on ? { name: 'Tail switch', on: true, lead: 'first' } : null),
          )
        }
      />
      <SourceField {...props} circuitId={circuit.id} />
      <More
        label="Old steering diode, reservoir, regulator, another circuit"
        open={steering !== null || reservoir !== null || regulator !== null}
      >
        {on === 'track' && supplyBeside(job, circuit.lineId) === null && (
          <>
            <Choice<keyof typeof steeringNames>
              label="The old bulb’s steering diode"
              columns={2}
              options={(Object.keys(steeringNames) as (keyof typeof steeringNames)[]).map((s) => ({
                value: s,
                name: steeringNames[s],
              }))}
              value={steering?.left ?? 'none'}
              onChoose={(left) =>
                changeLine('Steering diode', (l) => {
                  if (left === 'none') takeStage(l, 'steering');
                  else putStage(l, 'steering', { left, lets: steering?.lets ?? usualWay });
                })
              }
            />
            <p className="hint">
              Left in, it keeps this end dark one way. Bridged with a wire the red lamps work, and the wire
              can be taken out again.
            </p>
          </>
        )}
        {rectified && <LineStageFields {...props} lineId={circuit.lineId} />}
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
                const name = `Circuit ${circuits.length + 1}`;
                j.lines[id] = lineFrom(
                  from.kind === 'line' ? { kind: 'supply', tap: 'pickups', supplyId: null } : { ...from },
                  order,
                  name,
                );
                j.circuits[id] = usualCircuit(order, name, id, {
                  senses: 'as-they-shine',
                  ohms: 1000,
                  ratedWatts: 0.25,
                });
              });
              choose(jobId, id);
            }}
          >
            Another circuit
          </Button>
        </div>
      </More>
    </div>
  );
}
