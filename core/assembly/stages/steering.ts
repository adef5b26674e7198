import { t } from '../laying';
import type { Stage } from './stage';

export const steering: Stage<'steering'> = {
  kind: 'steering',
  name: 'Old steering diode',
  rectifies: false,
  lay(line, { id, left, lets }) {
    if (left === 'removed') return;
    const part = line.add(id, steering.name, { kind: 'diode', diode: 'silicon', role: 'steering' });
    const [near, far] = lets === 'first' ? ['anode', 'cathode'] : ['cathode', 'anode'];
    line.through(0, part, near, far);
    if (left === 'bridged') {
      const { role, colour } = line.leads[0];
      line.laying.wire(t(part, near), t(part, far), role, colour);
    }
  },
};
