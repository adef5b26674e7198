import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { dragged } from '../../tests/dragged';
import { LOOP_MILLIMETRES, handOf, useRunStore } from '../store/run-store';
import { LoopControls } from './loop-controls';

const jobId = 'van';
const still = { now: null } as never;
const stretches = () => handOf(jobId).stretches;
const shown = () =>
  render(<LoopControls jobId={jobId} hand={handOf(jobId)} direction="forward" live={still} scale="H0" />);

beforeEach(() => {
  vi.spyOn(HTMLElement.prototype, 'getBoundingClientRect').mockReturnValue({
    left: 100,
    width: 400,
  } as DOMRect);
  useRunStore.getState().control(jobId, { stretches: [] });
});
afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});

describe('dirt on the loop', () => {
  const bar = () => screen.getByTitle(/Drag along the loop/);
  test('is painted by dragging, from where it was taken hold of to where it was let go', () => {
    shown();
    dragged(bar(), 100);
    expect(stretches()).toEqual([{ fromMillimetres: 0, toMillimetres: LOOP_MILLIMETRES / 4, kind: 'dirty' }]);
  });
  test('lies within the loop however far the hand goes, and a press paints none', () => {
    shown();
    dragged(bar(), 9000);
    expect(stretches()).toEqual([{ fromMillimetres: 0, toMillimetres: LOOP_MILLIMETRES, kind: 'dirty' }]);
    dragged(bar(), 0);
    expect(stretches()).toHaveLength(1);
  });
  test('is put down by buttons too, each patch beside the last, and cleaned', () => {
    const { rerender } = shown();
    const again = () =>
      rerender(
        <LoopControls jobId={jobId} hand={handOf(jobId)} direction="forward" live={still} scale="H0" />,
      );
    fireEvent.click(screen.getByRole('button', { name: /^Dirty/ }));
    again();
    fireEvent.click(screen.getByRole('button', { name: /^Dead/ }));
    again();
    const [one, other] = stretches();
    expect([one.kind, other.kind]).toEqual(['dirty', 'dead']);
    expect(other.fromMillimetres).toBeGreaterThan(one.toMillimetres);
    fireEvent.click(screen.getByRole('button', { name: 'Clean' }));
    expect(stretches()).toEqual([]);
  });
});
