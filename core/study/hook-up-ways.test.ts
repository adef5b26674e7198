import { expect, test } from 'vitest';
import { quayside, sceneryId } from '../../tests/scenery';
import { patched } from '../document/patch';
import { checkJob } from '../finding/check';
import { lampsIn } from '../kinds/lamp/jobs';
import { newLamps } from '../kinds/lamp/make';
import { hookUpWays } from './hook-up-ways';

const { layout } = newLamps(quayside(), {
  sort: 'mast',
  name: 'Quay lamps',
  lamps: 4,
  part: 'white-warm',
  supply: { id: 'bus-12' },
  hookUp: 'strip',
});
const ways = hookUpWays(layout, sceneryId.lamp);
const way = (name: string) => ways.find((w) => w.name === name)!;

test('five ways of the same lamps, one of them as it stands, all at about the same light', () => {
  expect(ways.map((w) => w.now)).toEqual([false, true, false, false, false]);
  for (const w of ways) {
    expect(w.lampAmps / way('strip').lampAmps).toBeGreaterThan(0.6);
    expect(w.lampAmps / way('strip').lampAmps).toBeLessThan(1.5);
    expect(w.costPerLamp).toBeCloseTo(w.cost / 4, 9);
  }
});
test('a rail wants the iron most, sockets least: two joints a lamp', () => {
  expect(way('rail').joints).toBeGreaterThan(way('strip').joints);
  expect(way('hub').joints).toBe(8);
  expect(way('board').joints).toBe(8);
});
test('on a rail a forgotten resistor burns its lamp; sockets have theirs on board', () => {
  expect(way('rail').forgottenAmps!).toBeGreaterThan(10 * way('rail').bearsAmps);
  expect(way('hub').forgottenAmps).toBeNull();
});
test('room to grow: places of a hub, amperes of an address', () => {
  expect(way('hub')).toMatchObject({ roomFor: 2, fullBecause: 'places' });
  // 80 % of 75 mA, less what four draw.
  expect(way('output').fullBecause).toBe('supply');
  expect(way('output').roomFor).toBe(
    Math.floor((0.06 - 4 * way('output').lampAmps) / way('output').lampAmps),
  );
});
test('each change makes what it says, and nothing to stop for', () => {
  for (const w of ways) {
    if (w.patches === null) continue;
    const made = patched(layout, w.patches);
    expect(lampsIn(made, sceneryId.lamp).hookUp).toBe(w.name);
    expect(checkJob(made, sceneryId.lamp).filter((f) => f.severity === 'stop')).toEqual([]);
  }
  expect(way('output').patches).toBeNull();
});

test('a hub on three cells leaves its transistors too few volts: it is told, and not offered', () => {
  const cells = newLamps(quayside(), {
    sort: 'mast',
    name: 'Quay lamps',
    lamps: 2,
    part: 'white-warm',
    supply: { kind: 'cell' },
    hookUp: 'strip',
  });
  const hub = hookUpWays(cells.layout, sceneryId.lamp).find((w) => w.name === 'hub')!;
  expect(hub).toMatchObject({ tooFewVolts: true, patches: null });
  expect(way('hub')).toMatchObject({ tooFewVolts: false });
});
