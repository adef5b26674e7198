import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { demo, demoJob } from '../../tests/generated';
import { coachIn } from '../../core/kinds/coach/jobs';
import { useLayoutStore } from '../store/layout-store';
import { useShelfStore } from '../store/shelf-store';
import { choose, makeRoom } from '../storage/shelf-work';
import { exportLayout } from '../storage/files';
import ArchiveLook from './archive-look';
import Choices from './choices';
import StorageNotices from './storage-notices';
import RefusalNote from './refusal-note';
import { watchPresses } from './last-pressed';
import { addArchived } from '../storage/add-archived';
import type { ArchivedLayout } from '../../core/document/archive';
import type { Choice } from '../storage/database';

vi.mock('../storage/session', () => ({
  exported: vi.fn(() => Promise.resolve()),
  shelf: vi.fn(() => Promise.reject(new Error('none'))),
}));
vi.mock('../storage/shelf-work', () => ({
  choose: vi.fn(() => Promise.resolve(null)),
  makeRoom: vi.fn(() => Promise.resolve(0)),
}));
vi.mock('../storage/add-archived', () => ({ addArchived: vi.fn(() => Promise.resolve(true)) }));
vi.mock('../storage/files', () => ({ exportLayout: vi.fn() }));

const show = (what: React.ReactNode) => render(<MemoryRouter>{what}</MemoryRouter>);
const text = (): string => document.body.textContent ?? '';
const quiet = {
  cards: [],
  save: { kind: 'idle' } as const,
  trouble: null,
  notOpened: null,
  recovered: [],
  remind: false,
  replacing: null,
};

beforeEach(() => {
  useShelfStore.getState().set(quiet);
  useLayoutStore.getState().open(demo());
});
afterEach(cleanup);

describe('what the person is told of how the work is kept', () => {
  test('nothing, where all is well', () => {
    show(<StorageNotices />);
    expect(screen.queryAllByRole('alert')).toEqual([]);
  });
  test.each([
    [
      'a browser that keeps nothing',
      { trouble: { kind: 'absent', reason: 'denied' } },
      /keeps nothing.*denied/,
    ],
    [
      'an older window that holds the data',
      { trouble: { kind: 'blocked' } },
      /older Hazel Spark holds your layouts/,
    ],
    ['a newer program', { trouble: { kind: 'outdated' } }, /stopped writing.*reloads by itself/],
    [
      'a newer program, with an edit unsaved',
      { trouble: { kind: 'outdated' }, save: { kind: 'saving' } },
      /last edit is not saved/,
    ],
    ['a full disc', { save: { kind: 'full' } }, /no room left/],
    [
      'a write that failed',
      { save: { kind: 'failed', reason: 'disc on fire' } },
      /tried again.*disc on fire/,
    ],
    [
      'a layout that does not open',
      { notOpened: { id: 'x', name: 'Quay', complaints: [{ path: 'scale', reason: 'scale is missing' }] } },
      /“Quay” could not be opened.*scale is missing/,
    ],
    ['a database that was lost', { recovered: ['Quay'] }, /Quay was had back from the second copy/],
    ['an export that is due', { remind: true }, /Much has changed/],
  ])('%s', (_, state, words) => {
    useShelfStore.getState().set(state as Parameters<ReturnType<typeof useShelfStore.getState>['set']>[0]);
    show(<StorageNotices />);
    expect(text()).toMatch(words);
  });
  test('a full disc offers room, and takes it at a press', () => {
    useShelfStore.getState().set({ save: { kind: 'full' } });
    show(<StorageNotices />);
    fireEvent.click(screen.getByRole('button', { name: 'Make room' }));
    expect(makeRoom).toHaveBeenCalledOnce();
  });
  test('a reminder goes at a press, whichever', () => {
    useShelfStore.getState().set({ remind: true });
    show(<StorageNotices />);
    fireEvent.click(screen.getByRole('button', { name: 'Never remind me' }));
    expect(text()).not.toMatch(/Much has changed/);
  });
});

