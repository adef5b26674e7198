import { describe, expect, test } from 'vitest';
import { driverNames } from '../../tests/driven';
import { quayside } from '../../tests/scenery';
import { change, patched } from '../document/patch';
import { newSignal } from '../kinds/signal/make';
import { signalIn } from '../kinds/signal/jobs';
import { benchOf } from '../study/bench';
import { Solver } from '../study/solver';
import { usualState } from '../study/states';
import { candidateTouches } from '../study/touches';
import { wiringFaults } from '../study/wiring-faults';
import { ASPECT } from '../supply/state';
import { driverOf } from '../document/aspect-record';
import { checkJob } from '../finding/check';
import { setDriver } from '../study/begin-driven';
import { sumByHand } from '../study/by-hand';
import { driverKind } from '../supply/drivers';
import { assemble } from './assemble';
import { lower } from './lower';
import type { Draft } from 'immer';
import type { Driven } from '../document/aspect-record';
import type { DriverRecord } from '../document/driver-record';
import type { JobCore } from '../document/job-record';
import type { DriverKindName } from '../supply/drivers';

const made = (driver: DriverKindName, supply = 'bus-12', common: 'anode' | 'cathode' = 'anode') =>
  newSignal(quayside(), { practice: 'two-aspect', name: 'Signal', supply: { id: supply }, driver, common });
const readings = (of: ReturnType<typeof made>, aspect: string) => {
  const bench = benchOf(of.layout, of.jobId);
  return new Solver(bench).at(usualState(bench, { [ASPECT]: aspect }));
};
const edited = (of: ReturnType<typeof made>, recipe: (job: Driven) => void) => ({
  ...of,
  layout: change(of.layout, (d) => recipe(d.jobs[of.jobId] as unknown as Driven)).layout,
});

