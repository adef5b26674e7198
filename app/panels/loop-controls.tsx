import { Button } from 'antd';
import { useDrag } from '@use-gesture/react';
import { useRef, useState } from 'react';
import { byHand } from '../drawings/by-hand';
import { SliderField } from '../fields/slider-field';
import { LOOP_MILLIMETRES, useRunStore, type JobHand } from '../store/run-store';
import { DIRECTION, type Direction } from '../../core/supply/state';
import { modelSpeed } from '../../core/study/gap';
import { formatQuantity } from '../../core/quantity/format';
import type { DirtyStretch } from '../../core/study/contact';
import type { ScaleName } from '../../core/quantity/scale';
import type { LivePlay } from '../workers/use-live-run';

interface LoopControlsProps {
  readonly jobId: string;
  readonly hand: JobHand;
  /** Which way it runs: by its supply where that decides it. */
  readonly direction: Direction;
  readonly live: LivePlay;
  readonly scale: ScaleName;
}

const GRAIN_MILLIMETRES = 10;
/** What a press of a button puts down. */
const PATCH_MILLIMETRES = 250;
const MOST_STRETCHES = 8;

/** The coach on a short loop, played as it is solved: run it, and paint dirt on the rails. */
export function LoopControls({ jobId, hand, direction, live, scale }: LoopControlsProps) {
  const set = useRunStore((s) => s.control);
  const setInput = useRunStore((s) => s.setInput);
  const onTurn = (id: string, runs: Direction): void => {
    set(id, { runs });
    setInput(id, DIRECTION, runs);
  };
  const bar = useRef<HTMLDivElement>(null);
  /** What is being painted, from the press on. */
  const [under, setUnder] = useState<readonly [from: number, to: number] | null>(null);
  const { playing, kilometresPerHour, stretches } = hand;
  const placeOf = (clientX: number): number => {
    const box = bar.current!.getBoundingClientRect();
    const share = Math.min(1, Math.max(0, (clientX - box.left) / box.width));
    return Math.round((share * LOOP_MILLIMETRES) / GRAIN_MILLIMETRES) * GRAIN_MILLIMETRES;
  };
  const paint = (a: number, b: number, kind: DirtyStretch['kind'] = 'dirty'): void => {
    const [low, high] = [Math.min(a, b), Math.max(a, b)];
    if (high - low < GRAIN_MILLIMETRES) return;
    set(jobId, {
      stretches: [
        ...stretches.slice(-MOST_STRETCHES + 1),
        { fromMillimetres: low, toMillimetres: high, kind },
      ],
    });
  };
  /** Puts a stretch down where the loop is still clean, for those without a pointer. */
  const patch = (kind: DirtyStretch['kind']): void => {
    const at = (500 + stretches.length * 370) % (LOOP_MILLIMETRES - PATCH_MILLIMETRES);
    paint(at, at + PATCH_MILLIMETRES, kind);
  };
  const drag = useDrag(({ initial: [from], xy: [to], last, tap }) => {
    const over = [placeOf(from), placeOf(to)] as const;
    setUnder(last ? null : over);
    if (last && !tap) paint(...over);
  }, byHand);
  const share = (mm: number): string => `${(100 * mm) / LOOP_MILLIMETRES}%`;
  return (
    <section className="loop" aria-label="Run it on a loop">
      <h2>Run it on a loop</h2>
      <Button
        block
        type={playing ? 'default' : 'primary'}
        onClick={() => set(jobId, { playing: !playing, power: true })}
      >
        {playing ? 'Stop the run' : 'Run it'}
      </Button>
      <div className="loop-head">
        <Button onClick={() => patch('dirty')}>Dirty {PATCH_MILLIMETRES} mm</Button>
        <Button onClick={() => patch('dead')}>Dead {PATCH_MILLIMETRES} mm</Button>
        <Button
          aria-label={direction === 'forward' ? 'Run backwards' : 'Run forwards'}
          onClick={() => onTurn(jobId, direction === 'forward' ? 'reverse' : 'forward')}
        >
          {direction === 'forward' ? '→' : '←'}
        </Button>
        <Button disabled={stretches.length === 0} onClick={() => set(jobId, { stretches: [] })}>
          Clean
        </Button>
      </div>
      <div ref={bar} className="loop-bar" title="Drag along the loop to paint dirt on the rails" {...drag()}>
        {[
          ...stretches,
          ...(under === null
            ? []
            : [
                {
                  fromMillimetres: Math.min(...under),
                  toMillimetres: Math.max(...under),
                  kind: 'dirty' as const,
                },
              ]),
        ].map((s, i) => (
          <span
            key={`${i} ${s.fromMillimetres}`}
            className={`dirt ${s.kind}`}
            style={{ left: share(s.fromMillimetres), width: share(s.toMillimetres - s.fromMillimetres) }}
          />
        ))}
        {live.now && (
          <span
            className={live.now.contact ? 'runner' : 'runner lost'}
            data-testid="runner"
            style={{ left: share(live.now.placeMillimetres) }}
          />
        )}
      </div>
      <SliderField
        label="Speed"
        figure={kilometresPerHour}
        least={0}
        most={160}
        step={5}
        says={`${kilometresPerHour} km/h · ${formatQuantity(modelSpeed(kilometresPerHour, scale), 'millimetre')} a second`}
        onChange={(v) => set(jobId, { kilometresPerHour: v })}
      />
      {live.failure && <p className="field-refusal">{live.failure}</p>}
    </section>
  );
}
