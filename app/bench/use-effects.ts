import { chainOf } from '../../core/document/line-stages';
import { useEffect, useRef, useState } from 'react';
import { effectShare, outputsOn } from '../../core/supply/drivers/decoder';
import type { AnyJob } from '../../core/document/layout';
import type { State } from '../../core/supply/state';

/**
 * What the effects of a decoder's outputs leave of each lamp's light at this moment, 0 to 1, by lamp.
 * Runs only while an output with an effect is on.
 */
export function useEffects(job: AnyJob, state: State): (lampId: string) => number {
  const [now, setNow] = useState(0);
  const since = useRef(new Map<string, number>());
  const { decoder } = job;
  const on = decoder ? outputsOn(decoder, state) : new Map<string, number>();
  const moving = [...on.keys()].filter((id) => decoder!.outputs[id]?.effect !== 'steady').sort();
  const key = moving.join(' ');
  useEffect(() => {
    const still = new Set(key === '' ? [] : key.split(' '));
    for (const id of since.current.keys()) if (!still.has(id)) since.current.delete(id);
    if (still.size === 0) return;
    const start = performance.now() / 1000;
    for (const id of still) if (!since.current.has(id)) since.current.set(id, start);
    let frame = 0;
    const tick = (): void => {
      setNow(performance.now() / 1000);
      frame = requestAnimationFrame(tick);
    };
    tick();
    return () => cancelAnimationFrame(frame);
  }, [key]);
  return (lampId) => {
    const circuitId = job.lamps[lampId]?.circuitId;
    const feed =
      circuitId === null || circuitId === undefined
        ? null
        : chainOf(job, job.circuits[circuitId].lineId)[0].from;
    if (!decoder || feed?.kind !== 'output' || !moving.includes(feed.output)) return 1;
    // The moment an output was switched on is read where its light is drawn.
    const start = since.current.get(feed.output) ?? now;
    return effectShare(decoder.outputs[feed.output].effect, Math.max(0, now - start));
  };
}
