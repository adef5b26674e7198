import { describe, expect, test } from 'vitest';
import { answerDeck } from '../../core/circuit/deck/answer';
import { readDeck } from '../../core/circuit/deck/read';
import { putStage } from '../../core/document/line-stages';
import { change } from '../../core/document/patch';
import { benchOf } from '../../core/study/bench';
import { jobDeck } from '../../core/study/job-deck';
import { Solver } from '../../core/study/solver';
import { usualState } from '../../core/study/states';
import { lineOfCircuit, onBoard, onDecoder, onRails, vehicleId, wireAll } from '../vehicles';
import { expectSameAsReference } from './compare';
import { averages } from './simulator';
import type { Readings } from '../../core/study/readings';
import type { Layout } from '../../core/document/layout';
import type { Supply } from '../../core/supply';

/** What stands over a dark lamp leaks past what blocks it: there the reference's own rounding is as large. */
const DARK_VOLTS = 0.02;

type Job = Parameters<NonNullable<Parameters<typeof onRails>[1]>>[0];

const reservoir =
  (farads: number, ohms = 47) =>
  (job: Job): void => {
    for (const line of Object.values(job.lines)) {
      putStage(line, 'charge', { ohms, ratedWatts: 0.25, beside: false });
      putStage(line, 'reservoir', { farads, ratedVolts: 25 });
    }
  };
/** What is read of a state is what its deck goes on drawing, within 1 % (0.5 % of plain DC). */
function expectAsRead(deck: string, readings: Readings): void {
  const { headings, rows } = answerDeck(readDeck(deck));
  const column = headings.indexOf('i(v_supply)');
  if (readings.period === 0) {
    expect(Math.abs(rows[0][column]) / readings.supplyAmps.mean).toBeCloseTo(1, 2);
    return;
  }
  const axis = rows.map((r) => r[0]);
  const { magnitude } = averages(
    axis,
    rows.map((r) => r[column]),
    0,
    axis[axis.length - 1],
  );
  expect(Math.abs(magnitude / readings.supplyAmps.mean - 1)).toBeLessThan(0.01);
}

/** White one way and red the other, with a resistor hidden in the lamp that both colours share. */
const twoColour =
  (ohms: number) =>
  (job: Job): void => {
    for (const [id, l] of Object.entries(job.lamps)) {
      if (l.role === 'tail') Reflect.deleteProperty(job.lamps, id);
      else Object.assign(l, { secondPart: 'red', builtIn: { kind: 'resistor', ohms } });
    }
  };
const whites = (job: Job): void => {
  for (const l of Object.values(job.lamps)) Object.assign(l, { part: 'white-warm', ohms: 470 });
};

/** Every way to build that a locomotive may have, on the rails. */
const built: Readonly<Record<string, Layout>> = {
  'a bridge of its own and a reservoir': onRails('own-bridge', reservoir(100e-6)),
  'a bridge of its own and a large reservoir': onRails('own-bridge', reservoir(1e-3, 100)),
  'a bridge of its own, whites': onRails('own-bridge', whites),
  'a regulated board': onRails('regulated-board'),
  'a regulated board with its reservoir': onRails('regulated-board', reservoir(100e-6, 10)),
  'a constant-current board': onRails('constant-current-board'),
  'a constant-current board with a reservoir': onRails('constant-current-board', reservoir(47e-6, 22)),
  'two-colour lamps behind one resistor': onRails('two-colour', twoColour(220)),
  'two-colour lamps, a large one hidden': onRails('two-colour', twoColour(1000)),
  'back to back': onRails('back-to-back', whites),
};
const supplies: Readonly<Record<string, Partial<Extract<Supply, { kind: 'dc-track' }>>>> = {
  'plain DC': { making: 'smooth' },
  'slow pulses': { making: 'pulse-width', pulseHertz: 100 },
  'fast pulses': { making: 'pulse-width', pulseHertz: 5000 },
};
const settings = [
  ['forward', 0.6],
  ['reverse', 1],
] as const;

describe.each(Object.entries(built))('%s', (_, layout) => {
  describe.each(Object.entries(supplies))('on %s', (name, figures) => {
    const there = change(layout, (draft) => void Object.assign(draft.supplies.dc, figures)).layout;
    const bench = benchOf(there, vehicleId);
    test.each(settings.slice(0, name === 'plain DC' ? 2 : 1))(
      '%s at throttle %d',
      async (direction, throttle) => {
        const state = usualState(bench, { direction, throttle });
        const readings = new Solver(bench).at(state);
        expect(readings.supplyAmps.mean).toBeGreaterThan(1e-4);
        const { deck } = jobDeck(bench, readings, state);
        expectAsRead(deck, readings);
        await expectSameAsReference(deck, DARK_VOLTS);
      },
    );
  });
});

describe('on the outputs of a decoder', () => {
  const cases: Readonly<Record<string, Layout>> = {
    'a resistor each': onDecoder(),
    'a reservoir behind a bridge of its own': onDecoder((job) => {
      wireAll(job, 'own-bridge');
      reservoir(100e-6)(job);
    }),
    'lamps in series': onDecoder((job) => wireAll(job, 'in-series')),
    'returned to a rail': onDecoder(undefined, { type: 'small', plug: '6-pin' }),
    'a lamp that hides a resistor': onDecoder((job) => {
      for (const l of Object.values(job.lamps)) l.builtIn = { kind: 'resistor', ohms: 680 };
    }),
    'a switch in the second lead': onDecoder((job) =>
      putStage(lineOfCircuit(job, 'tail-b'), 'switch', { name: 'Tails', on: false, lead: 'second' }),
    ),
  };
  test.each(Object.entries(cases))('%s', async (_, layout) => {
    const bench = benchOf(layout, vehicleId);
    const state = usualState(bench);
    const readings = new Solver(bench).at(state);
    expect(readings.supplyAmps.mean).toBeGreaterThan(1e-3);
    const { deck } = jobDeck(bench, readings, state);
    expectAsRead(deck, readings);
    await expectSameAsReference(deck, DARK_VOLTS);
  });
});

describe('on a board of one’s own', () => {
  const resistors = { kind: 'resistor', ohms: 680 } as const;
  const limiters = { kind: 'limiter', amps: 0.008 } as const;
  test.each([
    ['that switches plus, on DCC', onBoard({ switches: 'plus' }), 'dcc'],
    ['that holds its outputs by resistors, on DCC', onBoard({}, resistors), 'dcc'],
    // The reference finds no way through the edges of DCC with two limiters one after the other.
    ['that holds 8 mA, on DC', onBoard({}, limiters), 'dc'],
    ['that switches plus and holds 8 mA, on DC', onBoard({ switches: 'plus' }, limiters), 'dc'],
  ])('%s', async (_, layout, supplyId) => {
    const bench = benchOf(layout, vehicleId, { supplyId });
    const state = usualState(bench, supplyId === 'dc' ? { throttle: 1 } : {});
    const readings = new Solver(bench).at(state);
    expect(readings.supplyAmps.mean).toBeGreaterThan(0.012);
    const { deck } = jobDeck(bench, readings, state);
    const { headings, rows } = answerDeck(readDeck(deck));
    const column = headings.indexOf('i(v_supply)');
    const plateau = Math.abs(rows[Math.floor(rows.length / 2)][column]);
    expect(Math.abs(plateau / readings.supplyAmps.mean - 1)).toBeLessThan(0.01);
    await expectSameAsReference(deck, DARK_VOLTS);
  });
});
