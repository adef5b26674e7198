import { signalSize } from '../../../core/kinds/signal/head';
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

/** A signal to scale, showing its aspect, flashing as it does. */
export function SignalScene(props: PanelProps<SignalRecord>) {
  const { layout, solved } = props;
  const { job } = solved.bench;
  const { head } = job;
  const { width, top } = signalSize(job);
  const { readings, tooFast } = usePhase(props);
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
      {(shown) => (
        <SignalFront
          job={job}
          readings={readings}
          shown={shown}
          cleared={aspectIdIn(job, solved.state) !== first}
        />
      )}
    </SceneryStage>
  );
}
