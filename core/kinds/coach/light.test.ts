import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { demo, demoJob } from '../../../tests/generated';
import { change } from '../../document/patch';
import { lampDrop } from './room-kinds';
import { lampType } from '../../document/lamp-type';
import { usualInterior, windowShape } from './usual-interior';
import { benchOf } from '../../study/bench';
import { coachInterior } from './interior';
import { coachLight, untintedLux } from './light';
import { spreadPlaces } from './places';
import { layLamps } from './schools';
import { usualReadings } from '../../study/solver';
import { coachIn } from './jobs';
import type { Draft } from 'immer';
import type { CoachRecord as Job } from './record';
import type { Layout } from '../../document/layout';

/** The demo's compartment coach with one bare room that throws nothing back, seven lamps on the centre line. */
const solved = (recipe: (job: Draft<Job>) => void) => {
  const layout: Layout = change(demo(), (draft) => {
    const job = coachIn(draft, demoJob);
    job.interior = { ...usualInterior('bare', job.dimensions, 'H0'), reflectance: 0 };
    layLamps(job, 'white-warm', 7);
    recipe(job);
  }).layout;
  const job = coachIn(layout, demoJob);
  const steady = usualReadings(benchOf(layout, demoJob));
  const light = coachLight(job, steady);
  return { layout, steady, light, windows: light.near, job };
};

describe('light at the windows', () => {
  test('a single lamp: E = flux h^2 / (pi r^4) at every point of the line (Lambertian point, closed form)', () => {
    const { steady, light, job } = solved((j) => {
      layLamps(j, 'white-warm', 1);
      Object.values(j.lamps)[0].placeMillimetres = windowShape(j.dimensions).centres[3];
    });
    const { lineNear } = coachInterior(job);
    const lamp = windowShape(job.dimensions).centres[3];
    const h = lampDrop(job.interior) / 1000;
    const aside = (job.interior.widthMillimetres / 2 - lineNear) / 1000;
    light.along.forEach((x, i) => {
      const squared = h * h + aside * aside + ((x - lamp) / 1000) ** 2;
      const expected = (steady.dies[0].lumens * h * h) / (Math.PI * squared * squared);
      expect(light.nearLux[i] / expected).toBeCloseTo(1, 9);
      expect(light.farLux[i]).toBeCloseTo(light.nearLux[i], 9);
    });
    expect(light.near[0].lux).toBeLessThan(light.near[3].lux / 8);
  });
  test('half the light is half the lux at every window: light is in proportion', () => {
    const bare = solved(() => undefined);
    const tinted = solved((j) => {
      for (const l of Object.values(j.lamps)) l.tint = 'clear-amber';
    });
    const share = tinted.steady.dies[0].lumens / bare.steady.dies[0].lumens;
    tinted.windows.forEach((w, i) => expect(w.lux / bare.windows[i].lux).toBeCloseTo(share, 9));
    expect(untintedLux(tinted.light.meanLux, share)).toBeCloseTo(bare.light.meanLux, 6);
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
    expect(fromLeft[1]).toBeGreaterThan(fromLeft[5] * 1.2);
    fromLeft.forEach((lux, i) => expect(lux / fromRight[6 - i]).toBeCloseTo(1, 6));
  });
  test('in series a lamp of the same type carries and shines alike', () => {
    const { steady, layout } = solved((j) => {
      layLamps(j, 'white-warm', 6);
      Object.assign(j.circuits.roof, { inSeries: 3, ohms: 330 });
    });
    const [a, b, c] = steady.dies;
    expect(b.lumens).toBeCloseTo(a.lumens, 9);
    expect(c.lumens).toBeCloseTo(a.lumens, 9);
    expect(a.led).toBe(lampType(layout, 'white-warm'));
  });
});

