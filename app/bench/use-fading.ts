import { useEffect, useState } from 'react';
import { lightness, shareOfLightness } from '../../core/light/lightness';
import { lightAt, type PowerCutStudy } from '../../core/study/power-cut';
import { useStudy, type TaskState } from '../workers/use-study';
import type { PanelProps } from '../kinds/face';

/** How the light of a job stands at this moment: as solved, fading since the power went, or as its run has it. */
export interface Fading {
  /** Seconds since the power went; 0 while it is on. */
  readonly seconds: number;
  readonly cut: TaskState<PowerCutStudy>;
  /** From the lightness solved to that of the moment. */
  readonly shown: (lightness: number) => number;
}

/** Seconds since the power was switched off, running while it is. */
function useSecondsWithout(power: boolean, switchedAt: number): number {
  const [now, setNow] = useState(0);
  useEffect(() => {
    if (power) return;
    let frame = 0;
    const tick = (): void => {
      setNow(performance.now());
      frame = requestAnimationFrame(tick);
    };
    tick();
    return () => cancelAnimationFrame(frame);
  }, [power]);
  return power ? 0 : Math.max(0, now - switchedAt) / 1000;
}

/** Follows the light of a job after its power was cut, as fast as the real thing. */
export function useFading({ layout, jobId, solved, hand, live }: PanelProps): Fading {
  const seconds = useSecondsWithout(hand.power, hand.switchedAt);
  const supplyId = hand.supplyId ?? undefined;
  const cut = useStudy('powerCut', layout, { jobId, supplyId }, 'slow');
  const holds = solved.bench.assembly.parts.some((p) => p.kind === 'electrolytic');
  const playing = hand.playing ? live.now : null;
  const share = playing
    ? playing.light
    : hand.power
      ? 1
      : cut.answer
        ? lightAt(cut.answer, seconds)
        : holds
          ? 1
          : 0;
  return {
    seconds,
    cut,
    shown: (level) => Math.min(100, lightness(shareOfLightness(level) * share)),
  };
}
