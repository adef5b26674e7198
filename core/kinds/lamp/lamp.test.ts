import { describe, expect, test } from 'vitest';
import { quayside, sceneryId } from '../../../tests/scenery';
import { takeStage } from '../../document/line-stages';
import { hookUps, type HookUpName } from '../../document/scenery-record';
import { change, patched } from '../../document/patch';
import { checkJob } from '../../finding/check';
import { GAP_LIGHTNESS } from '../../finding/dark-gap';
import { benchOf } from '../../study/bench';
import { hookUp, limitTo } from '../../study/hook-up';
import { groundPool } from '../../study/pools';
import { Solver } from '../../study/solver';
import { statesOf, usualState } from '../../study/states';
import { kindOf } from '..';
import { lampsIn } from './jobs';
import { newLamps } from './make';
import { spaceOut } from './row';
import type { Layout } from '../../document/layout';
import type { LampWish } from './make';

const { lamp: jobId } = sceneryId;
const row = (wish: Partial<LampWish> = {}): Layout =>
  newLamps(quayside(), {
    sort: 'mast',
    name: 'Quay lamps',
    lamps: 6,
    part: 'white-warm',
    supply: { id: 'bus-12' },
    hookUp: 'rail',
    ...wish,
  }).layout;
const amps = (layout: Layout, state = {}): number[] => {
  const bench = benchOf(layout, jobId);
  return new Solver(bench).at(usualState(bench, state)).dies.map((d) => d.amps.mean);
};
const grave = (layout: Layout): string[] =>
  checkJob(layout, jobId)
    .filter((f) => f.severity !== 'note')
    .map((f) => `${f.id}: ${f.sentence}`);

describe('six quay lamps', () => {
  test('are limited to about what a small scenic lamp is given: 4.7 kohm on 12 V (common practice, no source)', () => {
    const layout = row();
    expect(lampsIn(layout, jobId).circuits.lamps.ohms).toBe(4700);
    for (const a of amps(layout)) {
      expect(a).toBeGreaterThan(1.6e-3);
      expect(a).toBeLessThan(2.1e-3);
    }
  });
  test.each(Object.keys(hookUps) as HookUpName[])(
    'on a %s, on every supply, none of them is at risk',
    (name) => {
      // A hub's reservoir is too much for one address.
      for (const id of [
        'bus-5',
        'bus-12',
        'bus-24',
        'controller',
        'ac',
        'dcc',
        ...(name === 'hub' ? [] : ['accessory']),
      ])
        expect(
          checkJob(row({ hookUp: name, supply: { id } }), jobId).filter((f) => f.severity === 'stop'),
        ).toEqual([]);
    },
  );
  test('joined otherwise they keep their light, near enough for the eye', () => {
    const before = row();
    for (const name of ['hub', 'strip', 'board', 'rail'] as const) {
      const after = change(before, (draft) =>
        hookUp(before, lampsIn(draft, jobId), name, () => 2e-3, 'apart'),
      ).layout;
      for (const a of amps(after)) {
        expect(a).toBeGreaterThan(1.2e-3);
        expect(a).toBeLessThan(3e-3);
      }
      expect(Object.keys(lampsIn(after, jobId).circuits)).toHaveLength(name === 'hub' ? 6 : 1);
      const back = change(after, (draft) =>
        hookUp(after, lampsIn(draft, jobId), 'rail', () => 2e-3, 'apart'),
      ).layout;
      expect(lampsIn(back, jobId).lamps).toEqual(
        Object.fromEntries(
          Object.entries(lampsIn(before, jobId).lamps).map(([id, l]) => [
            id,
            { ...l, circuitId: Object.keys(lampsIn(back, jobId).circuits)[0] },
          ]),
        ),
      );
    }
  });
  test('the lamp set brighter is brighter, on a resistor and on a trimmer', () => {
    for (const name of ['strip', 'hub'] as const) {
      const layout = row({ hookUp: name, supply: { id: 'bus-24' } });
      const [circuit] = Object.keys(lampsIn(layout, jobId).circuits);
      const brighter = change(layout, (d) => limitTo(layout, lampsIn(d, jobId), circuit, 8e-3)).layout;
      expect(amps(brighter)[0]).toBeGreaterThan(2.5 * amps(layout)[0]);
      expect(amps(brighter)[0]).toBeLessThan(9e-3);
    }
  });
});

