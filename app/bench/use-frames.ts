import { useEffect, useRef } from 'react';

/** Calls back at every frame of the screen while something is to be drawn; the callback may change freely. */
export function useFrames(runs: boolean, onFrame: () => void): void {
  const latest = useRef(onFrame);
  useEffect(() => {
    latest.current = onFrame;
    onFrame();
  });
  useEffect(() => {
    if (!runs) return;
    let frame = 0;
    const tick = (): void => {
      latest.current();
      frame = requestAnimationFrame(tick);
    };
    frame = requestAnimationFrame(tick);
    return () => cancelAnimationFrame(frame);
  }, [runs]);
}