describe('a driver as its lamps see it', () => {
  test.each(driverNames)(
    '%s: an output that is off leaks next to nothing, one that is on carries its lamp',
    (name) => {
      if (name === 'flasher' || name === 'timer' || name === 'alternating') return;
      const stop = readings(made(name), 'stop');
      const red = stop.dies.find((d) => d.lampId === 'red')!;
      const green = stop.dies.find((d) => d.lampId === 'green')!;
      expect(red.amps.mean).toBeGreaterThan(1e-3);
      expect(Math.abs(green.amps.mean)).toBeLessThan(1e-6);
      // The second lamp of a matrix of two rows hangs on the second, which is on for half the time.
      const [contact, share] = name === 'matrix' ? ['row2', 0.5] : ['out2', 1];
      expect(share * stop.outputAmps.get(contact)!).toBeCloseTo(red.amps.mean, 6);
    },
  );
  test('what the supply gives is what the lamp and the board take', () => {
    const stop = readings(made('accessory-pairs'), 'stop');
    const red = stop.dies.find((d) => d.lampId === 'red')!;
    // A board of 20 mA for itself.
    expect(stop.supplyAmps.mean).toBeCloseTo(red.amps.mean + 0.02, 3);
  });
  test('behind a bridge on DCC the lamp sees two junctions less (1.2 to 1.8 V)', () => {
    const bus = edited(made('accessory-pairs', 'bus-16'), () => undefined);
    const [dcc, dc] = [readings(made('accessory-pairs', 'dcc'), 'stop'), readings(bus, 'stop')];
    const volts = (r: typeof dcc, ohms: number): number => {
      const red = r.dies.find((d) => d.lampId === 'red')!;
      return red.volts.mean + red.amps.mean * ohms;
    };
    const ohms = (of: ReturnType<typeof made>): number =>
      signalIn(of.layout, of.jobId).circuits['output-2'].ohms;
    expect(15 - volts(dcc, ohms(made('accessory-pairs', 'dcc')))).toBeGreaterThan(1.2);
    expect(15 - volts(dcc, ohms(made('accessory-pairs', 'dcc')))).toBeLessThan(1.8);
    expect(16 - volts(dc, ohms(bus))).toBeLessThan(0.1);
  });
  test('on AC its reservoir keeps the lamp from flickering', () => {
    const ac = made('accessory-pairs', 'ac');
    const red = (of: typeof ac) => readings(of, 'stop').dies.find((d) => d.lampId === 'red')!;
    const smooth = red(ac);
    const bare = red(edited(ac, (j) => void (j.driver!.feed.farads = 0)));
    const swing = ({ amps }: typeof smooth): number => (amps.greatest - amps.least) / amps.mean;
    expect(swing(smooth)).toBeLessThan(0.35);
    expect(swing(bare)).toBeGreaterThan(1.5);
  });
  describe('lamps that share the plus which feeds the board', () => {
    const joined = (supply: string, volts: 3.3 | 5, commonAt: 'board' | 'feed', ohms: number) =>
      edited(made('pins', supply), (j) => {
        if (j.driver?.kind === 'pins') Object.assign(j.driver, { volts, commonAt });
        for (const circuit of Object.values((j as unknown as JobCore).circuits)) circuit.ohms = ohms;
      });
    const ids = ({ layout, jobId }: ReturnType<typeof made>): string[] =>
      checkJob(layout, jobId).map((f) => f.id);
    const green = (of: ReturnType<typeof made>) =>
      readings(of, 'stop').dies.find((d) => d.lampId === 'green')!;

    test('get its volts while lit, and what is left over the pin’s while they are not: by Ohm’s law', () => {
      const of = joined('bus-12', 5, 'feed', 1000);
      const red = readings(of, 'stop').dies.find((d) => d.lampId === 'red')!;
      // 25 ohm of the pin; a red lamp of some 2 V.
      expect(red.amps.mean).toBeCloseTo((12 - red.volts.mean) / (1000 + 25), 4);
      const off = green(of);
      expect(off.amps.mean).toBeCloseTo((12 - 5 - off.volts.mean) / (1000 + 25), 4);
      expect(off.amps.mean).toBeGreaterThan(3e-3);
    });
    test('is told, and each cure puts it right without another stop', () => {
      const { layout, jobId } = joined('bus-12', 5, 'feed', 1000);
      const finding = checkJob(layout, jobId).find((f) => f.id === 'back-into-pins')!;
      expect(finding.severity).toBe('stop');
      expect(finding.remedies.map((c) => c.label)).toEqual([
        'A transistor behind each pin',
        'Join them to the board’s 5 V',
      ]);
      for (const { patches } of finding.remedies) {
        const findings = checkJob(patched(layout, patches), jobId);
        expect(findings.filter((f) => f.severity === 'stop')).toEqual([]);
      }
    });
    test('is no fault where what is left is less than a lamp takes: 5 V over pins of 3.3 V, and at the board’s own', () => {
      expect(ids(joined('bus-5', 3.3, 'feed', 220))).not.toContain('back-into-pins');
      expect(Math.abs(green(joined('bus-5', 3.3, 'feed', 220)).amps.mean)).toBeLessThan(1e-3);
      expect(ids(joined('bus-12', 5, 'board', 1000))).not.toContain('back-into-pins');
    });
  });
  test('pins of 3.3 V hold their volts whatever stands before them, until it is too little', () => {
    const pins = (supply: string) =>
      edited(made('pins', supply), (j) => {
        if (j.driver?.kind === 'pins') j.driver.volts = 3.3;
      });
    const amps = (supply: string): number => {
      const of = pins(supply);
      const same = change(
        of.layout,
        (d) => void (signalIn(d, of.jobId).circuits['output-2'].ohms = 470),
      ).layout;
      return readings({ ...of, layout: same }, 'stop').dies.find((d) => d.lampId === 'red')!.amps.mean;
    };
    expect(amps('bus-5')).toBeCloseTo(amps('bus-24'), 5);
    // (3.3 V - 1.9 V) / (470 + 25) ohm, by hand.
    expect(amps('bus-5')).toBeGreaterThan(0.0025);
    expect(amps('bus-5')).toBeLessThan(0.0031);
  });
  test('a pin of 3.3 V that is off leaves a lamp joined to the board’s own volts dark', () => {
    const of = edited(made('pins', 'bus-5'), (j) => {
      if (j.driver?.kind === 'pins') j.driver.volts = 3.3;
    });
    const green = readings(of, 'stop').dies.find((d) => d.lampId === 'green')!;
    expect(Math.abs(green.amps.mean)).toBeLessThan(1e-6);
  });
  test('contacts on AC without a bridge pass both halves: lamps of one sense light for half the time', () => {
    const of = made('contacts', 'ac');
    const red = readings(of, 'stop').dies.find((d) => d.lampId === 'red')!;
    expect(red.amps.least).toBeLessThan(1e-4);
    expect(red.amps.greatest).toBeGreaterThan(2 * red.amps.mean);
  });
});

describe('its faults and its proof', () => {
  const { layout, jobId } = made('contacts');
  const bench = benchOf(layout, jobId);
  test('two outputs exchanged are among the faults, and a touch on the track tells', () => {
    const fault = wiringFaults(bench).find((f) => f.id.startsWith('exchanged out1 out2'))!;
    const touches = candidateTouches(bench).filter((t) => t.kind !== 'tester');
    const told = touches.some((t) => {
      const [sound, wrong] = [t.look([]), t.look(fault.faults)];
      return [...sound].some(([lamp, light]) => Math.abs(light - (wrong.get(lamp) ?? 0)) > 20);
    });
    expect(told).toBe(true);
  });
  test('the tester is used with the leads off the driver', () => {
    const [touch] = candidateTouches(bench);
    expect(touch.does).toContain('leads off the driver');
    expect(Math.max(...touch.look([]).values())).toBeGreaterThan(9);
  });
  test('off its terminals a driver leaves nothing but what keeps contacts from floating', () => {
    const assembly = assemble(layout, jobId);
    const bare = {
      ...assembly,
      parts: assembly.parts.map((p) => (p.kind === 'driver' ? { ...p, unplugged: true } : p)),
    };
    const { netlist } = lower(bare, layout.supplies['bus-12']);
    expect(netlist.elements.filter((e) => e.of?.part === 'driver').every((e) => e.kind === 'resistor')).toBe(
      true,
    );
  });
});

