import { useDrag } from '@use-gesture/react';
import { useState } from 'react';
import { inOrder } from '../../../core/document/in-order';
import { onGrid } from '../../../core/feed/begin';
import { isRail } from '../../../core/part/rail';
import { holesOf, standingAbove } from '../../../core/feed/holes';
import { wirePaint } from '../../../core/part/wire-colour';
import { byHand } from '../../drawings/by-hand';
import { useRoom } from '../../drawings/use-room';
import type { PlacedLabel } from '../../drawings/place-words';
import { planView, type PlanView } from './plan-geometry';
import { planLabels } from './plan-labels';
import type { FeedFigures } from '../../../core/feed/reading';
import type { Layout } from '../../../core/document/layout';
import type { NodeRecord, RunRecord } from '../../../core/document/network-record';

/** What is looked at on the plan. */
export interface Chosen {
  readonly kind: 'place' | 'run' | 'board';
  readonly id: string;
}

interface PlanDrawingProps {
  readonly layout: Layout;
  readonly figures: FeedFigures | null;
  readonly beneath: boolean;
  readonly chosen: Chosen | null;
  /** Places and runs that something is told about. */
  readonly flagged: ReadonlySet<string>;
  readonly onChoose: (chosen: Chosen) => void;
  readonly onMove: (place: string, x: number, y: number) => void;
}

/** A step of an arrow key, in millimetres; with Shift five times as far. */
const STEP = 10;
/** Where the volts of a place stand, in pixels from its sign: beneath it, or above where its name is beneath. */
const VOLTS_BENEATH = 22;
const VOLTS_ABOVE = -14;
/** Between the two conductors of a run, in pixels. */
const APART = 1.7;

/** Boards, runs and what stands on them, to scale; from above, or as one lies beneath. */
export function PlanDrawing(props: PlanDrawingProps) {
  const { layout, figures, beneath, chosen, flagged, onChoose } = props;
  const [element, room] = useRoom<SVGSVGElement>({ width: 860, height: 400 });
  const view = planView(layout, room, beneath);
  const { nodes, runs } = layout.network;
  const above = standingAbove(layout);
  const labels = planLabels(layout, view, room.width, beneath);
  return (
    <svg
      ref={element}
      className={beneath ? 'plan beneath' : 'plan'}
      style={{ height: view.height }}
      viewBox={`0 0 ${room.width} ${view.height}`}
      role="group"
      aria-label={beneath ? 'The boards from beneath' : 'The boards from above'}
    >
      {inOrder(layout.boards).map((board) => {
        const [x1, x2] = [board.xMillimetres, board.xMillimetres + board.widthMillimetres].map(view.x);
        const left = Math.min(x1, x2);
        const top = view.y(board.yMillimetres);
        return (
          <g
            key={board.id}
            className={chosen?.kind === 'board' && chosen.id === board.id ? 'board chosen' : 'board'}
          >
            <rect
              x={left}
              y={top}
              width={Math.abs(x2 - x1)}
              height={board.depthMillimetres * view.scale}
              onClick={() => onChoose({ kind: 'board', id: board.id })}
            />
            <text x={left + 8} y={top + board.depthMillimetres * view.scale - 8}>
              {board.name}
            </text>
          </g>
        );
      })}
      {tracksFirst(inOrder(runs)).map((run) => (
        <Run
          key={run.id}
          run={run}
          from={nodes[run.from]}
          to={nodes[run.to]}
          view={view}
          chosen={chosen?.kind === 'run' && chosen.id === run.id}
          flagged={flagged.has(run.id)}
          onChoose={onChoose}
        />
      ))}
      {beneath &&
        holesOf(layout).map(({ place, x, y }) => (
          <g
            key={place}
            className="plan-hole"
            transform={`translate(${view.x(x)} ${view.y(y)})`}
            aria-hidden="true"
          >
            <circle r={6.5} />
            <path d="M-9 0H9M0 -9V9" />
          </g>
        ))}
      {inOrder(nodes).map((node) => (
        <Place
          key={node.id}
          {...props}
          node={node}
          view={view}
          name={labels.places.get(node.id) ?? null}
          hidden={beneath && above.has(node.id)}
          reading={figures?.places.get(node.id)}
        />
      ))}
      {inOrder(runs).map((run) => (
        <RunLabels
          key={run.id}
          labels={labels.runs.get(run.id) ?? []}
          chosen={chosen?.kind === 'run' && chosen.id === run.id}
          flagged={flagged.has(run.id)}
          onChoose={() => onChoose({ kind: 'run', id: run.id })}
        />
      ))}
    </svg>
  );
}

