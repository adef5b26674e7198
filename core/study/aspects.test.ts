import { describe, expect, test } from 'vitest';
import { practiceNames } from '../../tests/driven';
import { quayside } from '../../tests/scenery';
import { change } from '../document/patch';
import { checkJob } from '../finding/check';
import { newCrossing } from '../kinds/crossing/make';
import { newSignal } from '../kinds/signal/make';
import { signalIn } from '../kinds/signal/jobs';
import { colourDifference } from '../light/difference';
import { aspectLooks, lookAlike } from './aspect-looks';
import { benchOf } from './bench';
import { flasherRun } from './flasher-run';
import { flasherParts } from './flasher-search';
import { litPhases, tooFastToShow } from './lit-phases';
import { Solver } from './solver';
import { stateWords } from './state-words';
import { statesOf, usualState } from './states';
import { ASPECT } from '../supply/state';
import { patched } from '../document/patch';
import type { Driven } from '../document/aspect-record';
import type { DriverKindName } from '../supply/drivers';
import type { PracticeName } from '../kinds/signal/practices';

const signal = (practice: PracticeName, driver: DriverKindName = 'pins', supply = 'bus-12') =>
  newSignal(quayside(), { practice, name: 'Signal', supply: { id: supply }, driver, common: 'anode' });
const crossing = (driver: DriverKindName, supply = 'bus-12') =>
  newCrossing(quayside(), {
    name: 'Crossing',
    posts: 1,
    barriers: false,
    bell: false,
    part: 'red',
    supply: { id: supply },
    driver,
    common: 'anode',
  });
const found = (made: { layout: Parameters<typeof checkJob>[0]; jobId: string }, rule: string) =>
  checkJob(made.layout, made.jobId).filter((f) => f.rule === rule);

describe.each(practiceNames)('the practice %s', (practice) => {
  test.each(['bus-12', 'dcc', 'ac'] as const)(
    'on %s: no two aspects look alike, and none is dark that is not meant to be',
    (supply) => {
      const { layout, jobId } = signal(practice, practice === 'flashing' ? 'pins' : 'contacts', supply);
      const looks = aspectLooks(benchOf(layout, jobId));
      expect(looks.length).toBe(Object.keys(signalIn(layout, jobId).aspects).length);
      for (const look of looks) expect(look.seen.length === 0).toBe(look.aspect.dark);
      looks.forEach((a, i) => {
        for (const b of looks.slice(i + 1)) expect(lookAlike(a, b, 1)).toBeNull();
      });
    },
  );
  test('lamps of one head look alike bright', () => {
    const { layout, jobId } = signal(practice);
    const seen = aspectLooks(benchOf(layout, jobId)).flatMap((l) => (l.aspect.glass ? [] : l.seen));
    const light = seen.map((s) => s.lightness);
    if (light.length > 1) expect(Math.max(...light) - Math.min(...light)).toBeLessThan(8);
  });
});

describe('what an eye tells apart', () => {
  const bench = (() => {
    const { layout, jobId } = signal('four-aspect');
    return benchOf(layout, jobId);
  })();
  const looks = new Map(aspectLooks(bench).map((l) => [l.id, l]));
  test('one yellow is the other yellow: which lens it is nobody sees in the dark', () => {
    const caution = looks.get('caution')!;
    const upper = { ...looks.get('preliminary')!, seen: looks.get('preliminary')!.seen.slice(0, 1) };
    expect(lookAlike(caution, upper, 1)).toBeLessThan(0.001);
  });
  test('two yellows are not one, and red is not yellow', () => {
    expect(lookAlike(looks.get('caution')!, looks.get('preliminary')!, 1)).toBeNull();
    expect(lookAlike(looks.get('caution')!, looks.get('stop')!, 1)).toBeNull();
  });
  test('from ten metres 4 mm more between two lights is 1.4 minutes of arc and seen; from twenty it is not', () => {
    const [a] = [looks.get('preliminary')!];
    const b = {
      ...a,
      seen: a.seen.map((s, i) => (i === 0 ? { ...s, spot: { ...s.spot, height: s.spot.height + 4 } } : s)),
    };
    expect(lookAlike(a, b, 10)).toBeNull();
    expect(lookAlike(a, b, 20)).not.toBeNull();
  });
});

