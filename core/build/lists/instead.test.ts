import { describe, expect, test } from 'vitest';
import { displayId, tug } from '../../../tests/display-models';
import { boatTrain } from '../../../tests/generated';
import { change } from '../../document/patch';
import { insteadOf } from './instead';

describe('other goods for the same job', () => {
  test('two bare lamps against two ready-wired ones; no board where nothing would sit on one', () => {
    const rows = insteadOf(tug(100), [displayId]);
    expect(rows).toHaveLength(1);
    expect(rows[0]).toMatchObject({ fewerJoints: 8 });
    expect(rows[0].what).toMatch(/^2 lamps ready-wired/);
    // Ready-wired lamps cost more than bare ones (common practice, no source).
    expect(rows[0].insteadPrice).toBeGreaterThan(rows[0].price);
  });
  test('bridge, charge resistor and reservoir against one board; five of it take five', () => {
    const board = (count: number) =>
      insteadOf(
        change(boatTrain(), (draft) => void (draft.jobs['compartment-coach'].progress.count = count)).layout,
        ['compartment-coach'],
      ).find((r) => r.what.includes('board'))!;
    expect(board(1).fewerJoints).toBe(6);
    expect(board(5).price).toBeCloseTo(5 * board(1).price, 9);
    expect(board(5).insteadPrice).toBeCloseTo(5 * board(1).insteadPrice, 9);
    expect(board(5).what).toMatch(/^5 boards/);
  });
  test('nothing chosen, nothing told', () => expect(insteadOf(boatTrain(), [])).toEqual([]));
});
