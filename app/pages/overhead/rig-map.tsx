import { contours } from 'd3-contour';
import { useMemo } from 'react';
import { inOrder } from '../../../core/document/in-order';
import { piecesOf, spotsOf } from '../../../core/overhead/geometry';
import { lightness } from '../../../core/light/lightness';
import { screenColour } from '../../../core/light/colour';
import { whiteXy } from '../../../core/light/white';
import { useRoom } from '../../drawings/use-room';
import type { RigLight } from '../../../core/overhead/light';
import type { RigRecord } from '../../../core/document/rig-record';

interface RigMapProps {
  readonly rig: RigRecord;
  readonly light: RigLight;
  readonly chosen: string | null;
  readonly onChoose: (rowId: string) => void;
}

const MARGIN = 26;
const TALLEST = 330;
const LINES = 7;
/** Room for a figure of four digits, in pixels. */
const LABEL_APART = 38;

/** Round figures between the least and the most. */
export function levels(least: number, most: number): number[] {
  const step = (most - least) / LINES;
  if (!(step > 0)) return [];
  const power = 10 ** Math.floor(Math.log10(step));
  const nice = [1, 2, 5, 10].map((m) => m * power).find((s) => s >= step)!;
  return Array.from(
    { length: Math.floor(most / nice) - Math.ceil(least / nice) + 1 },
    (_, i) => (Math.ceil(least / nice) + i) * nice,
  ).filter((l) => l > least && l < most);
}

type Ring = readonly (readonly number[])[];
const pathOf = (rings: readonly Ring[], scale: number): string =>
  rings
    .map(
      (ring) => `M${ring.map(([x, y]) => `${(x * scale).toFixed(1)} ${(y * scale).toFixed(1)}`).join('L')}Z`,
    )
    .join('');

/** The middles of strips of boards over which no row hangs, the widest first: depths at which figures stand clear, in millimetres. */
export function clearDepths(depths: readonly number[], depth: number): number[] {
  const edges = [0, ...depths.filter((d) => d > 0 && d < depth).sort((a, b) => a - b), depth];
  return edges
    .slice(1)
    .map((edge, i) => ({ middle: (edge + edges[i]) / 2, wide: edge - edges[i] }))
    .sort((a, b) => b.wide - a.wide)
    .map((strip) => strip.middle);
}

/**
 * Where each contour line crosses the first of some depths that it crosses on the right, all in places of
 * the map; one too near to another goes without its figure, and none stands over the edge.
 */
export function labelled(
  bands: readonly { readonly value: number; readonly coordinates: unknown }[],
  columns: number,
  depths: readonly number[],
  apart: number,
): { readonly level: number; readonly x: number; readonly y: number }[] {
  const labels: { level: number; x: number; y: number }[] = [];
  for (const { value, coordinates } of bands.slice(1)) {
    const right = ((coordinates as Ring[][]).flat() as Ring[]).flat().filter(([x]) => x > columns * 0.5);
    const point = depths
      .map((depth) => right.find(([, y]) => Math.abs(y - depth) <= 0.5))
      .find((p) => p !== undefined);
    if (!point || labels.some((l) => Math.hypot(l.x - point[0], l.y - point[1]) < apart)) continue;
    labels.push({ level: value, x: Math.min(point[0], columns - apart / 2), y: point[1] });
  }
  return labels;
}

/** Lux over the boards from above, as steps with their contour lines; rows where they hang. */
export function RigMap({ rig, light, chosen, onChoose }: RigMapProps) {
  const { area, map, leastLux, mostLux } = light;
  const [element, room] = useRoom<SVGSVGElement>({ width: 800, height: 280 });
  const scale = Math.min((room.width - 2 * MARGIN) / area.width, (TALLEST - 2 * MARGIN) / area.depth);
  const height = area.depth * scale + 2 * MARGIN;
  const at = useMemo(() => levels(leastLux, mostLux), [leastLux, mostLux]);
  const bands = useMemo(
    () =>
      contours()
        .size([map.columns, map.rows])
        .thresholds([0.5, ...at])(Array.from(map.lux)),
    [map, at],
  );
  const cell = map.stepMillimetres * scale;
  const left = (room.width - area.width * scale) / 2;
  const white = screenColour(light.xy);
  const clear = clearDepths(
    Object.values(rig.rows).map((r) => r.depthMillimetres),
    area.depth,
  );
  const labels = labelled(
    bands,
    map.columns,
    clear.map((d) => d / map.stepMillimetres),
    LABEL_APART / cell,
  );
  return (
    <svg
      ref={element}
      className="rig-map"
      style={{ height }}
      viewBox={`0 0 ${room.width} ${height}`}
      role="group"
      aria-label={`Light over the boards: ${Math.round(leastLux)} to ${Math.round(mostLux)} lux`}
    >
      <g transform={`translate(${left} ${MARGIN})`}>
        {bands.map((band, i) => (
          <path
            key={band.value}
            d={pathOf(band.coordinates.flat() as unknown as Ring[], cell)}
            fill={white}
            fillOpacity={i === 0 ? 0.1 + 0.9 * (lightness(leastLux / mostLux) / 100) * 0.4 : 0.13}
            className="rig-band"
          />
        ))}
        {labels.map(({ level, x, y }) => (
          <text key={level} x={x * cell} y={y * cell + 4} textAnchor="middle">
            {level}
          </text>
        ))}
        {area.boards.map((b) => (
          <g key={`${b.name} ${b.x} ${b.y}`} className="rig-board">
            <rect x={b.x * scale} y={b.y * scale} width={b.width * scale} height={b.depth * scale} />
            <text x={b.x * scale + 8} y={(b.y + b.depth) * scale + 16}>
              {b.name}
            </text>
          </g>
        ))}
        {area.joints.map((x) => (
          <path key={x} className="rig-joint" d={`M${x * scale} -6V${area.depth * scale + 6}`} />
        ))}
        {inOrder(rig.rows).map((row) => {
          const y = row.depthMillimetres * scale;
          return (
            <g
              key={row.id}
              className={['rig-row', row.id === chosen && 'chosen', !row.on && 'off']
                .filter(Boolean)
                .join(' ')}
              role="button"
              tabIndex={0}
              aria-label={row.name}
              aria-pressed={row.id === chosen}
              onClick={() => onChoose(row.id)}
              onKeyDown={(e) => {
                if (e.key === 'Enter') onChoose(row.id);
              }}
            >
              <path className="grip" d={`M0 ${y}H${area.width * scale}`} />
              {row.form === 'spot'
                ? spotsOf(row, rig, area).map((x) => (
                    <circle key={x} cx={x * scale} cy={y} r={5} fill={screenColour(whiteXy(row))} />
                  ))
                : piecesOf(row, rig, area).map((p) => (
                    <rect
                      key={p.from}
                      x={p.from * scale}
                      y={y - 2.5}
                      width={(p.to - p.from) * scale}
                      height={5}
                      rx={2}
                      fill={screenColour(whiteXy(row))}
                    />
                  ))}
            </g>
          );
        })}
      </g>
    </svg>
  );
}
