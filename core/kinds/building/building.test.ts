import { describe, expect, test } from 'vitest';
import { quayside, sceneryId } from '../../../tests/scenery';
import { emptyLayout } from '../../document/empty-layout';
import { readLayout, writeLayout } from '../../document/file';
import { change, patched } from '../../document/patch';
import { checkJob } from '../../finding/check';
import { benchOf } from '../../study/bench';
import { Solver } from '../../study/solver';
import { usualState } from '../../study/states';
import { kindOf } from '..';
import { freshJob } from '../fresh';
import { lampIsSeen, roomLux, roomsLight, windowHead } from './light';
import { buildingIn } from './jobs';
import { newBuilding } from './make';
import { windowPlaces } from './rooms';
import { curtains, shells } from './shell';
import type { BuildingRecord } from './record';
import type { Layout } from '../../document/layout';

const { building: jobId } = sceneryId;
const house = (recipe: (job: BuildingRecord) => void = () => undefined): Layout => {
  const { layout } = newBuilding(quayside(), {
    name: 'Harbour office',
    lengthMillimetres: 140,
    rooms: 3,
    shell: 'thin-plastic',
    part: 'white-warm',
    supply: { id: 'bus-24' },
    hookUp: 'hub',
  });
  return change(layout, (draft) => recipe(buildingIn(draft, jobId) as BuildingRecord)).layout;
};
const lightOf = (layout: Layout) => {
  const bench = benchOf(layout, jobId);
  return roomsLight(buildingIn(layout, jobId), new Solver(bench).at(usualState(bench)));
};
const rules = (layout: Layout): string[] => checkJob(layout, jobId).map((f) => f.rule);

describe('the light of a room', () => {
  const job = buildingIn(house(), jobId);
  const room = job.rooms['room-1'];
  test('a closed space sheds what it absorbs: E = flux/(A (1 - r)) (Ulbricht’s sphere, closed form)', () => {
    const bare = { ...job, rooms: { 'room-1': { ...room, windows: 0 } } };
    const length = room.toMillimetres - room.fromMillimetres;
    const { depthMillimetres: depth, floorMillimetres: high } = job.body;
    const area = 2 * (length * depth + length * high + depth * high) * 1e-6;
    const lux = roomLux(bare, bare.rooms['room-1'], 2);
    // White over black: 0.6 comes back.
    expect(lux * area * (1 - 0.6)).toBeCloseTo(2, 9);
  });
  test('windows take light away, a white lining gives it back', () => {
    const lux = roomLux(job, room, 1);
    expect(roomLux({ ...job, rooms: { 'room-1': { ...room, windows: 0 } } }, room, 1)).toBeGreaterThanOrEqual(
      lux,
    );
    const white = { ...job, body: { ...job.body, blackened: false, shell: 'plaster' as const } };
    expect(roomLux(white, room, 1)).toBeGreaterThan(1.4 * lux);
  });
  test('twice the lumens are twice the lux, half the room more than as bright', () => {
    expect(roomLux(job, room, 2) / roomLux(job, room, 1)).toBeCloseTo(2, 12);
    const small = { ...room, toMillimetres: (room.fromMillimetres + room.toMillimetres) / 2 };
    expect(roomLux({ ...job, rooms: { 'room-1': small } }, small, 1)).toBeGreaterThan(roomLux(job, room, 1));
  });
  test('rooms without walls between share their light', () => {
    const open = lightOf(
      house((b) => {
        b.rooms['room-1'].closedOff = false;
        b.rooms['room-2'].closedOff = false;
        b.lamps['lamp-2'].circuitId = null;
      }),
    );
    expect(open[0].lux).toBeCloseTo(open[1].lux, 9);
    const closed = lightOf(house((b) => void (b.lamps['lamp-2'].circuitId = null)));
    expect(closed[1].lux).toBe(0);
    expect(closed[0].lux).toBeGreaterThan(open[0].lux);
  });
  test('a curtain dims the window by what it lets through, not the room', () => {
    const drawn = lightOf(house((b) => void (b.rooms['room-1'].curtain = 'drawn')));
    const none = lightOf(house());
    expect(drawn[0].lux).toBeCloseTo(none[0].lux, 9);
    expect(drawn[0].windowLux / none[0].windowLux).toBeCloseTo(
      curtains.drawn.passes / curtains.none.passes,
      9,
    );
  });
});

