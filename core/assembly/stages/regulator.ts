import { t } from '../laying';
import type { Stage } from './stage';

export const regulator: Stage<'regulator'> = {
  kind: 'regulator',
  name: 'Regulator',
  rectifies: false,
  lay(line, { id, outVolts, dropoutVolts, quiescentAmps }) {
    const figures = { kind: 'regulator', outVolts, dropoutVolts, quiescentAmps } as const;
    const part = line.add(id, regulator.name, figures, ['outVolts', 'dropoutVolts']);
    line.through(0, part, 'in', 'out');
    line.laying.from(line.leads[1], t(part, 'common'));
  },
};
