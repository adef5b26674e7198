import { describe, expect, test } from 'vitest';
import { boatTrain, demo, demoJob } from '../../tests/generated';
import { condition } from '../../tests/roof';
import { eachLine, onDecoder, onRails, vehicleId, wireAll } from '../../tests/vehicles';
import { change } from '../document/patch';
import { coachIn } from '../kinds/coach/jobs';
import { putStage } from '../document/line-stages';
import { attempt, attemptPatches } from '../document/gate';
import { usualBoard, usualTallest } from '../kinds/coach/usual-fit';
import { checkJob } from '../finding/check';
import { readLayout, writeLayout } from '../document/file';
import { curveDoubt, fitReadings } from '../part/lamp-readings';
import { lineSketch } from './line-sketch';
import { solvedJob } from './solved-job';
import { benchOf } from './bench';
import { noLoadStudy } from './no-load';
import { coachInterior } from '../kinds/coach/interior';
import { interiorDoubts } from '../kinds/coach/interior-doubts';
import { mirroredVehicle } from '../kinds/locomotive/make';
import { usualReadings } from './solver';
import type { Layout } from '../document/layout';

// What an attack on the program found, each kept as a case.

const inside = (
  figures: Partial<
    Layout['jobs'][string] extends infer J ? (J extends { interior: infer I } ? I : never) : never
  >,
): Layout => change(boatTrain(), (d) => void Object.assign(coachIn(d, demoJob).interior, figures)).layout;

describe('millimetres that do not go together', () => {
  test.each([
    ['a seat near the ceiling', { seatMillimetres: 52 }],
    ['a ceiling below the partitions', { ceilingMillimetres: 6 }],
    ['the lowest ceiling there may be', { ceilingMillimetres: 5 }],
    ['a seat above the ceiling', { seatMillimetres: 100 }],
  ])('%s takes no more work than a usual coach, and is asked about', (_, figures) => {
    const layout = inside(figures);
    const usual = coachInterior(coachIn(boatTrain(), demoJob)).field.patchCount;
    expect(coachInterior(coachIn(layout, demoJob)).field.patchCount).toBeLessThan(4 * usual);
    expect(Object.keys(interiorDoubts(coachIn(layout, demoJob)))).not.toEqual([]);
  });
  test('usual coaches raise no question', () => {
    for (const id of ['compartment-coach', 'open-saloon', 'luggage-van', 'heritage-coach'])
      expect(interiorDoubts(coachIn(boatTrain(), id))).toEqual({});
  });
});

describe('a mistyped reading of a lamp', () => {
  test.each([
    ['30.5 for 3.05 at the end', [2.6, 0.0005], [2.8, 0.004], [30.5, 0.02]],
    ['28 V and 40 mA in the middle', [2.6, 0.0005], [28, 0.04], [3.05, 0.02]],
    ['0.95 V for 9.5 V', [0.95, 0.006], [12, 0.0195]],
  ])('%s is refused where it is typed', (_, ...readings) => {
    const curve = fitReadings((readings as number[][]).map(([volts, amps]) => ({ volts, amps })));
    expect(curveDoubt(curve)).toMatch(/mistaken/);
  });
  test('a strip that holds a resistor of its own is not, nor a bare lamp', () => {
    const strip = [
      { volts: 9.5, amps: 0.006 },
      { volts: 12, amps: 0.0195 },
    ];
    expect(curveDoubt(fitReadings(strip))).toBeNull();
    for (const own of Object.values(boatTrain().drawer.lamps))
      expect(curveDoubt(fitReadings(own.readings))).toBeNull();
  });
  test('where it stands in a layout already, that opens; the job that uses it says why, alone', () => {
    const { layout } = change(boatTrain(), (d) => {
      const [id] = Object.keys(d.drawer.lamps);
      const { readings, name } = d.drawer.lamps[id];
      readings[readings.length - 1].volts = 31.2;
      expect(name).not.toBe('');
      for (const lamp of Object.values(coachIn(d, demoJob).lamps)) lamp.part = `own:${id}`;
    });
    expect(readLayout(writeLayout(layout)).ok).toBe(true);
    expect(() => benchOf(layout, demoJob)).toThrow(/in the drawer: .*mistaken/);
    expect(solvedJob(layout, demoJob).readings).toBeNull();
    expect(solvedJob(layout, 'open-saloon').readings).not.toBeNull();
    expect(lineSketch(layout).vehicles).toHaveLength(Math.min(16, Object.keys(layout.jobs).length));
    // It can be mended: an edit of the reading passes the gate.
    const mended = attempt(layout, (d) => {
      const [own] = Object.values(d.drawer.lamps);
      own.readings[own.readings.length - 1].volts = 3.12;
    });
    expect(mended.ok && benchOf(mended.change.layout, demoJob).job.name).toBe('Compartment coach 14');
  });
});

