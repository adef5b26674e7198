import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { dragged } from '../../../tests/dragged';
import { boatTrain } from '../../../tests/generated';
import { feedReading } from '../../../core/feed/reading';
import { isRail } from '../../../core/part/rail';
import { supplyKind } from '../../../core/supply';
import { useLayoutStore } from '../../store/layout-store';
import { change } from '../../../core/document/patch';
import { supplyFor } from '../../../core/study/begin-scenery';
import { busAlong, rowOfBoards } from '../../../core/feed/begin';
import { runTable } from '../../../core/build/lists/run-table';
import { PlanWires } from './plan-wires';
import { AddThings } from './add-things';
import { BoardFields } from './board-fields';
import { PlaceFields } from './place-fields';
import { PlanDrawing, type Chosen } from './plan-drawing';
import { planView } from './plan-geometry';
import { RunFields } from './run-fields';
import { RunList } from './run-list';
import type { Layout } from '../../../core/document/layout';

const now = (): Layout => useLayoutStore.getState().layout!;
const runCalled = (label: string): string =>
  Object.entries(now().network.runs).find(([, r]) => r.label === label)![0];
/** Types into a field and commits it. */
function type(label: string, text: string): void {
  fireEvent.change(screen.getByLabelText(label), { target: { value: text } });
  fireEvent.keyDown(screen.getByLabelText(label), { key: 'Enter' });
}

beforeEach(() => useLayoutStore.setState({ layout: boatTrain() }));
afterEach(cleanup);

describe('the plan', () => {
  const drawn = (
    beneath = false,
    onMove: (id: string, x: number, y: number) => void = () => undefined,
  ): Chosen[] => {
    const chosen: Chosen[] = [];
    render(
      <PlanDrawing
        layout={now()}
        figures={feedReading(now())}
        beneath={beneath}
        chosen={null}
        flagged={new Set([runCalled('L3')])}
        onChoose={(c) => chosen.push(c)}
        onMove={onMove}
      />,
    );
    return chosen;
  };
  test('has every board, run and thing, each named for those who listen', () => {
    drawn();
    expect(screen.getByRole('group', { name: 'The boards from above' })).toBeDefined();
    const tracks = Object.values(now().network.runs).filter((r) => isRail(r.wire));
    expect(tracks.length).toBeGreaterThan(0);
    expect(screen.getAllByRole('button', { name: /^Track T/ })).toHaveLength(tracks.length);
    expect(screen.getAllByRole('button', { name: /^Run / })).toHaveLength(
      Object.keys(now().network.runs).length - tracks.length,
    );
    expect(screen.getByRole('button', { name: /^Boat shed, 11\.\d\d V$/ })).toBeDefined();
    expect(screen.getByText('Quay Street')).toBeDefined();
  });
  test('a row of boards with a booster of its own, its figures there, is undone: everything that shows the plan stands', () => {
    const before = now();
    const bigger = change(before, (draft) => {
      const supplyId = supplyFor(draft, { kind: 'layout-bus', figures: { name: 'New unit' } });
      rowOfBoards(draft, 2, 1200, 500);
      busAlong(draft, supplyId);
    }).layout;
    const figures = feedReading(bigger);
    expect(figures.supplies.size).toBeGreaterThan(feedReading(before).supplies.size);
    const nothing = (): void => undefined;
    const shown = (layout: Layout) => (
      <>
        <PlanDrawing
          layout={layout}
          figures={figures}
          beneath={false}
          chosen={null}
          flagged={new Set()}
          onChoose={nothing}
          onMove={nothing}
        />
        <RunList layout={layout} figures={figures} stale chosen={null} onChoose={nothing} />
        <AddThings layout={layout} onChoose={nothing} />
        <PlanWires layout={layout} onPreview={nothing} onApply={nothing} />
      </>
    );
    const { rerender } = render(shown(bigger));
    rerender(shown(before));
    expect(screen.getByRole('group', { name: 'The boards from above' })).toBeDefined();
    expect(runTable(before, figures).length).toBeGreaterThan(0);
  });
  test.each([false, true])('a thing dragged lands on the grid, from beneath the other way: %s', (beneath) => {
    const moves: [string, number, number][] = [];
    const chosen = drawn(beneath, (...to) => moves.push(to));
    const { xMillimetres: x, yMillimetres: y } = now().network.nodes['boat-shed'];
    const thing = screen.getByRole('button', { name: /^Boat shed/ });
    dragged(thing, 40, 20);
    expect(chosen).toContainEqual({ kind: 'place', id: 'boat-shed' });
    const [[id, to, down], ...more] = moves;
    expect([id, more.length]).toEqual(['boat-shed', 0]);
    expect(Math.sign(to - x)).toBe(beneath ? -1 : 1);
    expect(Math.abs(to - x) / (down - y)).toBeCloseTo(2, 0);
    expect([to % 10, down % 10]).toEqual([0, 0]);
  });
  test('a press on a thing chooses it and moves nothing', () => {
    const moves: string[] = [];
    const chosen = drawn(false, (id) => moves.push(id));
    dragged(screen.getByRole('button', { name: /^Boat shed/ }), 0);
    expect(chosen).toContainEqual({ kind: 'place', id: 'boat-shed' });
    expect(moves).toEqual([]);
  });
  test('a run is chosen by a press; what is flagged shows', () => {
    const chosen = drawn();
    const run = screen.getByRole('button', { name: 'Run L3, Strip Q to Strip T' });
    expect(run.getAttribute('class')).toContain('flagged');
    fireEvent.click(run);
    expect(chosen.at(-1)).toEqual({ kind: 'run', id: runCalled('L3') });
  });
  test('an arrow moves a thing the way it points, from beneath the other way on the plan', () => {
    for (const [beneath, by] of [
      [false, 10],
      [true, -10],
    ] as const) {
      const moved: number[] = [];
      drawn(beneath, (_, x) => moved.push(x));
      fireEvent.keyDown(screen.getByRole('button', { name: /^Boat shed/ }), { key: 'ArrowRight' });
      expect(moved).toEqual([now().network.nodes['boat-shed'].xMillimetres + by]);
      cleanup();
    }
  });
  test('from beneath left and right change over, and the back stays at the top', () => {
    const room = { width: 900, height: 400 };
    const [above, beneath] = [false, true].map((b) => planView(now(), room, b));
    expect(above.x(0) + above.x(3000)).toBeCloseTo(beneath.x(0) + beneath.x(3000), 6);
    expect(above.x(0)).toBeCloseTo(beneath.x(3000), 6);
    expect(above.y(100)).toBe(beneath.y(100));
    // To scale: as many pixels across as along.
    expect(above.x(1000) - above.x(0)).toBeCloseTo(above.y(1000) - above.y(0), 6);
  });
  test('each label of a run stands at both ends from beneath', () => {
    drawn(true);
    expect(screen.getAllByText('L4')).toHaveLength(2);
  });
});