describe('an address that gives 75 mA (common practice, no source)', () => {
  /** So many lamps of 20 mA each on one address. */
  const address = (lamps: number): Layout => {
    const layout = row({ lamps, supply: { id: 'accessory' }, hookUp: 'output' });
    return change(layout, (draft) => {
      const supply = draft.supplies.accessory;
      if (supply.kind === 'accessory-output') supply.highestVolts = supply.volts;
      lampsIn(draft, jobId).circuits.lamps.ohms = (12 - 3 - 0.75) / 0.02;
      lampsIn(draft, jobId).circuits.lamps.ratedWatts = 0.5;
    }).layout;
  };
  const overload = (lamps: number) =>
    checkJob(address(lamps), jobId).find((f) => f.rule === 'supply-overload');
  test('bears three lamps of 20 mA, and not four', () => {
    expect(amps(address(3))[0]).toBeCloseTo(0.02, 3);
    expect(overload(3)).toBeUndefined();
    expect(overload(4)).toMatchObject({ severity: 'stop' });
  });
  test('two lamps in opposite senses are lit in turn; both at once only where the board drives both', () => {
    const two = (bothSenses: boolean): Layout =>
      change(row({ lamps: 2, supply: { id: 'accessory' }, hookUp: 'output' }), (draft) => {
        Object.assign(lampsIn(draft, jobId).circuits.lamps, { senses: 'in-turn', limit: 'shared' });
        // Back to back each keeps what is backwards off the other: no diode.
        takeStage(lampsIn(draft, jobId).lines.feed, 'diode');
        Object.assign(draft.supplies.accessory, { bothSenses });
      }).layout;
    const lit = (layout: Layout, state: object): boolean[] => amps(layout, state).map((a) => a > 1e-4);
    expect(lit(two(false), { direction: 'forward' })).toEqual([true, false]);
    expect(lit(two(false), { direction: 'reverse' })).toEqual([false, true]);
    expect(statesOf(benchOf(two(false), jobId)).inputs.map((i) => i.id)).not.toContain('both');
    expect(lit(two(true), { both: true })).toEqual([true, true]);
    // Each for half of the time.
    const [half] = amps(two(true), { both: true });
    expect(half / amps(two(true), { direction: 'forward' })[0]).toBeCloseTo(0.5, 1);
  });
});

describe('a controller as lamp supply, from 3 to 12 V', () => {
  const layout = row({ supply: { id: 'controller' } });
  const at = (volts: number): number => amps(layout, { throttle: volts / 12 })[0];
  test('the resistor is safe at the most, and the light falls all the way to the least', () => {
    expect(at(12)).toBeLessThan(2.1e-3);
    expect(at(12)).toBeGreaterThan(at(9));
    expect(at(9)).toBeGreaterThan(at(6));
    expect(at(3)).toBeLessThan(0.2e-3);
    expect(grave(layout)).toEqual([]);
  });
  test('made for its usual 9 V alone it would be judged at the 12 it may stand at', () => {
    const bold = change(layout, (draft) => void (lampsIn(draft, jobId).circuits.lamps.ohms = 300)).layout;
    expect(checkJob(bold, jobId).some((f) => f.rule === 'lamp-current' && f.severity === 'stop')).toBe(true);
  });
});