describe('ways to a layout that could not be opened again', () => {
  test('the far end of a vehicle with a long name', () => {
    const layout = onRails('shared-both-ways', (j) => void (j.name = 'N'.repeat(80)));
    const made = mirroredVehicle(layout, vehicleId);
    expect(attemptPatches(layout, made.patches).ok).toBe(true);
  });
  test('a board that begins at the end of the longest coach, with a tallest part', () => {
    const board = { ...usualBoard(1500), startMillimetres: 1495, lengthMillimetres: 5 };
    expect(usualTallest(board, 4).placeMillimetres).toBeLessThanOrEqual(1500);
  });
  test('a cure past the largest resistor is none', () => {
    const layout = onDecoder((j) => {
      for (const c of Object.values(j.circuits)) c.ohms = 9.9e6;
      const [first] = Object.values(j.lamps);
      // Many lamps straight on one output: the cure would be a larger resistor for all of them.
      for (let i = 0; i < 12; i++)
        j.lamps[`x${i}`] = { ...first, order: 20 + i, ohms: 180, acrossMillimetres: i };
      for (const [i, l] of Object.values(j.lamps).entries()) if (i === 0) l.ohms = 9.9e6;
    });
    for (const f of checkJob(layout, vehicleId))
      for (const r of f.remedies)
        expect([f.rule, r.label, attemptPatches(layout, r.patches).ok]).toEqual([f.rule, r.label, true]);
  });
});

describe('circuits without an answer', () => {
  test('a regulator that would drop nothing at all has one, behind half-wave too', () => {
    const { layout } = change(boatTrain(), (d) => {
      condition(coachIn(d, demoJob), {
        rectifier: 'half-wave',
        regulator: { outVolts: 5, dropoutVolts: 0, quiescentAmps: 0 },
      });
    });
    expect(usualReadings(benchOf(layout, demoJob)).dies.every((l) => Number.isFinite(l.amps.mean))).toBe(
      true,
    );
  });
  test('states that have none are told by what they are about; the others are judged', () => {
    const layout = onDecoder((j) => {
      wireAll(j, 'own-bridge');
      eachLine(j, (line) => putStage(line, 'reservoir', { farads: 1e-9, ratedVolts: 25 }));
      for (const l of Object.values(j.lamps)) l.ohms = 0.1;
    });
    const findings = checkJob(layout, vehicleId);
    const told = findings.find((f) => f.rule === 'no-answer')!;
    expect(told.sentence).toMatch(/Reservoir of Head lamps A/);
    expect(told.sentence).not.toMatch(/[a-z]_[a-z]/);
    expect(findings.some((f) => f.rule === 'lamp-current' || f.rule === 'output-overload')).toBe(true);
  });
});

