import { condition } from '../../tests/roof';
import { describe, expect, test } from 'vitest';
import { demo, demoJob } from '../../tests/generated';
import { cellTypes, chargeShare } from '../part/cell';
import { ratingFor } from '../part/electrolytic';
import { nearestPreferred } from '../part/preferred';
import { mainLineId } from '../document/line-stages';
import { change } from '../document/patch';
import { usualSupply } from '../document/usual-supply';
import { checkJob } from '../finding/check';
import { benchOf } from './bench';
import { cellLifeByHand, holdByHand, inrushByHand, sumByHand } from './by-hand';
import { bridgedLength, deadLength } from './gap';
import { cellLifeStudy } from './cell-life';
import { noLoadStudy } from './no-load';
import { likedLux, proposeLimit } from '../kinds/coach/proposal';
import { layLamps } from '../kinds/coach/schools';
import { cellShortcut, holdShortcut, stripLeftShortcut, stripShortcut } from './shortcut';
import { coachLight } from '../kinds/coach/light';
import { rectifierVolts, reservoirVolts } from './line-readings';
import { usualReadings } from './solver';
import { coachIn } from '../kinds/coach/jobs';
import type { RectifierName } from '../document/line-stages';
import type { Draft } from 'immer';
import type { CoachRecord as Job } from '../kinds/coach/record';
import type { Layout } from '../document/layout';

const layoutWith = (recipe: (job: Draft<Job>, draft: Draft<Layout>) => void): Layout =>
  change(demo(), (draft) => recipe(coachIn(draft, demoJob), draft)).layout;

const rectifierCost = (layout: Layout): number => {
  const bench = benchOf(layout, demoJob);
  return rectifierVolts(bench, usualReadings(bench), mainLineId(bench.job)!)!;
};

/** Three units of strip, 60 mA at 12 V, straight on a 12 V bus behind a resistor. */
const stripOn12 = (ohms: number): Layout =>
  layoutWith((job, draft) => {
    draft.supplies.track = {
      ...usualSupply('layout-bus', 'H0', 1),
      wireOhms: 0.01,
    } as Layout['supplies'][string];
    condition(job, { rectifier: 'none', reservoir: null, chargeResistor: null });
    layLamps(job, 'strip-warm', 3);
    Object.assign(job.circuits.roof, { limit: 'shared', ohms });
  });

describe('the strip that was wanted at 9.5 V (common practice, no source)', () => {
  test('the shortcut sum: 41.7 ohm, 47 to hand, which drops 2.82 V and leaves 9.18 V', () => {
    const sum = stripShortcut(12, 9.5, 0.06);
    expect(sum.figure).toBeCloseTo(41.7, 1);
    expect(nearestPreferred(sum.figure, 'E12')).toBe(39);
    expect(stripLeftShortcut(12, 47, 0.06).dropVolts).toBeCloseTo(2.82, 9);
    expect(stripLeftShortcut(12, 47, 0.06).leftVolts).toBeCloseTo(9.18, 9);
    expect(sum.why).toMatch(/draws much less/);
  });
  test('three units draw 60 mA at 12 V', () => {
    expect(usualReadings(benchOf(stripOn12(0.1), demoJob)).supplyAmps.mean).toBeCloseTo(0.06, 2);
  });
  test('solved, 47 ohm leaves 10.2 to 10.5 V, and 9.5 V needs two to four times the ohms', () => {
    const leaves = (ohms: number): number =>
      usualReadings(benchOf(stripOn12(ohms), demoJob)).dies[0].volts.mean;
    expect(leaves(47)).toBeGreaterThan(10.2);
    expect(leaves(47)).toBeLessThan(10.5);
    expect(leaves(2 * 41.7)).toBeGreaterThan(9.5);
    expect(leaves(4 * 41.7)).toBeLessThan(9.5);
  });
  test('both stand side by side for the job', () => {
    const layout = stripOn12(47);
    const hand = sumByHand(benchOf(layout, demoJob), usualReadings(benchOf(layout, demoJob)), 'roof')!;
    expect(hand.left!.leftVolts).toBeCloseTo(9.18, 2);
    expect(hand.sum).toMatch(/12 V − 10\.\d V/);
  });
  test('what a ready-wired lamp brings along is taken off the sum: near to what is fitted, not 680 ohm over it', () => {
    const layout = change(demo(), (draft) => {
      const job = coachIn(draft, demoJob);
      for (const lamp of Object.values(job.lamps))
        Object.assign(lamp, { part: 'white-warm', builtIn: { kind: 'resistor', ohms: 680 }, ohms: null });
      for (const c of Object.values(job.circuits))
        Object.assign(c, { limit: 'each', ohms: 3300, inSeries: 1 });
    }).layout;
    const bench = benchOf(layout, demoJob);
    const hand = sumByHand(bench, usualReadings(bench), 'roof')!;
    expect(hand.sum).toMatch(/mA − 680 Ω inside = /);
    // Nameplate volts and the track's crest leave the sum a fifth off; without what is inside it would be two fifths.
    expect(hand.figure / 3300).toBeGreaterThan(0.8);
    expect(hand.figure / 3300).toBeLessThan(1.2);
    expect((hand.figure + 680) / 3300).toBeGreaterThan(1.3);
  });
  test('while light that was liked at 9.5 V is wanted, the sum goes by 9.5 V, not by what they get now', () => {
    const bench = benchOf(stripOn12(47), demoJob);
    const hand = sumByHand(bench, usualReadings(bench), 'roof', 9.5)!;
    expect(hand.sum).toMatch(/12 V − 9\.5 V/);
    // 2.5 V over the strip's full current, 60 mA: 41.7 ohm.
    expect(hand.figure).toBeCloseTo(2.5 / 0.06, 1);
  });
  test('"I liked it at 9.5 V" asks for the light it then has', () => {
    const lux = likedLux(stripOn12(47), demoJob, 'roof', 9.5, 0);
    const wanted = change(stripOn12(47), (draft) => void (coachIn(draft, demoJob).wantedLux = lux)).layout;
    const proposal = proposeLimit(wanted, demoJob, 'roof')!;
    expect(proposal.exact).toBeGreaterThan(2 * 41.7);
    expect(proposal.exact).toBeLessThan(4 * 41.7);
    expect(proposal.lux / lux).toBeGreaterThan(0.8);
    expect(proposal.lux / lux).toBeLessThan(1.25);
  });
});

