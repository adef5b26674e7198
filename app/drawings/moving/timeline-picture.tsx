import { Button, Segmented } from 'antd';
import { PauseOutlined, CaretRightOutlined, StepBackwardOutlined } from '@ant-design/icons';
import { useDrag } from '@use-gesture/react';
import { useMemo, useRef, useState } from 'react';
import { endClip, moveClip, snapped } from '../../../core/document/timeline-edits';
import { inOrder } from '../../../core/document/in-order';
import { formatQuantity } from '../../../core/quantity/format';
import { stringLampOf, worstOf } from '../../../core/study/play';
import { timelineCurves, type TimelineCurves } from '../../../core/study/timeline-curves';
import { movingEffects } from '../../../core/supply/drivers/effects';
import { useFrames } from '../../bench/use-frames';
import { usePlay } from '../../bench/use-play';
import { movingIn } from '../../panels/moving/moving-in';
import { useLayoutStore } from '../../store/layout-store';
import { momentNow, useSceneClocks } from '../../store/scene-clock';
import { byHand } from '../by-hand';
import { useRoom } from '../use-room';
import './timeline.css';
import type { ClipRecord, Moving } from '../../../core/document/moving-record';
import type { AnyJob } from '../../../core/document/layout';
import type { PictureProps } from '../../kinds/face';

const NAMES = 128;
const RIGHT = 14;
const ROW = 44;
const CHART = 92;
const POINTS = 400;
const GRIDS = [100, 250, 500, 1000] as const;

const seconds = (ms: number): string => `${(ms / 1000).toFixed(1)} s`;

/** A scene that a hand is moving, and where it has got to. */
interface Dragged {
  readonly from: number;
  readonly to: number;
}

/** What happens when: a row for each group, its scenes to be moved by hand or by key, and what is drawn over time. */
export function TimelinePicture({ jobId, solved }: PictureProps) {
  const job = solved.bench.job as AnyJob & Moving;
  const play = usePlay(solved);
  const [grid, setGrid] = useState<number>(500);
  const clock = useSceneClocks((s) => s.clocks[jobId]);
  const setClock = useSceneClocks((s) => s.set);
  const runs = clock?.runs ?? true;
  const now = useRef<HTMLSpanElement>(null);
  const hand = useRef<SVGLineElement>(null);
  const [element, room] = useRoom<SVGSVGElement>({ width: 860, height: 320 });
  const { timeline } = job;
  const wide = Math.max(60, room.width - NAMES - RIGHT);
  const x = (ms: number): number => NAMES + (wide * ms) / timeline.lastsMilliseconds;
  const lamp = stringLampOf(job);
  const curves = useMemo(
    () => play && timelineCurves(play.timeline, play.channelAmps, stringLampOf(job), POINTS),
    [play, job],
  );
  const worst = useMemo(() => play && worstOf(job, play.channelAmps), [play, job]);
  useFrames(runs, () => {
    const at = momentNow(jobId) % timeline.lastsMilliseconds;
    if (now.current) now.current.textContent = seconds(at);
    hand.current?.setAttribute('transform', `translate(${x(at)} 0)`);
  });
  const groups = inOrder(timeline.groups);
  const high = groups.length * ROW + CHART + 26;
  return (
    <div className="timeline">
      <div className="timeline-bar">
        <Button
          icon={runs ? <PauseOutlined /> : <CaretRightOutlined />}
          onClick={() => setClock(jobId, { runs: !runs })}
        >
          {runs ? 'Hold' : 'Run'}
        </Button>
        <Button
          icon={<StepBackwardOutlined />}
          aria-label="From the start"
          onClick={() => setClock(jobId, { at: 0 })}
        />
        <span className="figure" ref={now} /> of {seconds(timeline.lastsMilliseconds)}
        <span className="timeline-grid">
          Grid
          <Segmented<number>
            aria-label="Grid"
            options={GRIDS.map((g) => ({ value: g, label: `${g / 1000} s` }))}
            value={grid}
            onChange={setGrid}
          />
        </span>
      </div>
      <svg
        ref={element}
        className="timeline-rows"
        style={{ height: high }}
        viewBox={`0 0 ${room.width} ${high}`}
      >
        {groups.map(({ id, name }, row) => (
          <g key={id} transform={`translate(0 ${row * ROW})`}>
            <rect x={NAMES} y={3} width={wide} height={ROW - 6} className="timeline-row" />
            <text x={0} y={ROW / 2 + 5}>
              {name.length > 17 ? `${name.slice(0, 16)}…` : name}
            </text>
            <title>{name}</title>
          </g>
        ))}
        {inOrder(timeline.clips).map((clip) => (
          <Clip
            key={clip.id}
            jobId={jobId}
            clip={clip}
            row={groups.findIndex((g) => g.id === clip.group)}
            group={groups.find((g) => g.id === clip.group)?.name ?? ''}
            x={x}
            perMillisecond={wide / timeline.lastsMilliseconds}
            grid={grid}
            lasts={timeline.lastsMilliseconds}
            coloured={timeline.groups[clip.group].of === 'string'}
            curves={curves}
          />
        ))}
        {curves && (
          <Drawn
            curves={curves}
            top={groups.length * ROW + 14}
            x={x}
            wide={wide}
            string={lamp.colourAmps > 0}
          />
        )}
        <line ref={hand} className="timeline-hand" x1={0} x2={0} y1={0} y2={high} />
      </svg>
      {worst && (
        <p className="hint">
          The channels draw most at {seconds(worst.channels.milliseconds)}:{' '}
          {formatQuantity(worst.channels.amps, 'amp', { significant: 3 })} with all that is lit then at full
          {job.string
            ? `; the string at ${seconds(worst.string.milliseconds)}: ${formatQuantity(worst.string.amps, 'amp', { significant: 3 })} of the ${formatQuantity(job.string.supplyAmps, 'amp')} its supply gives`
            : ''}
          . A scene is moved by hand or with the arrow keys; with Shift its end.
        </p>
      )}
      {play?.spared && (
        <p className="hint">A scene that flashes from 3 to 30 times a second is shown standing still here.</p>
      )}
    </div>
  );
}