describe('a bought board, by what its leaflet says', () => {
  type Facts = NonNullable<Extract<DriverRecord, { kind: 'accessory-pairs' }>['board']>;
  const boarded = (name: 'accessory-pairs' | 'alternating' | 'accessory-reversing', board: Facts) => {
    const of = made(name, 'bus-16');
    return {
      ...of,
      layout: change(of.layout, (d) => {
        const job = d.jobs[of.jobId] as unknown as Draft<JobCore & Driven>;
        setDriver(of.layout, job, { ...job.driver, board } as DriverRecord);
      }).layout,
    };
  };
  const red = (of: ReturnType<typeof boarded>) => readings(of, 'stop').dies.find((d) => d.lampId === 'red')!;
  const circuitOf = (of: ReturnType<typeof boarded>) => {
    const job = signalIn(of.layout, of.jobId);
    return job.circuits[job.lamps.red.circuitId!];
  };

  test('lamps on 5 V of its own are sized by them, not by the 16 V that feed it: Ohm’s law', () => {
    const [fed, own] = [{}, { lampVolts: 5 }].map((facts) => boarded('accessory-pairs', facts));
    expect(circuitOf(own).ohms).toBeLessThan(circuitOf(fed).ohms / 3);
    const die = red(own);
    // 5 ohm of an output that is on (typical, from memory).
    expect(die.amps.mean).toBeCloseTo((5 - die.volts.mean) / (circuitOf(own).ohms + 5), 4);
    expect(die.amps.mean / red(fed).amps.mean).toBeGreaterThan(0.7);
    expect(sumByHand(benchOf(own.layout, own.jobId), readings(own, 'stop'), 'output-2')!.sum).toMatch(/5 V/);
  });
  test('what was sized from the track, on 5 V, is hardly a milliampere', () => {
    const fed = boarded('accessory-pairs', {});
    const later = edited(fed, (j) => void Object.assign(j.driver!, { board: { lampVolts: 5 } }));
    expect(red(later).amps.mean).toBeLessThan(0.25 * red(fed).amps.mean);
  });
  test('a resistor on the board stands in the way of the lamp, and less or none is added', () => {
    const some = boarded('accessory-pairs', { holds: { kind: 'resistor', ohms: 1000 } });
    const die = red(some);
    const { limit, ohms } = circuitOf(some);
    expect(limit).toBe('each');
    expect(die.amps.mean).toBeCloseTo((16 - die.volts.mean) / (ohms + 1000 + 5), 4);
    const all = boarded('accessory-pairs', { holds: { kind: 'resistor', ohms: 3300 } });
    expect(circuitOf(all).limit).toBe('none');
    expect(red(all).amps.mean).toBeCloseTo((16 - red(all).volts.mean) / 3305, 4);
    expect(checkJob(all.layout, all.jobId).map((f) => f.rule)).not.toContain('no-current-limit');
  });
  test('a limiter on the board holds its current, whatever the volts; a second limit is noted', () => {
    const held = boarded('accessory-pairs', { holds: { kind: 'limiter', amps: 0.006 } });
    expect(red(held).amps.mean).toBeCloseTo(0.006, 4);
    const rules = (of: typeof held): string[] => checkJob(of.layout, of.jobId).map((f) => f.rule);
    expect(rules(held)).not.toContain('no-current-limit');
    const twice = edited(held, (j) => {
      for (const c of Object.values((j as unknown as JobCore).circuits))
        (c as { limit: string }).limit = 'each';
    });
    expect(rules(twice)).toContain('board-limits');
  });
  test('of a reversing address the resistor stands once in the loop of both lamps', () => {
    const loop = boarded('accessory-reversing', { holds: { kind: 'resistor', ohms: 680 } });
    const { outputs } = driverKind(driverOf(loop.layout.jobs[loop.jobId])!).build(
      driverOf(loop.layout.jobs[loop.jobId])! as never,
    );
    expect(outputs.map((o) => o.holds?.kind)).toEqual(['resistor', undefined]);
    const die = red(loop);
    const { ohms, limit } = circuitOf(loop);
    expect(die.amps.mean).toBeCloseTo(
      (16 - Math.abs(die.volts.mean)) / (680 + (limit === 'none' ? 0 : ohms) + 16),
      3,
    );
  });
});
