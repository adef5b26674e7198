import { act, renderHook, waitFor } from '@testing-library/react';
import { beforeEach, expect, test, vi } from 'vitest';
import { boatTrain, demoJob } from '../../tests/generated';
import { useLayoutStore } from '../store/layout-store';
import { desk } from './desk';
import { useStudy } from './use-study';
import type { Layout } from '../../core/document/layout';

/** A desk that answers at once with the layout it was asked of. */
function answering() {
  return vi.spyOn(desk, 'ask').mockImplementation(
    (name, layout) =>
      ({
        answer: Promise.resolve({ name, layout }),
        onEarly: () => undefined,
        onShare: () => undefined,
        leave: () => undefined,
      }) as never,
  );
}
const edited = (recipe: Parameters<ReturnType<typeof useLayoutStore.getState>['edit']>[1]): Layout => {
  useLayoutStore.getState().edit('Edit', recipe);
  return useLayoutStore.getState().layout!;
};

beforeEach(() => {
  vi.restoreAllMocks();
  useLayoutStore.getState().open(boatTrain());
});

test('a note, a price or a tick asks nothing anew of what does not tell it', async () => {
  const ask = answering();
  const { result, rerender } = renderHook(({ layout }) => useStudy('order', layout, { jobId: demoJob }), {
    initialProps: { layout: useLayoutStore.getState().layout! },
  });
  await waitFor(() => expect(result.current.stale).toBe(false));
  rerender({
    layout: edited((draft) => {
      draft.jobs[demoJob].progress.tasks.open = { done: true, note: '', taken: [] };
      draft.jobs[demoJob].note = 'half done';
    }),
  });
  expect(result.current.stale).toBe(false);
  expect(ask).toHaveBeenCalledOnce();
  rerender({ layout: edited((draft) => void (draft.jobs[demoJob].progress.count = 3)) });
  expect(result.current.stale).toBe(true);
  await waitFor(() => expect(ask).toHaveBeenCalledTimes(2));
});

test('the sheet and the shopping list tell them, and follow', async () => {
  const ask = answering();
  const sheet = renderHook(({ layout }) => useStudy('sheet', layout, { jobId: demoJob, proof: false }), {
    initialProps: { layout: useLayoutStore.getState().layout! },
  });
  await waitFor(() => expect(sheet.result.current.stale).toBe(false));
  const ticked = edited((draft) => {
    draft.jobs[demoJob].progress.tasks.open = { done: true, note: '', taken: [] };
  });
  sheet.rerender({ layout: ticked });
  expect(sheet.result.current.stale).toBe(true);
  await waitFor(() => expect(ask.mock.calls.at(-1)![1]).toBe(ticked));
});

test('what can be said early is shown, marked, until the whole answer is there, and not after it', async () => {
  let sayEarly: (early: unknown) => void = () => undefined;
  let answer: (whole: unknown) => void = () => undefined;
  vi.spyOn(desk, 'ask').mockImplementation(
    () =>
      ({
        answer: new Promise((resolve) => (answer = resolve)),
        onEarly: (listener: (early: unknown) => void) => (sayEarly = listener),
        onShare: () => undefined,
        leave: () => undefined,
      }) as never,
  );
  const layout = useLayoutStore.getState().layout!;
  const { result } = renderHook(() => useStudy('judge', layout, { jobId: demoJob, asked: 'quick' }, 'frame'));
  expect(result.current).toMatchObject({ answer: null, stale: true });
  act(() => sayEarly(['uncured']));
  expect(result.current).toMatchObject({ answer: ['uncured'], stale: true });
  answer(['cured']);
  await waitFor(() => expect(result.current).toMatchObject({ answer: ['cured'], stale: false }));
  act(() => sayEarly(['uncured']));
  expect(result.current).toMatchObject({ answer: ['cured'], stale: false });
});

test('a long answer tells how far it is, and is left when it is stopped', async () => {
  let tell: (share: number) => void = () => undefined;
  const leave = vi.fn();
  vi.spyOn(desk, 'ask').mockImplementation(
    () =>
      ({
        answer: new Promise(() => undefined),
        onEarly: () => undefined,
        onShare: (listener: (share: number) => void) => (tell = listener),
        leave,
      }) as never,
  );
  const layout = useLayoutStore.getState().layout!;
  const { result } = renderHook(() => useStudy('order', layout, { jobId: demoJob }, 'frame'));
  expect(result.current.share).toBeNull();
  act(() => tell(0.4));
  expect(result.current.share).toBe(0.4);
  act(() => result.current.cancel());
  expect(leave).toHaveBeenCalled();
  expect(result.current).toMatchObject({ cancelled: true, share: null });
});
