import { expect, test } from 'vitest';
import { boatTrain } from '../../tests/generated';
import { checkLayout } from '../document/file';
import { change } from '../document/patch';
import { rigPower } from '../overhead/power';
import { busAlong } from './begin';
import { rigCurve, takenAt } from './load-curve';
import { feedReading } from './reading';
import { placeOfRig, putOnPlan, removeRig } from './rig-on-plan';
import type { Layout } from '../document/layout';

const bare = (): Layout =>
  change(boatTrain(), (draft) => {
    draft.network = { nodes: {}, runs: {} };
    draft.supplies['rig-unit'] = {
      order: 99,
      kind: 'layout-bus',
      name: 'Unit of the rig',
      volts: 24,
      highestVolts: 24,
      limitAmps: 5,
      tripSeconds: 0.1,
      wireOhms: 0.02,
    };
    busAlong(draft, 'rig-unit');
    putOnPlan(draft, 'rig');
    putOnPlan(draft, 'rig');
  }).layout;

test('a rig is put on the plan once, on a bus of its volts, and is taken off with what led to it', () => {
  const layout = bare();
  const place = placeOfRig(layout, 'rig')!;
  expect(Object.values(layout.network.nodes).filter((n) => n.is.kind === 'rig')).toHaveLength(1);
  const off = change(layout, (draft) => removeRig(draft, 'rig')).layout;
  expect(placeOfRig(off, 'rig')).toBeNull();
  expect(Object.keys(off.rigs)).not.toContain('rig');
  expect(Object.values(off.network.runs).some((r) => r.to === place || r.from === place)).toBe(false);
});

test('what flows to it is what its rows take at the volts that come to it, and follows its rows', () => {
  const amps = (layout: Layout) => {
    const place = feedReading(layout)!.places.get(placeOfRig(layout, 'rig')!)!;
    const { supply } = layout.rigs.rig;
    const there = { ...layout.rigs.rig, supply: { ...supply, volts: place.volts, wireMillimetres: 0 } };
    // Between the points of its curve by straight lines: within 1 %.
    expect(place.amps / rigPower(layout, there).supplyAmps).toBeCloseTo(1, 2);
    expect(place.volts).toBeLessThan(24);
    return place.amps;
  };
  const layout = bare();
  const dimmer = change(layout, (draft) => void (draft.rigs.rig.rows['row-1'].on = false)).layout;
  expect(amps(dimmer)).toBeLessThan(amps(layout) - 0.1);
});

test('a curve rises with its volts, from nothing, and gives at its own volts what the rig takes', () => {
  const layout = bare();
  const { volts, amps, lumens } = rigCurve(layout, 'rig')!;
  const rising = (of: readonly number[]) => of.every((v, i) => i === 0 || v >= of[i - 1]);
  expect([volts, amps, lumens].every(rising)).toBe(true);
  expect(amps[0]).toBe(0);
  const { supply } = layout.rigs.rig;
  const own = { ...layout.rigs.rig, supply: { ...supply, wireMillimetres: 0 } };
  expect(takenAt({ volts, amps, lumens }, 24).amps).toBeCloseTo(rigPower(layout, own).supplyAmps, 9);
});

test('a place of a rig there is not is refused with the reason', () => {
  const layout = structuredClone(bare()) as Layout;
  layout.network.nodes[placeOfRig(layout, 'rig')!].is = { kind: 'rig', rigId: 'nobody' };
  const read = checkLayout(layout);
  if (read.ok) throw new Error('it was taken');
  expect(read.complaints[0].reason).toMatch(/there is no rig “nobody”/);
});
