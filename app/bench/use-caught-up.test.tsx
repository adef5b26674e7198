// @vitest-environment happy-dom
import { act, cleanup, render } from '@testing-library/react';
import { flushSync } from 'react-dom';
import { afterEach, expect, test } from 'vitest';
import { create } from 'zustand';
import { useCaughtUp } from './use-caught-up';

afterEach(cleanup);

/** A panel that tells what its button would act on. */
function Panel({ now, onPress }: { now: string; onPress: (of: string) => void }) {
  const { shown, catches } = useCaughtUp(now);
  return (
    <div {...catches}>
      <button onClick={() => onPress(shown)}>{shown}</button>
    </div>
  );
}

function laid(): { edit: (now: string) => void; button: () => HTMLElement; pressed: string[] } {
  const pressed: string[] = [];
  const onPress = (of: string): void => void pressed.push(of);
  const useLaid = create(() => 'one bulb');
  function Bench() {
    return <Panel now={useLaid()} onPress={onPress} />;
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

test('Enter shows the newest first', () => {
  const { edit, button } = laid();
  act(() => {
    edit('two white, two red');
    button().dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
    expect(button().textContent).toBe('two white, two red');
  });
});

test('keys that only write hurry nothing; what is late follows by itself', () => {
  const { edit, button } = laid();
  act(() => {
    edit('two white, two red');
    button().dispatchEvent(new KeyboardEvent('keydown', { key: '4', bubbles: true }));
    expect(button().textContent).toBe('one bulb');
  });
  expect(button().textContent).toBe('two white, two red');
});
