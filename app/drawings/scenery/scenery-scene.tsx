import { groundPool } from '../../../core/study/pools';
import { screenColour } from '../../../core/light/colour';
import { mixedXy } from '../../../core/light/tinted';
import { formatQuantity, quantityParts } from '../../../core/quantity/format';
import { prototypeMetres } from '../../../core/quantity/scale';
import { NightOrDay } from '../../bench/view-switches';
import { useFading } from '../../bench/use-fading';
import { useRunStore } from '../../store/run-store';
import { useRoom } from '../use-room';
import { GroundLight } from './ground-light';
import { useMemo, type ReactNode } from 'react';
import { DrawnNow } from '../drawn-now';
import type { Scenery } from '../../../core/document/scenery-record';
import type { AnyJob } from '../../../core/document/layout';
import type { PanelProps } from '../../kinds/face';

interface SceneryStageProps {
  readonly of: PanelProps;
  readonly lengthMillimetres: number;
  readonly topMillimetres: number;
  /** The thing itself, y down from the ground, x from its left end. */
  readonly children: (shown: (lightness: number) => number) => ReactNode;
  readonly note?: string;
}

/** Room that figures and controls take at the sides of the stage, in pixels, and what stays free above and below. */
const SIDES = { wide: { left: 190, right: 240 }, narrow: { left: 20, right: 20 } };
const NARROW = 900;
const ABOVE = 24;
const BELOW = 62;
const TALLEST = 3.2;

/** A piece of scenery to scale, by night or by day, with its light on the ground where it lights it. */
export function SceneryStage({ of, lengthMillimetres, topMillimetres, children, note }: SceneryStageProps) {
  const { layout, solved, job } = of;
  const [element, room] = useRoom<SVGSVGElement>({ width: 1200, height: 258 });
  const { shown } = useFading(of);
  const by = useRunStore((s) => s.view.by);
  const { left, right } = room.width < NARROW ? SIDES.narrow : SIDES.wide;
  const free = { width: room.width - left - right, height: room.height - ABOVE - BELOW };
  const scale = Math.max(
    0.02,
    Math.min(free.width / lengthMillimetres, free.height / topMillimetres, TALLEST * 2),
  );
  const x = left + (free.width - lengthMillimetres * scale) / 2;
  const y = room.height - BELOW;
  // While the light fades the stage is drawn every frame; what was solved stays as it is.
  const pool = useMemo(() => solved.readings && groundPool(solved.bench, solved.readings), [solved]);
  const xy = solved.readings && mixedXy(solved.readings.dies.map((d) => ({ lumens: d.lumens, ...d.xy })));
  return (
    <>
      <svg
        ref={element}
        className="scene"
        viewBox={`0 0 ${room.width} ${room.height}`}
        role="img"
        aria-label={`${job.name} drawn to scale`}
      >
        <rect x={0} y={y} width={room.width} height={BELOW} fill={by === 'day' ? '#8d8672' : '#0d1413'} />
        <g transform={`translate(${x} ${y}) scale(${scale})`}>
          {by === 'night' && pool && xy && (
            <GroundLight pool={pool} colour={screenColour(xy)} deep={(BELOW * 0.62) / scale} shown={shown} />
          )}
          <rect
            x={-x / scale}
            y={0}
            width={room.width / scale}
            height={1.5 / scale}
            fill={by === 'day' ? '#6d6756' : '#4a4138'}
          />
          {children(shown)}
        </g>
        <text
          x={x + (lengthMillimetres * scale) / 2}
          y={room.height - 12}
          textAnchor="middle"
          className="scene-note"
        >
          {note ??
            `${formatQuantity(lengthMillimetres, 'millimetre', { significant: 3 })} · ${prototypeMetres(lengthMillimetres, layout.scale).toFixed(1)} m full size`}
        </text>
      </svg>
      <NightOrDay />
    </>
  );
}

/** What it draws, and the light below its lamps where they light the ground. */
export function SceneryFigures({ solved, hand }: PanelProps<AnyJob & Scenery>) {
  const { readings, bench } = solved;
  const pool = readings && hand.power ? groundPool(bench, readings) : null;
  const under = pool && quantityParts(pool.mostLux, 'lux', { significant: 2 });
  return (
    <dl className="stage-figures">
      <DrawnNow solved={solved} hand={hand} />
      {under && (
        <div>
          <dt>most on the ground</dt>
          <dd data-figure="ground">
            {under.number} <small>{under.symbol}</small>
          </dd>
        </div>
      )}
    </dl>
  );
}