describe('what is found', () => {
  test('a head of 12 mm in 00 is three feet across, far too large; the cure is no larger than two foot six', () => {
    const base = { ...quayside(), scale: '00' as const };
    const layout = change(
      newLamps(base, {
        sort: 'mast',
        name: 'Yard',
        lamps: 1,
        part: 'white-warm',
        supply: { id: 'bus-12' },
        hookUp: 'strip',
      }).layout,
      (draft) => void (lampsIn(draft, jobId).fitting.headMillimetres = 12),
    ).layout;
    const found = checkJob(layout, jobId).find((f) => f.id === 'head-size headMillimetres')!;
    expect(found.sentence).toContain('3 ft');
    const cured = patched(layout, found.remedies[0].patches);
    expect(lampsIn(cured, jobId).fitting.headMillimetres).toBeLessThanOrEqual(10);
    expect(checkJob(cured, jobId).some((f) => f.rule === 'head-size')).toBe(false);
  });
  test('masts far apart leave a dark gap, near ones none', () => {
    const spaced = (mm: number): Layout =>
      change(row(), (draft) => {
        const job = lampsIn(draft, jobId);
        job.fitting.spacingMillimetres = mm;
        spaceOut(job);
      }).layout;
    const gaps = (layout: Layout): number =>
      groundPool(benchOf(layout, jobId), new Solver(benchOf(layout, jobId)).at({}))!.gaps.filter(
        (g) => g.lightness < GAP_LIGHTNESS,
      ).length;
    expect(gaps(spaced(400))).toBe(5);
    expect(gaps(spaced(50))).toBe(0);
    expect(checkJob(spaced(400), jobId).find((f) => f.rule === 'dark-gap')!.sentence).toMatch(/\d lx/);
  });
  test('lamps turned to the viewer glare, facing down they do not', () => {
    const turned = change(row(), (draft) => {
      Object.assign(lampsIn(draft, jobId).fitting, { aimDegrees: 80, hoodMillimetres: 0 });
      lampsIn(draft, jobId).circuits.lamps.ohms = 1000;
    }).layout;
    expect(checkJob(turned, jobId).some((f) => f.rule === 'glare')).toBe(true);
    expect(checkJob(row(), jobId).some((f) => f.rule === 'glare')).toBe(false);
  });
  test('a plug of another pitch than the socket is told, and either cure holds', () => {
    const layout = change(row({ hookUp: 'hub', supply: { id: 'bus-24' } }), (draft) => {
      Object.assign(lampsIn(draft, jobId).plug, { leadPitch: 2.54, socketPitch: 2 });
    }).layout;
    const found = checkJob(layout, jobId).find((f) => f.rule === 'plug-mates')!;
    expect(found.sentence).toMatch(/2\.54 mm.*2 mm/);
    expect(found.remedies).toHaveLength(2);
    for (const remedy of found.remedies)
      expect(checkJob(patched(layout, remedy.patches), jobId).some((f) => f.rule === 'plug-mates')).toBe(
        false,
      );
  });
  test('a plug that hangs on the leads does not go down the mast', () => {
    const layout = change(row(), (draft) => {
      for (const p of Object.values(lampsIn(draft, jobId).passages)) p.carriesMillimetres = 6;
    }).layout;
    expect(checkJob(layout, jobId).filter((f) => f.rule === 'does-not-pass').length).toBeGreaterThan(0);
    expect(checkJob(row(), jobId).some((f) => f.rule === 'does-not-pass')).toBe(false);
  });
  test('a thin wire mast is bent by a sleeve', () => {
    const thin = change(row(), (draft) => {
      Object.assign(lampsIn(draft, jobId).kit, { mast: 'copper-1.4' });
      lampsIn(draft, jobId).fitting.heightMillimetres = 90;
    }).layout;
    const found = checkJob(thin, jobId).find((f) => f.rule === 'mast-bends')!;
    expect(found.sentence).toMatch(/N at its top/);
    expect(found.remedies).toHaveLength(1);
  });
  test('small cells are dim before a long evening is over', () => {
    const layout = change(row({ supply: { id: 'pack' }, part: 'red' }), (draft) => {
      Object.assign(draft.supplies.pack, { cell: 'cr2032', inSeries: 2 });
      lampsIn(draft, jobId).circuits.lamps.ohms = 330;
      lampsIn(draft, jobId).showHours = 40;
    }).layout;
    expect(checkJob(layout, jobId).find((f) => f.rule === 'show-hours')!.sentence).toMatch(/40 h/);
  });
});

test('its small picture has a spot for each lamp that is lit', () => {
  const { lights, shape, length } = kindOf('lamp').sketch(row(), jobId);
  expect(shape).toBe('posts');
  expect(lights).toHaveLength(6);
  expect(lights[5].x).toBeLessThan(length);
  expect(kindOf('lamp').words(row(), jobId)).toBe('6 lit');
});
