import { useEffect, useRef, useState } from 'react';
import { DIRECTION, directionIn, throttleIn, type State } from '../../core/supply/state';
import { LOOP_MILLIMETRES, type JobHand } from '../store/run-store';
import { desk } from './desk';
import { textOf } from './use-study';
import type { Layout } from '../../core/document/layout';
import type { RunControls, RunSample } from '../../core/study/live-run';

/** How far ahead of what is shown the desk plays, and how often it is asked. */
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
 * Plays a vehicle on its loop in real time while its hand has it playing: the desk solves a little
 * ahead, the screen shows what is due. A change of the layout begins the run anew, from its steady state.
 */
export function useLiveRun(layout: Layout, jobId: string, hand: JobHand, state: State): LivePlay {
  const [play, setPlay] = useState<LivePlay>(still);
  const { playing, power, kilometresPerHour, stretches, runs } = hand;
  const controls: RunControls = {
    power,
    throttle: throttleIn(state),
    direction: state[DIRECTION] === undefined ? runs : directionIn(state),
    kilometresPerHour,
    stretches,
  };
  const running = useRef(false);
  const latest = useRef(controls);
  useEffect(() => {
    latest.current = controls;
  });
  useEffect(() => {
    if (!playing) return;
    const { told } = desk;
    let current = true;
    let frame = 0;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const queue: RunSample[] = [];
    let shown: RunSample[] = [];
    let began = 0;
    const fail = (error: unknown): void => {
      cancelAnimationFrame(frame);
      if (current) setPlay({ ...still, failure: textOf(error) });
    };
    const ask = async (): Promise<void> => {
      const until = (performance.now() - began) / 1000 + AHEAD_SECONDS;
      queue.push(...(await told.ask(layout, (tasks) => tasks.advance(until))));
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
    const start = { jobId, controls: latest.current, loopMillimetres: LOOP_MILLIMETRES, seed: 1 };
    told
      .ask(layout, (tasks, number) => tasks.startRun(number, start))
      .then(() => {
        if (!current) return;
        running.current = true;
        began = performance.now();
        frame = requestAnimationFrame(tick);
        return ask();
      })
      .catch(fail);
    return () => {
      current = false;
      running.current = false;
      cancelAnimationFrame(frame);
      clearTimeout(timer);
      setPlay(still);
    };
  }, [layout, jobId, playing]);

  const { throttle, direction } = controls;
  useEffect(() => {
    if (!running.current) return;
    desk.told.tell((tasks) => tasks.control({ power, throttle, direction, kilometresPerHour, stretches }));
  }, [power, throttle, direction, kilometresPerHour, stretches]);
  return play;
}
