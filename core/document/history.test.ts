import { applyPatches } from 'immer';
import { describe, expect, test } from 'vitest';
import { randomEdit, seeded } from '../../tests/edits';
import { demo, demoJob } from '../../tests/generated';
import { usualOwnLamp } from './drawer-record';
import { attempt, attemptPatches } from './gate';
import { writeLayout } from './file';
import {
  advanced,
  compacted,
  joinedSteps,
  noStacks,
  replayed,
  stacksOf,
  type Stacks,
  type Step,
} from './history';
import { coachIn } from '../kinds/coach/jobs';
import { merged } from './merge';
import { change, changedBy, patched } from './patch';
import type { Layout } from './layout';

/** A walk of random edits, undos and redos from a layout, as steps. */
function walk(
  from: Layout,
  count: number,
  random: () => number,
  name = 's',
): { steps: Step[]; layout: Layout; stacks: Stacks } {
  let layout = from;
  let stacks = noStacks;
  const steps: Step[] = [];
  for (let i = 0; steps.length < count; i++) {
    const id = `${name}${i}`;
    const turn = random();
    const entry =
      turn < 0.15 ? stacks.past[stacks.past.length - 1] : turn < 0.25 ? stacks.future[0] : undefined;
    let step: Step;
    if (entry) {
      const back = turn < 0.15;
      const [patches, inverse] = back ? [entry.inverse, entry.patches] : [entry.patches, entry.inverse];
      step = {
        id,
        kind: back ? 'undo' : 'redo',
        entryId: entry.id,
        label: entry.label,
        at: i,
        patches,
        inverse,
      };
    } else {
      const edit = randomEdit(layout, random);
      const made = attempt(layout, edit.recipe);
      if (!made.ok || made.change.patches.length === 0) continue;
      step = { id, kind: 'edit', entryId: id, label: edit.label, at: i, ...made.change };
    }
    layout = patched(layout, step.patches);
    stacks = advanced(stacks, step);
    steps.push(step);
  }
  return { steps, layout, stacks };
}

describe('patches', () => {
  test('are applied as immer applies them, and their inverse is exact', () => {
    const random = seeded(1);
    let layout = demo();
    for (let i = 0; i < 150; i++) {
      const { patches } = change(layout, randomEdit(layout, random).recipe);
      const made = changedBy(layout, patches);
      expect(made.layout).toEqual(applyPatches(layout, patches as never));
      expect(writeLayout(patched(made.layout, made.inverse))).toBe(writeLayout(layout));
      layout = made.layout;
    }
  });
  test.each(['constructor', 'prototype', 'toString'])(
    'a job called %s can be changed and taken back',
    (id) => {
      const { layout } = change(demo(), (d) => void (d.jobs[id] = structuredClone(demo().jobs[demoJob])));
      const made = attempt(layout, (d) => void (coachIn(d, id).wantedLux = 77));
      expect(made.ok && coachIn(made.change.layout, id).wantedLux).toBe(77);
      expect(made.ok && patched(made.change.layout, made.change.inverse)).toEqual(layout);
    },
  );
  test('a list that is cut short comes back whole', () => {
    const { layout, patches } = change(demo(), (d) => void (coachIn(d, demoJob).variants = {}));
    expect(patched(demo(), patches)).toEqual(layout);
    const list = { list: [1, 2, 3, 4] } as unknown as Layout;
    const made = changedBy(list, [{ op: 'replace', path: ['list', 'length'], value: 1 }]);
    expect(made.layout).toEqual({ list: [1] });
    expect(patched(made.layout, made.inverse)).toEqual(list);
  });
});

describe('a history', () => {
  test('replays to the same layout, and undoing all of it gives the first to the byte', () => {
    const from = demo();
    const { steps, layout } = walk(from, 300, seeded(2));
    expect(writeLayout(replayed(from, steps))).toBe(writeLayout(layout));
    const { past, future } = stacksOf(steps);
    const back = [...past].reverse().reduce((at, e) => patched(at, e.inverse), layout);
    expect(writeLayout(back)).toBe(writeLayout(from));
    const again = past.reduce((at, e) => patched(at, e.patches), back);
    expect(writeLayout(again)).toBe(writeLayout(layout));
    expect(past.length + future.length).toBeGreaterThan(100);
  });
  test('a drag is one entry that keeps only where it began and ended', () => {
    const drag = [50, 60, 70].map((lux, i): Step => {
      const made = attempt(demo(), (d) => void (coachIn(d, demoJob).wantedLux = lux));
      if (!made.ok) throw new Error(made.reason);
      return { id: `d${i}`, kind: 'edit', entryId: 'd0', label: 'Wanted light', at: i, ...made.change };
    });
    const { past } = stacksOf(drag);
    expect(past).toHaveLength(1);
    expect(past[0].patches.map((p) => p.value as number)).toEqual([70]);
    expect(past[0].inverse.map((p) => p.value as number)).toEqual([coachIn(demo(), demoJob).wantedLux]);
    expect(joinedSteps(drag[0], drag[2]).patches).toEqual(past[0].patches);
  });
  test('patches within one another are kept as they are', () => {
    const patches = [
      { op: 'replace' as const, path: ['a'], value: {} },
      { op: 'replace' as const, path: ['a', 'b'], value: 1 },
      { op: 'replace' as const, path: ['a'], value: { b: 2 } },
    ];
    expect(compacted(patches)).toEqual(patches);
  });
  test('a new edit ends what was taken back', () => {
    const edit = (id: string): Step => ({
      id,
      kind: 'edit',
      entryId: id,
      label: id,
      at: 0,
      patches: [],
      inverse: [],
    });
    const undo: Step = { ...edit('u'), kind: 'undo', entryId: 'b' };
    const stacks = stacksOf([edit('a'), edit('b'), undo]);
    expect(stacks.future.map((e) => e.id)).toEqual(['b']);
    expect(advanced(stacks, { ...edit('r'), kind: 'redo', entryId: 'b' }).past.map((e) => e.id)).toEqual([
      'a',
      'b',
    ]);
    expect(advanced(stacks, edit('c')).future).toEqual([]);
  });
});

