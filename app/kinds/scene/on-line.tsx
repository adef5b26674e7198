import { Glow } from '../../drawings/scenery/glow';
import { lampLevel } from '../../drawings/scenery/lamp-levels';
import { shapes } from '../../../core/kinds/scene/shapes';
import { lampRadius, SceneFront, sceneRoom, stringSpots } from './scene-front';
import type { SceneRecord } from '../../../core/kinds/scene/record';
import type { LineFace, OnLineProps } from '../face';

/** A scene among other things, all its lamps at full. */
function SceneOnLine({ job, readings }: OnLineProps<SceneRecord>) {
  const radius = lampRadius(job);
  return (
    <g>
      <SceneFront body={job.body} />
      {stringSpots(job).map(({ x, y }, k) => (
        <circle key={k} cx={x} cy={y} r={radius * 0.9} fill="#ffc46b" opacity={0.75} />
      ))}
      {Object.entries(job.lamps).map(([id, lamp]) => {
        const { colour, level } = lampLevel(readings, id, (l) => Math.min(100, l));
        return (
          <Glow
            key={id}
            x={lamp.alongMillimetres}
            y={-lamp.heightMillimetres}
            radius={radius}
            reach={radius * 4}
            colour={colour}
            level={level}
            lampId={id}
          />
        );
      })}
    </g>
  );
}

export const onLine: LineFace<SceneRecord> = {
  OnLine: SceneOnLine,
  heights: (job) => ({ floor: 0, top: sceneRoom(job).top }),
  facts(_, { body, lamps, string, timeline }) {
    const scenes = Object.keys(timeline.clips).length;
    return [
      shapes[body.shape].name,
      `${Object.keys(lamps).length} lamps${string ? `, string of ${string.count}` : ''}`,
      `${scenes} ${scenes === 1 ? 'scene' : 'scenes'} in ${(timeline.lastsMilliseconds / 1000).toFixed(0)} s`,
    ];
  },
};
