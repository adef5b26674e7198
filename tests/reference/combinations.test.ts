import { condition } from '../roof';
import { expect, test } from 'vitest';
import { benchOf } from '../../core/study/bench';
import { checkStructure } from '../../core/circuit/structure';
import { laddersOf } from '../../app/drawings/circuit/ladder';
import { loweredAt } from '../../core/study/netlist-at';
import { usualState } from '../../core/study/states';
import { jobDeck } from '../../core/study/job-deck';
import { refusedCombination } from '../../core/study/combination';
import { usualReadings } from '../../core/study/solver';
import { change } from '../../core/document/patch';
import { lampType } from '../../core/document/lamp-type';
import { usualLamp } from '../../core/kinds/coach/usual-lamp';
import { demo, demoJob } from '../generated';
import { expectSameAsReference } from './compare';
import { coachIn } from '../../core/kinds/coach/jobs';
import type { Draft } from 'immer';
import type { CoachRecord as Job } from '../../core/kinds/coach/record';
import type { Layout } from '../../core/document/layout';

type Supply = Layout['supplies'][string];

const track = { order: 1, name: 'Track', limitAmps: 3, tripSeconds: 0.01, trackOhms: 0.5 };
const dc = {
  ...track,
  kind: 'dc-track' as const,
  greatestVolts: 12,
  pulseHertz: 100,
  mainsHertz: 50 as const,
  usualThrottle: 0.8,
};
const supplies: Readonly<Record<string, Supply>> = {
  DCC: {
    ...track,
    kind: 'dcc-track',
    amplitudeVolts: 15,
    highestVolts: 18,
    bits: '1',
    zeroHalfMicroseconds: 100,
  },
  'DC smooth': { ...dc, making: 'smooth' },
  'DC pulses': { ...dc, making: 'pulse-width', greatestVolts: 14 },
  'DC full-wave': { ...dc, making: 'full-wave', greatestVolts: 14 },
  'DC half-wave': { ...dc, making: 'half-wave', greatestVolts: 16, usualThrottle: 1 },
  'AC 50 Hz': {
    ...track,
    kind: 'ac-track',
    rmsVolts: 16,
    highestRmsVolts: 18,
    hertz: 50,
    reversingPulseVolts: 0,
  },
  'AC 60 Hz': {
    ...track,
    kind: 'ac-track',
    rmsVolts: 14,
    highestRmsVolts: 16,
    hertz: 60,
    reversingPulseVolts: 30,
  },
  'bus 12 V': {
    order: 1,
    name: 'Bus',
    kind: 'layout-bus',
    volts: 12,
    highestVolts: 13,
    limitAmps: 2,
    tripSeconds: 0.1,
    wireOhms: 0.2,
  },
  'coin cell': { order: 1, name: 'Cell', kind: 'cell', cell: 'cr2032', inSeries: 1, spent: 0.1 },
  'three AAA': { order: 1, name: 'Pack', kind: 'cell', cell: 'aaa', inSeries: 3, spent: 0.2 },
  '9 V battery': { order: 1, name: 'Battery', kind: 'cell', cell: 'nine-volt', inSeries: 1, spent: 0 },
};

