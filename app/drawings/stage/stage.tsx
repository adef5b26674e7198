import { useEffect, useRef, useState, type KeyboardEvent } from 'react';
import { shareOfLightness, lightness } from '../../../core/light/lightness';
import { prototypeMetres } from '../../../core/quantity/scale';
import { quantityParts, formatQuantity } from '../../../core/quantity/format';
import { lightAt } from '../../../core/study/power-cut';
import { coachShape } from './coach-shape';
import { CoachOnStage, roofLift } from './coach-on-stage';
import { StageControls } from './stage-controls';
import { ViewSwitches } from './view-switches';
import { useRunStore, type JobControls } from '../../store/run-store';
import type { Solved } from '../../store/use-solved';
import type { LivePlay } from '../../workers/use-live-run';
import type { TaskState } from '../../workers/use-task';
import type { PowerCutStudy } from '../../../core/study/power-cut';
import type { Layout } from '../../../core/document/layout';
import './stage.css';

interface StageProps {
  readonly layout: Layout;
  readonly jobId: string;
  readonly solved: Solved;
  readonly cut: TaskState<PowerCutStudy>;
  readonly controls: JobControls;
  readonly live: LivePlay;
  readonly onKey: (event: KeyboardEvent) => void;
}

/** Room around the coach on the stage, in millimetres on the model. */
const ABOVE = 22;
const BELOW = 17;
/** Half the room the length's text takes in its dimension line. */
const DIMENSION_TEXT = 40;
const SLEEPER_PITCH = 7;

/** The coach at night, lit by what was solved, with the controls of the moment. */
export function Stage({ layout, jobId, solved, cut, controls, live, onKey }: StageProps) {
  const { job } = solved.bench;
  const on = controls.power;
  const playing = controls.playing && live.now !== null;
  const seconds = useSecondsSinceCut(on);
  const shape = coachShape(job.dimensions);
  const share = playing ? live.now!.light : on ? 1 : cut.answer ? lightAt(cut.answer, seconds) : 1;
  // While it runs, light is told against the state it is made for; that is what the windows then are solved at.
  const shown = (level: number): number => Math.min(100, lightness(shareOfLightness(level) * share));
  const view = useRunStore((s) => s.view);
  const above = ABOVE + (view.roof ? 0 : roofLift(shape));
  const height = shape.roof + above + BELOW;
  const side = Math.max(shape.length * 0.37, (height * 3.4 - shape.length) / 2);
  const onSide = (view.side === 'far' ? solved.light?.far : solved.light?.near) ?? [];
  const dimmest = Math.min(...onSide.filter((w) => !w.leftDark).map((w) => w.lightness));
  const dark = cut.answer?.moments[2] ?? null;
  const amps = playing ? live.now!.supplyAmps : on ? (solved.steady?.supplyAmps.mean ?? 0) : 0;
  const drawn = quantityParts(amps, 'amp');
  const travelled = playing ? live.now!.placeMillimetres : 0;
  return (
    <section
      className={view.by === 'day' ? 'stage by-day' : 'stage'}
      // A stage takes single keys while it has the focus, so it can be reached by keyboard.
      tabIndex={0}
      aria-label={`Stage: ${job.name}, ${on ? 'powered' : 'power cut'}. P switches the power, question mark lists the keys.`}
      onKeyDown={onKey}
    >
      <svg
        className="scene"
        viewBox={`${-side} ${-(shape.roof + above)} ${shape.length + 2 * side} ${height}`}
        preserveAspectRatio="xMidYMid meet"
        role="img"
        aria-label={`${job.name} drawn to scale`}
      >
        <Track from={-10 * side} to={shape.length + 10 * side} shift={travelled} />
        <CoachOnStage
          job={job}
          steady={solved.steady}
          light={solved.light}
          view={view}
          shown={shown}
          numbers
        />
        {playing && !live.now!.contact && (
          <text x={shape.length / 2} y={-shape.roof - 14} textAnchor="middle" fontSize={6} fill="#ffc46b">
            no contact
          </text>
        )}
        <g stroke="#b98a3b" strokeWidth={0.4} fill="none">
          <path
            d={`M0 9.500v5M${shape.length} 9.500v5M0 12h${Math.max(0, shape.length / 2 - DIMENSION_TEXT)}M${Math.min(shape.length, shape.length / 2 + DIMENSION_TEXT)} 12H${shape.length}`}
          />
        </g>
        <text
          x={shape.length / 2}
          y={13.4}
          textAnchor="middle"
          fontSize={4}
          fill="#c9d2cb"
          fontFamily="IBM Plex Mono"
        >
          {formatQuantity(shape.length, 'millimetre')} ·{' '}
          {prototypeMetres(shape.length, layout.scale).toFixed(1)} m full size
        </text>
      </svg>
      <dl className="stage-figures">
        <div>
          <dt>drawn now</dt>
          <dd data-figure="drawn">
            {drawn.number} <small>{drawn.symbol}</small>
          </dd>
        </div>
        <div className={cut.stale ? 'stale' : undefined}>
          <dt>{on ? 'holds its light' : 'without power'}</dt>
          <dd data-figure="hold" title={cut.stale ? 'being worked out' : undefined}>
            {on ? holdText(cut.answer, dark) : seconds.toFixed(2)} <small>s</small>
          </dd>
        </div>
        <div>
          <dt>dimmest window</dt>
          <dd data-figure="dimmest">
            {Number.isFinite(dimmest) ? shown(dimmest).toFixed(0) : '–'} <small>of 100</small>
          </dd>
        </div>
      </dl>
      <ViewSwitches hasCorridor={job.interior.corridor !== null} corridorSide={job.interior.corridor?.side} />
      <StageControls
        jobId={jobId}
        supply={solved.bench.supply}
        controls={controls}
        ready={solved.steady !== null}
      />
    </section>
  );
}

function holdText(cut: PowerCutStudy | null, dark: number | null): string {
  if (!cut) return '–';
  return dark === null ? '>120' : dark === 0 ? '0' : dark.toPrecision(dark < 10 ? 2 : 3);
}

/** Seconds of real time since the power went, running while it is off. */
function useSecondsSinceCut(on: boolean): number {
  const [seconds, setSeconds] = useState(0);
  const start = useRef(0);
  useEffect(() => {
    if (on) return;
    start.current = performance.now();
    let frame = 0;
    const tick = (): void => {
      setSeconds((performance.now() - start.current) / 1000);
      frame = requestAnimationFrame(tick);
    };
    tick();
    return () => cancelAnimationFrame(frame);
  }, [on]);
  return on ? 0 : seconds;
}

interface TrackProps {
  readonly from: number;
  readonly to: number;
  /** How far the coach has run, in millimetres: the sleepers pass under it. */
  readonly shift: number;
}

function Track({ from, to, shift }: TrackProps) {
  const sleepers = Array.from(
    { length: Math.floor((to - from) / SLEEPER_PITCH) },
    (_, i) => from + i * SLEEPER_PITCH,
  );
  return (
    <g>
      <rect x={from} y={0} width={to - from} height={40} fill="#0d1413" />
      <g transform={`translate(${shift % SLEEPER_PITCH} 0)`}>
        {sleepers.map((x) => (
          <rect key={x} x={x} y={2.1} width={3.4} height={1.6} fill="#2b2520" />
        ))}
      </g>
      <rect x={from} y={0} width={to - from} height={1} fill="#6f7d84" />
      <rect x={from} y={1} width={to - from} height={1.1} fill="#39454a" />
    </g>
  );
}
