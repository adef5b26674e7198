import { useId } from 'react';
import { signalSize, spotIn } from '../../../core/kinds/signal/head';
import { aspectIdIn } from '../../../core/study/aspects';
import { inOrder } from '../../../core/document/in-order';
import { formatQuantity } from '../../../core/quantity/format';
import { prototypeMetres } from '../../../core/quantity/scale';
import { usePhase } from '../../bench/use-phase';
import { SceneryStage } from '../../drawings/scenery/scenery-scene';
import { SignalFront } from './signal-front';
import type { SignalRecord } from '../../../core/kinds/signal/record';
import type { PanelProps } from '../face';

const HEADROOM = 1.1;
/** How much larger the head is drawn beside the signal. */
const LOUPE = 3.2;

/** A signal to scale, showing its aspect, flashing as it does. */
export function SignalScene(props: PanelProps<SignalRecord>) {
  const { layout, solved } = props;
  const { job } = solved.bench;
  const { head } = job;
  const { width, top } = signalSize(job);
  const { readings, tooFast } = usePhase(props);
  const id = useId();
  const spots = Object.keys(job.lamps).map((lampId) => spotIn(job, lampId).y);
  const tall = Math.max(...spots) - Math.min(...spots);
  const first = inOrder(job.aspects)[0].id;
  return (
    <SceneryStage
      of={props}
      lengthMillimetres={width}
      topMillimetres={top * HEADROOM}
      note={
        tooFast
          ? 'It flashes faster than is safe to show: shown standing still.'
          : `lens ${formatQuantity(head.lensMillimetres, 'millimetre')} = ${formatQuantity(1000 * prototypeMetres(head.lensMillimetres, layout.scale), 'millimetre', { significant: 2 })} full size · lamp ${formatQuantity(head.heightMillimetres, 'millimetre')} above the ground`
      }
    >
      {(shown) => {
        const front = (
          <SignalFront
            job={job}
            readings={readings}
            shown={shown}
            cleared={aspectIdIn(job, solved.state) !== first}
          />
        );
        const middle = (Math.max(...spots) + Math.min(...spots)) / 2;
        const radius = Math.min(top * 0.4, (LOUPE * (tall + 2 * head.lensMillimetres)) / 1.6);
        return (
          <>
            {front}
            <clipPath id={id}>
              <circle cx={0} cy={0} r={radius} />
            </clipPath>
            <g transform={`translate(${width / 2 + top * 0.95} ${-top * 0.55})`}>
              <circle r={radius} fill="#0b1210" stroke="#5d6d66" strokeWidth={radius * 0.02} />
              <g clipPath={`url(#${id})`}>
                <g transform={`scale(${LOUPE}) translate(${-width / 2} ${middle})`}>{front}</g>
              </g>
            </g>
          </>
        );
      }}
    </SceneryStage>
  );
}
