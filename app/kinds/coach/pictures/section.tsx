import { inOrder } from '../../../../core/document/in-order';
import { lampDrop } from '../../../../core/kinds/coach/room-kinds';
import { windowShape } from '../../../../core/kinds/coach/usual-interior';
import { formatQuantity } from '../../../../core/quantity/format';
import { coachInterior } from '../../../../core/kinds/coach/interior';
import { showingThrough, sightLine } from '../../../../core/kinds/coach/showing';
import type { CoachRecord as Job } from '../../../../core/kinds/coach/record';

const mm = (figure: number): string => formatQuantity(figure, 'millimetre', { significant: 3 });

const SECTION = 220;

/** Across the coach, seen from its end: walls, window band, seats, board, lamps, things, and the line of sight. */
export function Section({ job }: { readonly job: Job }) {
  const { interior, dimensions, fit } = job;
  const laid = coachInterior(job);
  const high = dimensions.bodyHeightMillimetres;
  const wide = Math.max(dimensions.widthMillimetres, interior.widthMillimetres);
  const scale = (SECTION - 46) / Math.max(wide, high);
  const x = (y: number): number => SECTION / 2 + (y - interior.widthMillimetres / 2) * scale;
  const y = (z: number): number => SECTION - 24 - z * scale;
  const panes = windowShape(dimensions);
  const middle = interior.widthMillimetres / 2;
  const { board } = fit;
  const lampZ = interior.seatMillimetres + lampDrop(interior);
  const rows = [
    ...new Set(
      inOrder(job.lamps)
        .filter((l) => l.role === 'room')
        .map((l) => l.acrossMillimetres),
    ),
  ];
  const wall = laid.light.screens.find((s) => s.lies === 'along');
  const outer = (dimensions.widthMillimetres - interior.widthMillimetres) / 2;
  const seen = showingThrough(job).find((s) => s.shows && s.side === 'near');
  const back = Object.values(interior.seatBacks)[0];
  // The drawing's left edge, from the near wall.
  const edge = interior.widthMillimetres / 2 - SECTION / 2 / scale;
  return (
    <figure>
      <figcaption>Section</figcaption>
      <svg viewBox={`0 0 ${SECTION} ${SECTION}`} role="img" aria-label="Section of the coach">
        <rect
          x={x(-outer)}
          y={y(high)}
          width={dimensions.widthMillimetres * scale}
          height={high * scale}
          rx={9}
          fill="#5c7a6d"
        />
        <rect
          x={x(0)}
          y={y(interior.ceilingMillimetres)}
          width={interior.widthMillimetres * scale}
          height={interior.ceilingMillimetres * scale}
          fill="#f6f2e9"
        />
        {[-outer, interior.widthMillimetres].map((side) => (
          <rect
            key={side}
            x={x(side)}
            y={y(panes.head)}
            width={Math.max(2, outer * scale)}
            height={Math.max(0, (panes.head - panes.sill) * scale)}
            fill="#ffe2ab"
          />
        ))}
        {back && (
          <rect
            x={x(1)}
            y={y(back.heightMillimetres - back.cutMillimetres)}
            width={Math.max(0, (interior.widthMillimetres - 2) * scale)}
            height={Math.max(0, (back.heightMillimetres - back.cutMillimetres) * scale)}
            fill="#d8cba6"
          />
        )}
        <rect
          x={x(0)}
          y={y(interior.seatMillimetres)}
          width={interior.widthMillimetres * scale}
          height={interior.seatMillimetres * scale}
          fill="#c3b183"
        />
        {wall && (
          <line x1={x(wall.at)} x2={x(wall.at)} y1={y(0)} y2={y(wall.top)} stroke="#4a5c53" strokeWidth={3} />
        )}
        {fit.tabs &&
          [-1, 1].map((s) => (
            <rect
              key={s}
              x={s < 0 ? x(0) : x(middle + fit.tabs!.apartMillimetres / 2)}
              y={y(interior.ceilingMillimetres)}
              width={Math.max(0, (middle - fit.tabs!.apartMillimetres / 2) * scale)}
              height={2.2 * scale}
              fill="#84929a"
            />
          ))}
        {board && (
          <rect
            x={x(middle - board.widthMillimetres / 2)}
            y={y(interior.ceilingMillimetres)}
            width={board.widthMillimetres * scale}
            height={Math.max(2, board.thicknessMillimetres * scale)}
            fill="#3d8f62"
            opacity={0.85}
          />
        )}
        {board?.tallest && (
          <rect
            x={x(middle - 1.5)}
            y={y(interior.ceilingMillimetres - board.thicknessMillimetres)}
            width={3 * scale}
            height={board.tallest.heightMillimetres * scale}
            fill="#16211f"
          />
        )}
        {rows.map((across) => (
          <g key={across}>
            <circle cx={x(middle + across)} cy={y(lampZ)} r={4} fill="#ffc46b" stroke="#16211f" />
          </g>
        ))}
        {inOrder(fit.things).map((t) => (
          <rect
            key={t.id}
            x={x(middle + t.acrossMillimetres - t.widthMillimetres / 2)}
            y={y(t.bottomMillimetres + t.heightMillimetres)}
            width={t.widthMillimetres * scale}
            height={t.heightMillimetres * scale}
            fill="#31443c"
            opacity={0.85}
          />
        ))}
        {seen && (
          <line
            x1={0}
            x2={x(seen.point.y)}
            y1={y(sightLine(job, seen.point, edge))}
            y2={y(seen.point.z)}
            stroke="#a8331d"
            strokeWidth={1.5}
            strokeDasharray="5 4"
          />
        )}
        <text x={SECTION / 2} y={SECTION - 8} textAnchor="middle" className="plan-side">
          {mm(interior.widthMillimetres)} inside, {mm(interior.ceilingMillimetres)} high
        </text>
        <text x={x(0)} y={y(high) - 5} className="plan-side">
          near
        </text>
        <text x={x(interior.widthMillimetres)} y={y(high) - 5} textAnchor="end" className="plan-side">
          far
        </text>
      </svg>
    </figure>
  );
}
