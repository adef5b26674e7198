import { kindOf } from '../kinds';
import { supplyKind } from '../supply';
import { DIRECTION, directionIn, type Direction, type Input, type State } from '../supply/state';
import { inputsOf, usualState } from './states';
import type { Bench } from './bench';

type Set = Pick<Bench, 'job' | 'supply'>;

/** Whether what a hand calls forward is the other way for the job itself: it stands turned on a track whose polarity decides. */
const isTurned = ({ job, supply }: Set): boolean =>
  supply.kind === 'dc-track' && kindOf(job.kind).standsTurned(job);

const other = (direction: Direction): Direction => (direction === 'forward' ? 'reverse' : 'forward');

/**
 * The state a hand brings about: what it has set, everything else as usual. A hand's direction is the
 * track's on DC; a decoder knows its own vehicle's. What has no input any more is left out.
 */
export function stateByHand(bench: Set, set: State): State {
  const known = inputsOf(bench).map((i) => i.id);
  const own = Object.fromEntries(Object.entries(set).filter(([id]) => known.includes(id)));
  const state = usualState(bench, own);
  if (!known.includes(DIRECTION) || !isTurned(bench)) return state;
  return { ...state, [DIRECTION]: other(directionIn({ [DIRECTION]: own[DIRECTION] ?? 'forward' })) };
}

/** What a hand has to set for a state: `stateByHand` the other way round. */
export function handFor(bench: Set, state: State): State {
  if (state[DIRECTION] === undefined || !isTurned(bench)) return state;
  return { ...state, [DIRECTION]: other(directionIn(state)) };
}

/** The inputs that a hand can set where the job stands: a DC track has no one to press a decoder's keys. */
export const inputsForHand = (bench: Set): Input[] => {
  const own = supplyKind(bench.supply).inputs(bench.supply);
  return inputsOf(bench).filter(
    (i) => bench.supply.kind !== 'dc-track' || i.id.startsWith('switch ') || own.some((o) => o.id === i.id),
  );
};
