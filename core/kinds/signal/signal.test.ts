import { describe, expect, test } from 'vitest';
import { practiceNames, driverNames } from '../../../tests/driven';
import { quayside } from '../../../tests/scenery';
import { assemble } from '../../assembly/assemble';
import { change } from '../../document/patch';
import { checkJob } from '../../finding/check';
import { leds } from '../../part/led';
import { prototypeMetres, scales, type ScaleName } from '../../quantity/scale';
import { orderOf } from '../../build/order/order';
import { benchOf } from '../../study/bench';
import { outputOf } from '../../study/aspects';
import { aspectLooks } from '../../study/aspect-looks';
import { setDriver, driverOn } from '../../study/begin-driven';
import { Solver } from '../../study/solver';
import { usualState } from '../../study/states';
import { ASPECT } from '../../supply/state';
import { driverKind } from '../../supply/drivers';
import { usualHead, signalSize, spotIn } from './head';
import { signalIn } from './jobs';
import { newSignal } from './make';
import { signalOrder } from './order';
import { practiceOf } from './practices';
import type { DriverKindName } from '../../supply/drivers';
import type { PracticeName } from './practices';

const made = (
  practice: PracticeName,
  driver: DriverKindName = 'pins',
  supply = 'bus-12',
  common: 'anode' | 'cathode' = 'anode',
) => newSignal(quayside(), { practice, name: 'Signal', supply: { id: supply }, driver, common });

describe('a head', () => {
  test.each(Object.keys(scales) as ScaleName[])(
    'at %s measures as such signals do, and takes its leads',
    (scale) => {
      const head = usualHead('colour-light', scale);
      // Lamps of three to four metres, lenses of some eight inches (common practice, no source).
      expect(prototypeMetres(head.heightMillimetres, scale)).toBeGreaterThan(3);
      expect(prototypeMetres(head.heightMillimetres, scale)).toBeLessThan(4);
      expect(head.boreMillimetres).toBeGreaterThanOrEqual(1);
      expect(head.spacingMillimetres).toBeGreaterThan(head.lensMillimetres);
      expect(head.postMillimetres).toBeGreaterThan(head.boreMillimetres);
    },
  );
  test('has its lamps one above another, the first on top, the lowest at its height', () => {
    const { layout, jobId } = made('three-aspect');
    const job = signalIn(layout, jobId);
    const heights = ['green', 'yellow', 'red'].map((id) => spotIn(job, id).y);
    expect(heights).toEqual([...heights].sort((a, b) => b - a));
    expect(heights[2]).toBeCloseTo(job.head.heightMillimetres, 12);
    expect(heights[0] - heights[1]).toBeCloseTo(job.head.spacingMillimetres, 9);
    expect(signalSize(job).top).toBeGreaterThan(heights[0]);
  });
});

describe.each(practiceNames)('the practice %s as it is made', (practice) => {
  const { layout, jobId } = made(practice);
  const job = signalIn(layout, jobId);
  test('has the lamps and aspects it names', () => {
    const { lamps, aspects } = practiceOf(practice);
    expect(Object.keys(job.lamps).sort()).toEqual(lamps.map((l) => l.id).sort());
    expect(Object.keys(job.aspects).sort()).toEqual(aspects.map((a) => a.id).sort());
    for (const { lamps: lit } of aspects)
      for (const id of Object.keys(lit)) expect(Object.hasOwn(job.lamps, id)).toBe(true);
  });
  test('lights in each aspect the lamps that it names, and no other', () => {
    const bench = benchOf(layout, jobId);
    for (const look of aspectLooks(bench))
      expect(look.seen.map((s) => s.lampId).sort()).toEqual(Object.keys(look.aspect.lamps).sort());
  });
  test('nothing to stop for and nothing to mind', () => {
    expect(checkJob(layout, jobId).filter((f) => f.severity !== 'note')).toEqual([]);
  });
  test('its holes come before its lamps and are as wide as what goes through, the one into a post at an angle', () => {
    const made = orderOf(benchOf(layout, jobId));
    if (!made.ok) throw new Error('no order');
    const { tasks } = made.order;
    const at = (id: string): number => tasks.findIndex((t) => t.id === id);
    for (const hole of job.head.mount === 'post' ? ['drill entry', 'drill board'] : ['drill board']) {
      expect(at(hole), hole).toBeGreaterThanOrEqual(0);
      expect(at(hole)).toBeLessThan(at('place head'));
    }
    if (job.head.mount === 'post') expect(tasks[at('drill entry')].says).toContain('45° downwards');
    expect(signalOrder.works(layout, job).map((w) => w.id)).toContain('paint');
  });
});

