import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { legends } from '../core/document/wire-legend';
import { usualInterior, type InteriorPlan } from '../core/kinds/coach/usual-interior';
import { migrated } from '../core/document/migrations';
import { readLayout } from '../core/document/file';
import { coachIn } from '../core/kinds/coach/jobs';
import type { Layout } from '../core/document/layout';

function opened(path: string): Layout {
  const read = readLayout(readFileSync(new URL(path, import.meta.url), 'utf8'));
  if (!read.ok) throw new Error(JSON.stringify(read.complaints));
  return read.layout;
}

/** The layout as the application shows it first. */
export const shipped = (): Layout => opened('../demo/brackwater-quay.hazel.json');

/** The harbour as it was shipped with version 11 of the file: the boat train with its rooms and two rows. */
export const boatTrain = (): Layout => opened('./layouts/quay-version-11.hazel.json');

/**
 * The same harbour as version 2 of the file had it, brought up to date when it is opened: seven lamps
 * in one row, one bare room. Most tests of circuits stand on it.
 */
export const demo = (): Layout => opened('./layouts/quay-version-2.hazel.json');

export const demoJob = 'compartment-coach';

const ohms = fc.integer({ min: 1, max: 55 }).map((n) => Number((10 ** (n / 10)).toPrecision(2)));
const conditioning = fc.record({
  rectifier: fc.constantFrom(
    'silicon-bridge',
    'silicon-bridge',
    'schottky-bridge',
    'silicon-diodes',
    'half-wave',
    'none',
  ),
  chargeDiode: fc.boolean(),
  regulator: fc.option(
    fc.record({
      outVolts: fc.constantFrom(5, 12),
      dropoutVolts: fc.constantFrom(0.4, 1.2),
      quiescentAmps: fc.constantFrom(0, 0.003),
    }),
    { freq: 5 },
  ),
  chargeResistor: fc.option(
    fc.record({
      ohms: fc.constantFrom(10, 47, 100, 220, 1000),
      ratedWatts: fc.constantFrom(0.125, 0.25, 0.5),
    }),
  ),
  reservoir: fc.option(
    fc.record({
      farads: fc.constantFrom(10e-6, 100e-6, 470e-6, 1000e-6),
      ratedVolts: fc.constantFrom(10, 16, 25, 35),
    }),
  ),
});
const group = fc.record({
  name: fc.constant('Roof'),
  switch: fc.constantFrom(null, null, null, { on: true }),
  order: fc.constant(1),
  drive: fc.constantFrom('resistor-each', 'resistor-each', 'resistor-shared', 'limiter', 'none', 'none'),
  inSeries: fc.constantFrom(1, 1, 1, 2, 3),
  limiterAmps: fc.constantFrom(0.002, 0.01, 0.02),
  builtIn: fc.constantFrom(
    { kind: 'nothing' },
    { kind: 'nothing' },
    { kind: 'nothing' },
    { kind: 'unknown' },
    { kind: 'resistor', ohms: 470 },
    { kind: 'limiter', amps: 0.004 },
  ),
  ohms,
  ratedWatts: fc.constantFrom(0.125, 0.25, 0.5),
});

const limits = {
  order: fc.constant(1),
  name: fc.constant('Supply'),
  limitAmps: fc.constantFrom(0.2, 1, 3, 5),
  tripSeconds: fc.constantFrom(0.0002, 0.005, 0.1),
};
const trackOhms = fc.constantFrom(0.2, 0.5, 2);
const dccTrack = fc
  .record({
    ...limits,
    trackOhms,
    kind: fc.constant('dcc-track' as const),
    amplitudeVolts: fc.integer({ min: 8, max: 20 }),
    extra: fc.integer({ min: 0, max: 2 }),
    bits: fc.constantFrom('1', '1', '10', '1101000111'),
    zeroHalfMicroseconds: fc.constant(100),
  })
  .map(({ extra, ...s }) => ({ ...s, highestVolts: s.amplitudeVolts + extra }));
