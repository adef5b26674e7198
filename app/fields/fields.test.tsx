import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, describe, expect, test, vi } from 'vitest';
import { CheckField } from './check-field';
import { Choice } from './choice';
import { CountField } from './count-field';
import { FigureTable } from './figure-table';
import { LoadBars } from './load-bars';
import { NumberField } from './number-field';
import { SliderField } from './slider-field';
import { TextField } from './text-field';

afterEach(cleanup);
const field = (label: string) => screen.getByLabelText(label) as HTMLInputElement;
const type = (label: string, text: string, key = 'Enter'): void => {
  fireEvent.change(field(label), { target: { value: text } });
  fireEvent.keyDown(field(label), { key });
};

/** A resistor that follows what is committed, as a job does. */
function Resistor({ told }: { readonly told: (ohms: number) => void }) {
  const [ohms, setOhms] = useState(3300);
  return (
    <NumberField
      label="Resistor"
      unit="ohm"
      figure={ohms}
      limits={{ least: 0.1, most: 1e7, range: '0.1 Ω to 10 MΩ' }}
      onCommit={(now) => {
        told(now);
        setOhms(now);
      }}
    />
  );
}

describe('a figure with its unit', () => {
  test('counts on Enter and is written as people write it', () => {
    const told = vi.fn();
    render(<Resistor told={told} />);
    expect(field('Resistor').value).toBe('3.3 kΩ');
    type('Resistor', '4k7');
    expect(told).toHaveBeenCalledExactlyOnceWith(4700);
    expect(field('Resistor').value).toBe('4.7 kΩ');
  });
  test('Esc drops what was typed; the same value is no change', () => {
    const told = vi.fn();
    render(<Resistor told={told} />);
    type('Resistor', '1k', 'Escape');
    expect(field('Resistor').value).toBe('3.3 kΩ');
    type('Resistor', '3300');
    expect(told).not.toHaveBeenCalled();
    expect(field('Resistor').value).toBe('3.3 kΩ');
  });
  test.each([
    ['abc', /is not a resistance/],
    ['-5', /below zero/],
    ['12 V', /is a voltage/],
  ])('%s is refused beside it, and what is in force is said', (typed, why) => {
    const told = vi.fn();
    render(<Resistor told={told} />);
    type('Resistor', typed);
    expect(told).not.toHaveBeenCalled();
    expect(screen.getByRole('alert').textContent).toMatch(why);
    expect(screen.getByRole('alert').textContent).toMatch(/Still in force: 3\.3 kΩ/);
    expect(field('Resistor').getAttribute('aria-invalid')).toBe('true');
    expect(field('Resistor').getAttribute('aria-describedby')).toBe(screen.getByRole('alert').id);
  });
  describe('another window changes it while it is typed', () => {
    const typedOver = (theirs: number) => {
      const told = vi.fn();
      const shown = (figure: number) => (
        <NumberField label="Resistor" unit="ohm" figure={figure} onCommit={told} />
      );
      const { rerender } = render(shown(3300));
      fireEvent.change(field('Resistor'), { target: { value: '4k7' } });
      rerender(shown(theirs));
      expect(field('Resistor').value).toBe('4k7');
      return told;
    };
    test.each(['Enter', 'leaving it'])('%s asks which of the two it is to be', (way) => {
      const told = typedOver(2200);
      expect(screen.queryByRole('alert')).toBeNull();
      if (way === 'Enter') fireEvent.keyDown(field('Resistor'), { key: 'Enter' });
      else fireEvent.blur(field('Resistor'));
      expect(told).not.toHaveBeenCalled();
      expect(screen.getByRole('alert').textContent).toMatch(/Meanwhile it has become 2\.2 kΩ/);
      expect(field('Resistor').value).toBe('4k7');
    });
    test('what was typed is taken by its press, or by another Enter', () => {
      for (const take of [
        () => fireEvent.click(screen.getByRole('button', { name: 'Take 4k7' })),
        () => fireEvent.keyDown(field('Resistor'), { key: 'Enter' }),
      ]) {
        const told = typedOver(2200);
        fireEvent.keyDown(field('Resistor'), { key: 'Enter' });
        take();
        expect(told).toHaveBeenCalledExactlyOnceWith(4700);
        cleanup();
      }
    });
    test('what came is left as it is by a press', () => {
      const told = typedOver(2200);
      fireEvent.blur(field('Resistor'));
      fireEvent.click(screen.getByRole('button', { name: 'Leave 2.2 kΩ' }));
      expect(told).not.toHaveBeenCalled();
      expect(field('Resistor').value).toBe('2.2 kΩ');
      expect(screen.queryByRole('alert')).toBeNull();
    });
    test('the same from both is no question', () => {
      const told = typedOver(4700);
      fireEvent.keyDown(field('Resistor'), { key: 'Enter' });
      expect(told).not.toHaveBeenCalled();
      expect(screen.queryByRole('alert')).toBeNull();
    });
  });
  test('what is typed on while the value just given comes into force is no question', () => {
    const told = vi.fn();
    const shown = (figure: number) => (
      <NumberField label="Resistor" unit="ohm" figure={figure} onCommit={told} />
    );
    const { rerender } = render(shown(3300));
    type('Resistor', '4k7');
    fireEvent.change(field('Resistor'), { target: { value: '5k6' } });
    rerender(shown(4700));
    fireEvent.keyDown(field('Resistor'), { key: 'Enter' });
    expect(told.mock.calls).toEqual([[4700], [5600]]);
    expect(screen.queryByRole('alert')).toBeNull();
  });
  test('undo is the field’s own while something is written in it, and the layout’s before and after', () => {
    render(<Resistor told={() => undefined} />);
    const undone = (): boolean => !fireEvent.keyDown(field('Resistor'), { key: 'z', ctrlKey: true });
    expect(undone()).toBe(true);
    fireEvent.change(field('Resistor'), { target: { value: '4k' } });
    expect(undone()).toBe(false);
    // Written back by hand or by the browser's undo.
    fireEvent.change(field('Resistor'), { target: { value: '3.3 kΩ' } });
    expect(undone()).toBe(true);
    type('Resistor', '4k7');
    expect(undone()).toBe(true);
  });
  test('a change that is not made after all leaves what is in force', async () => {
    render(<NumberField label="Resistor" unit="ohm" figure={3300} onCommit={() => undefined} />);
    type('Resistor', '5k');
    expect(field('Resistor').value).toBe('5k');
    await vi.waitFor(() => expect(field('Resistor').value).toBe('3.3 kΩ'));
  });
});

