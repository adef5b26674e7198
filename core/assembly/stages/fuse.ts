import type { Stage } from './stage';

export const fuse: Stage<'fuse'> = {
  kind: 'fuse',
  name: 'Fuse',
  rectifies: false,
  lay(line, { id, amps }) {
    line.through(0, line.add(id, fuse.name, { kind: 'fuse', amps }, ['amps']), 'one', 'two');
  },
};
