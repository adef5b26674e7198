import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { boatTrain } from '../../tests/generated';
import { checkLayout } from '../document/file';
import { change } from '../document/patch';
import { usualSupply } from '../document/usual-supply';
import { cellTypes } from '../part/cell';
import { planckianXy, screenColour } from '../light/colour';
import { eveningStudy, isLitAt, litOnceMore, spansOf } from './evening';
import { glowOf } from './glow';
import type { Layout } from '../document/layout';
import type { DieReading } from './readings';

const span = (fromMinutes: number, toMinutes: number) => ({ fromMinutes, toMinutes });
/** Three jobs on one supply, lit at other times. */
const [a, b, c] = ['quay-lamps', 'buffer-stop', 'quay-distant'];
const { supplyId } = boatTrain().jobs[a];
const evening = (lit: Layout['evening']['lit']): Layout =>
  change(boatTrain(), (draft) => {
    draft.evening = { beginsMinutes: 1140, lastsMinutes: 180, lit };
    for (const id of [a, b, c]) draft.jobs[id].supplyId = draft.jobs[a].supplyId;
  }).layout;
const loads = [{ supplyId, jobAmps: { [a]: 0.1, [b]: 0.02, [c]: 0.03 }, planAmps: 0 }];

describe('an evening', () => {
  test('the greatest is when most is lit, energy is volts, amperes and hours', () => {
    const layout = evening({ [a]: [span(0, 60)], [b]: [span(30, 90)], [c]: [span(45, 75)] });
    const [only] = eveningStudy(layout, loads);
    expect(only.greatestAmps).toBeCloseTo(0.15, 9);
    expect(only.greatestAtMinutes).toBe(45);
    // By hand: 12 V (0.1 A 1 h + 0.02 A 1 h + 0.03 A 0.5 h).
    expect(only.wattHours).toBeCloseTo(12 * (0.1 + 0.02 + 0.015), 9);
  });
  test('what is not named is lit throughout', () => {
    const layout = evening({});
    expect(spansOf(layout.evening, a)).toEqual([[0, 180]]);
    expect(eveningStudy(layout, loads)[0].wattHours).toBeCloseTo(12 * 0.15 * 3, 9);
  });
  test('spans that overlap count once, whatever their order', () => {
    const times = fc.array(fc.tuple(fc.integer({ min: 0, max: 240 }), fc.integer({ min: 1, max: 120 })), {
      maxLength: 8,
    });
    fc.assert(
      fc.property(times, (raw) => {
        const layout = evening({ [a]: raw.map(([from, lasts]) => span(from, from + lasts)) });
        const spans = spansOf(layout.evening, a);
        const minutes = Array.from({ length: 180 }, (_, m) => m + 0.5);
        const lit = minutes.filter((m) => raw.some(([from, lasts]) => m >= from && m < from + lasts));
        expect(spans.reduce((sum, [from, to]) => sum + to - from, 0)).toBe(lit.length);
        for (const m of minutes) expect(isLitAt(layout.evening, a, m)).toBe(lit.includes(m));
      }),
      { numRuns: 100, seed: 7 },
    );
  });
  test('what is lit once more is lit in the middle of its longest dark; what is never dark stays', () => {
    const at = (...spans: [number, number][]) => evening({ [a]: spans.map(([x, y]) => span(x, y)) }).evening;
    expect(litOnceMore(at([0, 60]), a)).toEqual([
      [0, 60],
      [100, 140],
    ]);
    expect(litOnceMore(at([90, 100], [150, 180]), a)).toEqual([
      [30, 60],
      [90, 100],
      [150, 180],
    ]);
    expect(litOnceMore(at([0, 85], [95, 180]), a)).toHaveLength(2);
    expect(litOnceMore(at(), b)).toEqual([[0, 180]]);
  });
  test('what stands on the plan and is no job is on all evening', () => {
    const layout = evening({ [a]: [span(0, 60)], [b]: [], [c]: [] });
    const [only] = eveningStudy(layout, [{ ...loads[0], planAmps: 0.05 }]);
    expect(only.steps.map((s) => s.amps)).toEqual([expect.closeTo(0.15, 9), expect.closeTo(0.05, 9)]);
  });
  test('a cell tells what is left in it: 1 h at a current that halves it takes twice that; spent and twice the draw count', () => {
    const onCell = (spent: number): Layout =>
      change(evening({ [a]: [span(0, 60)] }), (draft) => {
        draft.supplies[supplyId] = {
          ...usualSupply('cell', 'H0', 1),
          cell: 'aaa',
          spent,
        } as Layout['supplies'][string];
      }).layout;
    const at = (amps: number, spent = 0) =>
      eveningStudy(onCell(spent), [{ supplyId, jobAmps: { [a]: amps }, planAmps: 0 }])[0];
    const { milliampHours, halfChargeAmps } = cellTypes.aaa;
    expect(at(1e-4).chargeLeft).toBeCloseTo(1 - 0.1 / milliampHours, 6);
    expect(at(halfChargeAmps).chargeLeft).toBeCloseTo(1 - (2 * 1000 * halfChargeAmps) / milliampHours, 9);
    expect(at(1e-4, 0.5).chargeLeft).toBeCloseTo(0.5 - 0.1 / milliampHours, 6);
    // Half empty, it is empty after half the time.
    expect(at(0.05, 0.5).emptyAfterHours! / at(0.05).emptyAfterHours!).toBeCloseTo(0.5, 9);
  });
  test.each([
    ['a job there is not', { nobody: [span(0, 10)] }, /there is no job/],
    ['an end before its beginning', { [a]: [span(20, 10)] }, /ends before it begins/],
  ])('a file with %s is refused with the reason', (_, lit, why) => {
    const read = checkLayout({ ...evening({}), evening: { beginsMinutes: 0, lastsMinutes: 60, lit } });
    if (read.ok) throw new Error('it was taken');
    expect(read.complaints[0].path).toMatch(/^evening\.lit/);
    expect(read.complaints[0].reason).toMatch(why);
  });
});

describe('the glow of a job', () => {
  const die = (kelvin: number, lumens: number) =>
    ({ lumens, xy: planckianXy(kelvin) }) as unknown as DieReading;
  test('alike lamps have their own colour and all their light', () => {
    expect(glowOf({ dies: [die(3000, 1), die(3000, 2)] })).toEqual({
      lumens: 3,
      colour: screenColour(planckianXy(3000)),
    });
  });
  test('equal fluxes mix on the line between, nearer the one of the smaller y (CIE 15: tristimulus values add)', () => {
    // Two chromaticities with equal Y: x = (x1/y1 + x2/y2) / (1/y1 + 1/y2).
    const [one, two] = [
      { x: 0.6, y: 0.3 },
      { x: 0.3, y: 0.6 },
    ];
    const dies = [one, two].map((xy) => ({ lumens: 1, xy }) as unknown as DieReading);
    expect(glowOf({ dies }).colour).toBe(screenColour({ x: 0.5, y: 0.4 }));
  });
  test('what is dark has no colour', () => expect(glowOf({ dies: [die(3000, 0)] }).colour).toBeNull());
});