describe('two reservoirs in one line', () => {
  const orders = [
    { charge: 1, bridge: 2, one: 3, two: 4 },
    { bridge: 1, charge: 2, one: 3, two: 4 },
    { bridge: 1, one: 2, charge: 3, two: 4 },
    { bridge: 1, one: 2, two: 3, charge: 4 },
  ];
  test.each(
    orders.flatMap((order) =>
      [false, true].flatMap((beside) => [470e-6, 100e-6].map((f) => [order, beside, f])),
    ) as [(typeof orders)[number], boolean, number][],
  )(
    '%o, charged beside: %s, the other of %f F: without load they see what the track has less two diodes',
    (order, beside, farads) => {
      const { layout } = change(boatTrain(), (d) => {
        const [line] = Object.values(coachIn(d, demoJob).lines);
        line.stages = {
          bridge: { order: order.bridge, kind: 'bridge', diode: 'silicon', loose: false },
          charge: { order: order.charge, kind: 'charge', beside, ohms: 100, ratedWatts: 0.25 },
          one: { order: order.one, kind: 'reservoir', farads: 470e-6, ratedVolts: 25 },
          two: { order: order.two, kind: 'reservoir', farads, ratedVolts: 25 },
        };
      });
      const seen = noLoadStudy(benchOf(layout, demoJob)).map((r) => [r.supplyVolts, r.volts.greatest]);
      expect(seen).toHaveLength(2);
      // Peak charging through two diodes that carry next to nothing: under half a volt each (closed form).
      for (const [supply, volts] of seen) {
        expect(volts).toBeLessThan(supply);
        expect(volts).toBeGreaterThan(supply - 2 * 0.7);
      }
      expect(checkJob(layout, demoJob).filter((f) => f.rule === 'not-judged')).toEqual([]);
    },
  );
});

describe('bounded work', () => {
  test('a long DCC bit string is judged', () => {
    const { layout } = change(
      demo(),
      (d) => void Object.assign(d.supplies.track, { bits: '10'.repeat(200) }),
    );
    expect(checkJob(layout, demoJob).every((f) => f.sentence !== '')).toBe(true);
  });
  test('a thousand lamps are judged', () => {
    const layout = onDecoder((j) => {
      const [first] = Object.values(j.lamps);
      for (let i = 0; i < 1000; i++)
        j.lamps[`x${i}`] = { ...first, order: 20 + i, acrossMillimetres: (i % 20) - 10 };
    });
    expect(checkJob(layout, vehicleId).some((f) => f.rule === 'output-overload')).toBe(true);
  });
  test('of many lines with something wrong in each, some are cured and the others say that no cure was tried', () => {
    const base = boatTrain();
    const [lineId] = Object.keys(coachIn(base, demoJob).lines);
    const { layout } = change(base, (d) => {
      const { lines, circuits, lamps } = coachIn(d, demoJob);
      const [circuitId] = Object.keys(circuits);
      for (let i = 1; i < 40; i++) {
        lines[`line-${i}`] = { ...coachIn(base, demoJob).lines[lineId], order: 10 + i };
        circuits[`circuit-${i}`] = {
          ...coachIn(base, demoJob).circuits[circuitId],
          order: 10 + i,
          lineId: `line-${i}`,
        };
      }
      Object.values(lamps).forEach((l, i) => (l.circuitId = i === 0 ? circuitId : `circuit-${i}`));
    });
    const findings = checkJob(layout, demoJob).filter((f) => f.rule === 'reservoir-rating');
    expect(findings).toHaveLength(40);
    const [cured, not] = [true, false].map((c) => findings.filter((f) => f.remedies.length > 0 === c));
    expect(cured.length).toBeGreaterThanOrEqual(8);
    for (const f of not) expect(f.reason).toMatch(/cures were not tried/);
    expect(not.length).toBeGreaterThan(20);
  });
  test('the search for a cure of wrong ways ends, with reservoirs too', () => {
    const layout = onDecoder((j) => {
      wireAll(j, 'regulated-board');
      eachLine(j, (line) => {
        line.swapped = true;
        putStage(line, 'reservoir', { farads: 100e-6, ratedVolts: 25 });
      });
    });
    const findings = checkJob(layout, vehicleId);
    expect(findings.length).toBeGreaterThan(0);
    for (const { remedies } of findings)
      for (const { patches } of remedies) expect(attemptPatches(layout, patches).ok).toBe(true);
  });
});
