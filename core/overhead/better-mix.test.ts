import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { boatTrain } from '../../tests/generated';
import { judgeRig } from '../finding/overhead';
import { colourDifference, SEEN_COLOUR } from '../light/difference';
import { chromaticityOf, mixed, tristimulus, whiteXy } from '../light/white';
import { change, patched } from '../document/patch';
import { betterMix, mixLevels, mixRows } from './better-mix';
import { mountingOf } from './mounting';
import { rigStudy } from './study';
import type { Draft } from 'immer';
import type { Layout } from '../document/layout';
import type { RigRecord } from '../document/rig-record';

const noon = { kelvin: 4500, duv: 0 };
const dark = { X: 0, Y: 0, Z: 0 };

/** The demo's rig of three rows of strip, changed. */
const rigged = (recipe: (rig: Draft<RigRecord>) => void): Layout =>
  change(boatTrain(), (draft) => {
    const { rig } = draft.rigs;
    Reflect.deleteProperty(rig.rows, 'old');
    recipe(rig);
  }).layout;
const whites = (...kelvin: number[]) =>
  rigged((rig) => Object.values(rig.rows).forEach((row, i) => void (row.kelvin = kelvin[i])));
const wanted = { ...noon, lux: 400 };

describe('levels of a mix', () => {
  test('a light that some of them can make is made: its lux and its colour', () => {
    const kelvin = fc.integer({ min: 2200, max: 9000 });
    const lights = fc.array(
      fc.record({
        kelvin,
        duv: fc.double({ min: -0.01, max: 0.01, noNaN: true }),
        lux: fc.integer({ min: 50, max: 900 }),
      }),
      { minLength: 2, maxLength: 5 },
    );
    fc.assert(
      fc.property(
        lights,
        fc.array(fc.double({ min: 0.1, max: 1, noNaN: true }), { minLength: 5, maxLength: 5 }),
        (of, shares) => {
          const all = of.map((l) => tristimulus(whiteXy(l), l.lux));
          const aim = mixed(all, (k) => shares[k]);
          const levels = mixLevels(all, dark, aim);
          for (const level of levels) {
            expect(level).toBeGreaterThanOrEqual(0);
            expect(level).toBeLessThanOrEqual(1);
          }
          const got = mixed(all, (k) => levels[k]);
          expect(colourDifference(chromaticityOf(got)!, chromaticityOf(aim)!)).toBeLessThan(0.0005);
          expect(Math.abs(got.Y / aim.Y - 1)).toBeLessThan(0.01);
        },
      ),
      { numRuns: 200, seed: 16 },
    );
  });
  test('two whites by hand: on the line between them, by the law of levers (CIE 15)', () => {
    // Of lights 1 and 2 at the point a share t along from 1 to 2: their sums X + Y + Z are as (1 - t) to t.
    const [warm, cool] = [3000, 6500].map((k) => whiteXy({ kelvin: k, duv: 0 }));
    const t = 0.4;
    const at = { x: warm.x + t * (cool.x - warm.x), y: warm.y + t * (cool.y - warm.y) };
    const levels = mixLevels([tristimulus(warm, 1000), tristimulus(cool, 1000)], dark, tristimulus(at, 500));
    const sums = [(levels[0] * 1000) / warm.y, (levels[1] * 1000) / cool.y];
    expect(sums[1] / (sums[0] + sums[1])).toBeCloseTo(t, 2);
    expect(1000 * (levels[0] + levels[1])).toBeCloseTo(500, -1);
  });
  test('rows alike are dimmed alike, and what is there anyway is not added again', () => {
    const light = tristimulus(whiteXy(noon), 400);
    const levels = mixLevels([light, light, light], dark, tristimulus(whiteXy(noon), 600));
    for (const level of levels) expect(level).toBeCloseTo(0.5, 3);
    const rest = mixLevels([light, light, light], light, tristimulus(whiteXy(noon), 600));
    for (const level of rest) expect(level).toBeCloseTo(200 / 1200, 2);
  });
});

