import { Button } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { scales, type ScaleName } from '../../../core/quantity/scale';
import { useRunStore } from '../../store/run-store';
import { TrainOnStage, trainHeight, type LineFaces } from './train-on-stage';
import { ViewSwitches } from '../../bench/view-switches';
import type { TrainStudy } from '../../../core/study/train';
import '../../bench/stage.css';

interface TrainStageProps {
  readonly study: TrainStudy;
  readonly name: string;
  readonly scale: ScaleName;
  readonly faces: LineFaces;
}

/** Height of the stage's picture, and how much of it the tallest coach takes when the train runs past. */
const STAGE_PIXELS = 258;
const CLOSE_SHARE = 0.5;
const RAIL_FROM_BOTTOM = 44;
const MARGIN_MILLIMETRES = 40;
const KILOMETRES_PER_HOUR = 40;

/** A train at night: standing as a whole, or running past close by. */
export function TrainStage({ study, name, scale, faces }: TrainStageProps) {
  const view = useRunStore((s) => s.view);
  const [running, setRunning] = useState(false);
  const stage = useRef<HTMLElement>(null);
  const strip = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(1200);
  useEffect(() => {
    const element = stage.current;
    if (!element) return;
    const observer = new ResizeObserver(() => setWidth(element.clientWidth));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  const tall = trainHeight(study, faces);
  const long = study.lengthMillimetres + 2 * MARGIN_MILLIMETRES;
  const close = (STAGE_PIXELS * CLOSE_SHARE) / tall;
  const whole = Math.min(close, width / long);
  const pixels = running ? close : whole;
  useEffect(() => {
    const element = strip.current;
    if (!running || !element) return;
    const speed = ((KILOMETRES_PER_HOUR / 3.6) * 1000 * close) / scales[scale];
    const length = long * close;
    const began = performance.now();
    let frame = 0;
    // Only the layer is moved: what is drawn on it stays as it is.
    const tick = (now: number): void => {
      const along = (((now - began) / 1000) * speed) % (length + width);
      element.style.transform = `translate3d(${width - along}px, 0, 0)`;
      frame = requestAnimationFrame(tick);
    };
    frame = requestAnimationFrame(tick);
    return () => {
      cancelAnimationFrame(frame);
      element.style.transform = '';
    };
  }, [running, close, long, width, scale]);
  const rail = STAGE_PIXELS - RAIL_FROM_BOTTOM;
  const left = running ? 0 : (width - long * whole) / 2;
  return (
    <section
      ref={stage}
      className={view.by === 'day' ? 'stage train-stage by-day' : 'stage train-stage'}
      aria-label={`Stage: ${name}`}
      style={{ height: STAGE_PIXELS }}
    >
      <div className="train-track" style={{ top: rail }} />
      <div ref={strip} className="train-strip" data-running={running} style={{ left, width: long * pixels }}>
        <svg
          width={long * pixels}
          height={STAGE_PIXELS}
          viewBox={`${-MARGIN_MILLIMETRES} ${-rail / pixels} ${long} ${STAGE_PIXELS / pixels}`}
          role="img"
          aria-label={`${name}: ${study.cars.map((c) => c.job.name).join(', ')}`}
        >
          <TrainOnStage study={study} view={view} faces={faces} />
        </svg>
      </div>
      <ViewSwitches hasCorridor={false} corridorSide={undefined}>
        <Button size="small" aria-pressed={running} onClick={() => setRunning(!running)}>
          {running ? 'Stop it' : 'Run it past'}
        </Button>
      </ViewSwitches>
    </section>
  );
}