describe('rectifier and reservoir (common practice, no source)', () => {
  test('a silicon bridge costs 1.3 to 1.4 V at a coach’s current, a Schottky one about half', () => {
    const drop = (rectifier: RectifierName, ohms = 3300): number =>
      rectifierCost(
        layoutWith((job) => {
          condition(job, { rectifier });
          job.circuits.roof.ohms = ohms;
        }),
      );
    expect(drop('silicon-bridge')).toBeGreaterThan(1.3);
    expect(drop('silicon-bridge')).toBeLessThan(1.4);
    expect(drop('schottky-bridge')).toBeLessThan(0.75);
    expect(drop('half-wave')).toBeLessThan(0.85);
  });
  test('20 V AC puts 26.9 V behind the bridge: 25 V is refused, 35 V is offered', () => {
    const layout = layoutWith((job, draft) => {
      draft.supplies.track = {
        ...usualSupply('ac-track', 'H0', 1),
        rmsVolts: 20,
        highestRmsVolts: 20,
      } as Layout['supplies'][string];
      condition(job, { reservoir: { ratedVolts: 25 } });
    });
    const volts = noLoadStudy(benchOf(layout, demoJob))[0].volts.greatest;
    expect(volts).toBeGreaterThan(26.7);
    expect(volts).toBeLessThan(28.1);
    const finding = checkJob(layout, demoJob).find((f) => f.rule === 'reservoir-rating')!;
    expect(finding.severity).toBe('stop');
    expect(finding.remedies[0].label).toMatch(/35 V/);
  });
  test('on a 12 to 14 V track 25 V is preferred to 16 V', () => {
    expect(ratingFor(14 - 0.6)).toBe(25);
  });
  test('the reversing pulse counts, not only the everyday peak', () => {
    const layout = layoutWith((job, draft) => {
      draft.supplies.track = {
        ...usualSupply('ac-track', 'H0', 1),
        reversingPulseVolts: 40,
      } as Layout['supplies'][string];
      condition(job, { reservoir: { ratedVolts: 35 } });
    });
    expect(checkJob(layout, demoJob).find((f) => f.rule === 'reservoir-rating')!.severity).toBe('stop');
  });
});

