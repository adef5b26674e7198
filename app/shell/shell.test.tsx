import { act, cleanup, render, screen } from '@testing-library/react';
import { Profiler } from 'react';
import { MemoryRouter, Route, Routes } from 'react-router';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { boatTrain, demoJob } from '../../tests/generated';
import { useLayoutStore } from '../store/layout-store';
import { Sections } from './sections';
import { TopBar } from './top-bar';

const at = (path: string, element: React.ReactNode) => (
  <MemoryRouter initialEntries={[path]}>
    <Routes>
      <Route path="*" element={element} />
    </Routes>
  </MemoryRouter>
);
const nothing = (): void => undefined;
const bar = <TopBar take={async () => undefined} onFind={nothing} onKeys={nothing} />;
const { edit, undo } = useLayoutStore.getState();
const renameJob = (name: string): void =>
  act(() => edit('Rename the coach', (d) => void (d.jobs[demoJob].name = name)));

beforeEach(() => useLayoutStore.getState().open(boatTrain()));
afterEach(cleanup);

describe('the sections', () => {
  test('the bench leads to the job that is open, else to the first', () => {
    const { unmount } = render(at('/bench/diesel-shunter/circuit', <Sections />));
    const bench = (): string => screen.getByText('Bench').closest('a')!.getAttribute('href')!;
    expect(bench()).toBe('/bench/diesel-shunter');
    expect(screen.getByText('Bench').closest('a')!.classList.contains('active')).toBe(true);
    unmount();
    render(at('/drawer', <Sections />));
    const [first] = Object.entries(boatTrain().jobs).sort(([, a], [, b]) => a.order - b.order)[0];
    expect(bench()).toBe(`/bench/${first}`);
    expect(screen.getByText('Bench').closest('a')!.classList.contains('active')).toBe(false);
  });
  test('are not drawn anew by an edit', () => {
    const drawn = vi.fn();
    render(
      at(
        `/bench/${demoJob}`,
        <Profiler id="sections" onRender={drawn}>
          <Sections />
        </Profiler>,
      ),
    );
    const before = drawn.mock.calls.length;
    renameJob('Saloon of another name');
    expect(drawn).toHaveBeenCalledTimes(before);
  });
});

describe('the bar above a page', () => {
  test('names what the page is about, and follows its name', () => {
    render(at(`/bench/${demoJob}`, bar));
    renameJob('Saloon of another name');
    expect(screen.getByText('Saloon of another name')).toBeDefined();
    expect(screen.getByText(boatTrain().name).closest('a')!.getAttribute('href')).toBe('/');
  });
  test('names the train of a train’s page, and the layout alone elsewhere', () => {
    const [id, train] = Object.entries(boatTrain().trains)[0];
    const { unmount } = render(at(`/train/${id}`, bar));
    expect(screen.getByText(train.name)).toBeDefined();
    unmount();
    render(at('/feeds', bar));
    expect(screen.getByText(boatTrain().name).closest('a')).toBeNull();
  });
  test('a job that has gone is not named', () => {
    render(at('/bench/long-gone', bar));
    expect(screen.getByText(boatTrain().name).closest('a')).toBeNull();
  });
  test('says what would be taken back and made again', () => {
    render(at('/', bar));
    const button = (name: string): HTMLButtonElement => screen.getByRole('button', { name });
    expect(button('Undo').disabled).toBe(true);
    renameJob('Saloon of another name');
    expect(button('Undo: Rename the coach').disabled).toBe(false);
    expect(button('Redo').disabled).toBe(true);
    act(undo);
    expect(button('Undo').disabled).toBe(true);
    expect(button('Redo: Rename the coach').disabled).toBe(false);
  });
});