describe('two windows', () => {
  const edited = (id: string, recipe: Parameters<typeof attempt>[1], from = demo()): Step => {
    const made = attempt(from, recipe);
    if (!made.ok) throw new Error(made.reason);
    return { id, kind: 'edit', entryId: id, label: id, at: 0, ...made.change };
  };
  const after = (theirs: readonly Step[]): Layout => replayed(demo(), theirs);

  test('changes of different places go together', () => {
    const theirs = [edited('lux', (d) => void (coachIn(d, demoJob).wantedLux = 33))];
    const mine = [edited('note', (d) => void (coachIn(d, demoJob).note = 'mine'))];
    const { layout, kept, clashes } = merged(after(theirs), theirs, mine);
    expect([kept.length, clashes.length]).toEqual([1, 0]);
    expect(coachIn(layout, demoJob)).toMatchObject({ wantedLux: 33, note: 'mine' });
  });
  test('of the same place the person chooses, with both values', () => {
    const theirs = [edited('theirs', (d) => void (coachIn(d, demoJob).wantedLux = 33))];
    const mine = [edited('mine', (d) => void (coachIn(d, demoJob).wantedLux = 44))];
    const { layout, clashes } = merged(after(theirs), theirs, mine);
    expect(coachIn(layout, demoJob).wantedLux).toBe(33);
    expect(clashes[0].places).toEqual([{ path: ['jobs', demoJob, 'wantedLux'], mine: 44, theirs: 33 }]);
  });
  test('the same value twice is no clash and no second step', () => {
    const theirs = [edited('theirs', (d) => void (coachIn(d, demoJob).wantedLux = 33))];
    const mine = [edited('mine', (d) => void (coachIn(d, demoJob).wantedLux = 33))];
    expect(merged(after(theirs), theirs, mine)).toMatchObject({ kept: [], clashes: [] });
  });
  test('what was taken away there cannot be changed here unseen, nor what was built on it', () => {
    const theirs = [edited('gone', (d) => void delete coachIn(d, demoJob).lamps['lamp-2'])];
    const first = edited('moved', (d) => void (coachIn(d, demoJob).lamps['lamp-2'].placeMillimetres = 12));
    const second = edited(
      'moved again',
      (d) => void (coachIn(d, demoJob).lamps['lamp-2'].placeMillimetres = 14),
      replayed(demo(), [first]),
    );
    const { clashes, kept } = merged(after(theirs), theirs, [first, second]);
    expect(clashes.map((c) => c.step.id)).toEqual(['moved', 'moved again']);
    expect(kept).toEqual([]);
    expect(clashes[0].places[0].theirs).toBeUndefined();
  });
  test('two changes that are fine alone and no layout together are a choice', () => {
    const own = (d: Parameters<Parameters<typeof attempt>[1]>[0]): void =>
      void (d.drawer.lamps.mine = {
        order: 1,
        name: 'Mine',
        readings: [
          { volts: 2.7, amps: 0.001 },
          { volts: 3, amps: 0.02 },
        ],
        greatestAmps: 0.02,
        lumens: 1,
        ...usualOwnLamp,
      });
    const from = change(demo(), own).layout;
    const theirs = [edited('out of the drawer', (d) => void delete d.drawer.lamps.mine, from)];
    const mine = [edited('used', (d) => void (coachIn(d, demoJob).lamps['lamp-1'].part = 'own:mine'), from)];
    const { clashes, layout } = merged(replayed(from, theirs), theirs, mine);
    expect(clashes[0].reason).toMatch(/no lamp type “own:mine”/);
    expect(coachIn(layout, demoJob).lamps['lamp-1'].part).not.toBe('own:mine');
  });
  test('both taking back the same is taking it back once', () => {
    const step = edited('e', (d) => void (coachIn(d, demoJob).wantedLux = 33));
    const undo = (id: string): Step => ({
      ...step,
      id,
      kind: 'undo',
      patches: step.inverse,
      inverse: step.patches,
    });
    expect(merged(demo(), [undo('theirs')], [undo('mine')])).toMatchObject({ kept: [], clashes: [] });
  });
  test.each([3, 4, 5, 6])('random edits: every one is in force or handed back (seed %i)', (seed) => {
    const random = seeded(seed);
    const theirs = walk(demo(), 12, random, 't').steps;
    const mine = walk(demo(), 12, random, 'm').steps;
    const { layout, kept, clashes } = merged(after(theirs), theirs, mine);
    expect(replayed(after(theirs), kept)).toEqual(layout);
    expect(attemptPatches(layout, [{ op: 'replace', path: ['note'], value: 'x' }]).ok).toBe(true);
    const told = new Set([...kept, ...clashes.map((c) => c.step)].map((s) => s.id));
    // Left out is only what is in force already, or is taken back there too.
    for (const step of mine.filter((s) => !told.has(s.id)))
      expect(merged(layout, [], [step]).kept.length === 0 || step.kind !== 'edit').toBe(true);
    // All own steps taken back leave the others' layout.
    const back = [...kept].reverse().reduce((at, s) => patched(at, s.inverse), layout);
    expect(writeLayout(back)).toBe(writeLayout(after(theirs)));
  });
});
