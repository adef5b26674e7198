import { act, renderHook, waitFor } from '@testing-library/react';
import { beforeEach, expect, test, vi } from 'vitest';
import { boatTrain, demoJob as COACH } from '../../tests/generated';
import { useLayoutStore } from '../store/layout-store';
import { hand } from './desk';
import { useSearch } from './use-search';
import type { Layout } from '../../core/document/layout';

const about = (layout: Layout): unknown => layout.jobs[COACH];
const renamed = (name: string): Layout => {
  useLayoutStore.getState().edit('Name', (draft) => void (draft.jobs[COACH].name = name));
  return useLayoutStore.getState().layout!;
};

/** A search of the hand that answers when told to. */
function searching() {
  const leave = vi.fn();
  let answer: (found: unknown) => void = () => undefined;
  const search = vi
    .spyOn(hand, 'search')
    .mockImplementation(() => ({ answer: new Promise((resolve) => (answer = resolve)), leave }) as never);
  return { search, leave, answer: (found: unknown) => answer(found) };
}

beforeEach(() => {
  vi.restoreAllMocks();
  useLayoutStore.getState().open(boatTrain());
});

test('a press before the panel has followed a change asks about the change, and its answer stands', async () => {
  const shown = useLayoutStore.getState().layout!;
  const { search, leave, answer } = searching();
  const hook = renderHook(({ layout }) => useSearch('coach/cutting', layout, about), {
    initialProps: { layout: shown },
  });
  let changed = shown;
  act(() => {
    changed = renamed('Coach with two rows');
    hook.result.current.start(() => ({ jobId: COACH, lampsStay: true }));
  });
  expect(search.mock.calls[0][1]).toBe(changed);
  hook.rerender({ layout: changed });
  expect(leave).not.toHaveBeenCalled();
  expect(hook.result.current.share).toBe(0);
  await act(async () => answer({ offers: [] }));
  await waitFor(() => expect(hook.result.current.answer).toEqual({ offers: [] }));
});

test('a panel that shows once more what stood before drops nothing', async () => {
  const shown = useLayoutStore.getState().layout!;
  const { leave, answer } = searching();
  const hook = renderHook(({ layout }) => useSearch('coach/cutting', layout, about), {
    initialProps: { layout: shown },
  });
  let changed = shown;
  act(() => void (changed = renamed('Coach with two rows')));
  hook.rerender({ layout: changed });
  act(() => hook.result.current.start(() => ({ jobId: COACH, lampsStay: true })));
  hook.rerender({ layout: shown });
  hook.rerender({ layout: changed });
  expect(leave).not.toHaveBeenCalled();
  await act(async () => answer({ offers: [] }));
  expect(hook.result.current.answer).toEqual({ offers: [] });
});

test('a later change of what it is about stops the search; a change of something else does not', async () => {
  const shown = useLayoutStore.getState().layout!;
  const { leave, answer } = searching();
  const hook = renderHook(({ layout }) => useSearch('coach/cutting', layout, about), {
    initialProps: { layout: shown },
  });
  act(() => hook.result.current.start(() => ({ jobId: COACH, lampsStay: true })));
  act(() => useLayoutStore.getState().edit('Name', (draft) => void (draft.name = 'Another quay')));
  hook.rerender({ layout: useLayoutStore.getState().layout! });
  expect(leave).not.toHaveBeenCalled();
  act(() => void renamed('Longer coach'));
  expect(leave).toHaveBeenCalledOnce();
  await act(async () => answer({ offers: [] }));
  expect(hook.result.current.answer).toBeNull();
  expect(hook.result.current.share).toBeNull();
});

test('a panel that goes leaves what it asked for', () => {
  const { leave } = searching();
  const hook = renderHook(() => useSearch('coach/cutting', useLayoutStore.getState().layout!, about));
  act(() => hook.result.current.start(() => ({ jobId: COACH, lampsStay: true })));
  hook.unmount();
  expect(leave).toHaveBeenCalledOnce();
});