describe('an edit that is not made', () => {
  test('says why beside what was pressed, and goes at a press or with the next edit', () => {
    const stop = watchPresses();
    show(
      <>
        <button
          onClick={() =>
            useLayoutStore.getState().edit('Wanted light', (d) => void (coachIn(d, demoJob).wantedLux = 1e9))
          }
        >
          Too much
        </button>
        <RefusalNote />
      </>,
    );
    fireEvent.pointerDown(screen.getByText('Too much'));
    fireEvent.click(screen.getByText('Too much'));
    expect(screen.getByRole('alert').textContent).toMatch(/at most 100000 lx.*Nothing was changed/);
    expect(useLayoutStore.getState().layout).toEqual(demo());
    act(() =>
      useLayoutStore.getState().edit('Wanted light', (d) => void (coachIn(d, demoJob).wantedLux = 30)),
    );
    expect(screen.queryByRole('alert')).toBeNull();
    stop();
  });
});

describe('a choice between two windows', () => {
  const path = ['jobs', demoJob, 'wantedLux'];
  const choice: Choice = {
    id: 'c',
    layoutId: 'quay',
    at: 0,
    reason: 'both windows changed the same thing',
    places: [{ path, mine: 44, theirs: 33 }],
    step: {
      id: 'c',
      kind: 'edit',
      entryId: 'c',
      label: 'Wanted light',
      at: 0,
      patches: [{ op: 'replace', path, value: 44 }],
      inverse: [],
    },
  };
  beforeEach(() => useLayoutStore.getState().setChoices([choice]));
  test('shows both values with their unit, and what they are of', () => {
    show(<Choices onClose={() => undefined} />);
    expect(text()).toMatch(/Compartment coach.*wanted.*in force 33 lx, the other change 44 lx/);
  });
  test.each([
    ['Keep what is in force', 'theirs'],
    ['Take the other change', 'mine'],
  ])('%s', (name, take) => {
    show(<Choices onClose={() => undefined} />);
    fireEvent.click(screen.getByRole('button', { name }));
    expect(choose).toHaveBeenLastCalledWith('c', take);
  });
  test('one that cannot be made any more says so and stays', async () => {
    vi.mocked(choose).mockResolvedValueOnce('jobs.ghost is no longer there');
    show(<Choices onClose={() => undefined} />);
    fireEvent.click(screen.getByRole('button', { name: 'Take the other change' }));
    expect((await screen.findByRole('alert')).textContent).toMatch(/no longer there/);
  });
});

describe('a browser that keeps nothing', () => {
  test('another layout takes the place of the only copy when that is agreed to', async () => {
    const answers: boolean[] = [];
    const replacing = (replace: boolean): void => void answers.push(replace);
    useShelfStore.getState().set({ trouble: { kind: 'absent', reason: 'denied' }, replacing });
    show(<StorageNotices />);
    for (const name of ['Back', 'Go on without it', 'Export it and go on'])
      fireEvent.click(await screen.findByRole('button', { name }));
    expect(answers).toEqual([false, true, true]);
    expect(vi.mocked(exportLayout)).toHaveBeenCalledOnce();
  });
});

describe('a look into an archive', () => {
  const good: ArchivedLayout = {
    folder: 'a',
    changedAt: 0,
    layout: demo(),
    complaints: [],
    history: { kept: [], steps: [] },
    historyRefused: null,
  };
  const bad: ArchivedLayout = {
    ...good,
    folder: 'b',
    layout: null,
    history: null,
    complaints: [{ path: 'scale', reason: 'scale is missing' }],
  };
  test('names what is in it and what cannot be opened; only what is ticked is added', async () => {
    const other = {
      ...good,
      folder: 'c',
      layout: { ...demo(), name: 'Halt' },
      history: null,
      historyRefused: 'it is damaged',
    };
    const closed = vi.fn();
    show(<ArchiveLook name="shelf.zip" layouts={[good, bad, other]} contents={new Map()} onClose={closed} />);
    expect(text()).toMatch(/cannot be opened: scale scale is missing/);
    expect(text()).toMatch(/without its history: it is damaged/);
    expect(screen.getAllByRole<HTMLInputElement>('checkbox').map((c) => [c.checked, c.disabled])).toEqual([
      [true, false],
      [false, true],
      [true, false],
    ]);
    fireEvent.click(screen.getByRole('checkbox', { name: /Halt/ }));
    fireEvent.click(screen.getByRole('button', { name: 'Add 1 to the shelf' }));
    await vi.waitFor(() => expect(closed).toHaveBeenCalled());
    expect(vi.mocked(addArchived).mock.calls.map(([l]) => l.folder)).toEqual(['a']);
  });
});