describe('a warm lamp behind spectacle glasses', () => {
  const { layout, jobId } = signal('stop-arm');
  const [danger, clear] = aspectLooks(benchOf(layout, jobId));
  test('shows red, and green behind a blue-green glass (common practice, no source)', () => {
    expect(danger.seen[0].xy.x).toBeGreaterThan(0.6);
    // Greener than the equal-energy point in y, and left of it in x.
    expect(clear.seen[0].xy.x).toBeLessThan(0.33);
    expect(clear.seen[0].xy.y).toBeGreaterThan(0.38);
  });
  test('a cold lamp behind the same glass is bluer than a warm one', () => {
    const cold = change(layout, (d) => void (signalIn(d, jobId).lamps.lamp.part = 'white-cool')).layout;
    const [, cleared] = aspectLooks(benchOf(cold, jobId));
    const blue = ({ x, y }: { x: number; y: number }): number => 1 - x - y;
    expect(blue(cleared.seen[0].xy)).toBeGreaterThan(blue(clear.seen[0].xy) + 0.05);
    expect(colourDifference(cleared.seen[0].xy, clear.seen[0].xy)).toBeGreaterThan(0.02);
  });
  test('without its glass the aspect is white, which the other is not', () => {
    const broken = change(layout, (d) => void (signalIn(d, jobId).aspects.danger.glass = null)).layout;
    const [bare] = aspectLooks(benchOf(broken, jobId));
    expect(bare.seen[0].lightness).toBeGreaterThan(danger.seen[0].lightness);
    expect(colourDifference(bare.seen[0].xy, danger.seen[0].xy)).toBeGreaterThan(0.1);
  });
});

describe('a crossing', () => {
  test('its lamps are lit in turn, never together, and never both dark', () => {
    const { layout, jobId } = crossing('alternating');
    const bench = benchOf(layout, jobId);
    const phases = litPhases(bench, usualState(bench));
    expect(phases).toHaveLength(2);
    const lit = phases.map((p) => p.readings.dies.filter((d) => d.lightness > 9).map((d) => d.lampId));
    expect(lit).toEqual([['lamp-1'], ['lamp-2']]);
    expect(phases.reduce((sum, p) => sum + p.seconds, 0)).toBeCloseTo(60 / 45, 12);
  });
  test('open to the road it is dark', () => {
    const { layout, jobId } = crossing('alternating');
    const bench = benchOf(layout, jobId);
    const [open] = litPhases(bench, usualState(bench, { [ASPECT]: 'open' }));
    expect(open.readings.dies.every((d) => d.lightness < 9)).toBe(true);
    expect(stateWords(bench, usualState(bench, { [ASPECT]: 'open' }))).toBe('Open to the road');
  });
  test('has as many states as aspects', () => {
    const { layout, jobId } = crossing('pins');
    expect(statesOf(benchOf(layout, jobId)).states).toHaveLength(2);
  });
  test('is not shown flashing three times a second and more', () => {
    expect(tooFastToShow([{ seconds: 0.1 }, { seconds: 0.1 }])).toBe(true);
    expect(tooFastToShow([{ seconds: 0.5 }, { seconds: 0.5 }])).toBe(false);
    expect(tooFastToShow([{ seconds: 0.1 }])).toBe(false);
  });
});

