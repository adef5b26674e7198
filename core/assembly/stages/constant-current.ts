import type { Stage } from './stage';

export const constantCurrent: Stage<'constant-current'> = {
  kind: 'constant-current',
  name: 'Constant-current board',
  rectifies: false,
  lay(line, { id, amps }) {
    line.through(0, line.add(id, constantCurrent.name, { kind: 'limiter', amps }, ['amps']), 'in', 'out');
  },
};
