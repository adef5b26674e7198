import { t } from '../laying';
import type { Stage } from './stage';

export const bridge: Stage<'bridge'> = {
  kind: 'bridge',
  name: 'Bridge',
  rectifies: true,
  lay(line, { id, diode, loose }) {
    const part = line.add(id, bridge.name, { kind: 'bridge', diode, loose });
    line.through(0, part, 'right', 'plus');
    line.through(1, part, 'left', 'minus');
    line.leads[0].at = t(part, 'plus');
    line.leads[1].at = t(part, 'minus');
    line.isPlus();
  },
};
