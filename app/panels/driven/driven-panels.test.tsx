import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { boatTrain } from '../../../tests/generated';
import { crossingIn } from '../../../core/kinds/crossing/jobs';
import { signalIn } from '../../../core/kinds/signal/jobs';
import { benchOf } from '../../../core/study/bench';
import { stateByHand } from '../../../core/study/hand';
import { Solver } from '../../../core/study/solver';
import { ControlsCard } from '../../bench/controls-card';
import { AspectsPicture } from '../../drawings/driven/aspects-picture';
import { useLayoutStore } from '../../store/layout-store';
import { handOf, useRunStore } from '../../store/run-store';
import { AspectsPanel } from './aspects-panel';
import { DriverPanel } from './driver-panel';
import { OutputsPanel } from './outputs-panel';
import type { AnyJob, Layout } from '../../../core/document/layout';
import type { Driven } from '../../../core/document/aspect-record';
import type { State } from '../../../core/supply/state';
import type { PictureProps } from '../../kinds/face';

const still = { samples: [], now: null, failure: null };

/** A job as everything on the bench gets it, solved at once, of the layout that is open. */
function of(jobId: string, onState: (state: State) => void = () => undefined): PictureProps<AnyJob & Driven> {
  const layout: Layout = useLayoutStore.getState().layout!;
  const hand = handOf(jobId);
  const bench = benchOf(layout, jobId);
  const state = stateByHand(bench, hand.set);
  const readings = new Solver(bench).at(state);
  const solved = { bench, state, readings, failure: null } as never;
  const job = layout.jobs[jobId] as AnyJob & Driven;
  return { layout, jobId, job, solved, hand, live: still, flagged: new Set(), onState };
}
const now = (): Layout => useLayoutStore.getState().layout!;

beforeEach(() => {
  useRunStore.setState({ hands: {} });
  useLayoutStore.setState({ layout: boatTrain() });
});
afterEach(cleanup);

describe('the table of aspects', () => {
  test('names each aspect and each lamp in it', () => {
    render(<AspectsPanel {...of('quay-starter')} />);
    expect(screen.getAllByLabelText('Aspect').map((f) => (f as HTMLInputElement).value)).toEqual([
      'Stop',
      'Clear',
    ]);
    expect(screen.getByLabelText('Red in Stop')).toBeDefined();
    expect(screen.getByLabelText('Green in Clear')).toBeDefined();
  });
  test('an aspect more is dark until lamps are chosen, and can be meant so', () => {
    const { rerender } = render(<AspectsPanel {...of('quay-starter')} />);
    fireEvent.click(screen.getByRole('button', { name: /An aspect more/ }));
    expect(Object.values(signalIn(now(), 'quay-starter').aspects).map((a) => a.name)).toContain('Aspect 3');
    rerender(<AspectsPanel {...of('quay-starter')} />);
    fireEvent.click(screen.getByLabelText('Meant to be dark'));
    expect(signalIn(now(), 'quay-starter').aspects.aspect.dark).toBe(true);
  });
  test('the last one cannot be taken out', () => {
    const { rerender } = render(<AspectsPanel {...of('quay-starter')} />);
    fireEvent.click(screen.getByRole('button', { name: 'Take Clear out' }));
    expect(Object.keys(signalIn(now(), 'quay-starter').aspects)).toEqual(['stop']);
    rerender(<AspectsPanel {...of('quay-starter')} />);
    expect(screen.getByRole('button', { name: 'Take Stop out' }).hasAttribute('disabled')).toBe(true);
  });
  test('of an arm it asks for the glass, not for lamps', () => {
    render(<AspectsPanel {...of('quay-distant')} />);
    expect(screen.getAllByLabelText('Glass before the lamp')).toHaveLength(2);
    expect(screen.queryByLabelText(/in Caution$/)).toBeNull();
  });
  test('lamps of one output stand together', () => {
    render(<AspectsPanel {...of('quay-street')} />);
    expect(screen.getByLabelText('Left lamps in Closed to the road')).toBeDefined();
    expect(screen.queryByLabelText(/Barrier lamp of post 1/)).toBeNull();
  });
});

