import { act, cleanup, render } from '@testing-library/react';
import { flushSync } from 'react-dom';
import { afterEach, expect, test, vi } from 'vitest';
import { create } from 'zustand';
import { MOST_HELD_MS, useCaughtUp } from './use-caught-up';

afterEach(() => {
  cleanup();
  vi.useRealTimers();
});

/** A panel that tells what its button would act on. */
function Panel({ now, stands, onPress }: { now: string; stands: boolean; onPress: (of: string) => void }) {
  const { shown, catches } = useCaughtUp(now, stands);
  return (
    <div {...catches}>
      <button onClick={() => onPress(shown)}>{shown}</button>
    </div>
  );
}

function laid(stands: (now: string) => boolean = () => true): {
  edit: (now: string) => void;
  button: () => HTMLElement;
  pressed: string[];
} {
  const pressed: string[] = [];
  const onPress = (of: string): void => void pressed.push(of);
  const useLaid = create(() => 'one bulb');
  function Bench() {
    const now = useLaid();
    return <Panel now={now} stands={stands(now)} onPress={onPress} />;
  }
  const { getByRole } = render(<Bench />);
  return {
    edit: (now) => flushSync(() => useLaid.setState(now, true)),
    button: () => getByRole('button'),
    pressed,
  };
}

test('a press acts on the newest layout though there was no time yet to show it', () => {
  const { edit, button, pressed } = laid();
  act(() => {
    edit('two white, two red');
    expect(button().textContent).toBe('one bulb');
    button().click();
  });
  expect(pressed).toEqual(['two white, two red']);
});

test('what a press has shown is not taken back for what stood before it, though more comes', () => {
  const { edit, button, pressed } = laid();
  act(() => {
    edit('two white, two red');
    button().click();
    edit('two white, two red, solved');
    expect(button().textContent).toBe('two white, two red');
    button().click();
  });
  expect(pressed).toEqual(['two white, two red', 'two white, two red, solved']);
  expect(button().textContent).toBe('two white, two red, solved');
});

test('Enter shows the newest first', () => {
  const { edit, button } = laid();
  act(() => {
    edit('two white, two red');
    button().dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
    expect(button().textContent).toBe('two white, two red');
  });
});

test('keys that only write hurry nothing; what is late follows after the frame of the stage', () => {
  vi.useFakeTimers();
  const { edit, button } = laid();
  act(() => {
    edit('two white, two red');
    button().dispatchEvent(new KeyboardEvent('keydown', { key: '4', bubbles: true }));
    expect(button().textContent).toBe('one bulb');
  });
  expect(button().textContent).toBe('one bulb');
  act(() => void vi.advanceTimersToNextFrame());
  expect(button().textContent).toBe('two white, two red');
});

test('what is below the stage waits until that stands, and not for long', () => {
  vi.useFakeTimers();
  const { edit, button } = laid((now) => now !== 'a lamp nobody has solved yet');
  act(() => edit('a lamp nobody has solved yet'));
  expect(button().textContent).toBe('one bulb');
  act(() => void vi.advanceTimersByTime(MOST_HELD_MS - 1));
  expect(button().textContent).toBe('one bulb');
  act(() => void vi.advanceTimersByTime(1));
  expect(button().textContent).toBe('a lamp nobody has solved yet');
  act(() => edit('two white, two red'));
  act(() => void vi.advanceTimersToNextFrame());
  expect(button().textContent).toBe('two white, two red');
});

test('what changes before every frame is followed all the same', () => {
  vi.useFakeTimers();
  const { edit, button } = laid();
  for (let volts = 1; volts <= 3; volts++) {
    act(() => edit(`${volts} V`));
    act(() => edit(`${volts}.5 V`));
    act(() => void vi.advanceTimersToNextFrame());
    expect(button().textContent).toBe(`${volts}.5 V`);
  }
});
