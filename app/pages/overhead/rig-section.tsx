import { inOrder } from '../../../core/document/in-order';
import { rigHeight } from '../../../core/overhead/geometry';
import { screenColour } from '../../../core/light/colour';
import { whiteXy } from '../../../core/light/white';
import { useRoom } from '../../drawings/use-room';
import type { RigLight } from '../../../core/overhead/light';
import type { RigRecord } from '../../../core/document/rig-record';

interface RigSectionProps {
  readonly rig: RigRecord;
  readonly light: RigLight;
  readonly chosen: string | null;
  readonly onChoose: (rowId: string) => void;
}

const MARGIN = 22;
const TALLEST = 330;
/** Beams are drawn no flatter, in radians. */
const FLATTEST = 1.2;

/** The rig from the side: backscene, rows, fascia, and what an eye before it sees. */
export function RigSection({ rig, light, chosen, onChoose }: RigSectionProps) {
  const { area, sight } = light;
  const [element, room] = useRoom<SVGSVGElement>({ width: 300, height: 300 });
  const high = Math.max(rigHeight(rig), rig.backscene?.heightMillimetres ?? 0, 100) + 40;
  const away = area.depth + rig.eye.awayMillimetres + 40;
  const low = Math.min(0, rig.eye.heightMillimetres) - 30;
  const scale = Math.min((room.width - 2 * MARGIN) / away, (TALLEST - 2 * MARGIN) / (high - low));
  const height = (high - low) * scale + 2 * MARGIN;
  const x = (mm: number): number => MARGIN + mm * scale;
  const y = (mm: number): number => MARGIN + (high - mm) * scale;
  const edge = area.depth + (rig.fascia?.forwardMillimetres ?? 0);
  const top = rigHeight(rig);
  const eye = { x: x(area.depth + rig.eye.awayMillimetres), y: y(rig.eye.heightMillimetres) };
  return (
    <svg
      ref={element}
      className="rig-section"
      style={{ height }}
      viewBox={`0 0 ${room.width} ${height}`}
      role="group"
      aria-label="The rig from the side"
    >
      <clipPath id="rig-room">
        <rect x={0} y={0} width={room.width} height={y(0)} />
      </clipPath>
      <rect className="rig-scenery" x={x(0)} y={y(0)} width={area.depth * scale} height={8} />
      {rig.backscene && (
        <rect
          className="rig-backscene"
          x={x(0) - 5}
          y={y(rig.backscene.heightMillimetres)}
          width={5}
          height={rig.backscene.heightMillimetres * scale}
        />
      )}
      <path className="rig-post" d={`M${x(0) - 9} ${y(0)}V${y(top + 20)}H${x(edge)}`} />
      {rig.fascia && rig.fascia.dropMillimetres > 0 && (
        <rect
          className="rig-fascia"
          x={x(edge)}
          y={y(top)}
          width={5}
          height={rig.fascia.dropMillimetres * scale}
        />
      )}
      {inOrder(rig.rows).map((row) => {
        const [cx, cy] = [x(row.depthMillimetres), y(row.heightMillimetres)];
        const tilt = (row.tiltDegrees * Math.PI) / 180;
        const half = (Math.min(150, row.beamDegrees) * Math.PI) / 360;
        // Down to the scenery, or as far out as the picture goes.
        const to = (by: number): string => {
          const angle = Math.max(-FLATTEST, Math.min(FLATTEST, tilt + by));
          return `${cx - row.heightMillimetres * scale * Math.tan(angle)} ${y(0)}`;
        };
        const seen = sight.seen.includes(row.id);
        return (
          <g
            key={row.id}
            className={['rig-row', row.id === chosen && 'chosen', !row.on && 'off'].filter(Boolean).join(' ')}
            onClick={() => onChoose(row.id)}
          >
            {row.on && (
              <path
                className="rig-beam"
                clipPath="url(#rig-room)"
                d={`M${cx} ${cy}L${to(half)}L${to(-half)}Z`}
                fill={screenColour(whiteXy(row))}
                fillOpacity={0.09 * row.level}
              />
            )}
            {row.on && (
              <path className={seen ? 'rig-sight seen' : 'rig-sight'} d={`M${eye.x} ${eye.y}L${cx} ${cy}`} />
            )}
            <circle cx={cx} cy={cy} r={5.5} fill={screenColour(whiteXy(row))} />
          </g>
        );
      })}
      <g transform={`translate(${eye.x} ${eye.y})`} className="rig-eye">
        <path d="M-9 0Q0 -8 9 0Q0 8 -9 0Z" />
        <circle r={3} />
      </g>
      <text x={x(area.depth / 2)} y={y(0) + 22} textAnchor="middle">
        {Math.round(area.depth)} mm deep
      </text>
      <text x={x(0) + 4} y={y(top + 20) - 8}>
        {Math.round(top)} mm up
      </text>
    </svg>
  );
}