describe('what feeds and switches it', () => {
  test('another driver keeps the lamps on their outputs and asks its own figures', () => {
    const { rerender } = render(<DriverPanel {...of('quay-street')} />);
    expect(screen.getByLabelText('Flashes a minute, each lamp')).toBeDefined();
    fireEvent.click(screen.getByText('Two-transistor flasher'));
    expect(crossingIn(now(), 'quay-street').driver?.kind).toBe('flasher');
    rerender(<DriverPanel {...of('quay-street')} />);
    expect(screen.getAllByLabelText('Capacitor')).toHaveLength(2);
    expect(screen.getByText(/By the usual sum/)).toBeDefined();
    fireEvent.click(screen.getByText('Timer chip'));
    rerender(<DriverPanel {...of('quay-street')} />);
    expect(screen.getByLabelText('Resistor A')).toBeDefined();
  });
  test('the rate of a flashing decoder is set, and nonsense is refused beside its field', () => {
    render(<DriverPanel {...of('quay-street')} />);
    const rate = screen.getByLabelText('Flashes a minute, each lamp');
    fireEvent.change(rate, { target: { value: '52' } });
    fireEvent.keyDown(rate, { key: 'Enter' });
    expect(crossingIn(now(), 'quay-street').driver).toMatchObject({ perMinute: 52 });
    fireEvent.change(rate, { target: { value: '10000' } });
    fireEvent.keyDown(rate, { key: 'Enter' });
    expect(screen.getByRole('alert').textContent).toContain('not a whole number from 1 to 600');
    expect(crossingIn(now(), 'quay-street').driver).toMatchObject({ perMinute: 52 });
  });
  test('pins of 3.3 V bring their limits', () => {
    const { rerender } = render(<DriverPanel {...of('quay-street')} />);
    fireEvent.click(screen.getByText('Pins of a small computer'));
    rerender(<DriverPanel {...of('quay-street')} />);
    fireEvent.click(screen.getByText('3.3 V'));
    expect(crossingIn(now(), 'quay-street').driver).toMatchObject({ volts: 3.3, pinAmps: 0.012 });
    rerender(<DriverPanel {...of('quay-street')} />);
    expect(screen.getByText(/12 mA each/)).toBeDefined();
  });
  test('an arm has no driver, and says so', () => {
    render(<DriverPanel {...of('quay-distant')} />);
    expect(screen.getByText(/always lit; the arm/)).toBeDefined();
    expect(screen.queryByText('Switched by')).toBeNull();
  });
});

describe('how bright', () => {
  test('a current asked for is a resistor chosen for the volts behind the driver', () => {
    render(<OutputsPanel {...of('quay-starter')} />);
    const field = screen.getByLabelText('Red: current in each');
    const before = signalIn(now(), 'quay-starter').circuits['output-2'].ohms;
    fireEvent.change(field, { target: { value: '1 mA' } });
    fireEvent.keyDown(field, { key: 'Enter' });
    const after = signalIn(now(), 'quay-starter').circuits['output-2'].ohms;
    expect(after).toBeGreaterThan(2 * before);
    // The next of E12 above (18 V at its highest - 1.4 V - 2 V) / 1 mA.
    expect(after).toBe(15e3);
  });
});

describe('aspects side by side', () => {
  test('each is a press that shows it on the stage', () => {
    const seen: State[] = [];
    render(<AspectsPicture {...of('quay-starter', (s) => void seen.push(s))} />);
    const cards = screen.getAllByRole('button');
    expect(cards.map((c) => c.getAttribute('aria-pressed'))).toEqual(['true', 'false']);
    expect(cards[0].textContent).toMatch(/Red: \d/);
    fireEvent.click(cards[1]);
    expect(seen).toEqual([expect.objectContaining({ aspect: 'clear' })]);
  });
  test('the card of controls has the aspects by their names', () => {
    render(<ControlsCard {...of('quay-starter')} />);
    fireEvent.click(screen.getByText('Clear'));
    expect(handOf('quay-starter').set).toEqual({ aspect: 'clear' });
  });
});