describe('1/8 W behind 750 ohm (common practice, no source)', () => {
  const heat = (volts: number): number => {
    const layout = layoutWith((job, draft) => {
      draft.supplies.track = {
        ...usualSupply('layout-bus', 'H0', 1),
        volts,
        highestVolts: volts,
        wireOhms: 0.01,
      } as Layout['supplies'][string];
      condition(job, { rectifier: 'none', reservoir: null, chargeResistor: null });
      layLamps(job, 'white-warm', 1);
      Object.assign(job.circuits.roof, { limit: 'each', ohms: 750, ratedWatts: 0.125 });
    });
    return usualReadings(benchOf(layout, demoJob)).parts.get('resistor-lamp-1')!.watts;
  };
  test('is enough at 12 V (about 108 mW), not at 15 V (150 to 190 mW)', () => {
    expect(heat(12)).toBeGreaterThan(0.1);
    expect(heat(12)).toBeLessThan(0.125);
    expect(heat(15)).toBeGreaterThan(0.15);
    expect(heat(15)).toBeLessThan(0.2);
  });
});

describe('fairy lamps on a coin cell (common practice, no source)', () => {
  const layout = demo();
  const bench = benchOf(layout, 'heritage-coach');
  test('four of them draw some 3 mA', () => {
    expect(usualReadings(bench).supplyAmps.mean).toBeGreaterThan(0.0025);
    expect(usualReadings(bench).supplyAmps.mean).toBeLessThan(0.004);
  });
  test('light of the order of 72 hours, fading; by hand 220 mAh / 3.1 mA = 71 h', () => {
    const life = cellLifeStudy(bench)!;
    expect(life.moments[0]).toBeGreaterThan(50);
    expect(life.moments[0]).toBeLessThan(100);
    expect(life.lastHours).toBeGreaterThan(life.moments[1]!);
    for (let i = 1; i < life.light.length; i++)
      expect(life.light[i]).toBeLessThanOrEqual(life.light[i - 1] + 1e-9);
    expect(cellShortcut(220, 0.0031).figure).toBeCloseTo(71, 0);
  });
  test('charge out is current times time over the share a cell gives at it: the integral gives what is out', () => {
    const { hours, amps, spent } = cellLifeStudy(bench)!;
    const out = hours.reduce((sum, h, i) => {
      if (i === 0) return 0;
      const mean = (amps[i] + amps[i - 1]) / 2;
      return sum + ((h - hours[i - 1]) * mean) / chargeShare(cellTypes.cr2032, mean);
    }, 0);
    expect(out * 1e3).toBeCloseTo(220 * spent[spent.length - 1], 3);
  });
});

describe('a cell under load', () => {
  test('no cell lasts longer than its whole charge over the least current it gives on the way', () => {
    for (const [cell, ohms] of [
      ['cr2032', 3],
      ['cr2032', 100],
      ['aaa', 22],
      ['nine-volt', 220],
    ] as const) {
      const life = cellLifeStudy(
        benchOf(
          change(demo(), (draft) => {
            draft.supplies.track = {
              ...usualSupply('cell', 'H0', 1),
              cell,
              inSeries: 2,
            } as Layout['supplies'][string];
            Object.values(coachIn(draft, demoJob).circuits).forEach((c) =>
              Object.assign(c, { limit: 'shared', ohms }),
            );
          }).layout,
          demoJob,
        ),
      )!;
      const least = Math.min(...life.amps);
      expect(life.lastHours).toBeLessThanOrEqual(cellTypes[cell].milliampHours / 1e3 / least);
    }
  });
  test('a coin cell at 42 mA gives a small part of its charge; at a tenth of a milliampere all of it', () => {
    expect(chargeShare(cellTypes.cr2032, 0.042)).toBeLessThan(0.2);
    expect(chargeShare(cellTypes.cr2032, 1e-4)).toBeGreaterThan(0.999);
    expect(chargeShare(cellTypes.cr2032, cellTypes.cr2032.halfChargeAmps)).toBeCloseTo(0.5, 12);
  });
  test('by hand a used cell lasts by what is left of it: half of 220 mAh at 2.22 mA is 49.5 h', () => {
    expect(cellShortcut(220, 0.00222).figure).toBeCloseTo(99.1, 1);
    expect(cellShortcut(220, 0.00222, 0.5).figure).toBeCloseTo(49.5, 1);
    expect(cellShortcut(220, 0.00222, 0.5).sum).toMatch(/220 mAh × 0.5 left/);
  });
});

test('hold time by hand is C dV / I (closed form)', () => {
  expect(holdShortcut(470e-6, 12, 3, 0.0141).figure).toBeCloseTo(0.3, 9);
});

