import fc from 'fast-check';
import { change } from '../core/document/patch';
import { newCrossing } from '../core/kinds/crossing/make';
import { crossingIn } from '../core/kinds/crossing/jobs';
import { newScene } from '../core/kinds/scene/make';
import { sceneIn } from '../core/kinds/scene/jobs';
import { sceneShapes } from '../core/kinds/scene/record';
import { newSignal } from '../core/kinds/signal/make';
import { signalIn } from '../core/kinds/signal/jobs';
import { practices, type PracticeName } from '../core/kinds/signal/practices';
import { driverKinds, type DriverKindName } from '../core/supply/drivers';
import { quayside } from './scenery';
import type { Driven } from '../core/document/aspect-record';
import type { Layout } from '../core/document/layout';

/** Ids of the jobs that are meant in the layouts made here. */
export const drivenId = { signal: 'signal', crossing: 'crossing', scene: 'scene' } as const;

export const practiceNames = Object.keys(practices) as PracticeName[];
export const driverNames = Object.keys(driverKinds) as DriverKindName[];
/** What drivers are fed from. */
export const driverSupplies = [
  'bus-5',
  'bus-12',
  'bus-16',
  'bus-24',
  'controller',
  'ac',
  'dcc',
  'pack',
] as const;

const quickDrivers = driverNames.filter((n) => n !== 'flasher');

/** What may be wrong with what shows aspects: driver, common, resistors, a lamp turned, an aspect that is another's. */
const mischief = fc.record({
  supply: fc.constantFrom(...driverSupplies),
  // A flasher is run for seconds each time it is judged: it comes seldom.
  driver: fc.constantFrom(...quickDrivers, ...quickDrivers, ...quickDrivers, 'flasher' as const),
  common: fc.constantFrom('anode' as const, 'cathode' as const),
  turnedCommon: fc.constantFrom(false, false, false, true),
  ohms: fc.option(fc.constantFrom(47, 150, 1000, 10_000), { freq: 2 }),
  reversed: fc.constantFrom(false, false, true),
  alike: fc.constantFrom(false, false, false, true),
  perMinute: fc.option(fc.constantFrom(10, 120, 400), { freq: 2 }),
});
type Mischief = typeof mischief extends fc.Arbitrary<infer M> ? M : never;

function spoil(layout: Layout, jobId: string, m: Mischief): Layout {
  return change(layout, (draft) => {
    const job = draft.jobs[jobId];
    const driven = job as unknown as Driven;
    const [first] = Object.values(job.circuits);
    if (m.ohms !== null) first.ohms = m.ohms;
    if (m.reversed) Object.values(job.lamps)[0].reversed = true;
    if (m.turnedCommon) driven.common = driven.common === 'anode' ? 'cathode' : 'anode';
    const aspects = Object.values(driven.aspects);
    if (m.alike && aspects.length > 1) aspects[1].lamps = { ...aspects[0].lamps };
    if (m.perMinute !== null && driven.driver && 'perMinute' in driven.driver)
      driven.driver.perMinute = m.perMinute;
  }).layout;
}

/** Signals of every practice on every driver and supply, some of them badly. */
export const generatedSignals: fc.Arbitrary<Layout> = fc
  .record({
    practice: fc.constantFrom(...practiceNames),
    mount: fc.constantFrom('post' as const, 'bracket' as const),
    bore: fc.constantFrom(0.4, 1, 2),
    m: mischief,
  })
  .map(({ practice, mount, bore, m }) => {
    const { layout, jobId } = newSignal(quayside(), {
      practice,
      name: 'Generated',
      supply: { id: m.supply },
      driver: m.driver,
      common: m.common,
    });
    return spoil(
      change(layout, (draft) => {
        const { head, passages } = signalIn(draft, jobId);
        head.mount = mount;
        if ('post' in passages) passages.post.boreMillimetres = bore;
      }).layout,
      jobId,
      m,
    );
  });

/** Crossings of one post or two, with barriers or without, on every driver and supply. */
export const generatedCrossings: fc.Arbitrary<Layout> = fc
  .record({
    posts: fc.integer({ min: 1, max: 2 }),
    barriers: fc.boolean(),
    bell: fc.boolean(),
    hood: fc.constantFrom(0, 2),
    m: mischief,
  })
  .map(({ posts, barriers, bell, hood, m }) => {
    const { layout, jobId } = newCrossing(quayside(), {
      name: 'Generated',
      posts,
      barriers,
      bell,
      part: 'red',
      supply: { id: m.supply },
      driver: m.driver,
      common: m.common,
    });
    return spoil(
      change(layout, (draft) => void (crossingIn(draft, jobId).road.hoodMillimetres = hood)).layout,
      jobId,
      m,
    );
  });

/** Scenes of every shape, with strings and motors and without, some of them badly. */
export const generatedScenes: fc.Arbitrary<Layout> = fc
  .record({
    shape: fc.constantFrom(...sceneShapes),
    string: fc.option(
      fc.record({
        sort: fc.constantFrom(
          'ribbon-60' as const,
          'ribbon-144' as const,
          'wire-100' as const,
          'ring' as const,
        ),
        count: fc.constantFrom(1, 24, 150),
      }),
    ),
    motorVolts: fc.constantFrom(null, 12, 16),
    volts: fc.constantFrom(3.3 as const, 5 as const),
    transistors: fc.boolean(),
    weak: fc.constantFrom(false, false, true),
    hasty: fc.constantFrom(false, false, true),
    unmoved: fc.constantFrom(false, false, true),
    m: mischief,
  })
  .map(({ shape, string, motorVolts, volts, transistors, weak, hasty, unmoved, m }) => {
    const { layout, jobId } = newScene(quayside(), {
      name: 'Generated',
      shape,
      string,
      motorVolts,
      supply: { id: m.supply },
    });
    return spoil(
      change(layout, (draft) => {
        const job = sceneIn(draft, jobId);
        if (job.driver?.kind === 'pins') Object.assign(job.driver, { volts, transistors });
        if (job.string && weak) Object.assign(job.string, { supplyAmps: 0.1, dataOhms: 0, farads: 0 });
        const [first] = Object.values(job.timeline.clips);
        if (hasty) Object.assign(first, { effect: 'wink', parameters: [100, 50] });
        if (unmoved) {
          const own = job.timeline.groups[first.group];
          if (own.of === 'lamps' && own.lamps.length > 1) own.lamps = own.lamps.slice(1);
        }
      }).layout,
      jobId,
      m,
    );
  });
