import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { boatTrain } from '../../../tests/generated';
import { hookUpWays } from '../../../core/study/hook-up-ways';
import { useLayoutStore } from '../../store/layout-store';
import { hand } from '../../workers/desk';
import { WaysPicture } from './ways-picture';
import type { Layout } from '../../../core/document/layout';
import type { PictureProps } from '../../kinds/face';

const jobId = 'quay-lamps';
const now = (): Layout => useLayoutStore.getState().layout!;
let answer: () => void;

function Shown() {
  const layout = useLayoutStore((s) => s.layout)!;
  return <WaysPicture {...({ layout, jobId } as PictureProps)} />;
}

beforeEach(() => {
  useLayoutStore.getState().open(boatTrain());
  vi.spyOn(hand, 'ask').mockImplementation(
    (_, layout) =>
      ({
        answer: new Promise((resolve) => (answer = () => resolve(hookUpWays(layout, jobId)))),
        onEarly: () => undefined,
        onShare: () => undefined,
        leave: () => undefined,
      }) as never,
  );
});
afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});

const presses = (): HTMLButtonElement[] => screen.getAllByRole('button', { name: 'Join it so' });
const asked = (times: number) => vi.waitFor(() => expect(hand.ask).toHaveBeenCalledTimes(times));

test('a way is taken once, and none while the ways are worked out anew', async () => {
  render(<Shown />);
  await asked(1);
  await act(async () => answer());
  const [first] = presses();
  expect(first.disabled).toBe(false);
  const before = now().jobs[jobId];
  fireEvent.click(first);
  expect(now().jobs[jobId]).not.toEqual(before);
  expect(presses().every((p) => p.disabled)).toBe(true);
  await asked(2);
  await act(async () => answer());
  expect(presses().some((p) => p.disabled)).toBe(false);
});
