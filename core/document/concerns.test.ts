import { describe, expect, test } from 'vitest';
import { boatTrain, demoJob } from '../../tests/generated';
import { concerns } from './concerns';
import { change } from './patch';
import type { Draft } from 'immer';
import type { Layout } from './layout';

const layout = boatTrain();
const after = (recipe: (draft: Draft<Layout>) => void): Layout => change(layout, recipe).layout;

describe('what a change can change of what is solved or judged of a job', () => {
  test.each<[string, (draft: Draft<Layout>) => void]>([
    ['its own resistor', (d) => void (d.jobs[demoJob].circuits.roof.ohms = 470)],
    ['its supply', (d) => void (d.supplies[d.jobs[demoJob].supplyId].name = 'Other')],
    ['what is in the drawer', (d) => void (Object.values(d.drawer.resistors)[0].count = 0)],
    ['how many of it are built', (d) => void (d.jobs[demoJob].progress.count = 5)],
    ['a bore', (d) => void (d.jobs[demoJob].passages.floor.boreMillimetres = 1)],
    ['the tester', (d) => void (d.drawer.tester.volts = 3)],
    ['the scale', (d) => void (d.scale = 'N')],
    ['its name, which findings say', (d) => void (d.jobs[demoJob].name = 'Other')],
    ['that it is gone', (d) => void Reflect.deleteProperty(d.jobs, demoJob)],
  ])('%s concerns it', (_, recipe) => expect(concerns(layout, after(recipe), demoJob)).toBe(true));
  test.each<[string, (draft: Draft<Layout>) => void]>([
    ['its note', (d) => void (d.jobs[demoJob].note = 'Bought at the fair')],
    ['a price', (d) => void (Object.values(d.drawer.resistors)[0].price = 9)],
    ['where a part is kept', (d) => void (Object.values(d.drawer.resistors)[0].kept = 'shelf')],
    [
      'a task that is done',
      (d) => void (d.jobs[demoJob].progress.tasks.open = { done: true, note: '', taken: [] }),
    ],
    ['the currency', (d) => void (d.currency = 'DKK')],
    ['another job', (d) => void (d.jobs['open-saloon'].circuits = {})],
    ['a train', (d) => void (d.trains = {})],
    ['the name of the layout', (d) => void (d.name = 'Other')],
    ['nothing', () => undefined],
  ])('%s does not', (_, recipe) => expect(concerns(layout, after(recipe), demoJob)).toBe(false));
  test('asked of any job, another job and a train concern it, a note does not', () => {
    expect(
      concerns(
        layout,
        after((d) => void (d.trains = {})),
      ),
    ).toBe(true);
    expect(
      concerns(
        layout,
        after((d) => void (d.jobs['open-saloon'].circuits = {})),
      ),
    ).toBe(true);
    expect(
      concerns(
        layout,
        after((d) => void (d.jobs['open-saloon'].note = '')),
      ),
    ).toBe(false);
  });
  test('what is called like a remark is one only where remarks stand', () => {
    const named = (id: string, metres: number): Layout =>
      after((d) => {
        d.jobs[demoJob].passages[id] = { ...d.jobs[demoJob].passages.floor, boreMillimetres: metres };
      });
    for (const id of ['note', 'price', 'kept', 'tasks', 'currency'])
      expect(concerns(named(id, 1), named(id, 2), demoJob), id).toBe(true);
  });
  test('an equal copy is no change', () => {
    expect(concerns(layout, structuredClone(layout), demoJob)).toBe(false);
  });
});