/** Tracks lie beneath the wires of a drawing, whatever was laid first. */
const tracksFirst = <R extends RunRecord>(runs: readonly R[]): R[] => [
  ...runs.filter((r) => isRail(r.wire)),
  ...runs.filter((r) => !isRail(r.wire)),
];

interface RunProps {
  readonly run: RunRecord & { readonly id: string };
  readonly from: NodeRecord;
  readonly to: NodeRecord;
  readonly view: PlanView;
  readonly chosen: boolean;
  readonly flagged: boolean;
  readonly onChoose: (chosen: Chosen) => void;
}

/** A run as it lies: along the boards, then across, both conductors in their colours beside one another; a track straight from end to end. */
function Run({ run, from, to, view, chosen, flagged, onChoose }: RunProps) {
  const [x1, y1] = [view.x(from.xMillimetres), view.y(from.yMillimetres)];
  const [x2, y2] = [view.x(to.xMillimetres), view.y(to.yMillimetres)];
  const path = (by: number): string => `M${x1} ${y1 + by}H${x2 + by}V${y2}`;
  const choose = (): void => onChoose({ kind: 'run', id: run.id });
  const track = isRail(run.wire);
  const line = `M${x1} ${y1}L${x2} ${y2}`;
  return (
    <g
      className={['plan-run', track && 'track', chosen && 'chosen', flagged && 'flagged']
        .filter(Boolean)
        .join(' ')}
      role="button"
      tabIndex={0}
      aria-label={`${track ? 'Track' : 'Run'} ${run.label}, ${from.name} to ${to.name}`}
      aria-pressed={chosen}
      onClick={choose}
      onKeyDown={(e) => {
        if (e.key === 'Enter') choose();
      }}
    >
      {track ? (
        <>
          <path d={line} className="grip" />
          <path d={line} className="sleepers" />
          <path d={line} className="railheads" />
          <path d={line} className="between-rails" />
          <path d={line} className="sleepers over" />
        </>
      ) : (
        <>
          <path d={path(0)} className="grip" />
          <path d={path(-APART)} className="casing" />
          <path d={path(APART)} className="casing" />
          <path d={path(-APART)} stroke={wirePaint[run.plus]} className="wire" />
          <path d={path(APART)} stroke={wirePaint[run.minus]} className="wire" />
        </>
      )}
    </g>
  );
}

interface RunLabelsProps {
  readonly labels: readonly PlacedLabel[];
  readonly chosen: boolean;
  readonly flagged: boolean;
  readonly onChoose: () => void;
}

/** The labels of a run, over all that is drawn. */
function RunLabels({ labels, chosen, flagged, onChoose }: RunLabelsProps) {
  const words = ['run-labels', chosen && 'chosen', flagged && 'flagged'].filter(Boolean).join(' ');
  return (
    <g className={words} aria-hidden="true" onClick={onChoose}>
      {labels.map(({ x, y, width, text }, k) => (
        <g key={k} transform={`translate(${x} ${y})`} className="run-label">
          <rect x={-width / 2} y={-7} width={width} height={14} rx={3} />
          <text textAnchor="middle" y={4}>
            {text}
          </text>
        </g>
      ))}
    </g>
  );
}

interface PlaceProps extends PlanDrawingProps {
  readonly node: NodeRecord & { readonly id: string };
  readonly view: PlanView;
  readonly name: PlacedLabel | null;
  /** It stands on the boards, and one looks at them from beneath. */
  readonly hidden: boolean;
  readonly reading: { readonly volts: number; readonly lightness: number | null } | undefined;
}

