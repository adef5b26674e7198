import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { readLayout } from '../core/document/file';
import type { Job, Layout } from '../core/document/layout';

/** The demo layout, fresh. */
export function demo(): Layout {
  const read = readLayout(
    readFileSync(new URL('../demo/brackwater-quay.hazel.json', import.meta.url), 'utf8'),
  );
  if (!read.ok) throw new Error(JSON.stringify(read.complaints));
  return read.layout;
}

export const demoJob = 'compartment-coach';

const ohms = fc.integer({ min: 1, max: 55 }).map((n) => Number((10 ** (n / 10)).toPrecision(2)));
const conditioning = fc.record({
  rectifier: fc.constantFrom('silicon-bridge', 'silicon-bridge', 'schottky-bridge', 'none'),
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
  order: fc.constant(1),
  drive: fc.constantFrom('resistor-each', 'resistor-each', 'resistor-shared', 'none'),
  ohms,
  ratedWatts: fc.constantFrom(0.125, 0.25, 0.5),
});

/** Layouts of one coach each: sensible ones, and ones with everything wrong that a person can choose. */
export const generatedLayout: fc.Arbitrary<Layout> = fc
  .record({
    supply: fc.record({
      amplitudeVolts: fc.integer({ min: 8, max: 20 }),
      extra: fc.integer({ min: 0, max: 2 }),
      limitAmps: fc.constantFrom(0.2, 1, 3, 5),
      tripSeconds: fc.constantFrom(0.0002, 0.005, 0.1),
      trackOhms: fc.constantFrom(0.2, 0.5, 2),
      bits: fc.constantFrom('1', '1', '10', '1101000111'),
    }),
    conditioning,
    groups: fc.tuple(group, fc.option(group)),
    lamps: fc.array(
      fc.record({
        part: fc.constantFrom('white-warm', 'white-cool', 'red', 'yellow'),
        to: fc.constantFrom(0, 0, 0, 1, null),
      }),
      { minLength: 1, maxLength: 6 },
    ),
    wantedLux: fc.constantFrom(9, 55, 110, 300),
  })
  .map(({ supply, conditioning: parts, groups, lamps, wantedLux }) => {
    const layout = structuredClone(demo());
    const { extra, ...figures } = supply;
    Object.assign(layout.supplies.track, figures, { highestVolts: supply.amplitudeVolts + extra });
    const second = groups[1];
    const job: Job = {
      ...layout.jobs[demoJob],
      conditioning: parts as Job['conditioning'],
      wantedLux,
      groups: {
        one: groups[0] as Job['groups'][string],
        ...(second ? { two: { ...second, order: 2 } as Job['groups'][string] } : {}),
      },
      lamps: Object.fromEntries(
        lamps.map((l, i) => [
          `l${i + 1}`,
          {
            order: i + 1,
            part: l.part,
            placeMillimetres: 20 + 30 * i,
            groupId: l.to === null ? null : l.to === 1 && second ? 'two' : 'one',
          },
        ]),
      ),
    };
    layout.jobs = { [demoJob]: job };
    return layout;
  });
