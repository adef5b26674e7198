import { useId } from 'react';
import { functionsOf } from '../../../core/supply/drivers/decoder';
import { inputsOf } from '../../../core/study/states';
import { throttleIn } from '../../../core/supply/state';
import { supplyKind } from '../../../core/supply';
import { useVehicleStore, type VehicleControls } from '../../store/vehicle-store';
import type { SolvedVehicle } from '../../store/use-vehicle';

interface VehicleControlsCardProps {
  readonly solved: SolvedVehicle;
  readonly controls: VehicleControls;
  readonly jobId: string;
}

/** What the hand is on: the track it stands on, power, direction, throttle or function keys, its own switches. */
export function VehicleControlsCard({ solved, controls, jobId }: VehicleControlsCardProps) {
  const set = useVehicleStore((s) => s.set);
  const id = useId();
  const { vehicle, state } = solved;
  const { job, layout, supply } = vehicle;
  const tracks = [job.supplyId, ...(job.otherSupplyId === null ? [] : [job.otherSupplyId])];
  const at = controls.supplyId ?? job.supplyId;
  const onDc = supply.kind === 'dc-track';
  const functions = job.decoder && !onDc ? functionsOf(job.decoder) : [];
  const stepped = job.decoder && !onDc ? job.decoder.stepped : null;
  const switches = inputsOf(vehicle).filter((i) => i.id.startsWith('switch '));
  const throttle = throttleIn(state);
  const toggle = (f: number): void =>
    set(jobId, {
      functions: controls.functions.includes(f)
        ? controls.functions.filter((x) => x !== f)
        : [...controls.functions, f].sort((a, b) => a - b),
    });
  return (
    <div className="stage-controls vehicle-controls">
      {tracks.length > 1 ? (
        <div className="track-choice" role="group" aria-label="Set it on">
          {tracks.map((t) => (
            <button
              key={t}
              type="button"
              aria-pressed={t === at}
              onClick={() => set(jobId, { supplyId: t, throttle: null })}
            >
              {supplyKind(layout.supplies[t]).name}
            </button>
          ))}
        </div>
      ) : (
        <div className="row">
          <span className="head">{supplyKind(supply).name}</span>
          <code>
            {supplyKind(supply)
              .words(supply, { throttle, direction: 'forward' })
              .replace(/^(DCC|DC|AC|bus) /, '')
              .replace(/ (forward|reverse)$/, '')}
          </code>
        </div>
      )}
      <div className="row">
        <span id={`${id}-power`}>Power</span>
        <button
          type="button"
          className="power-switch"
          role="switch"
          aria-checked={controls.power}
          aria-labelledby={`${id}-power`}
          onClick={() => set(jobId, { power: !controls.power })}
        >
          <span />
        </button>
      </div>
      <div className="direction" role="group" aria-label="Direction">
        {(['forward', 'reverse'] as const).map((d) => (
          <button
            key={d}
            type="button"
            aria-pressed={controls.direction === d}
            onClick={() => set(jobId, { direction: d })}
          >
            {d === 'forward' ? '← Forward' : 'Reverse →'}
          </button>
        ))}
      </div>
      {onDc && (
        <>
          <label className="row" htmlFor={`${id}-throttle`}>
            Throttle <code>{Math.round(100 * throttle)} %</code>
          </label>
          <input
            id={`${id}-throttle`}
            className="throttle"
            type="range"
            min={0}
            max={100}
            step={1}
            value={Math.round(100 * throttle)}
            aria-valuetext={`${Math.round(100 * throttle)} percent`}
            onChange={(e) => set(jobId, { throttle: Number(e.target.value) / 100 })}
          />
        </>
      )}
      {(functions.length > 0 || stepped) && (
        <div className="function-keys" role="group" aria-label="Functions">
          {functions.map((f) => (
            <button
              key={f}
              type="button"
              aria-pressed={controls.functions.includes(f)}
              onClick={() => toggle(f)}
            >
              F{f}
            </button>
          ))}
          {stepped && (
            <button
              type="button"
              className="stepping"
              aria-label={`F${stepped.function}, steps`}
              onClick={() => set(jobId, { presses: controls.presses + 1 })}
            >
              F{stepped.function}·{controls.presses % (stepped.outputs.length + 1)}
            </button>
          )}
        </div>
      )}
      {switches.map(({ id: input, name }) => {
        const on = state[input] === true;
        return (
          <button
            key={input}
            type="button"
            className="plain-button"
            aria-pressed={on}
            onClick={() => set(jobId, { switches: { ...controls.switches, [name]: !on } })}
          >
            {name}: {on ? 'on' : 'off'}
          </button>
        );
      })}
    </div>
  );
}
