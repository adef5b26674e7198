import type { Stage } from './stage';

export const diode: Stage<'diode'> = {
  kind: 'diode',
  name: 'Diode',
  rectifies: true,
  lay(line, { id, diode: sort }) {
    const part = line.add(id, diode.name, { kind: 'diode', diode: sort, role: 'rectifier' });
    line.through(0, part, 'anode', 'cathode');
    line.isPlus();
  },
};
