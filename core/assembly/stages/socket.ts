import { t } from '../laying';
import type { Stage } from './stage';

export const socket: Stage<'socket'> = {
  kind: 'socket',
  name: 'Hub socket',
  rectifies: false,
  lay(line, { id, seriesOhms, baseOhms, trimmerOhms, turn, on }) {
    const figures = { kind: 'socket', seriesOhms, baseOhms, trimmerOhms, turn, on } as const;
    const part = line.add(id, socket.name, figures, ['turn', 'on']);
    line.laying.wire(line.leads[0].at, t(part, 'plus'), line.leads[0].role, line.leads[0].colour);
    line.leads[0].at = t(part, 'plus');
    line.through(1, part, 'minus', 'out');
  },
};
