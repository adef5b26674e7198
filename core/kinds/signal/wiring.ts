import { spotIn } from './head';
import type { JobWiring } from '../../assembly/laying';
import type { SignalRecord } from './record';

/** Thickness of the board, in millimetres (common practice, no source). */
const BOARD = 12;

/** Each lamp has its lead, and the common; all go down the post together. */
export const signalWiring: JobWiring<SignalRecord> = {
  runs: 'by-place',
  sense: () => 1,
  placeOf: () => 'head',
  spotOf(job, lampId) {
    const { x, y } = spotIn(job, lampId);
    return { along: x, across: 0, height: y + BOARD };
  },
  hubOf: () => ({ along: 0, across: 0, height: 0 }),
  lampNames: (job) => new Map(Object.entries(job.lamps).map(([id, l]) => [id, l.name])),
};
