import { memo } from 'react';
import { useNavigate } from 'react-router';
import { benchPath } from '../shell/paths';
import { useRunStore } from '../store/run-store';
import { ControlsCard } from './controls-card';
import { onStageKey } from './stage-keys';
import type { Face, PanelProps } from '../kinds/face';
import './stage.css';

interface StageProps {
  readonly face: Face;
  /** The stage of the work that is open. */
  readonly stage: string;
  readonly of: PanelProps;
}

/** The job by night, lit by what was solved, with its figures and what the hand is on. */
export const Stage = memo(function Stage({ face, stage, of }: StageProps) {
  const { control, setInput } = useRunStore.getState();
  const by = useRunStore((s) => s.view.by);
  const navigate = useNavigate();
  const { job, jobId, hand, solved } = of;
  const { Scene, Figures } = face;
  const step = (by: number): void => {
    const next = face.stages[face.stages.findIndex((s) => s.id === stage) + by];
    if (next) void navigate(benchPath(jobId, next.id));
  };
  return (
    <section
      className={`stage ${job.kind}-stage${by === 'day' ? ' by-day' : ''}`}
      // A stage takes single keys while it has the focus, so it can be reached by keyboard.
      tabIndex={0}
      aria-label={`Stage: ${job.name}, ${hand.power ? face.says(solved) : 'power off'}. P switches the power, question mark lists the keys.`}
      onKeyDown={(event) =>
        onStageKey(event, {
          bench: solved.bench,
          state: solved.state,
          power: hand.power,
          onPower: (power) => control(jobId, { power }),
          onSet: (input, setting) => setInput(jobId, input, setting),
          onStep: step,
        })
      }
    >
      <Scene {...of} />
      <Figures {...of} />
      <ControlsCard {...of} />
    </section>
  );
});