describe('what is found', () => {
  test('a fresh building of three rooms on a hub has nothing to mind', () => {
    expect(checkJob(house(), jobId).filter((f) => f.severity !== 'note')).toEqual([]);
  });
  test('thin unpainted walls leak, and a lining cures it', () => {
    const layout = house((b) => {
      b.body.blackened = false;
      b.lines['socket-1'].stages.socket = { ...b.lines['socket-1'].stages.socket, turn: 1 } as never;
    });
    const found = checkJob(layout, jobId).find((f) => f.id === 'leaks walls')!;
    expect(found.sentence).toMatch(/glow at lightness \d+/);
    expect(rules(patched(layout, found.remedies[0].patches))).not.toContain('leaks');
    const wood = change(layout, (d) => void (buildingIn(d, jobId).body.shell = 'wood')).layout;
    expect(shells.wood.passes).toBeLessThan(shells['thin-plastic'].passes / 10);
    expect(rules(wood)).not.toContain('leaks');
  });
  test('a gap at its foot shows a line of light', () => {
    const layout = house((b) => void (b.body.baseGapMillimetres = 0.5));
    const found = checkJob(layout, jobId).find((f) => f.id === 'leaks base')!;
    expect(rules(patched(layout, found.remedies[0].patches))).not.toContain('leaks');
  });
  test('a lamp below the upper edge of the window is seen, and goes up under the ceiling', () => {
    const layout = house((b) => void (b.lamps['lamp-1'].heightMillimetres = 5));
    const found = checkJob(layout, jobId).find((f) => f.rule === 'lamp-seen')!;
    expect(rules(patched(layout, found.remedies[0].patches))).not.toContain('lamp-seen');
    const { rooms } = buildingIn(layout, jobId);
    expect(lampIsSeen(rooms['room-1'], windowHead(rooms['room-1']))).toBe(false);
  });
  test('a room meant to be dark is no fault while it is, and one while light strays in', () => {
    const dark = house((b) => {
      b.rooms['room-2'].leftDark = true;
      b.lamps['lamp-2'].circuitId = null;
    });
    expect(rules(dark)).not.toContain('uneven-rooms');
    const strayed = change(dark, (d) => {
      const b = buildingIn(d, jobId);
      b.rooms['room-1'].closedOff = false;
      b.rooms['room-2'].closedOff = false;
    }).layout;
    const found = checkJob(strayed, jobId).find((f) => f.id === 'lit-room room-2')!;
    expect(found.remedies).toHaveLength(2);
    for (const { patches } of found.remedies)
      expect(checkJob(patched(strayed, patches), jobId).some((f) => f.id === 'lit-room room-2')).toBe(false);
  });
  test('thirteen rooms on a hub on AC need nothing mended: its reservoir bridges the 10 ms for all of them', () => {
    const fresh = freshJob(
      emptyLayout('Saltmarsh Halt'),
      'building',
      { kind: 'ac-track' },
      { rooms: '13', wiring: 'hub' },
    );
    expect(checkJob(fresh.layout, fresh.jobId).filter((f) => f.severity !== 'note')).toEqual([]);
  });
  test('one window far brighter than the others is told', () => {
    const layout = house((b) => {
      for (const [id, turn] of [
        ['socket-1', 1],
        ['socket-2', 0.3],
        ['socket-3', 0.3],
      ] as const)
        b.lines[id].stages.socket = { ...b.lines[id].stages.socket, turn } as never;
    });
    expect(checkJob(layout, jobId).find((f) => f.id === 'uneven-rooms room-1')!.sentence).toMatch(/of 100/);
  });
});

test('a lamp in a room that is not there, and a room above the roof, are refused with the place', () => {
  const layout = house((b) => {
    b.lamps['lamp-1'].roomId = 'cellar';
    b.rooms['room-2'].floor = 7;
  });
  const read = readLayout(writeLayout(layout));
  expect(read.ok).toBe(false);
  if (!read.ok)
    expect(read.complaints.map((c) => `${c.path}: ${c.reason}`).join('\n')).toMatch(/cellar[\s\S]*2 floors/);
});

test('windows lie within their room, and its small picture shows them lit', () => {
  const job = buildingIn(house(), jobId);
  for (const room of Object.values(job.rooms))
    for (const x of windowPlaces(room)) {
      expect(x).toBeGreaterThan(room.fromMillimetres);
      expect(x + room.windowWidthMillimetres).toBeLessThan(room.toMillimetres);
    }
  const { lights, shape } = kindOf('building').sketch(house(), jobId);
  expect(shape).toBe('house');
  expect(lights).toHaveLength(Object.values(job.rooms).reduce((sum, r) => sum + r.windows, 0));
  expect(kindOf('building').words(house(), jobId)).toBe('3 of 3 rooms lit');
});
