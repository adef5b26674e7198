import { describe, expect, test } from 'vitest';
import { quayside, sceneryId } from '../../tests/scenery';
import { needsOf } from '../build/lists/needs';
import { missingParts } from '../build/lists/missing-parts';
import { orderOf } from '../build/order/order';
import { wiringTable } from '../build/wiring-table';
import { boughtBoards } from '../part/bought-board';
import { newLamps } from '../kinds/lamp/make';
import { benchOf } from '../study/bench';
import { costOf, jointsOf } from '../study/bill';
import { boardsOf } from './on-board';
import type { HookUpName } from '../document/scenery-record';
import type { Bench } from '../study/bench';

const made = (hookUp: HookUpName, lamps: number): Bench => {
  const { layout } = newLamps(quayside(), {
    sort: 'mast',
    name: 'Quay lamps',
    lamps,
    part: 'white-warm',
    supply: { id: 'bus-12' },
    hookUp,
  });
  return benchOf(layout, sceneryId.lamp);
};
const keys = ({ layout, jobId }: Bench): Map<string, number> =>
  new Map(needsOf(layout, [jobId]).map((n) => [n.key, n.count]));

describe('what comes on a board that is bought whole', () => {
  test('a hub for seven lamps is two of six sockets and seven plugs, and none of its own parts', () => {
    const bench = made('hub', 7);
    const needs = keys(bench);
    expect(needs.get('board:hub')).toBe(2);
    expect(needs.get('board-plug:hub')).toBe(7);
    expect([...needs.keys()].filter((k) => /^(bridge|reservoir|hub-socket|resistor)/.test(k))).toEqual([]);
    expect(boardsOf(bench.assembly)).toMatchObject([{ id: 'hub', count: 2, plugs: 7 }]);
  });
  test('a board with many sockets brings its resistors; a strip wants them loose', () => {
    const board = keys(made('board', 4));
    expect(board.get('board:sockets')).toBe(1);
    expect([...board.keys()].some((k) => k.startsWith('resistor'))).toBe(false);
    const strip = keys(made('strip', 4));
    expect([...strip.keys()].some((k) => k.startsWith('resistor'))).toBe(true);
    expect([...strip.keys()].some((k) => k.startsWith('board'))).toBe(false);
  });
  test('a strip brings two screws a lamp, a rail two bare wires as long as the row and a little more', () => {
    expect(keys(made('strip', 7)).get('terminal-strip:12')).toBe(2);
    const rail = made('rail', 4);
    const along = rail.assembly.parts.filter((p) => p.kind === 'lamp').length;
    expect(along).toBe(4);
    const metres = keys(rail).get('rail-wire')!;
    expect(metres).toBeGreaterThanOrEqual(1);
    expect(keys(made('rail', 12)).get('rail-wire')!).toBeGreaterThan(metres);
    expect(keys(made('hub', 4)).has('terminal-strip:12')).toBe(false);
  });
  test('its price is that of the boards and plugs, whatever is on them', () => {
    const bench = made('hub', 7);
    const lamps = bench.assembly.parts.reduce((sum, p) => sum + (p.kind === 'lamp' ? p.led.price : 0), 0);
    const { price, plugPrice } = boughtBoards.hub;
    expect(costOf(bench.assembly, bench.layout, bench.supply)).toBeCloseTo(
      lamps + 2 * price + 7 * plugPrice,
      9,
    );
  });
  test('its copper is no wire of the table and no joint; plugs are one task, which takes the boards', () => {
    const bench = made('hub', 4);
    const rows = wiringTable(bench).filter((r) => !r.onBoard);
    // Two leads a lamp, and two from the bus.
    expect(rows.map((r) => r.label)).toEqual(Array.from({ length: 10 }, (_, i) => String(i + 1)));
    expect(rows.some((r) => /reservoir/i.test(`${r.from} ${r.to}`))).toBe(false);
    expect(jointsOf(bench.assembly)).toBe(20);
    const order = orderOf(bench);
    const tasks = order.ok ? order.order.tasks : [];
    const plug = tasks.find((t) => t.id === 'plug hub')!;
    expect(plug.uses).toEqual([
      { key: 'board:hub', count: 1 },
      { key: 'board-plug:hub', count: 4 },
    ]);
    expect(tasks.some((t) => t.id.startsWith('make-up'))).toBe(false);
  });
  test('without a hub in the drawer its sockets are missing, and what waits for them with them', () => {
    const bench = made('hub', 2);
    const missing = missingParts(bench.layout, bench);
    expect([...missing].filter((id) => id.startsWith('socket'))).toHaveLength(2);
  });
});
