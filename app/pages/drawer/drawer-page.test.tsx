import { cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { boatTrain } from '../../../tests/generated';
import { canBuild } from '../../../core/build/lists/can-build';
import { shoppingList } from '../../../core/build/lists/shopping';
import { stockRows } from '../../../core/build/lists/stock-csv';
import { useLayoutStore } from '../../store/layout-store';
import { CanLight } from './can-light';
import { ResistorReader } from './resistor-reader';
import { Shopping } from './shopping';
import { StockFile } from './stock-file';
import { StockList } from './stock-list';
import type { Layout } from '../../../core/document/layout';

// What the worker answers is worked out here, at once.
vi.mock('../../workers/use-study', () => ({
  useStudy: (name: string, layout: Layout, of: { jobIds: string[] }) => ({
    answer: name === 'canBuild' ? canBuild(layout) : shoppingList(layout, of.jobIds),
    failure: null,
    stale: false,
  }),
}));

const now = (): Layout => useLayoutStore.getState().layout!;
const drawer = () => now().drawer;
const put = (field: HTMLElement, value: string): void => {
  fireEvent.change(field, { target: { value } });
  fireEvent.blur(field);
};

beforeEach(() => useLayoutStore.getState().open(boatTrain()));
afterEach(cleanup);

describe('what there is', () => {
  test('every part with its count, price and place; each is changed where it stands', () => {
    render(<StockList layout={now()} />);
    expect(screen.getAllByRole('listitem')).toHaveLength(stockRows(now()).length);
    put(screen.getByLabelText('How many of Resistor 1k 1/4 W'), '12');
    put(screen.getByLabelText('Price of one Resistor 1k 1/4 W'), '0,07');
    put(screen.getByLabelText('Where Resistor 1k 1/4 W is kept'), 'shoe box');
    // One after another, as fast as one can: none takes back what another has changed.
    expect(drawer().resistors.r1k).toMatchObject({ count: 12, price: 0.07, kept: 'shoe box' });
    put(screen.getByLabelText('Metres of Heat-shrink 1.5 mm'), '3,5');
    expect(drawer().sundries.sleeves.count).toBe(3.5);
    put(screen.getByLabelText('Metres of Heat-shrink 1.5 mm'), '4 m');
    expect(drawer().sundries.sleeves.count).toBe(4);
    put(screen.getByLabelText('Metres of Heat-shrink 1.5 mm'), '-2');
    expect(drawer().sundries.sleeves.count).toBe(4);
  });
  test('a count or price that is none is refused beside its field, and what was there stays', () => {
    render(<StockList layout={now()} />);
    put(screen.getByLabelText('How many of Resistor 1k 1/4 W'), 'many');
    expect(screen.getByText(/“many” is not a whole number/)).toBeDefined();
    put(screen.getByLabelText('Price of one Resistor 1k 1/4 W'), 'cheap');
    expect(screen.getByText(/“cheap” is no price/)).toBeDefined();
    expect(drawer()).toEqual(boatTrain().drawer);
  });
  test('is looked through by a value or a place', () => {
    render(<StockList layout={now()} />);
    const search = screen.getByRole('searchbox');
    fireEvent.change(search, { target: { value: 'tin window' } });
    expect(screen.getAllByRole('listitem').map((l) => l.querySelector('b')!.textContent)).toEqual([
      'Lamp warm white, 2700 K',
      'Lamp red',
    ]);
    fireEvent.change(search, { target: { value: 'nothing like it' } });
    expect(screen.getByText('Nothing of that name.')).toBeDefined();
  });
  test('taken out it is gone, and undo brings it back', () => {
    render(<StockList layout={now()} />);
    fireEvent.click(screen.getByRole('button', { name: 'Take Lamp red out of the drawer' }));
    expect(drawer().sundries).not.toHaveProperty('reds');
    useLayoutStore.getState().undo();
    expect(drawer()).toEqual(boatTrain().drawer);
  });
});

describe('the reader of resistors', () => {
  const press = (colour: string): void => {
    fireEvent.click(within(screen.getByRole('group', { name: 'Bands' })).getByText(colour));
  };
  test('brown black black brown brown is 1 kohm 1 % (IEC 60062), and one more goes in', () => {
    render(<ResistorReader layout={now()} />);
    for (const c of ['brown', 'black', 'black', 'brown', 'brown']) press(c);
    expect(screen.getByRole('status').textContent).toBe('1 kΩ, 1 %');
    fireEvent.click(screen.getByRole('button', { name: 'One more into the drawer' }));
    expect(drawer().resistors.r1k.count).toBe(boatTrain().drawer.resistors.r1k.count + 1);
    expect(drawer().resistors.r1k.price).toBe(boatTrain().drawer.resistors.r1k.price);
  });
  test('bands that cannot be read so say to turn it round; one back takes the last away', () => {
    render(<ResistorReader layout={now()} />);
    for (const c of ['gold', 'red', 'violet', 'yellow']) press(c);
    expect(screen.getByText(/turn it round/)).toBeDefined();
    for (let n = 0; n < 4; n++) fireEvent.click(screen.getByRole('button', { name: 'One back' }));
    expect(screen.getByText(/Press the colours in their order/)).toBeDefined();
  });
  test('the code on a chip: 01C is 10 kohm; what is no code is refused', () => {
    render(<ResistorReader layout={now()} />);
    put(screen.getByLabelText('Or the code on a chip'), '01C');
    expect(screen.getByRole('status').textContent).toBe('10 kΩ');
    expect(screen.getByText(/As a chip: 103, 1002, 01C/)).toBeDefined();
    put(screen.getByLabelText('Or the code on a chip'), '4K7');
    expect(screen.getByText(/“4K7” is not a code/)).toBeDefined();
  });
});

describe('lists', () => {
  test('what to get, for all jobs at first', () => {
    render(<Shopping layout={now()} />);
    const rows = within(screen.getByRole('table', { name: 'What to get' })).getAllByRole('row');
    expect(rows).toHaveLength(1 + shoppingList(now(), Object.keys(now().jobs)).lines.length);
    expect(screen.getByRole('table', { name: 'Other goods for the same' }).textContent).toMatch(
      /ready-wired/,
    );
  });
  test('what can be lit: every job, with what it lacks', () => {
    render(
      <MemoryRouter>
        <CanLight layout={now()} />
      </MemoryRouter>,
    );
    const items = screen.getAllByRole('listitem');
    expect(items).toHaveLength(Object.keys(now().jobs).length);
    expect(items[0].textContent).toMatch(/Lacks|Everything is there/);
  });
});

describe('a list from a spreadsheet', () => {
  const give = async (text: string): Promise<void> => {
    render(<StockFile layout={now()} />);
    const input = screen.getByLabelText('A list of parts as CSV');
    fireEvent.change(input, { target: { files: [new File([text], 'parts.csv')] } });
    await waitFor(() => screen.getByRole('dialog'));
  };
  test('is looked at first, and goes in at a press', async () => {
    await give('part;count\nResistor 470;7\nBrass tube 2 mm;3');
    expect(screen.getByText('What the list would change')).toBeDefined();
    expect(screen.getByRole('row', { name: /Resistor 470 40 7/ })).toBeDefined();
    fireEvent.click(screen.getByRole('button', { name: 'Put it in' }));
    expect(drawer().resistors.r470.count).toBe(7);
    expect(Object.values(drawer().sundries).map((s) => s.name)).toContain('Brass tube 2 mm');
  });
  test('one with a wrong line says which, and changes nothing', async () => {
    await give('part;count\nResistor 470;x');
    expect(screen.getByText(/Line 2: “x” is no count/)).toBeDefined();
    expect(screen.getByRole('button', { name: 'Put it in' }).hasAttribute('disabled')).toBe(true);
    fireEvent.click(screen.getByRole('button', { name: 'Leave it' }));
    expect(drawer()).toEqual(boatTrain().drawer);
  });
});
