import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { boatTrain } from '../../../tests/generated';
import { betterMix, type WantedMix } from '../../../core/overhead/better-mix';
import { movingLight, rigStudy, withRow, type MovedRow } from '../../../core/overhead/study';
import { useLayoutStore } from '../../store/layout-store';
import { hand } from '../../workers/desk';
import { BoardFields } from '../feeds/board-fields';
import { BetterMixOf } from './better-mix';
import { ChromaticityField } from './chromaticity-field';
import { ColourFigures } from './colour-figures';
import { CompareLights } from './compare-lights';
import { LightFigures } from './light-figures';
import { MountingList } from './mounting-list';
import { OnFeeds } from './on-feeds';
import { NewRig } from './new-rig';
import { PowerFigures } from './power-figures';
import { RigFields } from './rig-fields';
import { clearDepths, labelled, levels, RigMap } from './rig-map';
import { RigSection } from './rig-section';
import { movingRow } from './rig-stage';
import { RowFields } from './row-fields';
import type { Layout } from '../../../core/document/layout';
import type { White } from '../../../core/light/white';
import type { RigRecord } from '../../../core/document/rig-record';

const now = (): Layout => useLayoutStore.getState().layout!;
const rigId = 'rig';
const rig = (): RigRecord => now().rigs[rigId];
const study = () => rigStudy(now(), rigId, 40);
/** Types into a field and commits it. */
function type(label: string, text: string): void {
  fireEvent.change(screen.getByLabelText(label), { target: { value: text } });
  fireEvent.keyDown(screen.getByLabelText(label), { key: 'Enter' });
}

beforeEach(() => useLayoutStore.setState({ layout: boatTrain() }));
afterEach(cleanup);

describe('pictures of a rig', () => {
  test('the map has its boards, rows and contour lines in round figures', () => {
    const chosen: string[] = [];
    render(<RigMap rig={rig()} light={study().light} chosen={null} onChoose={(id) => chosen.push(id)} />);
    expect(screen.getByRole('group', { name: /^Light over the boards: \d+ to \d+ lux$/ })).toBeDefined();
    expect(screen.getByText('Quay')).toBeDefined();
    expect(document.querySelectorAll('.rig-band').length).toBeGreaterThan(3);
    fireEvent.click(screen.getByRole('button', { name: 'Row 2' }));
    expect(chosen).toEqual(['row-2']);
  });
  test('contour lines are round and within', () => {
    expect(levels(321, 790)).toEqual([400, 500, 600, 700]);
    expect(levels(5, 5)).toEqual([]);
  });
  test('figures on contour lines keep clear of one another', () => {
    const line = (value: number, x: number) => ({ value, coordinates: [[[[x, 4]]]] });
    const bands = [line(0.5, 19), line(100, 19), line(200, 18), line(300, 14), line(400, 4)];
    // What crosses on the left alone has none; nor what lies within three of one that has.
    expect(labelled(bands, 20, [8, 4], 3).map((l) => l.level)).toEqual([100, 300]);
    expect(labelled(bands, 20, [8, 4], 0.5).map((l) => l.level)).toEqual([100, 200, 300]);
    // Half its own room from the edge at least.
    expect(labelled(bands, 20, [8, 4], 3)[0].x).toBe(18.5);
  });
  test('and of the rows', () => {
    expect(clearDepths([150, 250], 450)).toEqual([350, 75, 200]);
    expect(clearDepths([100, 380, 900], 450)).toEqual([240, 50, 415]);
    expect(clearDepths([], 450)).toEqual([225]);
  });
  test('from the side a lamp that is seen has its sight marked', () => {
    useLayoutStore.getState().edit('No fascia', (draft) => void (draft.rigs[rigId].fascia = null));
    render(<RigSection rig={rig()} light={study().light} chosen={null} onChoose={() => undefined} />);
    expect(document.querySelectorAll('.rig-sight.seen')).toHaveLength(3);
  });
});

