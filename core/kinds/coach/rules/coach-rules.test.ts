import { condition } from '../../../../tests/roof';
import { describe, expect, test } from 'vitest';
import { demo, demoJob } from '../../../../tests/generated';
import { legends } from '../../../document/wire-legend';
import { usualSupply } from '../../../document/usual-supply';
import { change, patched } from '../../../document/patch';
import { layLamps } from '../schools';
import { checkJob } from '../../../finding/check';
import { benchOf } from '../../../study/bench';
import { usualReadings } from '../../../study/solver';
import { coachLight } from '../light';
import { coachIn } from '../jobs';
import type { RectifierName } from '../../../document/line-stages';
import type { Draft } from 'immer';
import type { CoachRecord as Job } from '../record';
import type { Layout } from '../../../document/layout';
import type { Finding } from '../../../finding/finding';
import type { SupplyKindName } from '../../../supply';

type Recipe = (job: Draft<Job>, draft: Draft<Layout>) => void;
const layoutWith = (recipe: Recipe): Layout =>
  change(demo(), (draft) => {
    condition(coachIn(draft, demoJob), { reservoir: { ratedVolts: 35 } });
    // Its highest is its usual: limits are judged there.
    Object.assign(draft.supplies.track, { highestVolts: 15 });
    recipe(coachIn(draft, demoJob), draft);
  }).layout;
const judged = (rule: string, recipe: Recipe): Finding | undefined =>
  checkJob(layoutWith(recipe), demoJob).find((f) => f.rule === rule);
const supply = (draft: Draft<Layout>, kind: SupplyKindName, figures: object = {}): void => {
  draft.supplies.track = { ...usualSupply(kind, 'H0', 1), ...figures } as Layout['supplies'][string];
};
const plain = (job: Draft<Job>): void => {
  condition(job, { rectifier: 'none', reservoir: null, chargeResistor: null });
};

describe('dead rail: half of the light goes unnoticed', () => {
  // Without power the demo's light falls to half in 0.22 s (see its power cut), and its pickups bridge 166 mm.
  const at = (millimetres: number) =>
    judged(
      'dead-rail',
      (job) => void (job.ride = { deadMillimetres: 166 + millimetres, kilometresPerHour: 40 }),
    );
  test('just under and just over 0.22 s at 128 mm/s, and far', () => {
    expect(at(26)).toBeUndefined();
    const over = at(31)!;
    expect(over.figures[1].is).toBeLessThan(50);
    expect(over.figures[1].is).toBeGreaterThan(40);
    expect(over.figures[0].is).toBeCloseTo(31 / 127.7, 2);
    expect(at(200)!.figures[1].is).toBeLessThan(5);
  });
  test('the bus has no rail to lose', () => {
    expect(
      judged('dead-rail', (job, draft) => {
        supply(draft, 'layout-bus');
        job.ride = { deadMillimetres: 900, kilometresPerHour: 10 };
      }),
    ).toBeUndefined();
  });
});

describe('the light that is wanted', () => {
  const wanting = (lux: number, ohms?: number) => (job: Draft<Job>) => {
    job.wantedLux = lux;
    if (ohms !== undefined) for (const c of Object.values(job.circuits)) c.ohms = ohms;
  };
  const lit = (recipe: Recipe): number => {
    const layout = layoutWith(recipe);
    return coachLight(coachIn(layout, demoJob), usualReadings(benchOf(layout, demoJob))).litLux;
  };
  const has = lit(() => undefined);
  test('just within is quiet; less than six tenths is minded, nearly twice as much is noted, each with its figures', () => {
    expect(judged('wanted-light', wanting(has / 0.65))).toBeUndefined();
    expect(judged('wanted-light', wanting(has / 1.7))).toBeUndefined();
    const less = judged('wanted-light', wanting(has / 0.55))!;
    expect(less).toMatchObject({ severity: 'mind', title: 'Darker than is wanted' });
    expect(less.figures[0]).toEqual({ is: has, limit: has / 0.55, unit: 'lux' });
    expect(judged('wanted-light', wanting(has / 1.9))).toMatchObject({ severity: 'note' });
  });
  test('a resistor that is too large is the cause, and the one that is offered gives what is wanted', () => {
    const recipe = wanting(has, 20_000);
    const less = judged('wanted-light', recipe)!;
    expect(less.reason).toMatch(/What stands in its way lets no more through/);
    expect(less.remedies[0].label).toBe('Fit the resistor for the wanted light');
    const layout = patched(layoutWith(recipe), less.remedies[0].patches);
    const now = coachLight(coachIn(layout, demoJob), usualReadings(benchOf(layout, demoJob))).litLux;
    expect(now / has).toBeGreaterThan(0.8);
    expect(now / has).toBeLessThan(1.25);
  });
  test('bulbs have no long life of an LED: the reason says so, and nothing fails', () => {
    const less = judged('wanted-light', (job) => {
      for (const lamp of Object.values(job.lamps)) Object.assign(lamp, { part: 'bulb-12v', ohms: null });
      for (const c of Object.values(job.circuits)) Object.assign(c, { limit: 'none', inSeries: 1 });
      job.wantedLux = 50_000;
    })!;
    expect(less.reason).toMatch(/^Bulbs give what their volts let them/);
  });
  test('lamps that give no more are told as the reason, and no resistor is offered that cannot do it', () => {
    const less = judged('wanted-light', wanting(50 * has, 1))!;
    expect(less.remedies.map((r) => r.label)).toEqual([expect.stringMatching(/^Be content with/)]);
    const content = patched(layoutWith(wanting(50 * has, 1)), less.remedies[0].patches);
    expect(checkJob(content, demoJob).map((f) => f.rule)).not.toContain('wanted-light');
  });
});

