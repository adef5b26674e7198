import { expect, test } from 'vitest';
import { deckName, writeDeck } from '../../core/circuit/deck/write';
import { coachIn } from '../../core/kinds/coach/jobs';
import { trainInrush } from '../../core/study/train-inrush';
import { usualSupply } from '../../core/document/usual-supply';
import { demoJob } from '../generated';
import { condition } from '../roof';
import { rake, rakeId, wholeRake } from '../rakes';
import { runReference } from './simulator';
import type { Layout } from '../../core/document/layout';

/** What a rake draws in the reference simulator, solved whole, from empty: moments and amperes without sign. */
async function drawn(layout: Layout, stop: number, step: number, angle = 0): Promise<[number, number][]> {
  const netlist = wholeRake(layout, angle);
  const source = netlist.elements.find((e) => e.id === 'v_supply')!;
  const deck = writeDeck(netlist, {
    cards: [`.tran ${step} ${stop} 0 ${step} uic`, `.print tran i(${deckName(source)})`],
  });
  const { axis, vectors } = await runReference(deck);
  const amps = vectors.get(`i(${deckName(source)})`)!;
  return axis.map((t, i) => [t, Math.abs(amps[i])]);
}

/** Most of a run, and the longest it is over a limit without a dip of more than a bit’s edges and a step. */
function overLimit(
  run: readonly (readonly [number, number])[],
  limit: number,
): { peak: number; over: number } {
  let [peak, over, since, last] = [0, 0, NaN, -1];
  for (const [t, amps] of run) {
    peak = Math.max(peak, amps);
    if (amps <= limit) continue;
    if (t - last > 50e-6 || Number.isNaN(since)) since = t;
    last = t;
    over = Math.max(over, t - since);
  }
  return { peak, over };
}

/** Root mean square of straight lines through a run, from a moment on. */
function rmsFrom(run: readonly (readonly [number, number])[], from: number): number {
  let [squares, seconds] = [0, 0];
  for (let i = 1; i < run.length; i++) {
    const [[t0, a], [t1, b]] = [run[i - 1], run[i]];
    if (t0 < from) continue;
    squares += ((a * a + a * b + b * b) / 3) * (t1 - t0);
    seconds += t1 - t0;
  }
  return Math.sqrt(squares / seconds);
}

const within = (ours: number, theirs: number, share: number, what: string): void =>
  expect(Math.abs(ours / theirs - 1), `${what}: ${ours} against ${theirs}`).toBeLessThan(share);

test('thirteen coaches of 1 mF on a booster: peak and time over the limit within 5 % of the whole netlist', async () => {
  const layout = rake(13, (l) =>
    condition(coachIn(l, demoJob), { chargeResistor: null, reservoir: { farads: 1e-3, ratedVolts: 25 } }),
  );
  const [ours] = trainInrush(layout, rakeId);
  const theirs = overLimit(await drawn(layout, 0.02, 5e-6), ours.limitAmps);
  within(ours.peakAmps, theirs.peak, 0.05, 'peak');
  within(ours.overSeconds, theirs.over, 0.05, 'time over the limit');
  expect(ours.trips).toBe(theirs.over > ours.tripSeconds);
});

test('thirteen coaches with regulators on a transformer: peak and time over within 5 %, RMS within 2 %', async () => {
  const layout = rake(13, (l) => {
    condition(coachIn(l, demoJob), {
      chargeResistor: null,
      reservoir: { farads: 470e-6, ratedVolts: 35 },
      regulator: { outVolts: 12 },
    });
    l.supplies.track = { ...usualSupply('ac-track', 'H0', 1) };
  });
  const [ours] = trainInrush(layout, rakeId);
  const run = await drawn(layout, 0.5, 20e-6, ours.angleDegrees!);
  const theirs = overLimit(run, ours.limitAmps);
  within(ours.peakAmps, theirs.peak, 0.05, 'peak');
  within(ours.overSeconds, theirs.over, 0.05, 'time over the limit');
  within(ours.rms!.steadyAmps, rmsFrom(run, 0.46), 0.02, 'RMS');
});

/** Three coaches that are not alike, each reservoir of its own. */
const unlike = (supply: (layout: Layout) => void): Layout =>
  rake(
    7,
    (l) => {
      condition(coachIn(l, 'compartment-coach'), {
        chargeResistor: null,
        reservoir: { farads: 1e-3, ratedVolts: 50 },
      });
      condition(coachIn(l, 'open-saloon'), {
        chargeResistor: { ohms: 10, ratedWatts: 0.5 },
        reservoir: { farads: 470e-6, ratedVolts: 50 },
      });
      condition(coachIn(l, 'luggage-van'), {
        chargeResistor: null,
        reservoir: { farads: 220e-6, ratedVolts: 50 },
        regulator: { outVolts: 5 },
      });
      supply(l);
    },
    ['compartment-coach', 'open-saloon', 'luggage-van'],
  );

test('seven unlike coaches on a booster at 22 V: peak and time over within 5 % of the whole netlist', async () => {
  const layout = unlike((l) => {
    const { track } = l.supplies;
    if (track.kind === 'dcc-track') Object.assign(track, { volts: 22, highestVolts: 22 });
  });
  expect(layout.supplies.track).toMatchObject({ kind: 'dcc-track', highestVolts: 22 });
  const [ours] = trainInrush(layout, rakeId);
  const theirs = overLimit(await drawn(layout, 0.02, 5e-6), ours.limitAmps);
  within(ours.peakAmps, theirs.peak, 0.05, 'peak');
  within(ours.overSeconds, theirs.over, 0.05, 'time over the limit');
  expect(ours.trips).toBe(theirs.over > ours.tripSeconds);
});

test('seven unlike coaches on a transformer at its highest: peak and time over within 5 %, RMS within 2 %', async () => {
  const layout = unlike((l) => {
    l.supplies.track = { ...usualSupply('ac-track', 'H0', 1) };
  });
  const [ours] = trainInrush(layout, rakeId);
  const run = await drawn(layout, 0.5, 20e-6, ours.angleDegrees!);
  const theirs = overLimit(run, ours.limitAmps);
  within(ours.peakAmps, theirs.peak, 0.05, 'peak');
  within(ours.overSeconds, theirs.over, 0.05, 'time over the limit');
  within(ours.rms!.steadyAmps, rmsFrom(run, 0.46), 0.02, 'RMS');
});
