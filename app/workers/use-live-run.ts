import { useEffect, useRef, useState } from 'react';
import { StudyRunner } from './use-task';
import { LOOP_MILLIMETRES, type JobControls } from '../store/run-store';
import type { Layout } from '../../core/document/layout';
import type { RunControls, RunSample } from '../../core/study/live-run';

/** How far ahead of what is shown the worker plays, and how often it is asked. */
const AHEAD_SECONDS = 0.25;
const ASK_MS = 100;
/** Samples kept for the scope. */
const MOST_SAMPLES = 800;

export interface LivePlay {
  /** Samples up to now, oldest first; empty while nothing plays. */
  readonly samples: readonly RunSample[];
  readonly now: RunSample | null;
  readonly failure: string | null;
}

const still: LivePlay = { samples: [], now: null, failure: null };

/**
 * Plays a coach on its loop in real time while `controls.playing`: the worker solves a little ahead,
 * the screen shows what is due. A change of the layout begins the run anew, from its steady state.
 */
export function useLiveRun(layout: Layout, jobId: string, controls: JobControls): LivePlay {
  const [play, setPlay] = useState<LivePlay>(still);
  const { playing } = controls;
  const runner = useRef<StudyRunner | null>(null);
  const sent = useRef<RunControls | null>(null);
  const latest = useRef(controls);
  useEffect(() => {
    latest.current = controls;
  });
  useEffect(() => {
    if (!playing) return;
    const mine = new StudyRunner();
    runner.current = mine;
    let current = true;
    let frame = 0;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const queue: RunSample[] = [];
    let shown: RunSample[] = [];
    let began = 0;
    const fail = (error: unknown): void => {
      cancelAnimationFrame(frame);
      if (current) setPlay({ ...still, failure: error instanceof Error ? error.message : String(error) });
    };
    const ask = async (): Promise<void> => {
      const until = (performance.now() - began) / 1000 + AHEAD_SECONDS;
      queue.push(...(await mine.run((tasks) => tasks.advance(until))));
      if (current) timer = setTimeout(() => void ask().catch(fail), ASK_MS);
    };
    const tick = (): void => {
      const due = (performance.now() - began) / 1000;
      const ready = queue.findIndex((s) => s.seconds > due);
      const next = queue.splice(0, ready < 0 ? queue.length : ready);
      if (next.length > 0) {
        shown = [...shown, ...next].slice(-MOST_SAMPLES);
        setPlay({ samples: shown, now: shown[shown.length - 1], failure: null });
      }
      frame = requestAnimationFrame(tick);
    };
    const { power, throttle, direction, kilometresPerHour, stretches } = latest.current;
    const runControls: RunControls = { power, throttle, direction, kilometresPerHour, stretches };
    sent.current = runControls;
    mine
      .run((tasks) =>
        tasks.startRun({ layout, jobId, controls: runControls, loopMillimetres: LOOP_MILLIMETRES, seed: 1 }),
      )
      .then(() => {
        if (!current) return;
        began = performance.now();
        frame = requestAnimationFrame(tick);
        return ask();
      })
      .catch(fail);
    return () => {
      current = false;
      cancelAnimationFrame(frame);
      clearTimeout(timer);
      runner.current = null;
      mine.stop();
      setPlay(still);
    };
  }, [layout, jobId, playing]);

  const { power, throttle, direction, kilometresPerHour, stretches } = controls;
  useEffect(() => {
    const mine = runner.current;
    if (!mine || !sent.current) return;
    const now: RunControls = { power, throttle, direction, kilometresPerHour, stretches };
    if (Object.entries(now).every(([k, v]) => sent.current![k as keyof RunControls] === v)) return;
    sent.current = now;
    void mine.run((tasks) => tasks.control(now)).catch(() => undefined);
  }, [power, throttle, direction, kilometresPerHour, stretches]);
  return play;
}