describe('a station stop on DC', () => {
  const stop = (recipe: Recipe = () => undefined) =>
    judged('station-stop', (job, draft) => {
      supply(draft, 'dc-track');
      condition(job, { reservoir: null, chargeResistor: null });
      job.circuits.roof.ohms = 1000;
      recipe(job, draft);
    });
  test('lamps behind 1 kohm begin to show near 30 % throttle (common practice, no source)', () => {
    const f = stop()!;
    expect(f.severity).toBe('note');
    expect(f.figures[0].is).toBeGreaterThan(22);
    expect(f.figures[0].is).toBeLessThan(36);
    expect(f.remedies.map((r) => r.label).join()).toMatch(/reservoir.*Feed it from/);
  });
  test('each of its remedies clears it', () => {
    const layout = layoutWith((job, draft) => {
      draft.supplies.loop = usualSupply('ac-track', 'H0', 2) as Layout['supplies'][string];
      supply(draft, 'dc-track');
      condition(job, { reservoir: null, chargeResistor: null });
    });
    const f = checkJob(layout, demoJob).find((x) => x.rule === 'station-stop')!;
    expect(f.remedies.length).toBeGreaterThanOrEqual(2);
    for (const r of f.remedies) {
      const after = checkJob(patched(layout, r.patches), demoJob);
      expect(
        after.find((x) => x.rule === 'station-stop'),
        r.label,
      ).toBeUndefined();
      expect(
        after.filter((x) => x.severity === 'stop'),
        r.label,
      ).toEqual([]);
    }
  });
  test('a reservoir, or another supply, and it is quiet', () => {
    expect(stop((job) => condition(job, { reservoir: { farads: 1e-3, ratedVolts: 25 } }))).toBeUndefined();
    expect(judged('station-stop', () => undefined)).toBeUndefined();
  });
});

describe('one direction only', () => {
  const dc = (rectifier: RectifierName) =>
    judged('one-direction', (job, draft) => {
      supply(draft, 'dc-track');
      condition(job, { rectifier, reservoir: null, chargeResistor: null });
    });
  test('a half-wave rectifier on DC is dark in reverse; a bridge is not', () => {
    expect(dc('half-wave')!.figures[0].is).toBeLessThan(1e-6);
    expect(dc('half-wave')!.figures[0].limit).toBeGreaterThan(1e-3);
    expect(dc('silicon-bridge')).toBeUndefined();
  });
});

describe('regulator heat: 0.4 W beside thin plastic', () => {
  const heat = (count: number, rmsVolts = 20) =>
    judged('regulator-heat', (job, draft) => {
      supply(draft, 'ac-track', { rmsVolts, highestRmsVolts: rmsVolts });
      layLamps(job, 'strip-warm', count);
      job.circuits.roof.limit = 'none';
      condition(job, { regulator: { outVolts: 12, dropoutVolts: 1.2, quiescentAmps: 0.003 } });
      condition(job, { reservoir: { farads: 1e-3, ratedVolts: 50 }, chargeResistor: null });
    });
  test('60 mA of strip on 20 V AC turn about 0.9 W into heat (common practice, no source)', () => {
    const f = heat(3)!;
    expect(f.figures[0].is).toBeGreaterThan(0.75);
    expect(f.figures[0].is).toBeLessThan(1.05);
    expect(f.figures[0].limit).toBe(0.4);
  });
  test('one unit is under the limit, two just over it', () => {
    expect(heat(1)).toBeUndefined();
    expect(heat(2)!.figures[0].is).toBeGreaterThan(0.4);
  });
});

describe('a regulator without headroom', () => {
  const at = (volts: number) =>
    judged('regulator-dropout', (job, draft) => {
      supply(draft, 'layout-bus', { volts, highestVolts: volts });
      plain(job);
      condition(job, { regulator: { outVolts: 12, dropoutVolts: 1.2, quiescentAmps: 0 } });
    });
  test('just under, just over and far below 13.2 V', () => {
    expect(at(13.3)).toBeUndefined();
    expect(at(13)!.figures[0].is).toBeCloseTo(11.8, 1);
    expect(at(8)!.figures[0].is).toBeCloseTo(6.8, 1);
  });
});

describe('a limiter without headroom', () => {
  const at = (volts: number) =>
    judged('limiter-headroom', (job, draft) => {
      supply(draft, 'layout-bus', { volts, highestVolts: volts });
      plain(job);
      layLamps(job, 'white-warm', 1);
      Object.assign(job.circuits.roof, { limit: 'limiter', limiterAmps: 0.01 });
    });
  test('two volts over the lamp hold it, half a volt does not', () => {
    expect(at(5.2)).toBeUndefined();
    expect(at(3.4)!.figures[0].is).toBeLessThan(0.0085);
  });
});

