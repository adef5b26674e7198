import { describe, expect, test } from 'vitest';
import { stands } from '../../tests/display-models';
import { change, patched } from '../document/patch';
import { lineFrom, putRectifier, putStage } from '../document/line-stages';
import { usualSupply } from '../document/usual-supply';
import { checkJob } from '../finding/check';
import { displayModelIn } from '../kinds/display-model/jobs';
import { newDisplayModel } from '../kinds/display-model/make';
import { benchOf } from './bench';
import { Solver } from './solver';
import { usualState } from './states';
import { TRIMMER_STEPS, trimmerTravel } from './trimmer-travel';
import type { Layout } from '../document/layout';

/** A socket as one was read (common practice, one specimen). */
const specimen = { seriesOhms: 681, baseOhms: 154e3, trimmerOhms: 10e3, turn: 1, on: true } as const;

/** A lamp plugged into a hub behind its own bridge, on so many volts. */
function onHub(volts: number, socket = {}): Layout {
  const base = change(stands(), (draft) => {
    draft.supplies.bus = { ...usualSupply('layout-bus', 'H0', 9), volts, highestVolts: volts } as never;
  }).layout;
  const { layout, jobId } = newDisplayModel(base, {
    shape: 'building',
    name: 'Ice house',
    lengthMillimetres: 120,
    part: 'white-warm',
    lamps: 1,
    supply: { id: 'bus' },
  });
  return change(layout, (draft) => {
    const job = displayModelIn(draft, jobId);
    putRectifier(job.lines.stand, 'silicon-bridge');
    putStage(job.lines.stand, 'reservoir', { farads: 100e-6, ratedVolts: 35 });
    job.lines['socket-1'] = lineFrom({ kind: 'line', line: 'stand' }, 2, 'Socket 1');
    putStage(job.lines['socket-1'], 'socket', { ...specimen, ...socket });
    Object.assign(job.circuits.lamps, { limit: 'none', lineId: 'socket-1' });
  }).layout;
}

describe('a hub on 24 V (common practice, one specimen read)', () => {
  const bench = benchOf(onHub(24), 'model');
  const readings = new Solver(bench).at(usualState(bench));
  test('22.6 to 22.7 V stand behind its bridge', () => {
    expect(readings.lines.get('stand')!.mean).toBeGreaterThan(22.6);
    expect(readings.lines.get('stand')!.mean).toBeLessThan(22.7);
  });
  test('681 ohm and 154 kohm: about 16 mA with the trimmer all the way up', () => {
    expect(readings.dies[0].amps.mean).toBeGreaterThan(14.5e-3);
    expect(readings.dies[0].amps.mean).toBeLessThan(17.5e-3);
  });
  test('by hand: what the base gets is (V - 0.7)/154k less 0.7/10k, times the gain with its Early effect', () => {
    const volts = readings.lines.get('stand')!.mean;
    const base = (volts - 0.72) / 154e3 - 0.72 / 10e3;
    const collector = volts - readings.dies[0].volts.mean - 681 * readings.dies[0].amps.mean;
    expect(readings.dies[0].amps.mean / (200 * base * (1 + (collector - 0.72) / 100))).toBeCloseTo(1, 1);
  });
  test('dark from about half a turn, and brighter all the way up from there', () => {
    const [travel] = trimmerTravel(bench);
    expect(travel.darkBelow).toBeGreaterThan(0.35);
    expect(travel.darkBelow).toBeLessThanOrEqual(0.55);
    expect(travel.points).toHaveLength(TRIMMER_STEPS + 1);
    travel.points.forEach((p, i) => {
      if (i > 0) expect(p.amps).toBeGreaterThanOrEqual(travel.points[i - 1].amps - 1e-9);
    });
    expect(travel.points[0].lightness).toBeLessThan(1);
  });
  test('says so, and a larger trimmer cures it', () => {
    const found = checkJob(onHub(24), 'model').find((f) => f.rule === 'trimmer-travel')!;
    expect(found.severity).toBe('note');
    // On half the volts there is hardly any way left.
    expect(checkJob(onHub(12), 'model').find((f) => f.rule === 'trimmer-travel')!.severity).toBe('mind');
    expect(found.sentence).toMatch(/dark below \d+ %/);
    expect(found.remedies[0].label).toMatch(/trimmer of 22 k/);
  });
});

test('with its jumper out a socket passes nothing', () => {
  const bench = benchOf(onHub(24, { on: false }), 'model');
  expect(new Solver(bench).at(usualState(bench)).dies[0].amps.mean).toBeLessThan(1e-6);
  expect(trimmerTravel(bench)).toEqual([]);
});
test('on 12 V the trimmer of 10 kohm is dark nearly all the way', () => {
  const [travel] = trimmerTravel(benchOf(onHub(12), 'model'));
  expect(travel.darkBelow ?? 1).toBeGreaterThan(0.8);
});
test('with a small base resistor it is fully on long before the end, and the resistor alone sets the current', () => {
  const [travel] = trimmerTravel(benchOf(onHub(24, { baseOhms: 22e3, trimmerOhms: 100e3 }), 'model'));
  expect(travel.flatFrom).toBeLessThan(0.5);
  const amps = travel.points[TRIMMER_STEPS].amps;
  expect(amps).toBeCloseTo((22.6 - 3.2) / 681, 2);
});
test('too many volts before it make its transistor hot, and turning it down cures it', () => {
  const found = checkJob(onHub(30, { baseOhms: 100e3 }), 'model').find((f) => f.rule === 'socket-heat')!;
  expect(found.severity).toBe('stop');
  const cured = patched(onHub(30, { baseOhms: 100e3 }), found.remedies[0].patches);
  expect(checkJob(cured, 'model').filter((f) => f.rule === 'socket-heat')).toEqual([]);
});
