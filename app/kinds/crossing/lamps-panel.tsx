import { LampFields } from '../../panels/scenery/lamp-fields';
import type { CrossingRecord } from '../../../core/kinds/crossing/record';
import type { PanelProps } from '../face';

/** Which lamps the crossing has. */
export function LampsPanel(props: PanelProps<CrossingRecord>) {
  return <LampFields of={props} title="Lamps of the crossing" />;
}
