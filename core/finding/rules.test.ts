import { condition } from '../../tests/roof';
import { describe, expect, test } from 'vitest';
import { demo, demoJob } from '../../tests/generated';
import { usualSupply } from '../document/usual-supply';
import { change, patched } from '../document/patch';
import { assemble } from '../assembly/assemble';
import { checkJob } from './check';
import { coachIn } from '../kinds/coach/jobs';
import type { Draft } from 'immer';
import type { Fault } from '../assembly/fault';
import type { Layout } from '../document/layout';
import type { Finding } from './finding';

/** The demo without its fault, changed. */
function layoutWith(recipe: (draft: Draft<Layout>) => void): Layout {
  return change(demo(), (draft) => {
    condition(coachIn(draft, demoJob), { reservoir: { ratedVolts: 35 } });
    // Its highest is its usual: limits are judged there.
    Object.assign(draft.supplies.track, { highestVolts: 15 });
    recipe(draft);
  }).layout;
}
const job = (draft: Draft<Layout>) => coachIn(draft, demoJob);
const found = (layout: Layout, rule: string, faults: readonly Fault[] = []): Finding | undefined =>
  checkJob(layout, demoJob, { faults }).find((f) => f.rule === rule);
const judged = (rule: string, recipe: (draft: Draft<Layout>) => void, faults: readonly Fault[] = []) =>
  found(layoutWith(recipe), rule, faults);

test('the demo has one fault, and one press mends it', () => {
  const findings = checkJob(demo(), demoJob);
  expect(findings.map((f) => [f.rule, f.severity])).toEqual([['reservoir-rating', 'stop']]);
  expect(findings[0].sentence).toMatch(/up to 17\.3 V.*rated 16 V/);
  expect(checkJob(patched(demo(), findings[0].remedies[0].patches), demoJob)).toEqual([]);
});

describe('lamp current: 20 mA is the most, 15 mA for a long life', () => {
  const at = (ohms: number) =>
    judged('lamp-current', (d) => {
      Object.assign(job(d).circuits.roof, { ohms, ratedWatts: 1 });
      condition(job(d), { chargeResistor: null });
      job(d).lamps = { 'lamp-1': job(d).lamps['lamp-1'] };
    });
  // Behind a silicon bridge on 15 V some 13.5 V stand; the lamp takes about 3 of them.
  test.each([
    [530, 'stop', 0.0201, 0.0001],
    [540, 'mind', 0.0198, 0.0003],
    [708, 'mind', 0.0151, 0.0001],
    [100, 'stop', 0.0951, 0.004],
  ] as const)('%d ohm', (ohms, severity, amps, room) => {
    const f = at(ohms)!;
    expect(f.severity).toBe(severity);
    expect(Math.abs(f.figures[0].is - amps)).toBeLessThan(room);
    expect(f.figures[0].limit).toBeCloseTo(severity === 'stop' ? 0.02 : 0.015, 9);
  });
  test.each([720, 2200, 10000])('%d ohm is well', (ohms) => expect(at(ohms)).toBeUndefined());
});

describe('no current limit', () => {
  test('fires only where nothing at all limits', () => {
    const f = judged('no-current-limit', (d) => {
      job(d).circuits.roof.limit = 'none';
      condition(job(d), { chargeResistor: null });
    })!;
    expect(f.severity).toBe('stop');
    expect(f.figures[0].is).toBeGreaterThan(0.5);
    expect(judged('no-current-limit', (d) => void (job(d).circuits.roof.limit = 'none'))).toBeUndefined();
    expect(judged('no-current-limit', (d) => condition(job(d), { chargeResistor: null }))).toBeUndefined();
  });
});

