import type { Stage } from './stage';

export const switchStage: Stage<'switch'> = {
  kind: 'switch',
  name: 'Switch',
  rectifies: false,
  lay(line, { id, name, on, lead }) {
    const part = line.add(id, name, { kind: 'switch', name, on }, ['on']);
    line.through(lead === 'first' ? 0 : 1, part, 'one', 'two');
  },
};