describe('the fields of what is chosen', () => {
  test('a run: its label, its length typed or by the plan, a plug more, and away with it', () => {
    const id = runCalled('L3');
    const show = (): void => {
      cleanup();
      render(<RunFields layout={now()} id={id} run={now().network.runs[id]} figures={feedReading(now())} />);
    };
    show();
    expect(screen.getByText('Strip Q to Strip T')).toBeDefined();
    type('Label', 'Main 3');
    expect(now().network.runs[id].label).toBe('Main 3');
    show();
    type('Plug, rated', '3 A');
    expect(now().network.runs[id].parts[0]).toMatchObject({ kind: 'plug', ratedAmps: 3 });
    show();
    fireEvent.click(screen.getByRole('button', { name: /Fuse$/ }));
    expect(now().network.runs[id].parts.map((p) => p.kind)).toEqual(['plug', 'fuse']);
    show();
    fireEvent.click(screen.getByLabelText(/In a bundle/));
    expect(now().network.runs[id].bundled).toBe(true);
    show();
    fireEvent.click(screen.getByRole('button', { name: /Take the run away/ }));
    expect(Object.hasOwn(now().network.runs, id)).toBe(false);
  });
  test('a thing: where it stands, how many lamps; nonsense is refused beside the field', () => {
    const show = (id: string): void => {
      cleanup();
      render(
        <PlaceFields layout={now()} id={id} node={now().network.nodes[id]} figures={feedReading(now())} />,
      );
    };
    show('floods');
    type('How many', '12');
    expect(now().network.nodes.floods.is).toMatchObject({ kind: 'lamps', count: 12 });
    show('floods');
    type('Along', '1000 mm');
    expect(now().network.nodes.floods.xMillimetres).toBe(1000);
    type('From the back', 'far');
    expect(screen.getByRole('alert').textContent).toContain('Still in force');
    show('step-down');
    type('Gives', '9 V');
    expect(now().network.nodes['step-down'].is).toMatchObject({ kind: 'converter', outVolts: 9 });
    show('train-far');
    type('it draws', '0.9 A');
    expect(now().network.nodes['train-far'].is).toMatchObject({ kind: 'typed', amps: 0.9 });
    show('strip-quay');
    fireEvent.click(screen.getByRole('button', { name: /Take it off the plan/ }));
    expect(Object.hasOwn(now().network.nodes, 'strip-quay')).toBe(false);
    expect(
      Object.values(now().network.runs).some((r) => r.from === 'strip-quay' || r.to === 'strip-quay'),
    ).toBe(false);
  });
  test('a board: its size and its place', () => {
    render(<BoardFields id="slip" board={now().boards.slip} />);
    type('Long', '1200 mm');
    expect(now().boards.slip.widthMillimetres).toBe(1200);
    fireEvent.click(screen.getByRole('button', { name: /Take the board away/ }));
    expect(Object.hasOwn(now().boards, 'slip')).toBe(false);
  });
});