const lampsOf = (job: Draft<Job>, part: string, count: number): void => {
  job.lamps = Object.fromEntries(
    Array.from({ length: count }, (_, i) => [
      `l${i + 1}`,
      usualLamp({ order: i + 1, part, placeMillimetres: 20 + 40 * i, circuitId: 'roof' }),
    ]),
  );
};
const drives: Readonly<Record<string, (job: Draft<Job>) => void>> = {
  'a resistor each': (job) => lampsOf(job, 'white-warm', 3),
  'one resistor shared': (job) => {
    lampsOf(job, 'white-warm', 3);
    Object.assign(job.circuits.roof, { limit: 'shared', ohms: 680 });
  },
  'strings of three': (job) => {
    lampsOf(job, 'white-warm', 6);
    Object.assign(job.circuits.roof, { inSeries: 3, ohms: 330 });
  },
  'a limiter': (job) => {
    lampsOf(job, 'white-warm', 2);
    Object.assign(job.circuits.roof, { limit: 'limiter', limiterAmps: 0.01, inSeries: 2 });
  },
  'a regulator of 5 V': (job) => {
    lampsOf(job, 'white-warm', 3);
    job.circuits.roof.ohms = 470;
    condition(job, { regulator: { outVolts: 5, dropoutVolts: 1.2, quiescentAmps: 0.003 } });
  },
  'a strip behind a resistor': (job) => {
    lampsOf(job, 'strip-warm', 3);
    Object.assign(job.circuits.roof, { limit: 'shared', ohms: 47 });
  },
  'fairy lamps': (job) => {
    lampsOf(job, 'fairy-warm', 4);
    Object.assign(job.circuits.roof, { limit: 'shared', ohms: 10 });
  },
  'a light bar': (job) => lampsOf(job, 'bar-warm', 1),
  'lamps that hold a resistor': (job) => {
    lampsOf(job, 'white-cool', 2);
    job.circuits.roof.limit = 'none';
    for (const lamp of Object.values(job.lamps)) lamp.builtIn = { kind: 'resistor', ohms: 1500 };
  },
};

/** What stands between supply and lamps; the plainest that suits the supply. */
const conditionings: Readonly<Record<string, (job: Draft<Job>, steadySides: boolean) => void>> = {
  smoothed: (job, steadySides) => {
    condition(job, { rectifier: steadySides ? 'none' : 'silicon-bridge' });
    if (steadySides) condition(job, { reservoir: null, chargeResistor: null });
    else condition(job, { reservoir: { farads: 220e-6, ratedVolts: 35 } });
  },
  bare: (job, steadySides) => {
    condition(job, { rectifier: steadySides ? 'none' : 'schottky-diodes' });
    condition(job, { reservoir: null, chargeResistor: null });
  },
  'half-wave, charged gently': (job) => {
    condition(job, { rectifier: 'half-wave' });
    condition(job, {
      reservoir: { farads: 100e-6, ratedVolts: 35 },
      chargeResistor: { ohms: 47, ratedWatts: 0.5 },
      chargeDiode: true,
    });
  },
};

const cases = Object.entries(supplies).flatMap(([supplyName, supply]) =>
  Object.entries(drives).flatMap(([driveName, drive], i) => {
    const steadySides = supply.kind === 'cell' || supply.kind === 'layout-bus';
    // Each supply and drive with one conditioning, in turn, so that all meet; smoothed alone where sides are steady.
    const names = Object.keys(conditionings);
    const conditioning = steadySides ? names[0] : names[i % names.length];
    const layout = change(demo(), (draft) => {
      draft.supplies.track = supply;
      const job = coachIn(draft, demoJob);
      conditionings[conditioning](job, steadySides);
      drive(job);
    }).layout;
    return [{ name: `${supplyName}, ${conditioning}, ${driveName}`, layout }];
  }),
);
const sensible = cases.filter((c) => refusedCombination(c.layout, demoJob) === null);

test('the table has at least 60 combinations that make sense, and the rest are refused with a reason', () => {
  expect(sensible.length).toBeGreaterThanOrEqual(60);
  const refused = cases.filter((c) => !sensible.includes(c));
  expect(refused.length).toBeGreaterThan(0);
  for (const c of refused) expect(refusedCombination(c.layout, demoJob), c.name).toMatch(/V/);
});

test.each(sensible)('$name', async ({ layout }) => {
  const bench = benchOf(layout, demoJob);
  checkStructure(loweredAt(bench, usualState(bench)).netlist, false);
  const drawn = laddersOf(bench.assembly, { width: 1600, height: 360 }).flatMap((l) => l.parts);
  // Everything but what feeds it.
  expect(drawn).toHaveLength(bench.assembly.parts.length - 1);
  const steady = usualReadings(bench);
  expect(steady.dies.every((l) => l.led === lampType(layout, bench.job.lamps[l.lampId].part))).toBe(true);
  expect(Math.max(...steady.dies.map((l) => l.amps.mean))).toBeGreaterThan(5e-5);
  await expectSameAsReference(jobDeck(bench, steady).deck);
});
