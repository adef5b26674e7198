import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { demo, demoJob } from '../../tests/generated';
import { change } from '../document/patch';
import { lampType } from '../document/lamp-type';
import { benchOf } from './bench';
import { layLamps } from './schools';
import { steadyStudy } from './steady';
import { meanLux, spreadPlaces, untintedLux, windowCentres, windowLight } from './window-light';
import type { Draft } from 'immer';
import type { Job, Layout } from '../document/layout';

const solved = (recipe: (job: Draft<Job>) => void) => {
  const layout: Layout = change(demo(), (draft) => recipe(draft.jobs[demoJob])).layout;
  const bench = benchOf(layout, demoJob);
  const steady = steadyStudy(bench);
  return { layout, steady, windows: windowLight(bench.job, steady), job: bench.job };
};

describe('light at the windows', () => {
  test('a single lamp straight above a window: E = flux / (pi h^2) (Lambertian point, closed form)', () => {
    const { steady, windows, job } = solved((j) => {
      layLamps(j, 'white-warm', 1);
      Object.values(j.lamps)[0].placeMillimetres = windowCentres(j.dimensions)[3];
    });
    const h = job.dimensions.lampDropMillimetres / 1000;
    expect(windows[3].lux / (steady.lamps[0].lumens / (Math.PI * h * h))).toBeCloseTo(1, 9);
    expect(windows[0].lux).toBeLessThan(windows[3].lux / 20);
  });
  test('half the light is half the lux at every window: light is in proportion', () => {
    const bare = solved(() => undefined);
    const tinted = solved((j) => {
      for (const l of Object.values(j.lamps)) l.tint = 'diffuser';
    });
    const share = tinted.steady.lamps[0].lumens / bare.steady.lamps[0].lumens;
    tinted.windows.forEach((w, i) => expect(w.lux / bare.windows[i].lux).toBeCloseTo(share, 9));
    expect(untintedLux(meanLux(tinted.windows), share)).toBeCloseTo(meanLux(bare.windows), 6);
    expect(untintedLux(5, 0)).toBe(0);
  });
  test('seven lamps over seven windows light them alike from end to end', () => {
    const { windows } = solved(() => undefined);
    for (let i = 0; i < windows.length; i++) {
      expect(windows[i].lux / windows[windows.length - 1 - i].lux).toBeCloseTo(1, 3);
    }
  });
  test('a strip unit sheds its light from three places, so it lights more evenly than one lamp of its flux', () => {
    const spread = (part: string): number => {
      const { windows } = solved((j) => layLamps(j, part, 3));
      const lux = windows.map((w) => w.lux);
      return Math.min(...lux) / Math.max(...lux);
    };
    expect(spread('strip-warm')).toBeGreaterThan(spread('white-warm'));
  });
  test('a bar lit from its left end is brighter at the left, and the other way round from the right', () => {
    const along = (place: number): number[] =>
      solved((j) => {
        layLamps(j, 'bar-warm', 1);
        Object.values(j.lamps)[0].placeMillimetres = place;
      }).windows.map((w) => w.lux);
    const fromLeft = along(6);
    const fromRight = along(218);
    expect(fromLeft[1]).toBeGreaterThan(fromLeft[5] * 1.3);
    fromLeft.forEach((lux, i) => expect(lux / fromRight[6 - i]).toBeCloseTo(1, 6));
  });
  test('in series a lamp of the same type carries and shines alike', () => {
    const { steady, layout } = solved((j) => {
      layLamps(j, 'white-warm', 6);
      Object.assign(j.groups.roof, { inSeries: 3, ohms: 330 });
    });
    const [a, b, c] = steady.lamps;
    expect(b.lumens).toBeCloseTo(a.lumens, 9);
    expect(c.lumens).toBeCloseTo(a.lumens, 9);
    expect(a.led).toBe(lampType(layout, 'white-warm'));
  });
});

describe('places', () => {
  test('lamps and windows are spread evenly, clear of the ends', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 40 }), fc.integer({ min: 60, max: 900 }), (count, length) => {
        const places = spreadPlaces(count, length);
        expect(places).toHaveLength(count);
        expect(places[0]).toBeGreaterThan(0);
        expect(places[count - 1]).toBeLessThan(length);
        // Rounded to a tenth of a millimetre.
        for (let i = 2; i < count; i++)
          expect(Math.abs(places[i] - 2 * places[i - 1] + places[i - 2])).toBeLessThan(0.21);
        expect(Math.abs(places[0] + places[count - 1] - length)).toBeLessThan(0.21);
      }),
    );
  });
});