describe('reverse voltage: 5 V is the most', () => {
  const bare = (recipe: (d: Draft<Layout>) => void = () => undefined) =>
    judged('reverse-voltage', (d) => {
      condition(job(d), { rectifier: 'none', reservoir: null, chargeResistor: null });
      recipe(d);
    });
  test('without a rectifier the lamp sees the whole track backwards', () => {
    // Behind a resistor little flows backwards: to mind. With nothing in the way it is to stop for.
    const f = bare()!;
    expect(f.severity).toBe('mind');
    expect(f.figures[0].limit).toBe(5);
    expect(f.figures[0].is).toBeCloseTo(15, 1);
    expect(bare((d) => void (job(d).circuits.roof.limit = 'none'))!.severity).toBe('stop');
  });
  test('with a bridge, or a lamp that was put in backwards and bears it, it is quiet', () => {
    expect(judged('reverse-voltage', () => undefined)).toBeUndefined();
  });
  test('a lamp put in backwards behind the bridge is found by its voltage, and has no press to mend it', () => {
    const f = judged('reverse-voltage', () => undefined, [{ kind: 'reversed', part: 'lamp-lamp-2' }])!;
    expect(f.sentence).toMatch(/^Lamp 2: 1\d(\.\d)? V backwards .*rated 5 V/);
    expect(f.remedies).toEqual([]);
  });
  test('just under the limit and just over, by a divider of wrong values', () => {
    // The lamp's neighbour shorts most of the track away: 10 kohm feed a resistor-limited lamp backwards.
    const at = (volts: number) => {
      const layout = layoutWith((d) => {
        Object.assign(d.supplies.track, { amplitudeVolts: 7, highestVolts: 7 });
        condition(job(d), {
          reservoir: null,
          chargeResistor: { ohms: volts, ratedWatts: 5 },
        });
        job(d).circuits.roof.ohms = 220;
      });
      return found(layout, 'reverse-voltage', [{ kind: 'reversed', part: 'lamp-lamp-1' }]);
    };
    const [over, under] = [at(8), at(22)];
    expect(over!.figures[0].is).toBeGreaterThan(5);
    expect(over!.figures[0].is).toBeLessThan(5.3);
    expect(under).toBeUndefined();
  });
});

describe('reservoir rating against the highest it can see, a fifth of room wanted', () => {
  const at = (ratedVolts: number, highestVolts = 18) =>
    judged('reservoir-rating', (d) => {
      d.supplies.track.highestVolts = highestVolts;
      condition(job(d), { reservoir: { ratedVolts: ratedVolts } });
    });
  test.each([
    [17.2, 'stop'],
    [17.3, 'mind'],
    [20.7, 'mind'],
    [10, 'stop'],
  ] as const)('%d V is a %s', (rated, severity) => {
    const f = at(rated)!;
    expect(f.severity).toBe(severity);
    expect(f.figures[0].is).toBeGreaterThan(17.2);
    expect(f.figures[0].is).toBeLessThan(17.3);
    expect(f.remedies[0].label).toBe('Fit 470 µF, 25 V');
  });
  test('20.8 V has room enough', () => expect(at(20.8)).toBeUndefined());
  test('without lamps the drop of the bridge is small: less than the spoken 1.4 V', () => {
    expect(18 - at(10)!.figures[0].is).toBeLessThan(1.4);
    expect(18 - at(10)!.figures[0].is).toBeGreaterThan(0.5);
  });
});

describe('reservoir backwards', () => {
  test('turned round it is found, in volts, and cannot be mended by a press', () => {
    const f = judged('reservoir-backwards', () => undefined, [{ kind: 'reversed', part: 'reservoir-roof' }])!;
    expect(f.severity).toBe('stop');
    expect(f.figures[0].is).toBeCloseTo(12.2, 0);
    expect(f.remedies).toEqual([]);
  });
  test('without a rectifier it is driven both ways', () => {
    const f = judged('reservoir-backwards', (d) => {
      condition(job(d), { rectifier: 'none' });
      condition(job(d), { reservoir: { farads: 1e-6 } });
      d.supplies.track.bits = '0';
      d.supplies.track.zeroHalfMicroseconds = 5000;
    })!;
    expect(f.figures[0].is).toBeGreaterThan(10);
    expect(f.remedies).toHaveLength(1);
  });
  test('a large one hardly moves at 8.6 kHz: just over and just under half a volt', () => {
    const at = (farads: number) =>
      judged('reservoir-backwards', (d) => {
        condition(job(d), { rectifier: 'none' });
        condition(job(d), { chargeResistor: { ohms: 100, ratedWatts: 5 } });
        condition(job(d), { reservoir: { farads: farads } });
        job(d).circuits.roof.ohms = 1e6;
      });
    expect(at(8e-6)!.figures[0].is).toBeGreaterThan(0.5);
    expect(at(8e-6)!.figures[0].is).toBeLessThan(0.6);
    expect(at(10e-6)).toBeUndefined();
  });
  test('right way round it is quiet', () =>
    expect(judged('reservoir-backwards', () => undefined)).toBeUndefined());
});

