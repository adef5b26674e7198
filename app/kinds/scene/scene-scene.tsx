import { formatQuantity } from '../../../core/quantity/format';
import { prototypeMetres } from '../../../core/quantity/scale';
import { usePlay } from '../../bench/use-play';
import { MovingLamps } from '../../drawings/moving/moving-lamps';
import { SceneryStage } from '../../drawings/scenery/scenery-scene';
import { lampRadius, SceneFront, sceneRoom, stringSpots } from './scene-front';
import { useMemo } from 'react';
import type { SceneRecord } from '../../../core/kinds/scene/record';
import type { PanelProps } from '../face';

/** A scene to scale, played as its time line has it. */
export function SceneScene(props: PanelProps<SceneRecord>) {
  const { layout, jobId, solved } = props;
  const { job } = solved.bench;
  const play = usePlay(solved);
  const { left, width, top } = sceneRoom(job);
  const spots = useMemo(() => stringSpots(job), [job]);
  const wide = job.body.widthMillimetres;
  return (
    <SceneryStage
      of={props}
      lengthMillimetres={width}
      topMillimetres={top}
      note={
        play?.spared
          ? 'A scene flashes faster than is safe to show: it is shown standing still.'
          : `${formatQuantity(wide, 'millimetre')} wide = ${prototypeMetres(wide, layout.scale).toFixed(1)} m full size${job.string ? ` · ${job.string.name}` : ''}`
      }
    >
      {(shown) => (
        <g transform={`translate(${left} 0)`}>
          <SceneFront body={job.body} />
          <MovingLamps
            jobId={jobId}
            job={job}
            play={play}
            readings={solved.readings}
            shown={shown}
            spotOf={(id) => ({ x: job.lamps[id].alongMillimetres, y: -job.lamps[id].heightMillimetres })}
            stringSpots={spots}
            radius={lampRadius(job)}
          />
        </g>
      )}
    </SceneryStage>
  );
}
