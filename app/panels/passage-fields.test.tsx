import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { boatTrain } from '../../tests/generated';
import { benchOf } from '../../core/study/bench';
import { useLayoutStore } from '../store/layout-store';
import { handOf } from '../store/run-store';
import { PassageFields } from './passage-fields';
import type { Layout } from '../../core/document/layout';
import type { PanelProps } from '../kinds/face';

const id = 'diesel-shunter';
const now = (): Layout => useLayoutStore.getState().layout!;
const passages = () => now().jobs[id].passages;
function props(): PanelProps {
  const bench = benchOf(now(), id);
  const solved = { bench, state: {}, readings: null, failure: null };
  const live = { samples: [], now: null, failure: null };
  return { layout: now(), jobId: id, job: bench.job, solved, hand: handOf(id), live };
}
const put = (field: HTMLElement, value: string): void => {
  fireEvent.change(field, { target: { value } });
  fireEvent.blur(field);
};

beforeEach(() => useLayoutStore.getState().open(boatTrain()));
afterEach(cleanup);

describe('what leads go through', () => {
  test('each way says what it has to take against what it has', () => {
    render(<PassageFields {...props()} />);
    // Eight leads of 0.5 mm: 0.5 √(1.3 · 8) = 1.6 mm.
    expect(screen.getAllByText('8 leads take 1.7 mm; it has 3 mm.')).toHaveLength(2);
  });
  test('a bore in a fraction of an inch is understood, and one too narrow is told', () => {
    const { rerender } = render(<PassageFields {...props()} />);
    put(screen.getAllByLabelText('Bore, where narrowest')[0], '1/32 in');
    expect(passages()['end-A'].boreMillimetres).toBeCloseTo(25.4 / 32, 9);
    rerender(<PassageFields {...props()} />);
    expect(screen.getByText(/8 leads take 1.7 mm; it has 0.794 mm/).className).toBe('field-refusal');
  });
  test('what hangs on the wires already has its width; one more way is added and taken out', () => {
    const { rerender } = render(<PassageFields {...props()} />);
    fireEvent.click(screen.getAllByText('Something hangs on the wires already')[0]);
    expect(passages()['end-A'].carriesMillimetres).toBe(2.5);
    rerender(<PassageFields {...props()} />);
    put(screen.getByLabelText('It is across'), '5.1');
    expect(passages()['end-A'].carriesMillimetres).toBe(5.1);
    fireEvent.click(screen.getByRole('button', { name: 'Another passage' }));
    expect(Object.keys(passages())).toHaveLength(3);
    rerender(<PassageFields {...props()} />);
    fireEvent.click(screen.getByRole('button', { name: 'Take out Hole 3' }));
    expect(Object.keys(passages())).toEqual(['end-A', 'end-B']);
  });
  test('a name is needed, and kept', () => {
    render(<PassageFields {...props()} />);
    put(screen.getAllByLabelText('Called')[0], '');
    expect(screen.getByText(/Something has to be written here/)).toBeDefined();
    put(screen.getAllByLabelText('Called')[0], 'Slot behind the buffer');
    expect(passages()['end-A'].name).toBe('Slot behind the buffer');
  });
});