describe('sharing, built-in limits, colours, drag', () => {
  test('lamps side by side behind one resistor share unevenly; one lamp, or a strip, does not', () => {
    const shared = (count: number, part = 'white-warm') =>
      judged('uneven-sharing', (job) => {
        layLamps(job, part, count);
        job.circuits.roof.limit = 'shared';
      });
    expect(shared(7)!.figures[0].is).toBeGreaterThan(2);
    expect(shared(7)!.figures[0].is).toBeLessThan(4);
    expect(shared(1)).toBeUndefined();
    expect(shared(4, 'strip-warm')).toBeUndefined();
  });
  test('unknown is said, known and enough is called a second limit', () => {
    const held = (
      builtIn: Job['lamps'][string]['builtIn'],
      limit: Job['circuits'][string]['limit'] = 'each',
    ) =>
      judged('built-in', (job) => {
        condition(job, { chargeResistor: null });
        job.circuits.roof.limit = limit;
        for (const lamp of Object.values(job.lamps)) lamp.builtIn = builtIn;
      });
    expect(held({ kind: 'unknown' })!.severity).toBe('note');
    expect(held({ kind: 'unknown' }, 'none')!.severity).toBe('mind');
    expect(held({ kind: 'resistor', ohms: 2200 })!.title).toBe('Limited twice');
    expect(held({ kind: 'resistor', ohms: 2200 }, 'none')).toBeUndefined();
    // Too small to be enough alone: the second resistor is needed.
    expect(held({ kind: 'resistor', ohms: 100 })).toBeUndefined();
  });
  test('red and black on both sides of a bridge mean two things', () => {
    const f = judged('wire-colours', (job) => void Object.assign(job.legend, legends['red-black']))!;
    expect(f.sentence).toMatch(/red is right rail and plus/);
    expect(f.figures[0].is).toBe(2);
    expect(judged('wire-colours', () => undefined)).toBeUndefined();
  });
  test('more than four wipers are felt', () => {
    const wipers = (wheelsPerRail: number, kind: 'wipers' | 'collars' = 'wipers') =>
      judged('pickup-drag', (job) => Object.assign(job.pickups, { kind, wheelsPerRail }));
    expect(wipers(2)).toBeUndefined();
    expect(wipers(3)!.figures[0].is).toBe(6);
    expect(wipers(4, 'collars')).toBeUndefined();
  });
});

describe('cells', () => {
  const onCell = (rule: string, ohms: number, lamps: number) =>
    judged(rule, (job, draft) => {
      supply(draft, 'cell');
      plain(job);
      layLamps(job, 'fairy-warm', lamps);
      Object.assign(job.circuits.roof, { limit: 'shared', ohms });
    });
  test('more than 5 mA is too much for a coin cell for long', () => {
    expect(onCell('cell-load', 1, 5)).toBeUndefined();
    const over = onCell('cell-load', 1, 8)!;
    expect(over.figures[0].is).toBeGreaterThan(0.005);
    expect(over.figures[0].limit).toBe(0.005);
  });
  test('few hours are said, many are not', () => {
    expect(onCell('cell-hours', 1, 4)).toBeUndefined();
    const soon = judged('cell-hours', (job, draft) => {
      supply(draft, 'cell', { spent: 0.8 });
      plain(job);
      layLamps(job, 'fairy-warm', 16);
      Object.assign(job.circuits.roof, { limit: 'none' });
    })!;
    expect(soon.figures[0].is).toBeLessThan(10);
  });
});

describe('what a supply gives', () => {
  const draws = (limitAmps: number) =>
    judged('supply-overload', (_, draft) => void Object.assign(draft.supplies.track, { limitAmps }));
  test('15.7 mA: quiet at 20 mA times 0.8, to mind just under, to stop for below what is drawn', () => {
    // Limits this low are no booster's; the schema's least is for files, the rule is for figures.
    expect(draws(0.0178)).toBeUndefined();
    expect(draws(0.0165)!.severity).toBe('mind');
    expect(draws(0.01)!.severity).toBe('stop');
    expect(draws(0.0165)!.figures[0].is).toBeCloseTo(0.0142, 4);
  });
});

test('the remedies of this file’s rules clear them', () => {
  const layout = layoutWith((job) => {
    Object.assign(job.legend, legends['red-black']);
    Object.assign(job.pickups, { kind: 'wipers' });
    job.ride = { deadMillimetres: 400, kilometresPerHour: 40 };
  });
  for (const rule of ['wire-colours', 'pickup-drag', 'dead-rail']) {
    const f = checkJob(layout, demoJob).find((x) => x.rule === rule)!;
    expect(f.remedies.length, rule).toBeGreaterThan(0);
    const after = checkJob(patched(layout, f.remedies[0].patches), demoJob);
    expect(
      after.find((x) => x.rule === rule),
      rule,
    ).toBeUndefined();
  }
});
