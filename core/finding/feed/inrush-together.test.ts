import { describe, expect, test } from 'vitest';
import { addPlace, addRun, withBus } from '../../../tests/networks';
import { change, patched } from '../../document/patch';
import { putStage } from '../../document/line-stages';
import { newLamps } from '../../kinds/lamp/make';
import { judgeNetwork } from './judge-network';
import type { Layout } from '../../document/layout';
import type { Finding } from '../finding';

/** A row of lamps with a reservoir on a 12 V bus of some amperes, close by. */
function withReservoir(farads: number, limitAmps: number, chargeOhms: number | null): Layout {
  const begun = newLamps(withBus(12, limitAmps), {
    sort: 'mast',
    name: 'Yard lamps',
    lamps: 6,
    part: 'white-warm',
    supply: { id: 'bus' },
    hookUp: 'rail',
  });
  return change(begun.layout, (draft) => {
    const job = draft.jobs[begun.jobId];
    const [line] = Object.values(job.lines);
    if (chargeOhms !== null) putStage(line, 'charge', { ohms: chargeOhms, ratedWatts: 1, beside: false });
    putStage(line, 'reservoir', { farads, ratedVolts: 25 });
    addPlace(draft, 'supply', 0, 0, { kind: 'supply', supplyId: 'bus' });
    addPlace(draft, 'lamps', 500, 0, { kind: 'job', jobId: begun.jobId });
    addRun(draft, 'supply', 'lamps');
  }).layout;
}
const found = (layout: Layout): Finding[] => judgeNetwork(layout).filter((f) => f.rule === 'inrush-together');
/** How long a unit of the bus bears its limit. */
const bears = (layout: Layout): number => (layout.supplies.bus as { tripSeconds: number }).tripSeconds;

describe('all reservoirs at once', () => {
  test('charge over current is how long it lasts, by hand: C V / I', () => {
    const layout = withReservoir(0.1, 1, null);
    const [finding] = found(layout);
    // 0.1 F at 12 V are 1.2 C; at nearly 1 A some 1.2 s and a little more, as the lamps take their share.
    expect(finding.figures[0].is).toBeGreaterThan(1.2);
    expect(finding.figures[0].is).toBeLessThan(1.5);
    expect(finding.figures[0].limit).toBe(bears(layout));
    expect(found(patched(layout, finding.remedies[0]?.patches ?? [])).length).toBe(
      finding.remedies.length > 0 ? 0 : 1,
    );
  });
  test('a small one is charged before anything trips', () => {
    const layout = withReservoir(100e-6, 2, null);
    expect(found(layout)).toEqual([]);
  });
  test('behind a charge resistor it never asks for the limit', () => {
    expect(found(withReservoir(0.1, 1, 100))).toEqual([]);
  });
});