describe('the other fields', () => {
  test('a count takes whole numbers in its range', () => {
    const told = vi.fn();
    render(<CountField label="Lamps" count={4} least={1} most={40} onCommit={told} />);
    type('Lamps', '2.5');
    expect(screen.getByRole('alert').textContent).toMatch(/“2\.5” is not a whole number from 1 to 40/);
    type('Lamps', '12');
    expect(told).toHaveBeenCalledExactlyOnceWith(12);
  });
  test('a name must be something, and is trimmed', () => {
    const told = vi.fn();
    render(<TextField label="Name" text="Tern" most={80} required onCommit={told} />);
    fireEvent.change(field('Name'), { target: { value: '  ' } });
    expect(screen.getByRole('alert').textContent).toMatch(/Something has to be written/);
    type('Name', ' Dunlin ');
    expect(told).toHaveBeenCalledExactlyOnceWith('Dunlin');
  });
  test('one of a few is taken by its words', () => {
    const told = vi.fn();
    render(
      <Choice<'a' | 'b'>
        label="Which"
        options={[
          { value: 'a', name: 'Silicon bridge', figure: '−1.4 V' },
          { value: 'b', name: 'Schottky bridge' },
        ]}
        value="a"
        onChoose={told}
      />,
    );
    expect(screen.getByRole('radiogroup', { name: 'Which' })).toBeDefined();
    fireEvent.click(screen.getByRole('radio', { name: /^Schottky/ }));
    expect(told).toHaveBeenCalledExactlyOnceWith('b');
  });
  test('a choice stands as made until what is in force has followed, and goes back where it does not', async () => {
    render(<CheckField label="Reservoir" checked={false} onChange={() => undefined} />);
    const box = screen.getByRole('checkbox') as HTMLInputElement;
    fireEvent.click(box);
    expect(box.checked).toBe(true);
    await vi.waitFor(() => expect(box.checked).toBe(false));
  });
  test('something is so or is not', () => {
    const told = vi.fn();
    render(<CheckField label="Reservoir" aside="8 × 12 mm" checked={false} onChange={told} />);
    fireEvent.click(screen.getByRole('checkbox', { name: /Reservoir 8 × 12 mm/ }));
    expect(told).toHaveBeenCalledExactlyOnceWith(true);
  });
  test('a table heads its columns, and its first one its rows', () => {
    render(
      <FigureTable
        label="Room"
        rows={[
          { id: 'board', has: 10.5 },
          { id: 'cell', has: 22 },
        ]}
        rowKey={(r) => r.id}
        columns={[
          ['What', (r) => r.id],
          ['there is', (r) => `${r.has} mm`],
        ]}
        mark={(r) => (r.has < 11 ? 'lacks' : '')}
      />,
    );
    expect(screen.getAllByRole('columnheader').map((h) => h.textContent)).toEqual(['What', 'there is']);
    expect(screen.getAllByRole('rowheader').map((h) => h.textContent)).toEqual(['board', 'cell']);
    expect(document.querySelector('.lacks')?.textContent).toMatch(/10\.5 mm/);
  });
  test('a press on a head sorts its rows up, then down, then as they came', () => {
    render(
      <FigureTable
        label="Leads"
        rows={[
          { id: 'lead 9', cut: 40 },
          { id: 'lead 10', cut: 25 },
          { id: 'lead 1', cut: 90 },
        ]}
        rowKey={(r) => r.id}
        columns={[
          ['Lead', (r) => r.id, (r) => r.id],
          ['Cut', (r) => `${r.cut} mm`, (r) => r.cut],
          ['Note', () => ''],
        ]}
      />,
    );
    const rows = (): (string | null)[] => screen.getAllByRole('rowheader').map((h) => h.textContent);
    const head = (name: string): HTMLElement => screen.getByRole('columnheader', { name });
    expect(head('Note').querySelector('button')).toBeNull();
    const press = (name: string): void => void fireEvent.click(screen.getByRole('button', { name }));
    press('Cut');
    expect(rows()).toEqual(['lead 10', 'lead 9', 'lead 1']);
    expect(head('Cut').getAttribute('aria-sort')).toBe('ascending');
    press('Cut');
    expect(rows()).toEqual(['lead 1', 'lead 9', 'lead 10']);
    press('Cut');
    expect(rows()).toEqual(['lead 9', 'lead 10', 'lead 1']);
    // Numbers in words go as people number things.
    press('Lead');
    expect(rows()).toEqual(['lead 1', 'lead 9', 'lead 10']);
    expect(head('Cut').getAttribute('aria-sort')).toBeNull();
  });
});

