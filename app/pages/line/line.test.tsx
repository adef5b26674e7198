import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { boatTrain } from '../../../tests/generated';
import { change } from '../../../core/document/patch';
import { glowOf } from '../../../core/study/glow';
import { solvedJob } from '../../../core/study/solved-job';
import { feedStudy } from '../../../core/feed/study';
import { supplySums } from '../../../core/feed/supply-sums';
import { useLayoutStore } from '../../store/layout-store';
import { EveningPanel, clockWords } from './evening-panel';
import { LinePlan } from './line-plan';
import type { Layout } from '../../../core/document/layout';
import type { Finding } from '../../../core/finding/finding';

// What is judged and how far it is come from a worker, which there is none of here.
vi.mock('../../bench/use-judged', () => ({
  useJudged: (_: Layout, jobId: string) => ({
    findings: jobId === 'boat-shed' ? [{ severity: 'mind', title: 'Too dim' } as Finding] : [],
    begun: true,
    stale: false,
    failure: null,
  }),
}));
vi.mock('../../workers/use-study', () => ({
  useStudy: () => ({ answer: { 'boat-shed': 'in hand', 'quay-lamps': 'done' }, stale: false, failure: null }),
}));

const lit = ['quay-lamps', 'boat-shed'];
const shining = (layout: Layout) => (id: string) =>
  lit.includes(id) ? glowOf(solvedJob(layout, id).readings!) : null;
const now = (): Layout => useLayoutStore.getState().layout!;

beforeEach(() => useLayoutStore.setState({ layout: boatTrain() }));
afterEach(cleanup);

