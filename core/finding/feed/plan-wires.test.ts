import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { addPlace, addRun, generatedNetwork, withBus } from '../../../tests/networks';
import { change, patched } from '../../document/patch';
import { bySection } from '../../part/feed-wire';
import { feedStudy } from '../../feed/study';
import { fuseRatings } from '../../part/fuse-ratings';
import { costOfRuns } from '../../feed/cost';
import { planWires, runsOf } from './plan-wires';
import { feedRules } from '.';
import type { Layout } from '../../document/layout';

const WIRES = ['wire-too-thin', 'wire-and-fuse', 'short-not-cleared', 'dimmer-far-out'];
const broken = (layout: Layout): string[] => {
  const study = feedStudy(layout);
  return feedRules.flatMap((r) => (WIRES.includes(r.id) ? r.judge(study).map((f) => f.id) : []));
};

/** What a person commonly does: one wire for all, the first that keeps the rules, and a fuse where it begins. */
function oneGauge(layout: Layout): Layout | null {
  for (const wire of bySection().filter((w) => !w.id.startsWith('awg'))) {
    const of = change(layout, (draft) => {
      for (const id of runsOf(layout, 'bus')) {
        const run = draft.network.runs[id];
        run.wire = wire.id;
        run.parts = run.parts.filter((p) => p.kind !== 'fuse');
        if (run.from === 'supply') {
          const flows = Math.abs(feedStudy(layout).reading?.runs.get(id)?.amps ?? 0);
          run.parts.unshift({
            kind: 'fuse',
            amps: fuseRatings.find((r) => r >= 1.4 * flows)!,
            speed: 'quick',
          });
        }
      }
    }).layout;
    if (broken(of).length === 0) return of;
  }
  return null;
}

/** A place at the far end of a long run. */
function addFar(draft: Parameters<typeof addPlace>[0]): string {
  addPlace(draft, 'far', 0, 0, { kind: 'typed', volts: 12, amps: 8, behaves: 'resistor' });
  return 'far';
}

describe('wires planned', () => {
  const all = fc.sample(generatedNetwork, { numRuns: 20, seed: 44 });
  test('on 20 generated networks never dearer than one wire for all, and no rule of wires is broken; often cheaper', () => {
    let compared = 0;
    let cheaper = 0;
    for (const layout of all) {
      const plan = planWires(layout, 'bus');
      const laid = patched(layout, plan.patches);
      expect(plan.kept).toBe(broken(laid).length === 0);
      const usual = oneGauge(layout);
      if (!usual) continue;
      expect(plan.kept).toBe(true);
      const ids = runsOf(layout, 'bus');
      expect(plan.cost).toBeCloseTo(costOfRuns(laid, ids), 9);
      expect(plan.cost).toBeLessThanOrEqual(costOfRuns(usual, ids) + 1e-9);
      compared++;
      if (plan.cost < costOfRuns(usual, ids) - 1e-9) cheaper++;
    }
    expect(compared).toBeGreaterThan(10);
    expect(cheaper).toBeGreaterThan(5);
  });
  test('where no wire there is keeps the rules it says so: 8 A twice over 180 m', () => {
    const far = change(withBus(12, 10), (draft) => {
      addPlace(draft, 'supply', 0, 0, { kind: 'supply', supplyId: 'bus' });
      addPlace(draft, 'end', 0, 0, { kind: 'typed', volts: 12, amps: 8, behaves: 'resistor' });
      addRun(draft, 'supply', 'end', { millimetres: 90_000 });
      addRun(draft, 'end', addFar(draft), { millimetres: 90_000 });
    }).layout;
    const plan = planWires(far, 'bus');
    expect(plan.kept).toBe(broken(patched(far, plan.patches)).length === 0);
    expect(plan.kept).toBe(false);
  });
  test('it can be stopped, and says how far it is, never less than before', () => {
    const said: number[] = [];
    planWires(all[0], 'bus', (share) => {
      said.push(share);
      return said.length >= 3;
    });
    expect(said.length).toBeGreaterThan(0);
    said.forEach((s, k) => expect(s).toBeGreaterThanOrEqual(k > 0 ? said[k - 1] : 0));
  });
  test('plugs and switches in a run stay; its fuse is where it leaves the supply', () => {
    for (const layout of all) {
      const laid = patched(layout, planWires(layout, 'bus').patches);
      for (const [id, run] of Object.entries(laid.network.runs)) {
        const before = layout.network.runs[id].parts.filter((p) => p.kind !== 'fuse');
        expect(run.parts.filter((p) => p.kind !== 'fuse')).toEqual(before);
        expect(run.parts.filter((p) => p.kind === 'fuse')).toHaveLength(run.from === 'supply' ? 1 : 0);
      }
    }
  });
});
