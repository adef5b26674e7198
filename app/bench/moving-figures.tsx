import { useRef } from 'react';
import { quantityParts } from '../../core/quantity/format';
import { isMoving } from '../../core/document/moving-record';
import { momentNow, useSceneClocks } from '../store/scene-clock';
import { useFrames } from './use-frames';
import { usePlay } from './use-play';
import type { PanelProps } from '../kinds/face';

/** How often figures are written anew, in milliseconds: faster nobody reads. */
const EVERY = 200;

/** What a scene draws at this moment: from its supply, and its string from its own. */
export function MovingFigures({ jobId, job, solved, hand }: PanelProps) {
  const play = usePlay(solved);
  const runs = useSceneClocks((s) => s.clocks[jobId]?.runs ?? true);
  const drawn = useRef<HTMLElement>(null);
  const string = useRef<HTMLElement>(null);
  const written = useRef(-Infinity);
  const full = solved.readings?.supplyAmps.mean ?? 0;
  useFrames(runs && hand.power && play !== null, () => {
    const now = performance.now();
    if (now - written.current < EVERY && hand.power) return;
    written.current = now;
    const moment = play && hand.power ? play.at(momentNow(jobId)) : null;
    const lit = play?.channelAmps.reduce((a, b) => a + b, 0) ?? 0;
    const write = (element: HTMLElement | null, amps: number): void => {
      if (!element) return;
      const { number, symbol } = quantityParts(amps, 'amp');
      element.textContent = `${number} ${symbol}`;
    };
    write(drawn.current, moment ? Math.max(0, full - lit + moment.channelAmps) : 0);
    write(string.current, moment?.string?.amps ?? 0);
  });
  return (
    <dl className="stage-figures">
      <div>
        <dt>drawn now</dt>
        <dd data-figure="drawn" ref={drawn} />
      </div>
      {isMoving(job) && job.string && (
        <div>
          <dt>string draws</dt>
          <dd data-figure="string" ref={string} />
        </div>
      )}
    </dl>
  );
}
