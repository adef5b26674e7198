import { expect, test } from 'vitest';
import { boatTrain } from '../../tests/generated';
import { change } from '../document/patch';
import { benchOf } from '../study/bench';
import { howFar } from './how-far';
import { orderOf } from './order/order';

test('planned, in hand and done by the ticks of the order of work', () => {
  const layout = change(boatTrain(), (draft) => {
    for (const job of Object.values(draft.jobs)) job.progress.tasks = {};
  }).layout;
  expect(new Set(Object.values(howFar(layout)))).toEqual(new Set(['planned']));
  const jobId = 'railcar-tern';
  const made = orderOf(benchOf(layout, jobId));
  if (!made.ok) throw new Error('it can be built');
  const ticked = (count: number) =>
    change(layout, (draft) => {
      for (const { id } of made.order.tasks.slice(0, count))
        draft.jobs[jobId].progress.tasks[id] = { done: true, note: '', taken: [] };
    }).layout;
  expect(howFar(ticked(1))[jobId]).toBe('in hand');
  expect(howFar(ticked(made.order.tasks.length))[jobId]).toBe('done');
});