describe('findings about aspects', () => {
  const edited = (made: ReturnType<typeof signal>, recipe: (job: Driven) => void) => ({
    layout: change(made.layout, (d) => recipe(d.jobs[made.jobId] as unknown as Driven)).layout,
    jobId: made.jobId,
  });
  test('two aspects with the same lamps look alike', () => {
    const same = edited(signal('two-aspect'), (j) => void (j.aspects.clear.lamps = { red: 'steady' }));
    const [f] = found(same, 'aspects-alike');
    expect(f.severity).toBe('stop');
    expect(f.sentence).toMatch(/0\.000 apart/);
  });
  test('an aspect without a lamp is dark, and can be meant to be', () => {
    const dark = edited(signal('two-aspect'), (j) => void (j.aspects.clear.lamps = {}));
    const [f] = found(dark, 'aspect-dark');
    expect(f.severity).toBe('stop');
    const meant = patched(dark.layout, f.remedies[0].patches);
    expect(found({ ...dark, layout: meant }, 'aspect-dark')).toEqual([]);
  });
  test('a head that shares plus on outputs that give plus is dark, for one reason', () => {
    const wrong = edited(signal('two-aspect', 'contacts'), (j) => {
      if (j.driver?.kind === 'contacts') j.driver.switches = 'plus';
    });
    const all = checkJob(wrong.layout, wrong.jobId).filter((f) => f.severity === 'stop');
    expect(all.map((f) => f.rule)).toEqual(['common-side']);
    for (const { patches } of all[0].remedies)
      expect(
        checkJob(patched(wrong.layout, patches), wrong.jobId).filter((f) => f.severity === 'stop'),
      ).toEqual([]);
    expect(all[0].remedies.length).toBe(2);
  });
  test('one resistor for unlike lamps leaves one much brighter: larger ones even them', () => {
    const made = signal('two-aspect');
    const uneven = {
      ...made,
      layout: change(made.layout, (d) => {
        const [green, red] = Object.values(signalIn(d, made.jobId).circuits);
        green.ohms = 220;
        red.ohms = 2200;
      }).layout,
    };
    const [f] = found(uneven, 'aspects-uneven');
    expect(f.figures[0].is).toBeGreaterThan(20);
    expect(
      found({ ...uneven, layout: patched(uneven.layout, f.remedies[0].patches) }, 'aspects-uneven'),
    ).toEqual([]);
  });
  test('20 mA behind a lens glare in the dark', () => {
    const made = signal('ground', 'contacts', 'bus-12');
    const bright = {
      ...made,
      layout: change(made.layout, (d) => {
        for (const c of Object.values(signalIn(d, made.jobId).circuits)) c.ohms = 430;
      }).layout,
    };
    const glare = found(bright, 'aspect-glares');
    expect(glare).toHaveLength(1);
    expect(glare[0].sentence).toMatch(/cd ahead by \d+ mA/);
  });
  test('three aspects on pairs: one of each pair is always on, so Stop shows yellow too; pins cure it', () => {
    const pairs = signal('three-aspect', 'accessory-pairs', 'dcc');
    const strays = found(pairs, 'aspect-strays');
    expect(strays.map((f) => f.id)).toEqual(['aspect-strays stop']);
    expect(strays[0].sentence).toContain('Yellow shines');
    const cured = { ...pairs, layout: patched(pairs.layout, strays[0].remedies[0].patches) };
    expect(found(cured, 'aspect-strays')).toEqual([]);
    expect(checkJob(cured.layout, cured.jobId).filter((f) => f.severity === 'stop')).toEqual([]);
    expect(found(signal('two-aspect', 'accessory-pairs', 'dcc'), 'aspect-strays')).toEqual([]);
  });
  test('lamps that share the volts of the pins’ own board do not glow while their pin is off', () => {
    const made = signal('two-aspect', 'pins', 'bus-5');
    expect(found(made, 'faint')).toEqual([]);
  });
  test('a flash of five a second can hurt, and the rate below is offered', () => {
    const fast = edited(crossing('alternating'), (j) => {
      if (j.driver?.kind === 'alternating') j.driver.perMinute = 300;
    });
    const [f] = found(fast, 'flash-rate');
    expect(f).toMatchObject({ severity: 'stop', figures: [{ is: 5, limit: 3, unit: 'Hz' }] });
    expect(found({ ...fast, layout: patched(fast.layout, f.remedies[0].patches) }, 'flash-rate')).toEqual([]);
  });
  test('more lamps on a pin than it bears', () => {
    const made = signal('route', 'pins', 'bus-5');
    const much = {
      ...made,
      layout: change(made.layout, (d) => {
        for (const c of Object.values(signalIn(d, made.jobId).circuits)) c.ohms = 180;
      }).layout,
    };
    const [f] = found(much, 'output-overload');
    expect(f.severity).toBe('stop');
    expect(f.sentence).toContain('limit is 20');
  });
});