interface ClipProps {
  readonly jobId: string;
  readonly clip: ClipRecord & { readonly id: string };
  readonly row: number;
  readonly group: string;
  readonly x: (ms: number) => number;
  readonly perMillisecond: number;
  readonly grid: number;
  readonly lasts: number;
  readonly coloured: boolean;
  readonly curves: TimelineCurves | null;
}

/** A scene as a bar with its curve in it: dragged, or moved by the arrow keys. */
function Clip({ jobId, clip, row, group, x, perMillisecond, grid, lasts, coloured, curves }: ClipProps) {
  const edit = useLayoutStore((s) => s.edit);
  const chosen = useSceneClocks((s) => s.chosen[jobId] === clip.id);
  const choose = useSceneClocks((s) => s.choose);
  const [drag, setDrag] = useState<Dragged | null>(null);
  const { name } = movingEffects[clip.effect];
  const from = drag?.from ?? clip.fromMilliseconds;
  const to = drag?.to ?? clip.toMilliseconds;
  const move = (at: number): void =>
    edit('A scene moved', (draft) => moveClip(movingIn(draft, jobId).timeline, clip.id, at));
  const end = (at: number): void =>
    edit('A scene’s end', (draft) => endClip(movingIn(draft, jobId).timeline, clip.id, at));
  /** Where it lies after so many pixels to the right, taken as a whole or by its end. */
  const dragged = (how: 'move' | 'end', pixels: number): Dragged => {
    const { fromMilliseconds: wasFrom, toMilliseconds: wasTo } = clip;
    const by = pixels / perMillisecond;
    if (how === 'end')
      return { from: wasFrom, to: Math.max(wasFrom + grid, Math.min(lasts, snapped(wasTo + by, grid))) };
    const next = Math.max(0, Math.min(lasts - (wasTo - wasFrom), snapped(wasFrom + by, grid)));
    return { from: next, to: next + wasTo - wasFrom };
  };
  const bind = useDrag(({ args, first, last, tap, movement: [pixels] }) => {
    const [how] = args as ['move' | 'end'];
    if (first || tap) choose(jobId, clip.id);
    const at = dragged(how, pixels);
    setDrag(last ? null : at);
    if (!last || tap) return;
    if (how === 'move' && at.from !== clip.fromMilliseconds) move(at.from);
    if (how === 'end' && at.to !== clip.toMilliseconds) end(at.to);
  }, byHand);
  const onKey = (event: React.KeyboardEvent): void => {
    const by = event.key === 'ArrowLeft' ? -grid : event.key === 'ArrowRight' ? grid : 0;
    if (by === 0) return;
    event.preventDefault();
    if (event.shiftKey) end(snapped(clip.toMilliseconds + by, grid));
    else move(snapped(clip.fromMilliseconds + by, grid));
  };
  const width = Math.max(3, x(to) - x(from));
  const samples = curves?.levels.get(clip.group) ?? [];
  const high = ROW - 20;
  const path =
    drag || !curves
      ? ''
      : curves.milliseconds
          .flatMap((ms, k) =>
            ms >= from && ms < to
              ? [`${(x(ms) - x(from)).toFixed(1)} ${(high * (1 - samples[k])).toFixed(1)}`]
              : [],
          )
          .join('L');
  const [r, g, b] = clip.colour;
  return (
    <g
      transform={`translate(${x(from)} ${row * ROW + 5})`}
      className={chosen ? 'timeline-clip chosen' : 'timeline-clip'}
      role="button"
      tabIndex={0}
      aria-label={`${name} of ${group}, from ${seconds(from)} to ${seconds(to)}`}
      aria-pressed={chosen}
      onFocus={() => choose(jobId, clip.id)}
      onKeyDown={onKey}
    >
      <rect width={width} height={ROW - 10} rx={4} {...bind('move')} />
      {coloured && (
        <rect width={width} height={5} rx={2} style={{ fill: `rgb(${r} ${g} ${b})` }} pointerEvents="none" />
      )}
      {path !== '' && <path d={`M${path}`} transform="translate(0 7)" pointerEvents="none" />}
      {width > 7 * name.length && (
        <text x={8} y={20} pointerEvents="none">
          {name}
        </text>
      )}
      <rect className="timeline-end" x={width - 8} width={8} height={ROW - 10} {...bind('end')} />
    </g>
  );
}