describe('resistor heat', () => {
  const at = (ohms: number, ratedWatts: number) =>
    judged('resistor-heat', (d) => {
      condition(job(d), { chargeResistor: null });
      Object.assign(job(d).circuits.roof, { ohms, ratedWatts });
    });
  // About 10.5 V stand over the resistor: 10.5^2 / 750 = 147 mW.
  test.each([
    [750, 0.125, 'stop'],
    [750, 0.147, 'stop'],
    [750, 0.148, 'mind'],
    [750, 0.163, 'mind'],
    [100, 0.25, 'stop'],
  ] as const)('%d ohm rated %d W is a %s', (ohms, rated, severity) => {
    const f = at(ohms, rated)!;
    expect(f.severity).toBe(severity);
    expect(f.figures[0].limit).toBe(rated);
    if (ohms === 750) expect(f.figures[0].is).toBeCloseTo(0.1471, 4);
  });
  test('1/4 W is enough for it; 1/8 W is not at 15 V and is at 12 V (common practice, no source)', () => {
    expect(at(750, 0.164)).toBeUndefined();
    expect(at(750, 0.25)).toBeUndefined();
    const twelve = (rated: number) =>
      judged('resistor-heat', (d) => {
        Object.assign(d.supplies.track, { amplitudeVolts: 12, highestVolts: 12 });
        condition(job(d), { chargeResistor: null });
        Object.assign(job(d).circuits.roof, { ohms: 750, ratedWatts: rated });
      });
    expect(twelve(0.125)).toBeUndefined();
    expect(at(750, 0.125)).toBeDefined();
  });
  test('the charge resistor has a finding of its own', () => {
    const f = judged('resistor-heat', (d) => {
      job(d).circuits.roof.ohms = 470;
      job(d).circuits.roof.ratedWatts = 1;
      condition(job(d), { chargeResistor: { ratedWatts: 0.125 } });
    })!;
    expect(f.sentence).toMatch(/^The charge resistor turns/);
    expect(f.remedies).toHaveLength(1);
  });
});

describe('inrush against the booster', () => {
  const at = (trackOhms: number, tripSeconds: number, charge: number | null = null) =>
    judged('inrush', (d) => {
      Object.assign(d.supplies.track, { trackOhms, tripSeconds, limitAmps: 3 });
      condition(job(d), { chargeResistor: charge === null ? null : { ohms: charge, ratedWatts: 0.5 } });
    });
  test('bare, the peak is what track and bridge let through, and a quick booster trips', () => {
    const f = at(0.4, 0.0002)!;
    expect(f.severity).toBe('stop');
    expect(f.figures[0].is).toBeGreaterThan(20);
    expect(f.figures[0].is).toBeLessThan(15 / 0.4);
    expect(f.figures[1].is).toBeGreaterThan(0.0002);
  });
  test('a patient booster bears it', () => {
    expect(at(0.4, 0.01)!.severity).toBe('mind');
  });
  test('just over the limit and just under', () => {
    const over = at(4.2, 0.01)!;
    expect(over.figures[0].is).toBeGreaterThan(3);
    expect(over.figures[0].is).toBeLessThan(3.1);
    expect(at(4.5, 0.01)).toBeUndefined();
  });
  test('a charge resistor keeps far below', () => expect(at(0.4, 0.0002, 100)).toBeUndefined());
});

describe('too low to light', () => {
  const at = (ohms: number) => judged('never-lit', (d) => void (job(d).circuits.roof.ohms = ohms));
  test('just over 50 microamperes is quiet, just under speaks, far under says how little', () => {
    expect(at(2.1e5)).toBeUndefined();
    expect(at(2.35e5)!.figures[0].is).toBeGreaterThan(45e-6);
    expect(at(2.35e5)!.figures[0].is).toBeLessThan(50e-6);
    expect(at(1e7)!.figures[0].is).toBeLessThan(2e-6);
    expect(at(2.35e5)!.remedies).toHaveLength(1);
  });
  test('where the charge resistor is the trouble, the cure says so', () => {
    const f = judged('never-lit', (d) => {
      condition(job(d), { chargeResistor: { ohms: 1e5, ratedWatts: 0.25 } });
    })!;
    expect(f.remedies[0].label).toMatch(/smaller charge resistor/);
  });
});

