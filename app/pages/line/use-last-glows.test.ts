import { renderHook } from '@testing-library/react';
import { beforeEach, expect, test, vi } from 'vitest';
import { boatTrain } from '../../../tests/generated';
import { glowOf, type Glow } from '../../../core/study/glow';
import { solvedJob } from '../../../core/study/solved-job';
import { keepGlows } from '../../storage/session';
import { useLayoutStore } from '../../store/layout-store';
import { useShelfStore } from '../../store/shelf-store';
import { useLastGlows } from './use-last-glows';
import type { Card } from '../../storage/database';
import type { SolvedJobs } from '../../store/use-solved-jobs';

vi.mock('../../storage/session', () => ({ keepGlows: vi.fn(() => Promise.resolve()) }));

const layout = boatTrain();
const jobs = ['quay-lamps', 'boat-shed'];
const LAST: Glow = { lumens: 3, colour: '#ffcc88' };
const asSolved = (ids: readonly string[]): SolvedJobs =>
  new Map(jobs.map((id) => [id, ids.includes(id) ? solvedJob(layout, id) : undefined]));
const looks = (solved: SolvedJobs) =>
  renderHook(({ of }) => useLastGlows(of, jobs), { initialProps: { of: solved } });

beforeEach(() => {
  vi.mocked(keepGlows).mockClear();
  useLayoutStore.getState().open(layout, { layoutId: 'quay' });
  useShelfStore.getState().set({ cards: [{ id: 'quay', glows: { 'boat-shed': LAST } } as unknown as Card] });
});

test('what is being solved looks as it last did, what is solved as it is', () => {
  const hook = looks(asSolved([]));
  expect(jobs.map((id) => hook.result.current(id))).toEqual([null, LAST]);
  expect(keepGlows).not.toHaveBeenCalled();
  hook.rerender({ of: asSolved(jobs) });
  expect(hook.result.current('boat-shed')).toEqual(glowOf(solvedJob(layout, 'boat-shed').readings!));
});
test('how it looks is kept when all of it is solved, and only where it has changed', () => {
  const hook = looks(asSolved(['boat-shed']));
  expect(keepGlows).not.toHaveBeenCalled();
  hook.rerender({ of: asSolved(jobs) });
  expect(keepGlows).toHaveBeenCalledOnce();
  const [id, kept] = vi.mocked(keepGlows).mock.calls[0];
  expect([id, Object.keys(kept).sort()]).toEqual(['quay', [...jobs].sort()]);
  useShelfStore.getState().set({ cards: [{ id: 'quay', glows: kept } as unknown as Card] });
  hook.unmount();
  looks(asSolved(jobs));
  expect(keepGlows).toHaveBeenCalledOnce();
});
