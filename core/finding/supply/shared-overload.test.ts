import { describe, expect, test } from 'vitest';
import { boatTrain } from '../../../tests/generated';
import { change, patched } from '../../document/patch';
import { usualSupply } from '../../document/usual-supply';
import { allAtOnce } from '../../study/all-at-once';
import { checkJob } from '../check';
import { judgeShared } from '.';
import type { Layout } from '../../document/layout';

/** Two jobs of lamps on one address of an accessory board, nothing else in the layout. */
const [one, other] = ['quay-lamps', 'buffer-stop'];
const sharing = (limitAmps: number): Layout =>
  change(boatTrain(), (draft) => {
    draft.jobs = Object.fromEntries([one, other].map((id) => [id, draft.jobs[id]]));
    draft.trains = {};
    draft.evening.lit = {};
    draft.network.nodes = {};
    draft.network.runs = {};
    draft.supplies.address = {
      ...usualSupply('accessory-output', 'H0', 50),
      limitAmps,
    } as Layout['supplies'][string];
    for (const id of [one, other]) draft.jobs[id].supplyId = 'address';
  }).layout;
const drawn = allAtOnce(sharing(0.02))[0];

describe('jobs that share a limit', () => {
  test('draw together what each draws at its most, the board at its highest', () => {
    const alone = [one, other].map(
      (id) =>
        allAtOnce(
          change(sharing(0.02), (d) => void (d.jobs[id === one ? other : one].supplyId = 'track')).layout,
        ).length,
    );
    // One alone shares nothing.
    expect(alone).toEqual([0, 0]);
    expect(drawn.jobs).toHaveLength(2);
    expect(drawn.amps).toBeCloseTo(drawn.jobs[0].amps + drawn.jobs[1].amps, 12);
  });
  test('just under the limit of an address is quiet, just over it is a stop though each alone is within', () => {
    expect(judgeShared(sharing(drawn.amps * 1.01))).toEqual([]);
    const layout = sharing(drawn.amps * 0.99);
    const [found] = judgeShared(layout);
    expect(found).toMatchObject({ severity: 'stop', rule: 'shared-overload' });
    expect(found.sentence).toContain(layout.jobs[one].name);
    for (const id of [one, other])
      expect(checkJob(layout, id).find((f) => f.rule === 'supply-overload')?.severity).not.toBe('stop');
    expect(found.paths).toContainEqual(['jobs', other]);
  });
  test('its cure gives one of them an address of its own, and then neither is too much', () => {
    const layout = sharing(drawn.amps * 0.99);
    const [found] = judgeShared(layout);
    const after = patched(layout, found.remedies[0].patches);
    expect(judgeShared(after)).toEqual([]);
    expect(new Set([one, other].map((id) => after.jobs[id].supplyId)).size).toBe(2);
  });
  test('what one alone overloads is said at its bench, not here; cells are nobody’s to share', () => {
    expect(judgeShared(sharing(drawn.jobs[0].amps * 0.9))).toEqual([]);
    const onCells = change(sharing(0.02), (d) => {
      d.supplies.address = usualSupply('cell', 'H0', 50) as Layout['supplies'][string];
    }).layout;
    expect(allAtOnce(onCells)).toEqual([]);
  });
  test('a unit is used to 80 %: over that to be minded, with one that gives more', () => {
    const onBus = change(sharing(0.02), (d) => {
      d.supplies.address = {
        ...usualSupply('layout-bus', 'H0', 50),
        limitAmps: drawn.amps,
      } as Layout['supplies'][string];
    }).layout;
    const [own] = allAtOnce(onBus);
    const near = change(
      onBus,
      (d) => void Object.assign(d.supplies.address, { limitAmps: own.amps / 0.9 }),
    ).layout;
    const found = judgeShared(near);
    expect(found[0]).toMatchObject({ severity: 'mind' });
    for (const r of found[0].remedies) expect(judgeShared(patched(near, r.patches))).toEqual([]);
  });
});
