import { describe, expect, test } from 'vitest';
import { onRails, vehicleId } from '../../tests/vehicles';
import { anyJobIn } from '../document/jobs';
import { change } from '../document/patch';
import { putRectifier } from '../document/line-stages';
import { benchOf } from '../study/bench';
import { truthTable } from '../study/truth-table';
import { lampsLost } from './keeps-work';
import type { Layout } from '../document/layout';

const rows = (layout: Layout) => truthTable(benchOf(layout, vehicleId)).rows;
const layout = onRails('shared-both-ways');
const changed = (recipe: Parameters<typeof change>[1]): Layout => change(layout, recipe).layout;

describe('what a change takes from lamps', () => {
  test('nothing where nothing changes; leads exchanged take from what was right, and nothing from what was wrong', () => {
    expect(lampsLost(rows(layout), rows(layout))).toEqual([]);
    const turned = changed((d) => {
      for (const line of Object.values(anyJobIn(d, vehicleId).lines)) line.swapped = true;
    });
    expect(lampsLost(rows(layout), rows(turned)).length).toBeGreaterThan(0);
    expect(lampsLost(rows(turned), rows(layout))).toEqual([]);
  });
  test('a bridge takes the direction of lamps that told it: white and red together both ways', () => {
    const bridged = changed((d) => {
      const job = anyJobIn(d, vehicleId);
      for (const line of Object.values(job.lines)) putRectifier(line, 'silicon-bridge');
      for (const c of Object.values(job.circuits)) c.senses = 'alike';
    });
    expect(lampsLost(rows(layout), rows(bridged)).length).toBeGreaterThan(0);
  });
  test('a resistor so large that lamps go dark takes their light', () => {
    const dark = changed((d) => {
      for (const c of Object.values(anyJobIn(d, vehicleId).circuits)) c.ohms = 1e7;
      for (const l of Object.values(anyJobIn(d, vehicleId).lamps)) l.ohms = null;
    });
    expect(lampsLost(rows(layout), rows(dark)).length).toBeGreaterThan(0);
  });
});
