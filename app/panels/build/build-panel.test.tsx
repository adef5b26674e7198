import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { MemoryRouter, Route, Routes } from 'react-router';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { boatTrain } from '../../../tests/generated';
import { orderOf } from '../../../core/build/order/order';
import { keptOf } from '../../../core/build/progress';
import { shoppingList } from '../../../core/build/lists/shopping';
import { benchOf } from '../../../core/study/bench';
import { asWired } from '../../../core/study/wired';
import { stateByHand } from '../../../core/study/hand';
import { ListsPicture } from '../../drawings/build/lists-picture';
import { OrderPicture } from '../../drawings/build/order-picture';
import { TemplatesPicture } from '../../drawings/build/templates-picture';
import { WiringPicture } from '../../drawings/build/wiring-picture';
import { AtBenchPage } from '../../pages/at-bench-page';
import { useDryingStore } from '../../store/drying-store';
import { useLayoutStore } from '../../store/layout-store';
import { handOf } from '../../store/run-store';
import { BuildPanel } from './build-panel';
import type { Layout } from '../../../core/document/layout';
import type { PictureProps } from '../../kinds/face';

// What the worker answers is worked out here, at once.
vi.mock('../../workers/use-study', () => ({
  useStudy: (name: string, layout: Layout, of: { jobId: string; jobIds: string[] }) => ({
    answer: name === 'order' ? orderOf(benchOf(layout, of.jobId)) : shoppingList(layout, of.jobIds),
    failure: null,
    stale: false,
  }),
}));

const id = 'diesel-shunter';
const layoutNow = (): Layout => useLayoutStore.getState().layout!;
function props(): PictureProps {
  const layout = layoutNow();
  const bench = benchOf(layout, id);
  const state = stateByHand(bench, {});
  const solved = { bench, state, readings: null, failure: null };
  return {
    layout,
    jobId: id,
    job: bench.job,
    solved,
    hand: handOf(id),
    live: { samples: [], now: null, failure: null },
    flagged: new Set(),
    onState: () => undefined,
  };
}
const shown = (of: React.ReactNode) => render(<MemoryRouter>{of}</MemoryRouter>);
const tasks = () => {
  const made = orderOf(benchOf(layoutNow(), id));
  return made.ok ? made.order.tasks : [];
};

beforeEach(() => {
  useLayoutStore.getState().open(boatTrain());
  useDryingStore.setState({ jobs: {} });
});
afterEach(cleanup);

describe('the order, to be ticked', () => {
  test('each task in its order; a tick is kept, takes stock, and can be taken back', () => {
    const { rerender } = shown(<OrderPicture {...props()} />);
    const list = screen.getByRole('list', { name: 'Order of work' });
    const boxes = within(list).getAllByRole('checkbox');
    expect(boxes).toHaveLength(tasks().length);
    const solder = tasks().findIndex((t) => t.uses.some((u) => u.key === 'lamp:white-warm'));
    const before = layoutNow().drawer.sundries.warm.count;
    fireEvent.click(boxes[solder]);
    expect(keptOf(layoutNow().jobs[id].progress, tasks()[solder]).done).toBe(true);
    expect(layoutNow().drawer.sundries.warm.count).toBe(before - 4);
    rerender(
      <MemoryRouter>
        <OrderPicture {...props()} />
      </MemoryRouter>,
    );
    fireEvent.click(
      within(screen.getByRole('list', { name: 'Order of work' })).getAllByRole('checkbox')[solder],
    );
    expect(layoutNow().drawer.sundries.warm.count).toBe(before);
  });
  test('a task tells how, why it comes here, what is due, and takes a note', () => {
    shown(<OrderPicture {...props()} />);
    const drill = tasks().findIndex((t) => t.tool === 'drill');
    fireEvent.click(screen.getAllByRole('button')[drill]);
    const open = screen.getAllByRole('listitem').find((l) => within(l).queryByLabelText('Note'))!;
    expect(open.textContent).toMatch(/Cannot be undone.*After “.*no hole for a lamp that is dead/s);
    expect(open.textContent).toMatch(/Eye protection/);
    const note = within(open).getByLabelText('Note');
    fireEvent.change(note, { target: { value: 'use the 1.9 bit' } });
    fireEvent.blur(note);
    expect(keptOf(layoutNow().jobs[id].progress, tasks()[drill]).note).toBe('use the 1.9 bit');
  });
});