describe('what is put on the plan', () => {
  test('a row of boards from three numbers, and a bus along them', () => {
    useLayoutStore.setState({
      layout: { ...boatTrain(), rigs: {}, boards: {}, network: { nodes: {}, runs: {} } },
    });
    const { rerender } = render(<AddThings layout={now()} onChoose={() => undefined} />);
    type('Boards', '3');
    fireEvent.click(screen.getByRole('button', { name: 'Lay the row' }));
    expect(Object.keys(now().boards)).toHaveLength(3);
    rerender(<AddThings layout={now()} onChoose={() => undefined} />);
    fireEvent.click(screen.getByRole('button', { name: 'Lay the bus' }));
    expect(Object.values(now().network.nodes).filter((n) => n.is.kind === 'strip')).toHaveLength(3);
    expect(Object.keys(now().network.runs)).toHaveLength(3);
  });
  test('a track is laid of what runs on rails alone, with a dropper on each board', () => {
    render(<AddThings layout={now()} onChoose={() => undefined} />);
    fireEvent.click(screen.getByRole('button', { name: /A row of boards/ }));
    const lay = () => screen.getByRole<HTMLButtonElement>('button', { name: 'Lay its track' });
    const [first] = Object.values(now().supplies).sort((a, b) => a.order - b.order);
    expect(lay().disabled).toBe(!supplyKind(first).onTrack);
    const before = Object.values(now().network.runs).length;
    fireEvent.click(lay());
    const added = Object.values(now().network.runs).slice(before);
    expect(added.filter((r) => isRail(r.wire))).toHaveLength(Object.keys(now().boards).length + 1);
    expect(added.filter((r) => !isRail(r.wire))).toHaveLength(Object.keys(now().boards).length);
  });
});

test('a piece of track has a rail and a length, and neither colours nor a bundle', () => {
  const id = runCalled('T3');
  render(<RunFields layout={now()} id={id} run={now().network.runs[id]} figures={feedReading(now())} />);
  expect(screen.getByLabelText('Track')).toBeDefined();
  for (const label of ['Plus', 'Minus', /In a bundle/]) expect(screen.queryByLabelText(label)).toBeNull();
  expect(screen.getByText('by the plan: 1160 mm')).toBeDefined();
});

test('a supply says whether its minus is joined to the common return', () => {
  const place = () => (
    <PlaceFields
      layout={now()}
      id="booster"
      node={now().network.nodes.booster}
      figures={feedReading(now())}
    />
  );
  const { rerender } = render(place());
  const joined = () => screen.getByRole<HTMLInputElement>('checkbox', { name: /common return/ });
  expect(joined().checked).toBe(false);
  fireEvent.click(joined());
  rerender(place());
  expect(joined().checked).toBe(true);
  expect(now().network.nodes.booster.is).toMatchObject({ joinsMinus: true });
});

test('the table of runs says where each goes and what flows; a label chooses it', () => {
  const chosen: string[] = [];
  render(<RunList layout={now()} figures={feedReading(now())} onChoose={(id) => chosen.push(id)} />);
  const row = screen.getByRole('row', { name: /^L3/ });
  expect(row.textContent).toContain('Strip Q');
  expect(row.textContent).toContain('1.3 A');
  fireEvent.click(screen.getByRole('button', { name: 'L3' }));
  expect(chosen).toEqual([runCalled('L3')]);
});