describe('currents', () => {
  test('a red lamp on 12 V contacts follows Ohm: (12 V - Vf) / R, within 3 %', () => {
    const { layout, jobId } = made('two-aspect', 'contacts');
    const bench = benchOf(layout, jobId);
    const [die] = new Solver(bench).at(usualState(bench)).dies.filter((d) => d.lampId === 'red');
    const { ohms } = signalIn(layout, jobId).circuits[signalIn(layout, jobId).lamps.red.circuitId!];
    const byHand = (12 - die.volts.mean) / ohms;
    expect(Math.abs(die.amps.mean / byHand - 1)).toBeLessThan(0.03);
    expect(die.volts.mean).toBeGreaterThan(leds.red.forwardVolts - 0.35);
  });
  test('on the pins of a 5 V board a lamp gets no more than a pin bears, whatever the supply before it', () => {
    for (const supply of ['bus-5', 'bus-12', 'bus-24']) {
      const { layout, jobId } = made('two-aspect', 'pins', supply);
      const bench = benchOf(layout, jobId);
      for (const aspect of ['stop', 'clear']) {
        const { outputAmps } = new Solver(bench).at(usualState(bench, { [ASPECT]: aspect }), {
          stress: 'highest',
        });
        for (const amps of outputAmps.values()) expect(amps).toBeLessThan(0.02);
      }
    }
  });
  test('common plus and common minus give the same light', () => {
    const amps = (['anode', 'cathode'] as const).map((common) => {
      const { layout, jobId } = made('two-aspect', 'contacts', 'bus-12', common);
      const bench = benchOf(layout, jobId);
      return new Solver(bench).at(usualState(bench)).dies.find((d) => d.lampId === 'red')!.amps.mean;
    });
    expect(amps[0]).toBeCloseTo(amps[1], 6);
  });
});

describe('leads', () => {
  test('the common goes up once and from lamp to lamp: a head of n lamps has n + 1 leads down its post', () => {
    for (const [practice, lamps] of [
      ['two-aspect', 2],
      ['three-aspect', 3],
      ['four-aspect', 4],
    ] as const) {
      const { layout, jobId } = made(practice);
      const { leads } = assemble(layout, jobId);
      expect(leads.filter((l) => l.through.includes('post'))).toHaveLength(lamps + 1);
    }
  });
  test('each output has the colour of its lamp, unless the common has it', () => {
    const colours = (practice: PracticeName): string[] => {
      const { layout, jobId } = made(practice, 'accessory-pairs', 'dcc');
      return assemble(layout, jobId)
        .leads.filter((l) => l.from.part === 'driver' && l.from.terminal.startsWith('out'))
        .map((l) => l.colour);
    };
    expect(colours('two-aspect').sort()).toEqual(['green', 'red']);
    const four = colours('four-aspect');
    expect(new Set(four).size).toBe(four.length);
    // On a bus red is plus: a red lamp gets another.
    const { layout, jobId } = made('two-aspect', 'contacts', 'bus-12');
    const own = assemble(layout, jobId)
      .leads.filter((l) => l.from.terminal.startsWith('out'))
      .map((l) => l.colour);
    expect(own).not.toContain('red');
  });
});

describe('changing what switches it', () => {
  test('to one of too few outputs and back: the lamps that were loose get an output each', () => {
    const { layout, jobId } = made('four-aspect');
    const switched = (from: typeof layout, to: DriverKindName) =>
      change(from, (d) => setDriver(from, signalIn(d, jobId), driverOn(to, from.supplies['bus-12'], 4)))
        .layout;
    const few = switched(layout, 'alternating');
    expect(Object.values(signalIn(few, jobId).lamps).filter((l) => l.circuitId === null)).toHaveLength(2);
    const back = signalIn(switched(few, 'pins'), jobId);
    expect(new Set(Object.values(back.lamps).map((l) => l.circuitId)).size).toBe(4);
  });
  test.each(driverNames)(
    'to %s keeps each lamp on its output, and suits its resistor to the volts there',
    (name) => {
      const { layout, jobId } = made('two-aspect', 'contacts');
      const next = change(layout, (d) =>
        setDriver(layout, signalIn(d, jobId), driverOn(name, layout.supplies['bus-12'], 2)),
      ).layout;
      const job = signalIn(next, jobId);
      expect(job.driver!.kind).toBe(name);
      expect(outputOf(job, 'green')).toBe('out1');
      expect(outputOf(job, 'red')).toBe('out2');
      const { ownVolts } = driverKind(job.driver!).build(job.driver!);
      if (ownVolts !== null) expect(job.circuits[job.lamps.red.circuitId!].ohms).toBeLessThan(1500);
      expect(
        checkJob(next, jobId).filter((f) => f.rule === 'lamp-current' || f.rule === 'output-overload'),
      ).toEqual([]);
    },
  );
});
