import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { boatTrain } from '../../../tests/generated';
import { supplyIdsOf } from '../../../core/document/line-stages';
import { benchOf } from '../../../core/study/bench';
import { Solver } from '../../../core/study/solver';
import { usualState } from '../../../core/study/states';
import { useLayoutStore } from '../../store/layout-store';
import { handOf, useRunStore } from '../../store/run-store';
import { CircuitPicture } from '../../drawings/circuit/circuit-picture';
import { CircuitPanel } from './circuit-panel';
import type { Layout } from '../../../core/document/layout';
import type { PictureProps } from '../../kinds/face';

const jobId = 'compartment-coach';
const now = (): Layout => useLayoutStore.getState().layout!;
function props(): PictureProps {
  const bench = benchOf(now(), jobId);
  const state = usualState(bench);
  const solved = { bench, state, readings: new Solver(bench).at(state), failure: null };
  return {
    layout: now(),
    jobId,
    job: now().jobs[jobId],
    solved,
    hand: handOf(jobId),
    live: { samples: [], now: null, failure: null },
    flagged: new Set(),
    onState: () => undefined,
  };
}
const panel = () =>
  render(
    <MemoryRouter>
      <CircuitPanel {...props()} />
    </MemoryRouter>,
  );
/** Opens a list and takes what it offers by its words. */
function choose(label: string, words: string | RegExp): void {
  const box = screen.getByRole('combobox', { name: label });
  fireEvent.mouseDown(
    box.closest('.ant-select')!.querySelector('.ant-select-content, .ant-select-selector') ?? box,
  );
  const [option] = screen.getAllByText(words).slice(-1);
  fireEvent.click(option);
}

beforeEach(() => {
  useLayoutStore.setState({ layout: boatTrain() });
  useRunStore.setState({ hands: {} });
});
afterEach(cleanup);

describe('the supply of a circuit', () => {
  test('a cell of its own, its figures at hand, and back', () => {
    panel();
    fireEvent.click(screen.getByText('Another supply for these lamps'));
    choose('They hang on', 'A cell of their own');
    const job = now().jobs[jobId];
    expect(supplyIdsOf(job)).toHaveLength(2);
    const [, own] = supplyIdsOf(job);
    expect(now().supplies[own]).toMatchObject({ kind: 'cell', name: `Cell of ${job.name}` });
    cleanup();
    panel();
    // Open by itself now, with the cell’s own fields; a preset for rails makes no sense on a cell.
    expect(screen.getByLabelText('How many')).toBeDefined();
    expect(screen.queryByLabelText('How it is wired')).toBeNull();
    choose('They hang on', /as the rest$/);
    expect(supplyIdsOf(now().jobs[jobId])).toHaveLength(1);
  });
  test('only what keeps its sides is offered', () => {
    panel();
    fireEvent.click(screen.getByText('Another supply for these lamps'));
    fireEvent.mouseDown(
      screen
        .getByRole('combobox', { name: 'They hang on' })
        .closest('.ant-select')!
        .querySelector('.ant-select-content, .ant-select-selector')!,
    );
    const offered = [...document.querySelectorAll('.ant-select-item-option-content')].map(
      (e) => e.textContent,
    );
    expect(offered).toContain('Quay lighting bus, 12 V');
    expect(offered.some((name) => /^Main line$|AC$|DC$/.test(name ?? ''))).toBe(false);
  });
  test('its ladder begins at plus and minus of the cell, the rest at the rails', () => {
    panel();
    fireEvent.click(screen.getByText('Another supply for these lamps'));
    choose('They hang on', 'Coin cell on board');
    cleanup();
    render(<CircuitPicture {...props()} />);
    const heads = [...document.querySelectorAll('text.head')].map((e) => e.textContent);
    expect(heads).toEqual(expect.arrayContaining(['plus', 'minus']));
  });
});
