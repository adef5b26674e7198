import { describe, expect, test } from 'vitest';
import { writeDeck } from '../../core/circuit/deck/write';
import { change } from '../../core/document/patch';
import { inOrder } from '../../core/document/in-order';
import { newCrossing } from '../../core/kinds/crossing/make';
import { newSignal } from '../../core/kinds/signal/make';
import { benchOf } from '../../core/study/bench';
import { flasherNetlist, flasherRun } from '../../core/study/flasher-run';
import { jobDeck } from '../../core/study/job-deck';
import { Solver } from '../../core/study/solver';
import { usualState } from '../../core/study/states';
import { ASPECT } from '../../core/supply/state';
import { driverNames, practiceNames } from '../driven';
import { quayside } from '../scenery';
import { expectSameAsReference } from './compare';
import { referenceVector, runReference } from './simulator';
import type { Draft } from 'immer';
import type { Driven } from '../../core/document/aspect-record';

/** Below this a voltage is what leaks past a lamp that is dark. */
const LEAST_VOLTS = 0.2;

/** Every practice on a driver that can show it and on supplies in turn. */
const supplies = ['bus-12', 'bus-5', 'dcc', 'bus-16', 'bus-24'] as const;
const drivers = ['contacts', 'pins', 'accessory-pairs', 'accessory-reversing'] as const;

describe('every aspect of every practice against the reference simulator', () => {
  test.each(practiceNames.flatMap((practice, i) => [0, 1, 3].map((k) => [practice, i + k] as const)))(
    '%s, on supply and driver %d',
    async (practice, i) => {
      const { layout, jobId } = newSignal(quayside(), {
        practice,
        name: 'Signal',
        supply: { id: supplies[i % supplies.length] },
        driver: drivers[i % drivers.length],
        common: i % 2 === 0 ? 'anode' : 'cathode',
      });
      const bench = benchOf(layout, jobId);
      const { aspects } = layout.jobs[jobId] as unknown as Driven;
      for (const { id } of inOrder(aspects)) {
        const state = usualState(bench, { [ASPECT]: id });
        const { deck } = jobDeck(bench, new Solver(bench).at(state), state);
        await expectSameAsReference(deck, LEAST_VOLTS);
      }
    },
  );
});

describe('pins whose lamps share the plus that feeds the board against the reference simulator', () => {
  test.each(['bus-5', 'bus-12', 'bus-24'])('%s', async (supply) => {
    const { layout, jobId } = newSignal(quayside(), {
      practice: 'two-aspect',
      name: 'Signal',
      supply: { id: supply },
      driver: 'pins',
      common: 'anode',
    });
    const joined = change(layout, (draft) => {
      const { driver } = draft.jobs[jobId] as unknown as Draft<Driven>;
      if (driver?.kind === 'pins') driver.commonAt = 'feed';
    }).layout;
    const bench = benchOf(joined, jobId);
    const state = usualState(bench, { [ASPECT]: 'stop' });
    const { deck } = jobDeck(bench, new Solver(bench).at(state), state);
    await expectSameAsReference(deck, LEAST_VOLTS);
  });
});

describe('the first half of a crossing’s flash against the reference simulator', () => {
  test.each(driverNames)('on %s', async (driver) => {
    const { layout, jobId } = newCrossing(quayside(), {
      name: 'Crossing',
      posts: 2,
      barriers: driver === 'pins',
      bell: true,
      part: 'red',
      supply: { id: 'bus-12' },
      driver,
      common: 'anode',
    });
    const bench = benchOf(layout, jobId);
    const state = usualState(bench);
    const { deck } = jobDeck(bench, new Solver(bench).at(state), state);
    await expectSameAsReference(deck, LEAST_VOLTS);
  });
});

/** Ten flashers: supply, base resistors of the halves, capacitors, base diodes. */
const flashers = [
  ['bus-12', 22e3, 20e3, 47e-6, true],
  ['bus-12', 22e3, 20e3, 47e-6, false],
  ['bus-12', 47e3, 22e3, 22e-6, true],
  ['bus-5', 22e3, 20e3, 47e-6, true],
  ['bus-5', 33e3, 47e3, 10e-6, false],
  ['bus-16', 15e3, 13e3, 47e-6, true],
  ['bus-24', 22e3, 33e3, 22e-6, true],
  ['bus-24', 10e3, 9.1e3, 100e-6, true],
  ['pack', 22e3, 20e3, 22e-6, true],
  ['bus-12', 100e3, 91e3, 10e-6, true],
] as const;

describe('a flasher’s turn against the reference simulator’s transient, within 2 %', () => {
  test.each(flashers)(
    'on %s, %d and %d ohm, %d F, diodes %s',
    async (supply, ohms, otherOhms, farads, baseDiodes) => {
      const made = newCrossing(quayside(), {
        name: 'Crossing',
        posts: 1,
        barriers: false,
        bell: false,
        part: 'red',
        supply: { id: supply },
        driver: 'flasher',
        common: 'anode',
      });
      const { layout } = change(made.layout, (draft) => {
        const { driver } = draft.jobs[made.jobId] as unknown as Driven;
        if (driver?.kind === 'flasher')
          Object.assign(driver, { one: { ohms, farads }, other: { ohms: otherOhms, farads }, baseDiodes });
      });
      const bench = benchOf(layout, made.jobId);
      const { driver } = layout.jobs[made.jobId] as unknown as Driven;
      if (driver?.kind !== 'flasher') throw new Error('it is a flasher');
      const run = flasherRun(bench)!;
      const { netlist, outs } = flasherNetlist(bench, driver);
      const stop = Number((4.2 * run.byHandSeconds).toPrecision(3));
      const vectors = outs.map((node) => `v(${node.toLowerCase()})`);
      const deck = writeDeck(netlist, {
        // Trapezoids ring where a flasher throws over, and now and then throw it over themselves.
        cards: [
          '.options method=gear',
          `.tran ${stop / 2000} ${stop} 0 ${stop / 5000} uic`,
          `.print tran ${vectors.join(' ')}`,
        ],
      });
      const answer = await runReference(deck);
      /** Moments at which a collector falls, past a quarter of the way, so that what rings is one edge. */
      const falls = (vector: string): number[] => {
        const volts = referenceVector(answer, vector);
        const ordered = [...volts].sort((a, b) => a - b);
        const [low, high] = [0.1, 0.9].map((share) => ordered[Math.floor(share * ordered.length)]);
        const found: number[] = [];
        let up = volts[0] > (low + high) / 2;
        volts.forEach((v, i) => {
          if (up ? v > low + (high - low) / 4 : v < high - (high - low) / 4) return;
          if (up) found.push(answer.axis[i]);
          up = !up;
        });
        return found;
      };
      const [one, two] = vectors.map(falls);
      const [from, to] = one.slice(-2);
      const rise = two.find((t) => t > from)!;
      expect(Math.abs(run.turn!.seconds / (to - from) - 1)).toBeLessThan(0.02);
      expect(Math.abs(run.turn!.share - (rise - from) / (to - from))).toBeLessThan(0.02);
      // The closed form counts on the whole supply as swing: lamp, junction and diode take part of it, and
      // a large capacitor behind a lamp's resistor is not charged again within a half.
      expect(run.turn!.seconds / run.byHandSeconds).toBeGreaterThan(0.6);
      expect(run.turn!.seconds / run.byHandSeconds).toBeLessThan(1.02);
    },
  );
});
