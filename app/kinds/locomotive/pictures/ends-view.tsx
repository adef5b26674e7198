import { FigureTable } from '../../../fields/figure-table';
import { endNames, type End } from '../../../../core/document/ends';
import { inOrder } from '../../../../core/document/in-order';
import { lampName } from '../../../../core/kinds/locomotive/lamp-name';
import { lampRoles } from '../../../../core/document/lamp-roles';
import { lampBodies } from '../../../../core/part/lamp-body';
import { formatQuantity } from '../../../../core/quantity/format';
import { EndView } from '../stage/end-view';
import { lampGlows } from '../stage/lamp-glow';
import { vehicleShape } from '../stage/vehicle-shape';
import type { LocomotivePictureProps } from '../locomotive-props';
import type { LocomotiveRecord } from '../../../../core/kinds/locomotive/record';

/** Both ends with every lamp's place in millimetres, and a list of what goes where. */
export function EndsView({ job, solved, hand }: LocomotivePictureProps) {
  const glows = lampGlows(hand.power ? solved.readings : null, () => 1);
  return (
    <>
      <div className="ends-view">
        {endNames.map((end) => (
          <EndWithPlaces key={end} job={job} end={end} glows={glows} />
        ))}
      </div>
      <FigureTable
        label="Where each lamp goes"
        rows={inOrder(job.lamps)}
        rowKey={(l) => l.id}
        columns={[
          ['Lamp', (l) => lampName(job, l.id)],
          [
            'From the middle',
            (l) =>
              lampRoles[l.role].inside
                ? 'inside'
                : l.acrossMillimetres === 0
                  ? 'in the middle'
                  : `${formatQuantity(Math.abs(l.acrossMillimetres), 'millimetre')} ${l.acrossMillimetres < 0 ? 'left' : 'right'}`,
          ],
          ['Above the rail', (l) => formatQuantity(l.heightMillimetres, 'millimetre')],
          ['Lens', (l) => formatQuantity(l.lensMillimetres, 'millimetre')],
          ['Body', (l) => `${lampBodies[l.body].name}, ${l.way === 'drill' ? 'drilled' : 'sits'}`],
        ]}
      />
    </>
  );
}

/** Figures moved apart so that their labels do not cover one another; from the highest down. */
function apart(figures: readonly number[], room: number): { figure: number; at: number }[] {
  let last = Infinity;
  return [...figures]
    .sort((a, b) => b - a)
    .map((figure) => {
      last = Math.min(figure, last - room);
      return { figure, at: last };
    });
}

interface EndWithPlacesProps {
  readonly job: LocomotiveRecord;
  readonly end: End;
  readonly glows: ReturnType<typeof lampGlows>;
}

function EndWithPlaces({ job, end, glows }: EndWithPlacesProps) {
  const { roof } = vehicleShape(job.body);
  const w = job.body.widthMillimetres;
  const lamps = inOrder(job.lamps).filter((l) => l.end === end && !lampRoles[l.role].inside);
  const size = w * 0.085;
  const heights = apart([...new Set(lamps.map((l) => l.heightMillimetres))], size * 1.05);
  return (
    <figure>
      <svg
        viewBox={`${-w * 0.98} ${roof * 1.12} ${w * 1.96} ${-roof * 1.3}`}
        role="img"
        aria-label={`End ${end} with the places of its lamps`}
      >
        <rect x={-w} y={0} width={2 * w} height={0.8} fill="#6f7d84" />
        <EndView job={job} end={end} glows={glows} />
        <line
          x1={0}
          y1={roof * 1.06}
          x2={0}
          y2={0}
          stroke="#b98a3b"
          strokeWidth={0.2}
          strokeDasharray="1.2 0.8"
        />
        {heights.map(({ figure, at }) => (
          <g key={figure}>
            <path d={`M${w * 0.52} ${-figure}L${w * 0.66} ${-at}`} stroke="#b98a3b" strokeWidth={0.25} />
            <text
              x={w * 0.68}
              y={-at + size * 0.35}
              fontSize={size}
              fill="#e9e4d4"
              fontFamily="IBM Plex Mono"
            >
              {figure}
            </text>
          </g>
        ))}
        {lamps
          .filter(
            (l, i, all) =>
              l.acrossMillimetres > 0 &&
              all.findIndex((o) => o.acrossMillimetres === l.acrossMillimetres) === i,
          )
          .sort((a, b) => a.acrossMillimetres - b.acrossMillimetres)
          .map((l, i) => (
            <text
              key={l.id}
              x={l.acrossMillimetres}
              y={-l.heightMillimetres - l.lensMillimetres / 2 - w * 0.03 - (i % 2) * size * 0.85}
              fontSize={size * 0.8}
              textAnchor="middle"
              fill="#ffc46b"
              fontFamily="IBM Plex Mono"
            >
              {l.acrossMillimetres}
            </text>
          ))}
        <text
          x={-w * 0.94}
          y={roof * 1.02}
          fontSize={w * 0.1}
          fill="#ffc46b"
          fontFamily="Archivo"
          fontWeight={600}
        >
          End {end}
        </text>
        <text x={-w * 0.94} y={-roof * 0.13} fontSize={size * 0.8} fill="#b3bfb7" fontFamily="Archivo">
          mm, facing it, above the rail
        </text>
      </svg>
    </figure>
  );
}