describe('a proposal', () => {
  test('comes from the drawer where the drawer has enough of it', () => {
    // What 4.7 kohm gives is wanted; the drawer has 22 of them.
    const bench = benchOf(
      layoutWith((job) => void (job.circuits.roof.ohms = 4700)),
      demoJob,
    );
    const wantedLux = coachLight(coachIn(bench.layout, demoJob), usualReadings(bench)).litLux;
    const p = proposeLimit(
      layoutWith((job) => void (job.wantedLux = wantedLux)),
      demoJob,
      'roof',
    )!;
    expect(p).toMatchObject({ from: 'drawer', figure: 4700 });
    const empty = layoutWith((job, draft) => {
      job.wantedLux = wantedLux;
      draft.drawer.resistors = {};
    });
    expect(proposeLimit(empty, demoJob, 'roof')!.from).toBe('E12');
  });
  test('a finer series is never further off, and E96 hits within 1.3 %', () => {
    const { exact, offers } = proposeLimit(
      layoutWith((job) => void (job.wantedLux = 83)),
      demoJob,
      'roof',
    )!;
    const off = (from: string): number =>
      Math.abs(Math.log(offers.find((o) => o.from === from)!.figure / exact));
    expect(off('E24')).toBeLessThanOrEqual(off('E12'));
    expect(off('E96')).toBeLessThanOrEqual(0.013);
    expect(off('pair')).toBeLessThanOrEqual(off('E12'));
  });
  test('a limiter is set to the light as well', () => {
    const layout = layoutWith((job) => {
      layLamps(job, 'strip-warm', 4);
      Object.assign(job.circuits.roof, { limit: 'limiter' });
      job.wantedLux = 150;
    });
    const p = proposeLimit(layout, demoJob, 'roof')!;
    expect(p.limit).toBe('limiter');
    expect(p.lux).toBeGreaterThan(140);
    expect(p.lux).toBeLessThan(160);
  });
  test('never asks a lamp for more than its long life bears, at full throttle either', () => {
    const layout = layoutWith((job, draft) => {
      draft.supplies.track = {
        ...usualSupply('dc-track', 'H0', 1),
        greatestVolts: 16,
        usualThrottle: 0.35,
      } as Layout['supplies'][string];
      job.wantedLux = 300;
    });
    const p = proposeLimit(layout, demoJob, 'roof')!;
    expect(p.limitedBy).toBe('lamp');
    const fitted = change(
      layout,
      (draft) => void (coachIn(draft, demoJob).circuits.roof.ohms = p.figure),
    ).layout;
    const full = usualReadings(benchOf(fitted, demoJob), undefined, { throttle: 1 });
    for (const l of full.dies) expect(l.amps.greatest).toBeLessThanOrEqual(0.015 * 1.001);
  });
});

describe('sums by hand for the job as it stands', () => {
  const bench = benchOf(demo(), demoJob);
  const steady = usualReadings(bench);
  test('hold: its own volts, current and capacitance in C dV / I', () => {
    const sum = holdByHand(bench, steady)!;
    const drop = reservoirVolts(bench, steady)!.mean - Math.max(...steady.dies.map((l) => l.volts.mean));
    expect(sum.figure).toBeCloseTo((470e-6 * drop) / steady.supplyAmps.mean, 9);
    expect(sum.sum).toMatch(/^470 µF × \(12\.2 V − 2\.68 V\) \/ 14\.2 mA/);
    const bare = change(demo(), (draft) => condition(coachIn(draft, demoJob), { reservoir: null })).layout;
    expect(holdByHand(benchOf(bare, demoJob), usualReadings(benchOf(bare, demoJob)))).toBeNull();
  });
  test('inrush: highest volts over everything in the way', () => {
    expect(inrushByHand(bench).figure).toBeCloseTo(18 / 100.4, 9);
  });
  test('cell: capacity over the current now; none on a track', () => {
    const heritage = benchOf(demo(), 'heritage-coach');
    const now = usualReadings(heritage);
    expect(cellLifeByHand(heritage, now)!.figure).toBeCloseTo(0.22 / now.supplyAmps.mean, 9);
    expect(cellLifeByHand(bench, steady)).toBeNull();
  });
  test('what the pickups bridge and what they leave add to the whole', () => {
    const { pickups } = coachIn(demo(), demoJob);
    for (const dead of [0, 60, 166, 172, 900]) {
      expect(bridgedLength(dead, pickups) + deadLength(dead, pickups)).toBeCloseTo(dead, 9);
      expect(bridgedLength(dead, pickups)).toBeLessThanOrEqual(pickups.baseMillimetres);
    }
  });
});