describe('a better mix of a rig', () => {
  test('warm and cool rows are dimmed until an eye takes them for the white that is wanted', () => {
    const layout = whites(3200, 6000, 3200);
    const mix = betterMix(layout, 'rig', wanted)!;
    expect(mix.awayNow).toBeGreaterThan(SEEN_COLOUR);
    expect(mix.away).toBeLessThan(SEEN_COLOUR);
    const after = change(layout, (draft) => mixRows(draft.rigs.rig, mix.levels)).layout as Layout;
    const { light } = rigStudy(after, 'rig', 40);
    expect(light.meanLux).toBeCloseTo(mix.lux, 6);
    expect(light.white.kelvin).toBeCloseTo(mix.white.kelvin, 6);
    expect(colourDifference(light.xy, whiteXy(noon))).toBeLessThan(SEEN_COLOUR);
    // Its dimmers are among what is bought.
    expect(mountingOf(after, after.rigs.rig).parts.some((p) => p.name.startsWith('Dimmers'))).toBe(true);
  });
  test('a row that is off is lit where it helps, but not where its feed would burn it', () => {
    const cool = (volts: number) =>
      rigged((rig) => {
        const rows = Object.values(rig.rows);
        rows.forEach((row) => void (row.kelvin = 3000));
        Object.assign(rows[1], { kelvin: 6500, on: false, volts });
      });
    const [id] = Object.entries(boatTrain().rigs.rig.rows).sort(([, a], [, b]) => a.order - b.order)[1];
    const mix = betterMix(cool(24), 'rig', wanted)!;
    expect(mix.levels.get(id)).toBeGreaterThan(0.1);
    expect(mix.away).toBeLessThan(SEEN_COLOUR);
    const without = betterMix(cool(12), 'rig', wanted)!;
    expect(without.levels.has(id)).toBe(false);
    expect(without.away).toBeCloseTo(without.awayNow, 3);
  });
  test('of whites on one side of it the nearest is taken, and of one white none is nearer', () => {
    const near = betterMix(whites(3000, 3500, 3000), 'rig', wanted)!;
    expect(near.away).toBeLessThan(near.awayNow);
    expect(near.white.kelvin).toBeGreaterThan(3400);
    const one = betterMix(whites(3000, 3000, 3000), 'rig', wanted)!;
    expect(one.away).toBeCloseTo(one.awayNow, 6);
    expect([near.isBetter, one.isBetter]).toEqual([true, true]);
    // Of that white there is as much as is wanted, or as they give.
    expect(one.lux).toBeCloseTo(400, -1);
    const all = betterMix(whites(3000, 3000, 3000), 'rig', { ...noon, lux: 5000 })!;
    expect([...all.levels.values()]).toEqual([1, 1, 1]);
    expect(all.isBetter).toBe(false);
  });
  test('no rows have no mix, and a rig there is not is refused', () => {
    expect(
      betterMix(
        rigged((rig) => void (rig.rows = {})),
        'rig',
        wanted,
      ),
    ).toBeNull();
    expect(() => betterMix(boatTrain(), 'none', wanted)).toThrow(RangeError);
  });
  test('is offered where the mix is not what is wanted, and clears it', () => {
    const layout = whites(3200, 6000, 3200);
    const [finding] = judgeRig(layout, 'rig').filter((f) => f.rule === 'rig-colour');
    const remedy = finding.remedies.find((r) => r.label.startsWith('The rows there are'))!;
    const after = judgeRig(patched(layout, remedy.patches), 'rig');
    expect(after.map((f) => f.rule)).not.toContain('rig-colour');
    const alike = judgeRig(whites(3000, 3000, 3000), 'rig').find((f) => f.rule === 'rig-colour')!;
    expect(alike.remedies.map((r) => r.label)).toEqual([
      expect.stringMatching(/^Strip 24 V, .* 4000 K in every row/),
    ]);
  });
});
