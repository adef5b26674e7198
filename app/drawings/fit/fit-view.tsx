import type { ReactNode } from 'react';
import { inOrder } from '../../../core/document/in-order';
import { lampDrop } from '../../../core/document/room-kinds';
import { thingKinds } from '../../../core/document/thing-kinds';
import { windowShape } from '../../../core/document/usual-interior';
import { formatQuantity } from '../../../core/quantity/format';
import { coachInterior } from '../../../core/study/coach-interior';
import { fitAnswers, TOUCH, type FitAnswer } from '../../../core/study/fit';
import { showingThrough } from '../../../core/study/showing';
import type { Job } from '../../../core/document/layout';
import './fit.css';

const WIDTH = 600;
const TOP_HEIGHT = 104;

/** Whether it goes in: the answers in millimetres, the section, and the view from above. */
export function FitView({ job, children }: { readonly job: Job; readonly children?: ReactNode }) {
  const answers = fitAnswers(job);
  return (
    <div className="fit-view">
      <Answers answers={answers} />
      <FromAbove job={job} answers={answers} />
      <div className="fit-drawings">
        <Section job={job} />
        <div>{children}</div>
      </div>
    </div>
  );
}

const mm = (figure: number): string => formatQuantity(figure, 'millimetre', { significant: 3 });

