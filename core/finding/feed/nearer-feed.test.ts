import { describe, expect, test } from 'vitest';
import { addPlace, addRun, lampsOf, withBus } from '../../../tests/networks';
import { boatTrain } from '../../../tests/generated';
import { checkLayout } from '../../document/file';
import { change, patched } from '../../document/patch';
import { feedReading } from '../../feed/reading';
import { hangsOn } from '../../feed/hangs-on';
import { wayBack } from './dimmer-far-out';
import { judgeNetwork } from './judge-network';
import { feedToMiddle, secondSupply } from './nearer-feed';
import type { Cure } from '../finding';
import type { Layout } from '../../document/layout';
import type { NodePart } from '../../document/network-record';

/** A tail of taps, with something alike at each. */
const tailOf = (taps: number, is: NodePart, pitch = 1000): Layout =>
  change(withBus(12, 5), (draft) => {
    addPlace(draft, 'supply', 0, 0, { kind: 'supply', supplyId: 'bus' });
    let before = 'supply';
    for (let k = 1; k <= taps; k++) {
      addPlace(draft, `tap-${k}`, pitch * k, 0, { ...is });
      addRun(draft, before, `tap-${k}`, {
        wire: '24-0.2',
        parts: k === 1 ? [{ kind: 'fuse', amps: 4, speed: 'quick' }] : [],
      });
      before = `tap-${k}`;
    }
  }).layout;

const end = (layout: Layout, place: string) => ({ place, way: wayBack(layout, place) });
const made = (layout: Layout, [cure]: Cure[]): Layout =>
  change(layout, (draft) => void cure.recipe(draft)).layout as Layout;
/** Volts between the best and the worst of the taps. */
const spread = (layout: Layout): number => {
  const volts = [...feedReading(layout).places].flatMap(([id, p]) => (id.startsWith('tap') ? [p.volts] : []));
  return Math.max(...volts) - Math.min(...volts);
};

describe('a feed nearer to the far end', () => {
  /** What keeps its current loses volts by the sum of k from 1 to n over a tail of n like steps. */
  const steps = (n: number): number => (n * (n + 1)) / 2;
  const steady: NodePart = { kind: 'typed', volts: 12, amps: 0.02, behaves: 'current' };

  test('in the middle of a tail of nine it loses what a tail of four loses', () => {
    const layout = tailOf(9, steady);
    const middle = made(layout, feedToMiddle(layout, end(layout, 'tap-9')));
    const [run] = Object.values(middle.network.runs).filter((r) => r.from === 'supply');
    expect(run.to).toBe('tap-5');
    const { places, runs } = feedReading(middle);
    const lost = (to: string): number => places.get('tap-5')!.volts - places.get(to)!.volts;
    const step = runs.get('run-9')!.dropVolts;
    expect(lost('tap-9') / step).toBeCloseTo(steps(4), 3);
    expect(lost('tap-1') / step).toBeCloseTo(steps(4), 3);
    expect(spread(middle) / spread(layout)).toBeCloseTo(steps(4) / steps(8), 2);
  });
  test('a second supply at the far end feeds its half alone, and the two are not joined', () => {
    const layout = tailOf(8, steady);
    const two = made(layout, secondSupply(layout, end(layout, 'tap-8'), 'bus'));
    expect(checkLayout(two)).toMatchObject({ ok: true });
    const fed = hangsOn(two);
    const halves = Array.from({ length: 8 }, (_, k) => fed.get(`tap-${k + 1}`)!.supplyId === 'bus');
    expect(halves).toEqual([true, true, true, true, false, false, false, false]);
    expect(judgeNetwork(two).map((f) => f.rule)).not.toContain('supplies-joined');
    expect(spread(two)).toBeLessThan(spread(layout) / 3);
    const amps = [...feedReading(two).supplies.values()].map((s) => s.amps);
    expect(amps[0] / amps[1]).toBeCloseTo(1, 1);
  });
  test('both are offered where lamps far out are dim, and cure it', () => {
    const layout = tailOf(9, lampsOf(12, 220), 1800);
    const [dim] = judgeNetwork(layout).filter((f) => f.rule === 'dimmer-far-out');
    const labels = ['The feed brought to tap-5, in the middle', 'A second supply there'];
    for (const label of labels) {
      const remedy = dim.remedies.find((r) => r.label.startsWith(label))!;
      expect(remedy, dim.remedies.map((r) => r.label).join('; ')).toBeDefined();
      const after = judgeNetwork(patched(layout, remedy.patches) as Layout);
      expect(after.map((f) => f.rule)).not.toContain('dimmer-far-out');
    }
  });
  test('jobs on the parted half hang on the second one', () => {
    const quay = boatTrain();
    const [jobId] = Object.keys(quay.jobs);
    const layout = change(tailOf(5, steady), (draft) => {
      draft.jobs[jobId] = { ...quay.jobs[jobId], supplyId: 'bus' };
      draft.network.nodes['tap-5'].is = { kind: 'job', jobId };
    }).layout as Layout;
    const two = made(layout, secondSupply(layout, end(layout, 'tap-5'), 'bus'));
    expect(two.jobs[jobId].supplyId).not.toBe('bus');
    expect(two.supplies[two.jobs[jobId].supplyId].name).toBe('Lighting bus, second');
  });
  test('without a middle, behind a converter, or of a track there is none', () => {
    const short = tailOf(2, steady);
    expect(feedToMiddle(short, end(short, 'tap-2'))).toEqual([]);
    const behind = change(tailOf(5, steady), (draft) => {
      draft.network.nodes['tap-2'].is = {
        kind: 'converter',
        outVolts: 5,
        efficiency: 0.9,
        limitAmps: 3,
        headroomVolts: 2,
      };
      for (const run of Object.values(draft.network.runs)) run.fromOutput = run.from === 'tap-2';
    }).layout as Layout;
    expect(feedToMiddle(behind, end(behind, 'tap-5'))).toEqual([]);
    expect(secondSupply(behind, end(behind, 'tap-5'), 'bus')).toEqual([]);
  });
});