describe('rooms', () => {
  test('one centre row over compartments with a side corridor leaves the corridor dark; the far windows show it', () => {
    const { light } = solved((j) => {
      j.interior = usualInterior('compartment', j.dimensions, 'H0');
    });
    expect(light.darkest!.id).toBe('corridor');
    expect(light.darkest!.lux).toBeLessThan(light.meanLux / 50);
    expect(light.far.map((w) => w.room)).toEqual(light.far.map(() => 'corridor'));
    expect(light.evenness).toBeLessThan(0.01);
  });
  test('a lamp on a partition lights neither room well: less than half of one in the middle', () => {
    const at = (place: (from: number, to: number) => number): number => {
      const { light } = solved((j) => {
        j.interior = { ...usualInterior('divided', j.dimensions, 'H0'), reflectance: 0 };
        const room = coachInterior(j as Job).rooms[3];
        layLamps(j, 'white-warm', 1);
        Object.values(j.lamps)[0].placeMillimetres = place(room.from, room.to);
      });
      return light.rooms[3].lux;
    };
    const middle = at((from, to) => (from + to) / 2);
    expect(at((_, to) => to)).toBeLessThan(middle / 2);
    expect(at((_, to) => to)).toBeGreaterThan(0);
    // A tenth of a millimetre to either side is no leap.
    expect(Math.abs(at((_, to) => to - 0.1) / at((_, to) => to) - 1)).toBeLessThan(0.15);
  });
  test('a seat-back under a lamp shades the side away from it', () => {
    const { light } = solved((j) => {
      layLamps(j, 'white-warm', 1);
      const [lamp] = Object.values(j.lamps);
      lamp.placeMillimetres = 100;
      j.interior.seatBacks = {
        back: { order: 1, placeMillimetres: 104, heightMillimetres: 20, cutMillimetres: 0 },
      };
    });
    const at = (x: number): number => light.nearLux[light.along.findIndex((a) => a >= x)];
    expect(at(108)).toBe(0);
    expect(at(92)).toBeGreaterThan(20);
  });
  test('a room left dark on purpose is not counted, nor the darkest', () => {
    const dark = (leftDark: boolean) =>
      solved((j) => {
        j.interior = usualInterior('divided', j.dimensions, 'H0');
        j.interior.rooms['room-4'].leftDark = leftDark;
        Reflect.deleteProperty(j.lamps, 'lamp-4');
      }).light;
    expect(dark(false).darkest!.id).toBe('room-4');
    expect(dark(true).darkest!.id).not.toBe('room-4');
    expect(dark(true).leastLux).toBeGreaterThan(dark(false).leastLux);
    expect(dark(true).near[3].leftDark).toBe(true);
  });
  test('every window in the colour of the lamps that light it', () => {
    const { light, steady } = solved((j) => {
      j.interior = usualInterior('divided', j.dimensions, 'H0');
      j.lamps['lamp-1'].part = 'white-cool';
    });
    const cool = steady.dies[0].xy;
    const warm = steady.dies[6].xy;
    expect(light.near[0].xy!.x).toBeCloseTo(cool.x, 6);
    expect(light.near[6].xy!.x).toBeCloseTo(warm.x, 6);
    expect(cool.x).toBeLessThan(warm.x - 0.05);
  });
  test('light walls throw more back than dark ones; soft light is more even and less', () => {
    const lit = (reflectance: number, tint: string) =>
      solved((j) => {
        j.interior.reflectance = reflectance;
        layLamps(j, 'white-warm', 3);
        for (const l of Object.values(j.lamps)) l.tint = tint;
      }).light;
    expect(lit(0.8, 'none').meanLux).toBeGreaterThan(lit(0.1, 'none').meanLux * 1.05);
    expect(lit(0.4, 'diffuser').evenness).toBeGreaterThan(lit(0.4, 'none').evenness);
    expect(lit(0.4, 'diffuser').meanLux).toBeLessThan(lit(0.4, 'none').meanLux);
  });
  test('lamps at the ends of the train light no room', () => {
    const { light, steady } = solved((j) => {
      for (const l of Object.values(j.lamps)) l.role = 'tail';
    });
    expect(steady.dies[0].amps.mean).toBeGreaterThan(0);
    expect([light.meanLux, light.evenness]).toEqual([0, 0]);
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