interface DrawnProps {
  readonly curves: TimelineCurves;
  readonly top: number;
  readonly x: (ms: number) => number;
  readonly wide: number;
  readonly string: boolean;
}

/** What is drawn over the time line: by the channels, and by the string on a scale of its own. */
function Drawn({ curves, top, x, wide, string }: DrawnProps) {
  const line = (of: readonly number[], most: number): string =>
    `M${of.map((a, k) => `${x(curves.milliseconds[k]).toFixed(1)} ${(CHART * (1 - a / most)).toFixed(1)}`).join('L')}`;
  const [channels, strings] = [curves.channelAmps, curves.stringAmps].map(
    (of) => Math.max(1e-3, ...of) * 1.05,
  );
  return (
    <g transform={`translate(0 ${top})`} className="timeline-drawn">
      <rect x={NAMES} y={0} width={wide} height={CHART} className="timeline-row" />
      <path className="timeline-channels" d={line(curves.channelAmps, channels)} />
      {string && <path className="timeline-string" d={line(curves.stringAmps, strings)} />}
      <text x={0} y={16} className="timeline-channels-word">
        ━ channels
      </text>
      <text x={0} y={32}>
        to {formatQuantity(channels, 'amp', { significant: 2 })}
      </text>
      {string && (
        <>
          <text x={0} y={58} className="timeline-string-word">
            ┅ string
          </text>
          <text x={0} y={74}>
            to {formatQuantity(strings, 'amp', { significant: 2 })}
          </text>
        </>
      )}
    </g>
  );
}
