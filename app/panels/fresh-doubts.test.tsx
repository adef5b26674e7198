import { act, cleanup, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { emptyLayout } from '../../core/document/empty-layout';
import { freshJob } from '../../core/kinds/fresh';
import { FreshDoubts } from './fresh-doubts';
import type { SupplyWish } from '../../core/study/begin-scenery';

const layout = emptyLayout('Empty');
const make = (part: string) => (name: string, supply: SupplyWish) =>
  freshJob(layout, 'display-model', supply, { part }, name);
const shown = (of: ReturnType<typeof make>) => (
  <FreshDoubts name="Ship" supply={{ kind: 'cell' }} make={of} />
);

beforeEach(() => void vi.useFakeTimers());
afterEach(() => {
  cleanup();
  vi.useRealTimers();
});
const wait = () =>
  act(async () => {
    await vi.advanceTimersByTimeAsync(400);
    await vi.dynamicImportSettled();
  });

test('a 12 V strip on cells is told before it is made, with its volts; a plain lamp says nothing', async () => {
  const { rerender } = render(shown(make('strip-warm')));
  await wait();
  expect(screen.getByRole('alert').textContent).toMatch(/wants .* V to light; .* leaves .* V/);
  rerender(shown(make('white-warm')));
  expect(screen.queryByRole('alert')).toBeNull();
  await wait();
  expect(screen.queryByRole('alert')).toBeNull();
});