function Answers({ answers }: { readonly answers: readonly FitAnswer[] }) {
  if (answers.length === 0)
    return (
      <p className="hint">
        Say what goes in: a board or strip, a cell, a switch. Then its room is told here.
      </p>
    );
  return (
    <table className="fit-answers">
      <thead>
        <tr>
          <th>Does it fit?</th>
          <th>there is</th>
          <th>it needs</th>
          <th>to spare</th>
        </tr>
      </thead>
      <tbody>
        {answers.map((a) => {
          const fits = a.spareMillimetres >= -TOUCH;
          return (
            <tr key={a.id} className={fits ? undefined : 'lacks'} data-fit={a.id}>
              <th scope="row">
                {a.question}
                {a.notches.length > 0 && (
                  <small>
                    {' '}
                    notch {mm(Math.max(...a.notches.map((n) => n.depthMillimetres)))}
                    {a.notches[0].into === 'board'
                      ? ' in both edges'
                      : ` in ${a.notches.length} × ${a.notches[0].into}`}
                  </small>
                )}
              </th>
              <td>{mm(a.hasMillimetres)}</td>
              <td>{mm(a.needsMillimetres)}</td>
              <td>{fits ? mm(a.spareMillimetres) : `−${mm(-a.spareMillimetres)}`}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

const SECTION = 220;

/** Across the coach, seen from its end: walls, window band, seats, board, lamps, things, and the line of sight. */
function Section({ job }: { readonly job: Job }) {
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
            height={(panes.head - panes.sill) * scale}
            fill="#ffe2ab"
          />
        ))}
        {back && (
          <rect
            x={x(1)}
            y={y(back.heightMillimetres - back.cutMillimetres)}
            width={(interior.widthMillimetres - 2) * scale}
            height={(back.heightMillimetres - back.cutMillimetres) * scale}
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
              width={(middle - fit.tabs!.apartMillimetres / 2) * scale}
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
            x2={x(middle)}
            y1={y(panes.head + 4)}
            y2={y(interior.seatMillimetres + 3)}
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

/** From above: board and tabs to scale, with every notch. */
function FromAbove({ job, answers }: { readonly job: Job; readonly answers: readonly FitAnswer[] }) {
  const { interior, dimensions, fit } = job;
  const laid = coachInterior(job);
  const perMillimetre = (WIDTH - 8) / dimensions.lengthMillimetres;
  const high = Math.min(TOP_HEIGHT, interior.widthMillimetres * perMillimetre);
  const across = high / interior.widthMillimetres;
  const x = (place: number): number => 4 + place * perMillimetre;
  const y = (place: number): number => 4 + high - place * across;
  const middle = interior.widthMillimetres / 2;
  const { board, tabs } = fit;
  const notches = answers.flatMap((a) => a.notches);
  return (
    <figure>
      <figcaption>From above, the roof off</figcaption>
      <svg
        viewBox={`0 0 ${WIDTH} ${high + 22}`}
        role="img"
        aria-label="The coach from above with board, tabs and notches"
      >
        <rect
          x={x(0)}
          y={y(interior.widthMillimetres)}
          width={WIDTH - 8}
          height={high}
          fill="#f0e8d4"
          stroke="#16211f"
          strokeWidth={2}
        />
        {laid.light.screens.map((s, i) => (
          <line
            key={`${s.lies} ${s.at} ${i}`}
            {...(s.lies === 'across'
              ? { x1: x(s.at), x2: x(s.at), y1: y(s.from), y2: y(s.to) }
              : { x1: x(s.from), x2: x(s.to), y1: y(s.at), y2: y(s.at) })}
            stroke="#7c7256"
            strokeWidth={s.top > laid.light.ceiling * 0.75 ? 2 : 1}
          />
        ))}
        {board && (
          <rect
            x={x(board.startMillimetres)}
            y={y(middle + board.widthMillimetres / 2)}
            width={board.lengthMillimetres * perMillimetre}
            height={board.widthMillimetres * across}
            fill="#3d8f62"
            opacity={0.55}
          />
        )}
        {board?.tallest && (
          <rect
            x={x(board.tallest.placeMillimetres - board.tallest.lengthMillimetres / 2)}
            y={y(middle + 1.5)}
            width={board.tallest.lengthMillimetres * perMillimetre}
            height={3 * across}
            fill="#16211f"
          />
        )}
        {tabs?.placesMillimetres.map((place) =>
          [-1, 1].map((s) => (
            <rect
              key={`${place} ${s}`}
              x={x(place - tabs.lengthMillimetres / 2)}
              y={s < 0 ? y(middle - tabs.apartMillimetres / 2) : y(interior.widthMillimetres)}
              width={tabs.lengthMillimetres * perMillimetre}
              height={(middle - tabs.apartMillimetres / 2) * across}
              fill="#84929a"
            />
          )),
        )}
        {notches.map((n, i) =>
          n.into === 'board' ? (
            [-1, 1].map((s) => (
              <rect
                key={`${i} ${s}`}
                x={x(n.placeMillimetres - n.lengthMillimetres / 2)}
                y={
                  s > 0
                    ? y(middle + board!.widthMillimetres / 2)
                    : y(middle - board!.widthMillimetres / 2 + n.depthMillimetres)
                }
                width={n.lengthMillimetres * perMillimetre}
                height={Math.max(2, n.depthMillimetres * across)}
                fill="#c8452f"
              />
            ))
          ) : (
            <rect
              key={i}
              x={x(n.placeMillimetres) - 3}
              y={y(middle + (n.widthMillimetres ?? 2) / 2)}
              width={6}
              height={(n.widthMillimetres ?? 2) * across}
              fill="#c8452f"
            />
          ),
        )}
        {inOrder(fit.things).map((t) => (
          <g key={t.id}>
            <rect
              x={x(t.placeMillimetres - t.lengthMillimetres / 2)}
              y={y(middle + t.acrossMillimetres + t.widthMillimetres / 2)}
              width={t.lengthMillimetres * perMillimetre}
              height={t.widthMillimetres * across}
              fill="#31443c"
              opacity={0.85}
            />
            <text
              x={x(t.placeMillimetres)}
              y={y(middle + t.acrossMillimetres + t.widthMillimetres / 2) - 3}
              textAnchor="middle"
              className="thing-name"
            >
              {thingKinds[t.kind].name}
            </text>
          </g>
        ))}
        <text x={4} y={high + 18} className="plan-side">
          {notches.length > 0 ? 'red: to be filed out' : 'left end'}
        </text>
        <text x={WIDTH - 4} y={high + 18} textAnchor="end" className="plan-side">
          {mm(dimensions.lengthMillimetres)}
        </text>
      </svg>
    </figure>
  );
}