describe('figures of a rig', () => {
  test('light against what is wanted', () => {
    render(<LightFigures layout={now()} rig={rig()} light={study().light} />);
    expect(screen.getByText(/1000 lx wanted, \d+ steps darker/)).toBeDefined();
    expect(screen.getByText('Backscene')).toBeDefined();
  });
  test('colour of the mix, and what another light does to greens', () => {
    render(<ColourFigures rig={rig()} light={study().light} />);
    const paints = screen.getByRole('table', { name: 'How paints change' });
    expect(within(paints).getByText('Grass green')).toBeDefined();
    expect(within(paints).getAllByText(/^\d+ bluer$/).length).toBeGreaterThan(3);
    type('The other light', '6500 K');
    expect(within(screen.getByRole('table', { name: 'How paints change' })).queryAllByText(/bluer/)).toEqual(
      [],
    );
  });
  test('a better mix of the rows there are, and no word of one that is none', async () => {
    vi.spyOn(hand, 'ask').mockImplementation(
      (_, layout, of) =>
        ({
          answer: Promise.resolve(
            betterMix(layout, rigId, (of as unknown as { readonly wanted: WantedMix }).wanted),
          ),
          onEarly: () => undefined,
          onShare: () => undefined,
          leave: () => undefined,
        }) as never,
    );
    useLayoutStore.getState().edit('Warm and cool', (draft) => {
      const { rows } = draft.rigs[rigId];
      rows['row-1'].kelvin = 2700;
      rows['row-2'].kelvin = 6500;
      rows['row-3'].kelvin = 2700;
    });
    render(<BetterMixOf layout={now()} rigId={rigId} />);
    const table = await screen.findByRole('table', { name: 'Rows of the better mix' });
    expect(within(table).getByText('Row 2')).toBeDefined();
    const before = study().light.white.kelvin;
    fireEvent.click(screen.getByRole('button', { name: 'Dim the rows so' }));
    const after = study().light.white.kelvin;
    expect(Math.abs(after - 4500)).toBeLessThan(Math.abs(before - 4500));
    cleanup();
    useLayoutStore.getState().edit('One white', (draft) => {
      for (const row of Object.values(draft.rigs[rigId].rows)) Object.assign(row, { kelvin: 3000, level: 1 });
      draft.rigs[rigId].rows.old.on = true;
    });
    render(<BetterMixOf layout={now()} rigId={rigId} />);
    expect(await screen.findByText(/no other mix of them comes nearer/)).toBeDefined();
  });
  test('power row by row, and a converter with both currents', () => {
    useLayoutStore.getState().edit('On', (draft) => void (draft.rigs[rigId].rows.old.on = true));
    render(<PowerFigures rig={rig()} power={study().power} />);
    expect(screen.getByRole('table', { name: 'Step-down converters' })).toBeDefined();
    expect(screen.getByText(/No fuse fits between what flows and the 2.7 A/)).toBeDefined();
  });
  test('bands in a photograph change with the shutter', () => {
    useLayoutStore.getState().edit('Pulses', (draft) => {
      draft.rigs[rigId].dimming = { kind: 'pulse-width', hertz: 400 };
      draft.rigs[rigId].rows['row-1'].level = 0.5;
    });
    render(<PowerFigures rig={rig()} power={study().power} />);
    expect(screen.getByText(/Bands in the picture: \d+\.\d %/)).toBeDefined();
    expect(screen.getByText(/low risk up to 32 %/)).toBeDefined();
  });
  test('it is put on the plan of feeds once, under its name, and taken off with the rig', () => {
    const shown = () =>
      render(
        <MemoryRouter>
          <OnFeeds layout={now()} rigId={rigId} />
        </MemoryRouter>,
      );
    shown();
    fireEvent.click(screen.getByRole('button', { name: 'Put it on the plan of feeds' }));
    const places = () => Object.values(now().network.nodes).filter((n) => n.is.kind === 'rig');
    expect(places()).toMatchObject([{ name: rig().name, is: { kind: 'rig', rigId } }]);
    cleanup();
    shown();
    expect(screen.getByRole('link', { name: 'plan of feeds' })).toBeDefined();
    expect(screen.queryByRole('button')).toBeNull();
    cleanup();
    render(
      <MemoryRouter>
        <RigFields layout={now()} rigId={rigId} />
      </MemoryRouter>,
    );
    type('What it is called', 'Noon');
    expect(places()[0].name).toBe('Noon');
    fireEvent.click(screen.getByRole('button', { name: /Take the rig away/ }));
    expect(places()).toEqual([]);
    expect(now().rigs[rigId]).toBeUndefined();
  });
  test('what to buy and to saw', () => {
    render(<MountingList layout={now()} rigId={rigId} />);
    expect(screen.getByText(/^Row 1: strip 24/)).toBeDefined();
    expect(screen.getByText(/eye protection/)).toBeDefined();
  });
});