const otherSupply = fc.oneof(
  fc.record({
    ...limits,
    trackOhms,
    kind: fc.constant('dc-track' as const),
    greatestVolts: fc.constantFrom(9, 12, 16),
    making: fc.constantFrom('smooth', 'smooth', 'pulse-width', 'full-wave', 'half-wave'),
    pulseHertz: fc.constantFrom(100, 400, 20_000),
    mainsHertz: fc.constantFrom(50, 60),
    usualThrottle: fc.constantFrom(0.4, 0.7, 1),
  }),
  fc.record({
    ...limits,
    trackOhms,
    kind: fc.constant('ac-track' as const),
    rmsVolts: fc.constantFrom(12, 16, 20),
    highestRmsVolts: fc.constant(21),
    hertz: fc.constantFrom(50, 60),
    reversingPulseVolts: fc.constantFrom(0, 0, 40),
  }),
  fc
    .record({
      ...limits,
      kind: fc.constant('layout-bus' as const),
      volts: fc.constantFrom(5, 12, 16, 24),
      wireOhms: trackOhms,
    })
    .map((s) => ({ ...s, highestVolts: s.volts * 1.1 })),
  fc.record({
    order: fc.constant(1),
    name: fc.constant('Cell'),
    kind: fc.constant('cell' as const),
    cell: fc.constantFrom('cr2032', 'aaa', 'nine-volt'),
    inSeries: fc.constantFrom(1, 2, 3),
    spent: fc.constantFrom(0, 0.5),
  }),
);

/** Layouts of one coach each: sensible ones, and ones with everything wrong that a person can choose. */
export const generatedLayout: fc.Arbitrary<Layout> = fc
  .record({
    supply: fc.oneof(dccTrack, otherSupply),
    conditioning,
    groups: fc.tuple(group, fc.option(group)),
    legend: fc.constantFrom(legends.decoder, legends.decoder, legends['red-black']),
    pickups: fc.constantFrom(
      { kind: 'collars', axles: 'all', wheelsPerRail: 4, baseMillimetres: 166 },
      { kind: 'wipers', axles: 'one-truck', wheelsPerRail: 2, baseMillimetres: 25 },
      { kind: 'wipers', axles: 'all', wheelsPerRail: 4, baseMillimetres: 166 },
    ),
    deadMillimetres: fc.constantFrom(0, 0, 60, 230),
    lamps: fc.array(
      fc.record({
        part: fc.constantFrom(
          'white-warm',
          'white-warm',
          'white-cool',
          'red',
          'strip-warm',
          'fairy-warm',
          'bar-warm',
        ),
        tint: fc.constantFrom('none', 'none', 'amber-film'),
        to: fc.constantFrom(0, 0, 0, 1, null),
      }),
      { minLength: 1, maxLength: 6 },
    ),
    wantedLux: fc.constantFrom(9, 55, 110, 300),
    plan: fc.constantFrom<InteriorPlan>('bare', 'bare', 'open', 'compartment', 'divided'),
  })
  .map(
    ({ supply, conditioning: parts, groups, lamps, wantedLux, legend, pickups, deadMillimetres, plan }) => {
      const layout = structuredClone(demo());
      layout.supplies = { track: supply as Layout['supplies'][string] };
      const second = groups[1];
      const { lines, circuits, ...rest } = coachIn(layout, demoJob);
      void lines;
      void circuits;
      // As version 4 of the file had it: every generated coach is brought up to date too.
      const job = {
        ...rest,
        conditioning: parts,
        wantedLux,
        interior: usualInterior(plan, rest.dimensions, layout.scale),
        legend: { ...legend },
        pickups,
        ride: { deadMillimetres, kilometresPerHour: 40 },
        groups: { one: groups[0], ...(second ? { two: { ...second, order: 2 } } : {}) },
        lamps: Object.fromEntries(
          lamps.map((l, i) => [
            `l${i + 1}`,
            {
              order: i + 1,
              part: l.part,
              tint: l.tint,
              placeMillimetres: 20 + 30 * i,
              acrossMillimetres: 0,
              aimDegrees: 0,
              role: 'room' as const,
              groupId: l.to === null ? null : l.to === 1 && second ? 'two' : 'one',
            },
          ]),
        ),
      };
      const raw = { ...layout, version: 4, trains: {}, jobs: { [demoJob]: job } };
      return migrated(raw as unknown as Record<string, unknown>, 4) as unknown as Layout;
    },
  );