describe('the line in plan', () => {
  const drawn = (atMinutes: number | null, layout = now()) =>
    render(
      <MemoryRouter>
        <LinePlan layout={layout} glowOf={shining(layout)} atMinutes={atMinutes} />
      </MemoryRouter>,
    );
  test('each thing is one press from its bench, and says how far it is', () => {
    drawn(null);
    const thing = (name: RegExp) => screen.getByRole('link', { name });
    const state = (name: RegExp) => thing(name).getAttribute('aria-description');
    expect(thing(/^Boat shed/).getAttribute('href')).toBe('/bench/boat-shed');
    expect([/^Boat shed/, /^Quay lamps/, /^Boat train/].map(state)).toEqual(['in hand', 'done', 'planned']);
    expect(thing(/^Boat train/).getAttribute('href')).toMatch(/^\/train\//);
    expect(screen.getByText('Quay Street')).toBeDefined();
  });
  test('what needs attention is pinned to its place, and nothing where nothing does', () => {
    drawn(null);
    const pins = document.querySelectorAll('.pin');
    expect(pins).toHaveLength(1);
    expect(pins[0].closest('a')!.getAttribute('href')).toBe('/bench/boat-shed');
    expect(pins[0].getAttribute('aria-label')).toBe('Too dim');
  });
  test('a thing glows while it is lit in the evening', () => {
    const layout = change(now(), (draft) => {
      draft.evening.lit = { 'quay-lamps': [{ fromMinutes: 60, toMinutes: 90 }] };
    }).layout;
    const glows = (at: number | null): number => {
      drawn(at, layout);
      const count = document.querySelectorAll('[data-glow="quay-lamps"] .glow').length;
      cleanup();
      return count;
    };
    expect([glows(null), glows(0), glows(60), glows(90)]).toEqual([1, 0, 1, 0]);
  });
  test('names keep clear of one another and of the pins', () => {
    drawn(null);
    const boxes = [...document.querySelectorAll('.standing')].map((link) => {
      const [, x, y] = /translate\(([\d.-]+) ([\d.-]+)\)/
        .exec(link.querySelector('g')!.getAttribute('transform')!)!
        .map(Number);
      const text = link.querySelector('text')!;
      const at = (name: string): number => Number(text.getAttribute(name));
      return { x: x + at('x'), y: y + at('y') - 4, width: 6.3 * text.textContent.length, height: 14 };
    });
    expect(boxes.length).toBeGreaterThan(12);
    const hidden = boxes.flatMap((a, i) =>
      boxes
        .slice(i + 1)
        .map(
          (b) =>
            Math.max(0, (a.width + b.width) / 2 - Math.abs(a.x - b.x)) *
            Math.max(0, (a.height + b.height) / 2 - Math.abs(a.y - b.y)),
        ),
    );
    const all = boxes.reduce((sum, b) => sum + b.width * b.height, 0);
    expect(hidden.reduce((a, b) => a + b, 0) / all).toBeLessThan(0.02);
  });
  test('what stands nowhere is named', () => {
    drawn(null);
    expect(screen.getByText(/On no board yet: .*Tug Dunlin/)).toBeDefined();
  });
});

describe('the evening', () => {
  const sums = () => supplySums(now(), feedStudy(now()).reading);
  const press = (handle: HTMLElement, key: 'ArrowLeft' | 'ArrowRight'): boolean =>
    fireEvent.keyDown(handle, { key, keyCode: key === 'ArrowLeft' ? 37 : 39 });
  test('times of day run over midnight', () => expect(clockWords(1430 + 20)).toBe('00:10'));
  test('a job’s hours are changed by its handles, one step undone at once', () => {
    render(<EveningPanel layout={now()} sums={sums()} atMinutes={0} onAt={() => undefined} />);
    const [from] = screen.getAllByRole('slider', { name: 'Quay starter' });
    press(from, 'ArrowRight');
    fireEvent.keyUp(from, { key: 'ArrowRight', keyCode: 39 });
    expect(now().evening.lit['quay-starter']).toEqual([
      { fromMinutes: 5, toMinutes: now().evening.lastsMinutes },
    ]);
  });
  test('a job is lit once more, each time by a slider of its own; what is always lit cannot be', () => {
    const shown = () =>
      render(<EveningPanel layout={now()} sums={sums()} atMinutes={0} onAt={() => undefined} />);
    useLayoutStore.getState().edit('Lit early', (draft) => {
      draft.evening.lit['quay-starter'] = [{ fromMinutes: 0, toMinutes: 60 }];
    });
    const [, always] = Object.entries(now().jobs).find(([id]) => !Object.hasOwn(now().evening.lit, id))!;
    shown();
    expect(screen.getByRole('button', { name: `${always.name}: lit once more` })).toHaveProperty(
      'disabled',
      true,
    );
    fireEvent.click(screen.getByRole('button', { name: 'Quay starter: lit once more' }));
    expect(now().evening.lit['quay-starter']).toHaveLength(2);
    cleanup();
    shown();
    // Two handles each.
    expect(screen.getAllByRole('slider', { name: 'Quay starter' })).toHaveLength(4);
    const last = screen.getAllByRole('slider', { name: 'Quay starter' })[3];
    press(last, 'ArrowRight');
    fireEvent.keyUp(last, { key: 'ArrowRight', keyCode: 39 });
    const [, second] = now().evening.lit['quay-starter'];
    expect(second.toMinutes - second.fromMinutes).toBe(45);
    expect(now().evening.lit['quay-starter'][0]).toEqual({ fromMinutes: 0, toMinutes: 60 });
  });
  test('what is drawn to nothing stays under the hand until it is let go', () => {
    useLayoutStore.getState().edit('Twice', (draft) => {
      draft.evening.lit['quay-starter'] = [
        { fromMinutes: 0, toMinutes: 10 },
        { fromMinutes: 60, toMinutes: 90 },
      ];
    });
    const { lit } = now().evening;
    const handles = () => screen.getAllByRole('slider', { name: 'Quay starter' });
    render(<EveningPanel layout={now()} sums={sums()} atMinutes={0} onAt={() => undefined} />);
    press(handles()[1], 'ArrowLeft');
    press(handles()[1], 'ArrowLeft');
    expect(handles()).toHaveLength(4);
    expect(screen.getByText(/^(\d\d:\d\d)–\1, /)).toBeDefined();
    expect(now().evening.lit).toBe(lit);
    fireEvent.keyUp(handles()[1], { key: 'ArrowLeft', keyCode: 37 });
    expect(now().evening.lit['quay-starter']).toEqual([{ fromMinutes: 60, toMinutes: 90 }]);
  });
  test('each supply tells its most and its energy', () => {
    render(<EveningPanel layout={now()} sums={sums()} atMinutes={0} onAt={() => undefined} />);
    const table = screen.getByRole('table', { name: 'What each supply gives over the evening' });
    expect(within(table).getAllByText(/A at \d\d:\d\d, of /).length).toBeGreaterThan(0);
    expect(within(table).getAllByText(/Wh$/).length).toBeGreaterThan(0);
  });
});
