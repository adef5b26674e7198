import { inOrder } from '../../../../core/document/in-order';
import { thingKinds } from '../../../../core/kinds/coach/thing-kinds';
import { formatQuantity } from '../../../../core/quantity/format';
import { coachInterior } from '../../../../core/kinds/coach/interior';
import type { FitAnswer } from '../../../../core/kinds/coach/fit';
import type { CoachRecord as Job } from '../../../../core/kinds/coach/record';

const WIDTH = 600;
const TOP_HEIGHT = 104;

const mm = (figure: number): string => formatQuantity(figure, 'millimetre', { significant: 3 });

/** From above: board and tabs to scale, with every notch. */
export function FromAbove({ job, answers }: { readonly job: Job; readonly answers: readonly FitAnswer[] }) {
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
              height={Math.max(0, (middle - tabs.apartMillimetres / 2) * across)}
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