describe('a slider', () => {
  const slider = () => screen.getByRole('slider', { name: 'Height' });
  const press = (key: 'ArrowRight' | 'ArrowLeft') =>
    fireEvent.keyDown(slider(), { key, keyCode: key === 'ArrowRight' ? 39 : 37 });
  const height = (over: Partial<Parameters<typeof SliderField>[0]>) => (
    <SliderField
      label="Height"
      figure={450}
      least={100}
      most={470}
      step={10}
      says={(mm) => `${mm} mm`}
      onChange={() => undefined}
      {...over}
    />
  );
  test('tells each figure it comes to, and goes no further than its ends', () => {
    const told: number[] = [];
    render(height({ onChange: (mm) => told.push(mm) }));
    for (let k = 0; k < 4; k++) press('ArrowRight');
    expect(Math.max(...told)).toBe(470);
    expect(told[0]).toBe(460);
  });
  test('what follows the hand is told each figure, the change the last alone; it stays where it is held', () => {
    vi.useFakeTimers();
    const [slid, told]: [number[], number[]] = [[], []];
    render(height({ onSlide: (mm) => slid.push(mm), onChange: (mm) => told.push(mm) }));
    press('ArrowLeft');
    press('ArrowLeft');
    // Longer than a choice waits for what is in force.
    act(() => void vi.advanceTimersByTime(2000));
    expect(screen.getByText('430 mm')).toBeDefined();
    expect([slid, told]).toEqual([[440, 430], []]);
    fireEvent.keyUp(slider(), { key: 'ArrowLeft', keyCode: 37 });
    expect(told).toEqual([430]);
    vi.useRealTimers();
  });
});

describe('bars of load', () => {
  test('near what a supply gives it is marked; a cell has no bar', () => {
    render(
      <LoadBars
        loads={[
          { id: 'bus', name: 'Lighting bus', amps: 1.7, limitAmps: 2 },
          { id: 'track', name: 'Main line', amps: 1.5, limitAmps: 3 },
          { id: 'cell', name: 'Coin cell', amps: 0.004, limitAmps: null },
        ]}
      />,
    );
    const rows = screen.getAllByRole('listitem');
    expect(rows.map((r) => r.className)).toEqual(['near', '', '']);
    expect(rows.map((r) => r.textContent)).toEqual([
      'Lighting bus1.7 A of 2 A',
      'Main line1.5 A of 3 A',
      'Coin cell4 mA',
    ]);
    expect(screen.getAllByRole('meter').map((m) => m.getAttribute('aria-label'))).toEqual([
      'Lighting bus: drawn of what it gives',
      'Main line: drawn of what it gives',
    ]);
  });
});