describe('flicker (IEEE 1789-2015)', () => {
  const at = (zeroHalfMicroseconds: number, bits = '0') =>
    judged('flicker', (d) => {
      Object.assign(d.supplies.track, { bits, zeroHalfMicroseconds });
      condition(job(d), { rectifier: 'none', reservoir: null });
    });
  test('half-wave on zeros stretched to 9.9 ms flickers at 50 Hz', () => {
    const f = at(9900)!;
    expect(f.severity).toBe('mind');
    expect(f.figures[1].is).toBeCloseTo(1 / 0.0198, 1);
    expect(f.figures[0].is).toBeGreaterThan(100);
    expect(f.figures[0].limit).toBeCloseTo(0.025 / 0.0198, 2);
  });
  test('just under 1250 Hz a square light of 127 % is over 100 %, and above it nothing is', () => {
    expect(at(405)!.figures[0].is).toBeGreaterThan(at(405)!.figures[0].limit!);
    expect(at(395)).toBeUndefined();
  });
  test('ordinary DCC is far above what flickers, and a bridge mends the rest', () => {
    expect(at(100, '1')).toBeUndefined();
    expect(
      judged(
        'flicker',
        (d) => void Object.assign(d.supplies.track, { bits: '0', zeroHalfMicroseconds: 9900 }),
      ),
    ).toBeUndefined();
  });
});

describe('flicker of an unsmoothed supply', () => {
  const bare = (kind: 'ac-track' | 'dc-track', figures: object = {}) =>
    layoutWith((d) => {
      d.supplies.track = { ...usualSupply(kind, 'H0', 1), ...figures } as Layout['supplies'][string];
      condition(job(d), { reservoir: null, chargeResistor: null });
    });
  test.each([
    ['AC behind a bridge', bare('ac-track'), 100],
    ['a half-wave controller', bare('dc-track', { making: 'half-wave', usualThrottle: 1 }), 50],
    ['slow pulses', bare('dc-track', { making: 'pulse-width', pulseHertz: 100, usualThrottle: 0.5 }), 100],
  ] as const)('%s flickers, and the reservoir that is offered cures it', (_, layout, hertz) => {
    const f = found(layout, 'flicker')!;
    expect(f.figures[1].is).toBeCloseTo(hertz, 6);
    expect(f.figures[0].is).toBeGreaterThan(20);
    expect(f.remedies[0].label).toMatch(/reservoir/);
    expect(found(patched(layout, f.remedies[0].patches), 'flicker')).toBeUndefined();
  });
  test('a controller in fast pulses does not: light under pulses is averaged by the eye', () => {
    expect(
      found(bare('dc-track', { making: 'pulse-width', pulseHertz: 20_000, usualThrottle: 0.5 }), 'flicker'),
    ).toBeUndefined();
  });
});

describe('a lead that goes nowhere', () => {
  test('one lamp, three lamps, none', () => {
    const loose = (ids: string[]) =>
      checkJob(
        layoutWith((d) => ids.forEach((id) => (job(d).lamps[id].circuitId = null))),
        demoJob,
      ).filter((f) => f.rule === 'loose-lead');
    expect(loose([])).toEqual([]);
    expect(loose(['lamp-3'])).toHaveLength(1);
    expect(loose(['lamp-3'])[0].sentence).toMatch(/^Lamp 3: .*in no circuit yet/);
    expect(loose(['lamp-1', 'lamp-3', 'lamp-7']).map((f) => f.figures[0].is)).toEqual([3]);
  });
  test('a broken wire is found where it ends', () => {
    const whole = assemble(demo(), demoJob);
    const lead = whole.leads.find((l) => l.to.part === 'lamp-lamp-7' && l.to.terminal === 'anode')!;
    const f = judged('loose-lead', () => undefined, [{ kind: 'open', lead: lead.id }])!;
    expect(f.terminals).toEqual([{ part: 'resistor-lamp-7', terminal: 'two' }]);
  });
});
