import { dragged } from '../../../tests/dragged';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { boatTrain } from '../../../tests/generated';
import { sceneIn } from '../../../core/kinds/scene/jobs';
import { benchOf } from '../../../core/study/bench';
import { stateByHand } from '../../../core/study/hand';
import { Solver } from '../../../core/study/solver';
import { ProgramPicture } from '../../drawings/driven/program-picture';
import { TimelinePicture } from '../../drawings/moving/timeline-picture';
import { LampsPanel } from '../../kinds/scene/lamps-panel';
import { useLayoutStore } from '../../store/layout-store';
import { handOf } from '../../store/run-store';
import { momentNow, useSceneClocks } from '../../store/scene-clock';
import { TimelinePanel } from './timeline-panel';
import type { SceneRecord } from '../../../core/kinds/scene/record';
import type { Layout } from '../../../core/document/layout';
import type { PictureProps } from '../../kinds/face';

const still = { samples: [], now: null, failure: null };

/** A job as everything on the bench gets it, solved at once, of the layout that is open. */
function of(jobId: string): PictureProps<SceneRecord> {
  const layout: Layout = useLayoutStore.getState().layout!;
  const hand = handOf(jobId);
  const bench = benchOf(layout, jobId);
  const state = stateByHand(bench, hand.set);
  const solved = { bench, state, readings: new Solver(bench).at(state), failure: null } as never;
  const job = layout.jobs[jobId] as SceneRecord;
  return {
    layout,
    jobId,
    job,
    solved,
    hand,
    live: still,
    flagged: new Set(),
    onState: () => undefined,
  };
}
const carousel = (): SceneRecord => sceneIn(useLayoutStore.getState().layout!, 'carousel');

beforeEach(() => {
  useLayoutStore.setState({ layout: boatTrain() });
  useSceneClocks.setState({ clocks: {}, chosen: {} });
});
afterEach(cleanup);

describe('the time line as a drawing', () => {
  test('has a row for each group and a bar for each scene, moved by the arrow keys on the grid', () => {
    const { rerender } = render(<TimelinePicture {...of('carousel')} />);
    const bars = screen.getAllByRole('button', { name: /, from .* to / });
    expect(bars).toHaveLength(5);
    const second = screen.getByRole('button', { name: 'Chase of Ring of 24, from 4.0 s to 8.0 s' });
    fireEvent.keyDown(second, { key: 'ArrowRight' });
    rerender(<TimelinePicture {...of('carousel')} />);
    fireEvent.keyDown(screen.getByRole('button', { name: 'Chase of Ring of 24, from 4.5 s to 8.5 s' }), {
      key: 'ArrowLeft',
      shiftKey: true,
    });
    rerender(<TimelinePicture {...of('carousel')} />);
    expect(screen.getByRole('button', { name: 'Chase of Ring of 24, from 4.5 s to 8.0 s' })).toBeDefined();
  });
  test('is held and begun anew; what is drawn is said with its moment', () => {
    render(<TimelinePicture {...of('carousel')} />);
    fireEvent.click(screen.getByRole('button', { name: /Hold/ }));
    const held = momentNow('carousel');
    expect(momentNow('carousel')).toBe(held);
    fireEvent.click(screen.getByRole('button', { name: 'From the start' }));
    expect(momentNow('carousel')).toBe(0);
    expect(screen.getByText(/The channels draw most at \d+\.\d s: .* mA/)).toBeDefined();
  });
  test('a scene dragged along lands on the grid, as one step', () => {
    render(<TimelinePicture {...of('carousel')} />);
    const bar = screen.getByRole('button', { name: 'Chase of Ring of 24, from 0.0 s to 4.0 s' });
    const body = bar.querySelector('rect')!;
    dragged(body, 73);
    const [moved] = Object.values(carousel().timeline.clips).filter((c) => c.group === 'string');
    expect(moved.fromMilliseconds).toBeGreaterThan(0);
    expect(moved.fromMilliseconds % 500).toBe(0);
    expect(moved.toMilliseconds - moved.fromMilliseconds).toBe(4000);
  });
});

describe('the panel of the time line', () => {
  test('says what the chosen scene does, and changes its times and how fast', () => {
    const { rerender } = render(<TimelinePanel {...of('carousel')} />);
    fireEvent.change(screen.getByLabelText('From one flash to the next'), { target: { value: '2 s' } });
    fireEvent.keyDown(screen.getByLabelText('From one flash to the next'), { key: 'Enter' });
    expect(Object.values(carousel().timeline.clips)[0].parameters[0]).toBe(2000);
    rerender(<TimelinePanel {...of('carousel')} />);
    fireEvent.change(screen.getByLabelText('To'), { target: { value: '5' } });
    fireEvent.keyDown(screen.getByLabelText('To'), { key: 'Enter' });
    expect(Object.values(carousel().timeline.clips)[0].toMilliseconds).toBe(5000);
    rerender(<TimelinePanel {...of('carousel')} />);
    fireEvent.click(screen.getByRole('button', { name: /Repeat to the end/ }));
    expect(Object.values(carousel().timeline.clips).filter((c) => c.group === 'canopy')).toHaveLength(2);
  });
  test('a shorter line cuts its scenes; nonsense is refused beside the field', () => {
    render(<TimelinePanel {...of('carousel')} />);
    const lasts = screen.getByLabelText('It lasts');
    fireEvent.change(lasts, { target: { value: 'long' } });
    fireEvent.keyDown(lasts, { key: 'Enter' });
    expect(screen.getByRole('alert').textContent).toContain('Still in force');
    fireEvent.change(lasts, { target: { value: '6 s' } });
    fireEvent.keyDown(lasts, { key: 'Enter' });
    const { timeline } = carousel();
    expect(Math.max(...Object.values(timeline.clips).map((c) => c.toMilliseconds))).toBe(6000);
  });
});

test('the string is shortened with its group, and the feeds beyond its end go', () => {
  render(<LampsPanel {...of('carousel')} />);
  const count = screen.getByLabelText('Lamps on it');
  fireEvent.change(count, { target: { value: '16' } });
  fireEvent.keyDown(count, { key: 'Enter' });
  const { string, timeline } = carousel();
  expect(string!.count).toBe(16);
  expect(timeline.groups.string).toMatchObject({ first: 0, count: 16 });
});

test('the program of a scene has its string and its channels; a pin used twice is refused', () => {
  render(<ProgramPicture {...of('carousel')} />);
  const source = screen.getByLabelText('Program in MicroPython').textContent ?? '';
  expect(source).toContain('LAMPS = 24');
  expect(source).toContain('data of the string, 24 lamps, GRB');
  const pin = screen.getByLabelText('Data of the string on pin');
  fireEvent.change(pin, { target: { value: '2' } });
  fireEvent.keyDown(pin, { key: 'Enter' });
  expect(screen.getByRole('alert').textContent).toContain('pin 2 is used 2 times');
});