describe('fields of a rig', () => {
  test('a row is changed, one more is put after it, and one is taken away', () => {
    const chosen: (string | null)[] = [];
    render(
      <RowFields
        layout={now()}
        rigId={rigId}
        chosen="row-1"
        onChoose={(id) => chosen.push(id)}
        onSlide={() => undefined}
      />,
    );
    type('Wanted length', '1750 mm');
    expect(rig().rows['row-1'].lengthMillimetres).toBe(1750);
    fireEvent.click(screen.getByRole('button', { name: /Another row/ }));
    expect(Object.keys(rig().rows)).toHaveLength(5);
    fireEvent.click(screen.getByRole('button', { name: /Take the row away/ }));
    expect(rig().rows['row-1']).toBeUndefined();
    expect(chosen.at(-1)).toBeNull();
  });
  test('a row that slides is followed at each figure and changed once, at the last', () => {
    const moved: MovedRow[] = [];
    render(
      <RowFields
        layout={now()}
        rigId={rigId}
        chosen="row-1"
        onChoose={() => undefined}
        onSlide={(to) => moved.push(to)}
      />,
    );
    const before = rig().rows['row-1'].heightMillimetres;
    const height = screen.getByRole('slider', { name: 'Above the scenery' });
    fireEvent.keyDown(height, { key: 'ArrowRight', keyCode: 39 });
    fireEvent.keyDown(height, { key: 'ArrowRight', keyCode: 39 });
    expect(moved.map((m) => m.to)).toEqual([before + 10, before + 20]);
    expect(rig().rows['row-1'].heightMillimetres).toBe(before);
    expect(height.getAttribute('aria-valuetext')).toBe(`${before + 20} mm`);
    fireEvent.keyUp(height, { key: 'ArrowRight', keyCode: 39 });
    expect(rig().rows['row-1'].heightMillimetres).toBe(before + 20);
    useLayoutStore.getState().undo();
    expect(rig().rows['row-1'].heightMillimetres).toBe(before);
  });
  test('of all that a hand tells between two frames the next shows the last', async () => {
    const useMoving = movingRow();
    const shown: (number | undefined)[] = [];
    useMoving.subscribe((m) => shown.push(m.row?.to));
    const frame = (): Promise<void> => new Promise((done) => requestAnimationFrame(() => done()));
    for (const to of [300, 310, 320])
      useMoving.getState().move({ rowId: 'row-1', key: 'heightMillimetres', to });
    expect(shown).toEqual([]);
    await frame();
    expect(shown).toEqual([320]);
    useMoving.getState().move({ rowId: 'row-1', key: 'heightMillimetres', to: 330 });
    await frame();
    expect(shown).toEqual([320, 330]);
  });
  test('the light of a row that is moved is that of the rig with it there, on a coarser map', () => {
    const { power } = study();
    const there = withRow(rig(), { rowId: 'row-1', key: 'heightMillimetres', to: 300 });
    const layout = { ...now(), rigs: { ...now().rigs, [rigId]: there } };
    const whole = rigStudy(layout, rigId).light;
    const quick = movingLight(now(), rigId, { power })(there);
    expect(quick.map.stepMillimetres).toBeGreaterThan(2 * whole.map.stepMillimetres);
    expect(Math.abs(quick.meanLux / whole.meanLux - 1)).toBeLessThan(0.01);
  });
  test('a white is taken by its x and y; what is none is refused', () => {
    const kept: White[] = [];
    render(<ChromaticityField white={{ kelvin: 4000, duv: 0 }} onCommit={(white) => kept.push(white)} />);
    type('Chromaticity x, y', '0.69, 0.30');
    expect(screen.getByRole('alert').textContent).toMatch(/no white/);
    type('Chromaticity x, y', '0.4476, 0.4074');
    expect(kept).toHaveLength(1);
    // CIE 15: illuminant A, 2856 K.
    expect(Math.abs(kept[0].kelvin - 2856)).toBeLessThan(12);
  });
  test('nonsense is refused beside its field', () => {
    render(
      <MemoryRouter>
        <RigFields layout={now()} rigId={rigId} />
      </MemoryRouter>,
    );
    type('Wanted on the boards', 'bright');
    expect(screen.getByRole('alert').textContent).toMatch(/bright/);
    expect(rig().wanted.lux).toBe(1000);
  });
  test('a board that is taken away is under no rig any more', () => {
    render(<BoardFields id="slip" board={now().boards.slip} />);
    fireEvent.click(screen.getByRole('button', { name: /Take the board away/ }));
    expect(now().boards.slip).toBeUndefined();
    expect(rig().boards).toEqual(['quay']);
  });
});

describe('a rig begun, compared and checked', () => {
  test('two boards and daylight: one press, and it has rows, a supply and a list', () => {
    const before = Object.keys(now().rigs).length;
    render(
      <MemoryRouter>
        <NewRig layout={now()} />
      </MemoryRouter>,
    );
    fireEvent.click(screen.getByRole('button', { name: 'Light it' }));
    expect(Object.keys(now().rigs)).toHaveLength(before + 1);
    const made = Object.values(now().rigs).at(-1)!;
    expect(Object.keys(made.rows).length).toBeGreaterThan(1);
    expect(made.boards).toHaveLength(2);
  });
  test('the old rig’s light is told against this one’s; what was measured is taken', () => {
    render(<CompareLights layout={now()} rigId={rigId} light={study().light} />);
    expect(screen.getByText(/It gives \d+ lx, this one \d+ lx/)).toBeDefined();
    type('takes, at 24 V', '0.16 A');
    expect(screen.getByText(/It takes 3.84 W a metre, 80 %/)).toBeDefined();
    fireEvent.click(screen.getByRole('button', { name: 'Take what was measured' }));
    expect(rig().rows['row-1'].watts).toBeCloseTo(3.84, 6);
  });
});