describe('the panel', () => {
  test('says how far it is and what comes next; how many are built is in the order', () => {
    shown(<BuildPanel {...props()} />);
    expect(screen.getByText(`0 of ${tasks().length}`)).toBeDefined();
    expect(screen.getByText(tasks()[0].does)).toBeDefined();
    const count = screen.getByLabelText('How many of it are built at once');
    fireEvent.change(count, { target: { value: '7' } });
    fireEvent.blur(count);
    expect(layoutNow().jobs[id].progress.count).toBe(7);
    expect(tasks().some((t) => t.does.startsWith('Test 28 ×'))).toBe(true);
  });
  test('where something does not pass it says the two facts and what frees them', async () => {
    useLayoutStore.getState().edit('Bore', (draft) => {
      draft.jobs[id].passages['end-A'].boreMillimetres = 0.5;
    });
    shown(<BuildPanel {...props()} />);
    expect((await screen.findByRole('alert')).textContent).toMatch(/0\.5 mm.*What would free it/s);
  });
});

describe('drawings', () => {
  test('wiring: a line for every lead, and its drawing', () => {
    const { container } = shown(<WiringPicture {...props()} />);
    expect(container.querySelectorAll('svg.wiring')).toHaveLength(1);
    const rows = within(screen.getByRole('table', { name: 'Leads' })).getAllByRole('row');
    expect(rows).toHaveLength(1 + asWired(props().solved.bench).assembly.leads.length);
  });
  test('lists: what is short is to be got, what is there is not', () => {
    shown(<ListsPicture {...props()} />);
    const row = (name: string): string | null =>
      screen.getByRole('row', { name: new RegExp(name) }).textContent;
    expect(row('Resistor 1k 1/4 W')).toMatch(/65 first drawer——$/);
    expect(row('Lamp red')).toMatch(/6 tin by the window——$/);
    expect(row('Decoder wire 0.5 mm outside, black')).toMatch(/—$/);
  });
  test('templates: one for each end with holes', () => {
    const { container } = shown(<TemplatesPicture {...props()} />);
    expect(container.querySelectorAll('figure')).toHaveLength(2);
    expect(container.innerHTML.match(/class="hole"/g)).toHaveLength(8);
  });
});

describe('at the bench', () => {
  const page = () =>
    render(
      <MemoryRouter initialEntries={[`/at-bench/${id}`]}>
        <Routes>
          <Route path="at-bench/:jobId" element={<AtBenchPage />} />
        </Routes>
      </MemoryRouter>,
    );
  const step = (): string | null => screen.getByRole('status').textContent;

  test('done goes on, back looks back, arrows look about, and what dries has a clock', () => {
    page();
    const all = tasks();
    expect(step()).toBe(`Step 1 of ${all.length}`);
    const black = all.findIndex((t) => t.dryMinutes > 0);
    for (let n = 0; n < black; n++) fireEvent.click(screen.getByRole('button', { name: 'Done' }));
    expect(screen.queryByRole('timer')).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'Done' }));
    expect(screen.getByRole('timer').textContent).toMatch(/^(30:00|29:5\d)/);
    fireEvent.keyDown(document.body, { key: 'ArrowLeft' });
    expect(step()).toBe(`Step ${black + 1} of ${all.length}`);
    fireEvent.click(screen.getByRole('button', { name: 'Not done after all' }));
    expect(keptOf(layoutNow().jobs[id].progress, all[black]).done).toBe(false);
  });
  test('at the end it says so', () => {
    page();
    for (let n = 0; n < tasks().length; n++) fireEvent.click(screen.getByRole('button', { name: 'Done' }));
    expect(screen.getByText('It is built')).toBeDefined();
    expect(Object.values(layoutNow().jobs[id].progress.tasks).every((t) => t.done)).toBe(true);
  });
  test('it does not say so while a step is left: looked past, or the last one done before the others', () => {
    page();
    const many = tasks().length;
    for (let n = 0; n < many + 3; n++) fireEvent.keyDown(document.body, { key: 'ArrowRight' });
    expect(step()).toBe(`Step ${many} of ${many}`);
    fireEvent.click(screen.getByRole('button', { name: 'Done' }));
    expect(screen.queryByText('It is built')).toBeNull();
    expect(step()).toBe(`Step 1 of ${many}`);
  });
  test('what is not there is not found', () => {
    render(
      <MemoryRouter initialEntries={['/at-bench/nobody']}>
        <Routes>
          <Route path="at-bench/:jobId" element={<AtBenchPage />} />
        </Routes>
      </MemoryRouter>,
    );
    expect(screen.getByText('There is no such page')).toBeDefined();
  });
});
