import { roomsLight } from '../../../core/kinds/building/light';
import { windowPlaces } from '../../../core/kinds/building/rooms';
import { FAINT_LIGHTNESS } from '../../../core/light/lamp-light';
import { screenColour } from '../../../core/light/colour';
import { windowLightness } from '../../../core/light/wanted';
import type { BuildingRecord } from '../../../core/kinds/building/record';
import type { Readings } from '../../../core/study/readings';

interface BuildingFrontProps {
  readonly job: BuildingRecord;
  readonly readings: Readings | null;
  readonly shown: (lightness: number) => number;
  readonly by: 'night' | 'day';
}

export const buildingTop = ({ body }: BuildingRecord): number =>
  body.floors * body.floorMillimetres + body.roofMillimetres;

const paint = {
  night: { wall: '#26302d', edge: '#3b4a44', roof: '#1f1e1b', pane: '#0e1516' },
  day: { wall: '#a89b84', edge: '#6d6350', roof: '#5e5346', pane: '#3c4a4c' },
};

/** A building from its front in millimetres, y down from the ground: its windows as bright as its rooms are lit. */
export function BuildingFront({ job, readings, shown, by }: BuildingFrontProps) {
  const { lengthMillimetres: length, floorMillimetres: floor, floors, roofMillimetres: roof } = job.body;
  const { wall, edge, roof: tiles, pane } = paint[by];
  const wallTop = floors * floor;
  const lights = new Map((readings ? roomsLight(job, readings) : []).map((r) => [r.id, r]));
  return (
    <g>
      <rect x={0} y={-wallTop} width={length} height={wallTop} fill={wall} stroke={edge} strokeWidth={0.4} />
      {roof > 0 && (
        <path
          d={`M${-length * 0.03} ${-wallTop}L${length * 0.12} ${-wallTop - roof}H${length * 0.88}L${length * 1.03} ${-wallTop}Z`}
          fill={tiles}
          stroke={edge}
          strokeWidth={0.4}
        />
      )}
      {Array.from({ length: floors - 1 }, (_, i) => (
        <line
          key={i}
          x1={0}
          x2={length}
          y1={-(i + 1) * floor}
          y2={-(i + 1) * floor}
          stroke={edge}
          strokeWidth={0.5}
        />
      ))}
      {Object.entries(job.rooms).map(([id, room]) => {
        const light = lights.get(id);
        const level = light ? shown(light.lightness) / 100 : 0;
        const colour = light?.xy ? screenColour(light.xy) : pane;
        const leak = light && by === 'night' ? shown(light.leakLightness) / 100 : 0;
        const bottom = -room.floor * floor;
        return (
          <g key={id} data-room={id} data-lightness={(100 * level).toFixed(1)}>
            {light && light.leakLightness >= FAINT_LIGHTNESS && (
              <rect
                x={room.fromMillimetres}
                y={bottom - floor}
                width={room.toMillimetres - room.fromMillimetres}
                height={floor}
                fill={colour}
                opacity={0.7 * leak}
              />
            )}
            {windowPlaces(room).map((x) => {
              const y = bottom - room.sillMillimetres - room.windowHeightMillimetres;
              const [w, h] = [room.windowWidthMillimetres, room.windowHeightMillimetres];
              return (
                <g key={x}>
                  {by === 'night' && (
                    <rect
                      x={x - w * 0.35}
                      y={y - h * 0.2}
                      width={w * 1.7}
                      height={h * 1.4}
                      rx={w * 0.3}
                      fill={colour}
                      opacity={0.14 * level}
                    />
                  )}
                  <rect x={x} y={y} width={w} height={h} fill={pane} stroke={edge} strokeWidth={0.3} />
                  <rect
                    x={x}
                    y={y}
                    width={w}
                    height={h}
                    fill={colour}
                    opacity={by === 'night' ? level : level * 0.5}
                  />
                  <path
                    d={`M${x + w / 2} ${y}v${h}M${x} ${y + h * 0.45}h${w}`}
                    stroke={edge}
                    strokeWidth={Math.min(0.5, w * 0.06)}
                  />
                </g>
              );
            })}
          </g>
        );
      })}
      {by === 'night' && job.body.baseGapMillimetres > 0 && (
        <BaseLine job={job} lights={[...lights.values()]} shown={shown} />
      )}
    </g>
  );
}

/** Light that comes out under the walls. */
function BaseLine({
  job,
  lights,
  shown,
}: Pick<BuildingFrontProps, 'job' | 'shown'> & { readonly lights: ReturnType<typeof roomsLight> }) {
  return lights
    .filter((l) => job.rooms[l.id].floor === 0 && l.xy !== null)
    .map((l) => (
      <rect
        key={l.id}
        x={job.rooms[l.id].fromMillimetres}
        y={-job.body.baseGapMillimetres}
        width={job.rooms[l.id].toMillimetres - job.rooms[l.id].fromMillimetres}
        height={job.body.baseGapMillimetres}
        fill={screenColour(l.xy!)}
        opacity={shown(windowLightness(l.lux)) / 100}
      />
    ));
}