describe('a two-transistor flasher', () => {
  const run = (
    supply: string,
    set: (d: Extract<Driven['driver'], { kind: 'flasher' }>) => void = () => undefined,
  ) => {
    const made = crossing('flasher', supply);
    const layout = change(made.layout, (d) => {
      const { driver } = d.jobs[made.jobId] as unknown as Driven;
      if (driver?.kind === 'flasher') set(driver);
    }).layout;
    return { layout, jobId: made.jobId, run: flasherRun(benchOf(layout, made.jobId))! };
  };
  test('on 24 V it keeps to 0.69 R C within a tenth; on 5 V lamp and diode take a quarter of it', () => {
    const high = run('bus-24').run;
    expect(high.turn!.seconds / high.byHandSeconds).toBeGreaterThan(0.9);
    const low = run('bus-5').run;
    expect(low.turn!.seconds / low.byHandSeconds).toBeLessThan(0.85);
    expect(low.turn!.seconds / low.byHandSeconds).toBeGreaterThan(0.7);
  });
  test('unlike halves light unlike', () => {
    const { turn } = run('bus-12', (d) => void (d.other.ohms = d.one.ohms / 2)).run;
    expect(turn!.share).toBeGreaterThan(0.62);
    expect(turn!.share).toBeLessThan(0.7);
  });
  test('without diodes a base goes back by nearly the supply; with them by less than 5 V', () => {
    const bare = run('bus-12', (d) => void (d.baseDiodes = false));
    expect(bare.run.baseBackVolts).toBeGreaterThan(8);
    expect(bare.run.baseBackVolts).toBeLessThan(12.6);
    expect(run('bus-12').run.baseBackVolts).toBeLessThan(5);
    const [f] = found(bare, 'flasher-base');
    expect(found({ ...bare, layout: patched(bare.layout, f.remedies[0].patches) }, 'flasher-base')).toEqual(
      [],
    );
  });
  test('bases fed far too much keep both on: it does not start, and larger resistors cure it', () => {
    const stuck = run('bus-12', (d) => {
      d.one.ohms = 22;
      d.other.ohms = 20;
    });
    expect(stuck.run.turn).toBeNull();
    const [f] = found(stuck, 'flasher-starts');
    expect(f.severity).toBe('stop');
    expect(
      found({ ...stuck, layout: patched(stuck.layout, f.remedies[0].patches) }, 'flasher-starts'),
    ).toEqual([]);
  });
  test('parts for 40 flashes a minute at 6 mA come within a tenth of both, as run', () => {
    const { layout, jobId } = crossing('flasher');
    const [best] = flasherParts(benchOf(layout, jobId), 40, 6e-3);
    expect(Math.abs(best.perMinute / 40 - 1)).toBeLessThan(0.1);
    const made = patched(layout, best.patches);
    const bench = benchOf(made, jobId);
    expect(60 / flasherRun(bench)!.turn!.seconds).toBeCloseTo(best.perMinute, 6);
    const [{ readings }] = litPhases(bench, usualState(bench), new Solver(bench));
    expect(readings.dies[0].litAmps).toBeGreaterThan(4.8e-3);
    expect(readings.dies[0].litAmps).toBeLessThan(6.6e-3);
  });
});
