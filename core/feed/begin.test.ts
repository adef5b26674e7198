import { describe, expect, test } from 'vitest';
import { withBus } from '../../tests/networks';
import { change } from '../document/patch';
import { readLayout, writeLayout } from '../document/file';
import { judgeNetwork } from '../finding/feed/judge-network';
import { busAlong, dropPlace, nearestJoint, onGrid, putFed, putPlace, putRun, rowOfBoards } from './begin';
import { hangsOn } from './hangs-on';
import { feedReading } from './reading';
import type { Layout } from '../document/layout';

/** Boards in a row with a bus along them. */
const laid = (count = 3): Layout =>
  change(withBus(12, 5), (draft) => {
    rowOfBoards(draft, count, 1000, 450);
    busAlong(draft, 'bus');
  }).layout;

describe('a plan begun', () => {
  test('a row of boards lies side by side, and a second row goes on where the first ends', () => {
    const { boards } = change(laid(2), (draft) => rowOfBoards(draft, 2, 600, 300)).layout;
    expect(
      Object.values(boards).map((b) => [b.xMillimetres, b.widthMillimetres, b.depthMillimetres]),
    ).toEqual([
      [0, 1000, 450],
      [1000, 1000, 450],
      [2000, 600, 300],
      [2600, 600, 300],
    ]);
    expect(Object.values(boards).map((b) => b.name)).toEqual(['Board 1', 'Board 2', 'Board 3', 'Board 4']);
  });
  test('a bus has a fuse where it begins, a strip on each board, a plug at each joint', () => {
    const { network } = laid();
    expect(Object.values(network.nodes).map((n) => n.is.kind)).toEqual(['supply', 'strip', 'strip', 'strip']);
    expect(Object.values(network.runs).map((r) => r.parts.map((p) => p.kind))).toEqual([
      ['fuse'],
      ['plug'],
      ['plug'],
    ]);
    // Each strip stands on its board, within reach of its front edge.
    Object.values(network.nodes)
      .filter((n) => n.is.kind === 'strip')
      .forEach((n, k) => {
        expect(n.xMillimetres).toBeGreaterThan(1000 * k);
        expect(n.xMillimetres).toBeLessThan(1000 * (k + 1));
        expect(450 - n.yMillimetres).toBeLessThan(100);
      });
  });
  test('the bus by itself has nothing to stop for, and is a file that opens again', () => {
    expect(
      judgeNetwork(laid())
        .filter((f) => f.severity === 'stop')
        .map((f) => f.sentence),
    ).toEqual([]);
    expect(readLayout(writeLayout(laid())).ok).toBe(true);
  });
  test('what is put on the plan is fed from the nearest strip of its supply', () => {
    const layout = change(laid(), (draft) => {
      putFed(
        draft,
        'Far lamps',
        { x: 2700, y: 100 },
        { kind: 'lamps', count: 4, part: 'white-warm', ohms: 560 },
        'bus',
      );
    }).layout;
    const [run] = Object.values(layout.network.runs).slice(-1);
    expect(layout.network.nodes[run.from].name).toBe('Strip Board 3');
    expect(hangsOn(layout).get(run.to)).toMatchObject({ supplyId: 'bus', volts: 12 });
    // Some 17 mA each through 560 ohm: (12 - 3) / 560 by hand.
    expect(feedReading(layout).places.get(run.to)!.amps).toBeCloseTo((4 * 9) / 560, 2);
  });
  test('of another supply there is no strip to run from, and it stands by itself', () => {
    const layout = laid();
    expect(nearestJoint(layout, 'other', { x: 0, y: 0 })).toBeNull();
    expect(nearestJoint(change(withBus(12, 5), () => undefined).layout, null, { x: 0, y: 0 })).toBeNull();
    const alone = change(withBus(12, 5), (draft) => {
      putFed(draft, 'Lonely', { x: 55, y: 44 }, { kind: 'tap' }, null);
    }).layout;
    expect(alone.network.runs).toEqual({});
    expect(Object.values(alone.network.nodes)[0]).toMatchObject({ xMillimetres: 60, yMillimetres: 40 });
  });
  test('a run more goes on in the colours of what it leaves, and from the output of a step-down', () => {
    const layout = change(laid(1), (draft) => {
      draft.network.runs[Object.keys(draft.network.runs)[0]].plus = 'yellow';
      const strip = Object.keys(draft.network.nodes)[1];
      const lamps = putPlace(draft, 'Lamps', { x: 0, y: 0 }, { kind: 'tap' });
      putRun(draft, strip, lamps);
      const down = putPlace(
        draft,
        'Step-down',
        { x: 0, y: 0 },
        { kind: 'converter', outVolts: 5, efficiency: 0.9, limitAmps: 1, headroomVolts: 1 },
      );
      putRun(draft, strip, down, { fromOutput: false });
      putRun(draft, down, lamps);
    }).layout;
    const [, dropper, down, behind] = Object.values(layout.network.runs);
    expect(dropper.plus).toBe('yellow');
    expect(down.fromOutput).toBe(false);
    expect(behind.fromOutput).toBe(true);
  });
  test('what is taken off the plan takes its runs with it, and nothing else', () => {
    const layout = laid();
    const [, strip] = Object.keys(layout.network.nodes);
    const after = change(layout, (draft) => dropPlace(draft, strip)).layout;
    expect(Object.keys(after.network.nodes)).toHaveLength(3);
    expect(Object.values(after.network.runs).every((r) => r.from !== strip && r.to !== strip)).toBe(true);
    expect(Object.keys(after.network.runs)).toHaveLength(1);
  });
  test('places fall on a grid of ten millimetres', () => {
    expect([0, 4, 5, 14.9, -6].map(onGrid)).toEqual([0, 0, 10, 10, -10]);
  });
});

describe('a network in a file', () => {
  const broken = (
    recipe: (layout: { network: { nodes: Record<string, unknown>; runs: Record<string, unknown> } }) => void,
  ): string => {
    const raw = JSON.parse(writeLayout(laid())) as Parameters<typeof recipe>[0];
    recipe(raw);
    const read = readLayout(JSON.stringify(raw));
    return read.ok ? '' : read.complaints.map((c) => `${c.path}: ${c.reason}`).join('; ');
  };
  test('nonsense in it is refused with where and why', () => {
    expect(
      broken((l) => void Object.assign(Object.values(l.network.runs)[0] as object, { to: 'nowhere' })),
    ).toMatch(/network\.runs\..*\.to: there is no place “nowhere”/);
    expect(
      broken((l) => {
        const [run] = Object.values(l.network.runs) as { from: string; to: string }[];
        run.to = run.from;
      }),
    ).toMatch(/it ends where it begins/);
    expect(
      broken((l) => {
        const [place] = Object.values(l.network.nodes) as { is: { supplyId: string } }[];
        place.is.supplyId = 'gone';
      }),
    ).toMatch(/there is no supply “gone”/);
    expect(
      broken((l) => void Object.assign(Object.values(l.network.runs)[0] as object, { wire: 'string' })),
    ).toMatch(/network\.runs\..*\.wire/);
    expect(
      broken((l) => void Object.assign(Object.values(l.network.runs)[1] as object, { fromOutput: true })),
    ).toMatch(/is no converter/);
    expect(
      broken((l) => {
        l.network.nodes.ghost = {
          order: 9,
          name: 'Ghost',
          xMillimetres: 0,
          yMillimetres: 0,
          is: { kind: 'job', jobId: 'ghost' },
        };
      }),
    ).toMatch(/there is no job “ghost”/);
  });
});