/** A thing where it stands: dragged by hand, or moved by the arrow keys. */
function Place({ node, view, name, reading, hidden, chosen, flagged, onChoose, onMove }: PlaceProps) {
  const [by, setBy] = useState<readonly [number, number]>([0, 0]);
  const x = view.x(node.xMillimetres) + by[0];
  const y = view.y(node.yMillimetres) + by[1];
  const drag = useDrag(({ first, last, tap, movement: [dx, dy] }) => {
    if (first || tap) onChoose({ kind: 'place', id: node.id });
    setBy(last ? [0, 0] : [dx, dy]);
    if (!last || tap) return;
    onMove(
      node.id,
      onGrid(node.xMillimetres + (view.right * dx) / view.scale),
      onGrid(node.yMillimetres + dy / view.scale),
    );
  }, byHand);
  const own = chosen?.kind === 'place' && chosen.id === node.id;
  const volts = reading && node.is.kind !== 'supply' ? `, ${reading.volts.toFixed(2)} V` : '';
  return (
    <g
      className={[
        'plan-place',
        node.is.kind,
        hidden && 'above',
        own && 'chosen',
        flagged.has(node.id) && 'flagged',
      ]
        .filter(Boolean)
        .join(' ')}
      transform={`translate(${x} ${y})`}
      role="button"
      tabIndex={0}
      aria-label={`${node.name}${volts}`}
      aria-pressed={own}
      onFocus={() => onChoose({ kind: 'place', id: node.id })}
      {...drag()}
      onKeyDown={(e) => {
        const by = STEP * (e.shiftKey ? 5 : 1);
        const [dx, dy] = { ArrowLeft: [-by, 0], ArrowRight: [by, 0], ArrowUp: [0, -by], ArrowDown: [0, by] }[
          e.key
        ] ?? [0, 0];
        if (dx === 0 && dy === 0) return;
        e.preventDefault();
        onMove(node.id, node.xMillimetres + view.right * dx, node.yMillimetres + dy);
      }}
    >
      <Symbol node={node} lightness={reading?.lightness ?? null} />
      {name && (
        <text
          x={name.x - view.x(node.xMillimetres)}
          y={name.y - view.y(node.yMillimetres) + 4}
          textAnchor="middle"
          aria-hidden="true"
        >
          {name.text}
        </text>
      )}
      {reading && (own || flagged.has(node.id)) && (
        <text
          y={name && name.y > view.y(node.yMillimetres) + VOLTS_BENEATH / 2 ? VOLTS_ABOVE : VOLTS_BENEATH}
          textAnchor="middle"
          className="plan-volts"
          aria-hidden="true"
        >
          {reading.volts.toFixed(1)} V
        </text>
      )}
    </g>
  );
}

/** What a thing is, as a sign of its own. */
function Symbol({ node, lightness }: { readonly node: NodeRecord; readonly lightness: number | null }) {
  switch (node.is.kind) {
    case 'supply':
      return (
        <>
          <rect x={-13} y={-9} width={26} height={18} rx={3} className="plan-box" />
          <path d="M-7 0h6M-4 -3v6M3 0h5" className="plan-mark" />
        </>
      );
    case 'strip':
      return (
        <>
          <rect x={-15} y={-6} width={30} height={12} rx={2} className="plan-box" />
          {[-9, -3, 3, 9].map((x) => (
            <circle key={x} cx={x} cy={0} r={1.8} className="plan-screw" />
          ))}
        </>
      );
    case 'tap':
      return <circle r={4} className="plan-box" />;
    case 'converter':
      return (
        <>
          <rect x={-12} y={-8} width={24} height={16} rx={3} className="plan-box" />
          <path d="M-7 -3h6v6h8" className="plan-mark" />
        </>
      );
    case 'typed':
      return <path d="M0 -8L9 0L0 8L-9 0Z" className="plan-box" />;
    case 'job':
    case 'rig':
    case 'lamps':
      return (
        <>
          <circle r={13} className="plan-glow" opacity={(lightness ?? 0) / 130} />
          <circle r={5.5} className="plan-lamp" fillOpacity={0.15 + (0.85 * (lightness ?? 0)) / 100} />
        </>
      );
  }
}
