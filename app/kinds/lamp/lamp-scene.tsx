import { rowMillimetres } from '../../../core/kinds/lamp/row';
import { formatQuantity } from '../../../core/quantity/format';
import { feetAndInches, prototypeMetres } from '../../../core/quantity/scale';
import { SceneryStage } from '../../drawings/scenery/scenery-scene';
import { LampRow } from './lamp-row';
import type { LampRecord } from '../../../core/kinds/lamp/record';
import type { PanelProps } from '../face';

/** Room above the lamps for their glow, in their heights. */
const HEADROOM = 1.25;

/** A row of lamps to scale, by night or by day, with their pools of light. */
export function LampScene(props: PanelProps<LampRecord>) {
  const { layout, solved } = props;
  const { job } = solved.bench;
  const { fitting } = job;
  const head = prototypeMetres(fitting.headMillimetres, layout.scale);
  const high = prototypeMetres(fitting.heightMillimetres, layout.scale);
  return (
    <SceneryStage
      of={props}
      lengthMillimetres={rowMillimetres(job)}
      topMillimetres={fitting.heightMillimetres * HEADROOM}
      note={`head ${formatQuantity(fitting.headMillimetres, 'millimetre')} = ${feetAndInches(head)} · lamp ${formatQuantity(fitting.heightMillimetres, 'millimetre')} high = ${high.toFixed(1)} m full size`}
    >
      {(shown) => <LampRow job={job} readings={solved.readings} shown={shown} />}
    </SceneryStage>
  );
}
