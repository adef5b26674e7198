import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { displayId, tug } from '../../tests/display-models';
import { boatTrain } from '../../tests/generated';
import { complaintsOf } from '../document/sound';
import { change } from '../document/patch';
import { benchOf } from '../study/bench';
import { orderOf } from './order/order';
import { keptOf, nextTask, tick, writeNote } from './progress';
import type { Layout } from '../document/layout';
import type { Task } from './order/task';

const tasksIn = (layout: Layout, id: string): readonly Task[] => {
  const made = orderOf(benchOf(layout, id));
  if (!made.ok) throw new Error('no order');
  return made.order.tasks;
};
const owned = (layout: Layout): unknown => {
  const { resistors, reservoirs, sundries } = layout.drawer;
  return { resistors, reservoirs, sundries };
};
const id = 'diesel-shunter';

describe('ticking tasks', () => {
  const layout = change(boatTrain(), (draft) => {
    draft.drawer.sundries = {
      whites: {
        order: 1,
        key: 'lamp:white-warm',
        name: 'Whites',
        count: 3,
        price: 0.2,
        kept: '',
      },
    };
  }).layout;
  const tasks = tasksIn(layout, id);
  const uses = tasks.filter((t) => t.uses.length > 0);

  test('takes what a task uses out of the drawer, as far as it is there', () => {
    expect(uses.length).toBeGreaterThan(1);
    const lamps = uses.find((t) => t.uses.some((u) => u.key === 'lamp:white-warm'))!;
    const wanted = lamps.uses.find((u) => u.key === 'lamp:white-warm')!.count;
    const done = change(layout, (draft) => tick(draft, id, lamps, true)).layout;
    expect(done.drawer.sundries.whites.count).toBe(Math.max(0, 3 - wanted));
    expect(keptOf(done.jobs[id].progress, lamps).taken).toContainEqual({
      from: 'sundries',
      id: 'whites',
      count: Math.min(3, wanted),
    });
    expect(complaintsOf(done)).toEqual([]);
  });
  test('wire and sleeves go out by the metre, as far as they are there, and come back to the millimetre', () => {
    const wired = tasks.find((t) => t.uses.some((u) => u.key.startsWith('wire:')))!;
    const { key, count } = wired.uses.find((u) => u.key.startsWith('wire:'))!;
    const sleeves = tasks.find((t) => t.id === 'sleeve bench')!;
    const reels = change(layout, (draft) => {
      const reel = { order: 2, name: 'Reel', price: 0.3, kept: 'wall' };
      draft.drawer.sundries.reel = { ...reel, key, count: 10 };
      draft.drawer.sundries.sleeves = { ...reel, order: 3, key: 'shrink', count: 0.01 };
    }).layout;
    const done = change(reels, (draft) => {
      tick(draft, id, wired, true);
      tick(draft, id, sleeves, true);
    }).layout;
    expect(count).toBeGreaterThan(0.05);
    expect(done.drawer.sundries.reel.count).toBeCloseTo(10 - count, 9);
    expect(done.drawer.sundries.sleeves.count).toBe(0);
    expect(complaintsOf(done)).toEqual([]);
    const undone = change(done, (draft) => {
      tick(draft, id, sleeves, false);
      tick(draft, id, wired, false);
    }).layout;
    expect(owned(undone)).toEqual(owned(reels));
  });
  test('unticked, exactly what was taken comes back, in whatever order', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(tasks.length - 1), { maxLength: 40 }), (presses) => {
        let at = layout;
        const press = (t: Task): void => {
          const done = keptOf(at.jobs[id].progress, t).done;
          at = change(at, (draft) => tick(draft, id, t, !done)).layout;
        };
        for (const p of presses) press(tasks[p]);
        for (const s of Object.values(at.drawer.resistors)) expect(s.count).toBeGreaterThanOrEqual(0);
        for (const t of tasks) if (keptOf(at.jobs[id].progress, t).done) press(t);
        expect(owned(at)).toEqual(owned(layout));
        expect(at.jobs[id].progress).toEqual(layout.jobs[id].progress);
      }),
      { numRuns: 60, seed: 9 },
    );
  });
  test('ticked twice it takes once; stock that has gone meanwhile is not made up', () => {
    const [first] = uses;
    const once = change(layout, (draft) => tick(draft, id, first, true)).layout;
    expect(change(once, (draft) => tick(draft, id, first, true)).patches).toEqual([]);
    const gone = change(once, (draft) => void (draft.drawer.sundries = {})).layout;
    const back = change(gone, (draft) => tick(draft, id, first, false)).layout;
    expect(back.drawer.sundries).toEqual({});
  });
  test('a note stays with its task, done or not; what says nothing is not kept', () => {
    const noted = change(layout, (draft) => writeNote(draft, id, tasks[0], 'clip broke')).layout;
    expect(keptOf(noted.jobs[id].progress, tasks[0])).toEqual({
      done: false,
      note: 'clip broke',
      taken: [],
    });
    const empty = change(noted, (draft) => writeNote(draft, id, tasks[0], '')).layout;
    expect(empty.jobs[id].progress.tasks).toEqual({});
  });
  test('the next task is the first that is not done', () => {
    let at: Layout = tug(100);
    const all = tasksIn(at, displayId);
    for (const t of all) {
      expect(nextTask(all, at.jobs[displayId].progress)).toBe(t);
      at = change(at, (draft) => tick(draft, displayId, t, true)).layout;
    }
    expect(nextTask(all, at.jobs[displayId].progress)).toBeNull();
  });
});

describe('a task that stands for several', () => {
  const task = tasksIn(boatTrain(), id).find((t) => t.id === 'join A+B')!;
  const uses = [{ key: 'lamp:white-warm', count: 4 }];
  const begun = (done: readonly string[]): Layout =>
    change(boatTrain(), (draft) => {
      draft.drawer.sundries = {
        whites: { order: 1, key: 'lamp:white-warm', name: 'Whites', count: 10, price: 0.2, kept: '' },
      };
      draft.jobs[id].progress.tasks = Object.fromEntries(
        done.map((of) => [
          of,
          { done: true, note: `note ${of}`, taken: [{ from: 'sundries', id: 'whites', count: 2 }] },
        ]),
      );
    }).layout;
  test('is done when each of them was, with their notes', () => {
    expect(task.formerly).toEqual(['join A', 'join B']);
    const kept = keptOf(begun(['join A', 'join B']).jobs[id].progress, task);
    expect(kept).toMatchObject({ done: true, note: 'note join A; note join B' });
    expect(keptOf(begun(['join A']).jobs[id].progress, task).done).toBe(false);
  });
  test('takes nothing twice that one of them took, and gives all of it back', () => {
    const layout = begun(['join A']);
    const done = change(layout, (draft) => tick(draft, id, { ...task, uses }, true)).layout;
    expect(done.drawer.sundries.whites.count).toBe(8);
    expect(done.jobs[id].progress.tasks).not.toHaveProperty('join A');
    expect(keptOf(done.jobs[id].progress, task).note).toBe('note join A');
    const undone = change(done, (draft) => tick(draft, id, { ...task, uses }, false)).layout;
    expect(undone.drawer.sundries.whites.count).toBe(12);
  });
});
