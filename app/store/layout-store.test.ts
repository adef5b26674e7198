import { stageOf, takeStage } from '../../core/document/line-stages';
import { roofOf } from '../../tests/roof';
import { coachIn } from '../../core/kinds/coach/jobs';
import { beforeEach, describe, expect, test } from 'vitest';
import { demo, demoJob } from '../../tests/generated';
import { change } from '../../core/document/patch';
import { useLayoutStore } from './layout-store';
import type { Step } from '../../core/document/history';
import { handOf, useRunStore, usualHand } from './run-store';

const store = () => useLayoutStore.getState();
const lux = (): number => coachIn(store().layout!, demoJob).wantedLux;
const want = (figure: number, key?: string): void =>
  store().edit('Wanted light', (draft) => void (coachIn(draft, demoJob).wantedLux = figure), key);

beforeEach(() => store().open(demo()));

describe('edits as patches', () => {
  test('undo and redo walk to and fro, and a new edit ends what was taken back', () => {
    want(20);
    want(30);
    store().undo();
    expect(lux()).toBe(20);
    store().undo();
    expect(store().layout).toEqual(demo());
    store().redo();
    expect(lux()).toBe(20);
    want(40);
    expect(store().future).toEqual([]);
    store().undo();
    expect(lux()).toBe(20);
  });
  test('a drag is one step back; another drag is another', () => {
    for (const figure of [50, 60, 70]) want(figure, 'by-feel');
    expect(store().past).toHaveLength(1);
    store().undo();
    expect(lux()).toBe(coachIn(demo(), demoJob).wantedLux);
    store().redo();
    want(80, 'by-feel');
    expect(store().past).toHaveLength(2);
  });
  test('an edit that changes nothing is no step, and no reason to save', () => {
    const steps: Step[] = [];
    store().open(demo(), { keep: (step) => steps.push(step) });
    want(lux());
    expect(store().past).toEqual([]);
    want(20);
    store().undo();
    expect(steps.map((s) => s.kind)).toEqual(['edit', 'undo']);
    expect(steps[1]).toMatchObject({ entryId: steps[0].id, patches: steps[0].inverse });
  });
  test('what would leave a layout that cannot be read again is not made, and says why', () => {
    const before = store().layout;
    want(1e7);
    expect(store().layout).toBe(before);
    expect(store().refusal).toMatchObject({
      label: 'Wanted light',
      reason: expect.stringMatching(/at most 100000 lx/),
    });
    want(30);
    expect(store().refusal).toBeNull();
  });
  test('a remedy whose path has gone says so, and nothing is changed', () => {
    const { patches } = change(
      demo(),
      (draft) => void (stageOf(roofOf(draft), 'reservoir')!.ratedVolts = 35),
    );
    store().edit('Reservoir', (draft) => void takeStage(roofOf(draft), 'reservoir'));
    const before = store().layout;
    expect(store().apply('Fit', patches)).toMatch(/no longer there/);
    expect(store().layout).toBe(before);
  });
  test('a state of before in its place is a step like any other', () => {
    const other = { ...demo(), name: 'Saltmarsh Halt' };
    store().apply('Back', [{ op: 'replace', path: [], value: other }]);
    expect(store().layout!.name).toBe('Saltmarsh Halt');
    store().undo();
    expect(store().layout).toEqual(demo());
  });
});

describe('controls of the moment', () => {
  test('are kept by job, and lie outside undo', () => {
    const { control, setInput } = useRunStore.getState();
    setInput('one', 'throttle', 0.4);
    setInput('one', 'direction', 'reverse');
    control('two', { power: false });
    expect(handOf('one')).toMatchObject({ power: true, set: { throttle: 0.4, direction: 'reverse' } });
    expect(handOf('two')).toMatchObject({ power: false, set: {} });
    expect(store().past).toEqual([]);
    expect(handOf('three')).toEqual(usualHand);
  });
});
