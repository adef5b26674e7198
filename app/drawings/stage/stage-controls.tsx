import { useId } from 'react';
import { supplyKind, type Supply } from '../../../core/supply';
import { useRunStore, type JobControls } from '../../store/run-store';

interface StageControlsProps {
  readonly jobId: string;
  readonly supply: Supply;
  readonly controls: JobControls;
  readonly ready: boolean;
}

/** What the hand is on: power, and on a DC track throttle and direction. */
export function StageControls({ jobId, supply, controls, ready }: StageControlsProps) {
  const set = useRunStore((s) => s.set);
  const id = useId();
  const { power, throttle, direction } = controls;
  return (
    <div className="stage-controls">
      <div className="row">
        <span className="head">{supplyKind(supply).name}</span>
        <code>
          {supplyKind(supply)
            .words(supply, controls)
            .replace(/^(DCC|DC|AC|bus) /, '')}
        </code>
      </div>
      <div className="row">
        <span id={`${id}-power`}>Power</span>
        <button
          type="button"
          className="power-switch"
          role="switch"
          aria-checked={power}
          aria-labelledby={`${id}-power`}
          onClick={() => set(jobId, { power: !power })}
        >
          <span />
        </button>
      </div>
      {supply.kind === 'dc-track' && (
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
          <button
            type="button"
            className="plain-button"
            aria-pressed={direction === 'reverse'}
            onClick={() => set(jobId, { direction: direction === 'forward' ? 'reverse' : 'forward' })}
          >
            {direction === 'forward' ? 'Forward →' : '← Reverse'}
          </button>
        </>
      )}
      <button
        type="button"
        className="cut-button"
        disabled={!ready}
        onClick={() => set(jobId, { power: !power })}
      >
        {power ? 'Cut the power' : 'Power on again'}
      </button>
    </div>
  );
}
