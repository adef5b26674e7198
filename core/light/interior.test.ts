import { describe, expect, test } from 'vitest';
import { beamExponent, luxPerLumen, type LightSource } from './illuminance';
import { LightField, Sight, type Interior, type Place } from './interior';

const down = (x: number, y: number, z: number): LightSource => ({ x, y, z, aimDegrees: 0, exponent: 1 });
const room = (over: Partial<Interior> = {}): Interior => ({
  length: 200,
  width: 30,
  ceiling: 28,
  reflectance: 0,
  screens: [],
  openings: [],
  ...over,
});
const UP = [0, 0, 1] as const;

describe('direct light', () => {
  test('one Lambertian point: flux / (pi h^2) below it, cos^4 beside it (closed form)', () => {
    const source = down(0, 0, 100);
    expect(luxPerLumen(source, 0, 0, 0, UP)).toBeCloseTo(1 / (Math.PI * 0.01), 9);
    // 45 degrees aside: cos^4 = 1/4.
    expect(luxPerLumen(source, 100, 0, 0, UP)).toBeCloseTo(1 / (Math.PI * 0.01) / 4, 9);
  });
  test('an endless row tends to flux per metre over 2 h, within 1 % (closed form)', () => {
    const h = 50;
    let lux = 0;
    for (let i = -2000; i <= 2000; i++) lux += 0.01 * luxPerLumen(down(2 * i, 0, h), 0, 0, 0, UP);
    expect(Math.abs(lux / (5 / (2 * h * 1e-3)) - 1)).toBeLessThan(0.01);
  });
  test('all the light of a beam falls on a large floor: the integral over it is one lumen, for every exponent', () => {
    for (const beam of [120, 60, 30]) {
      const source = { ...down(0, 0, 10), exponent: beamExponent(beam) };
      let lumens = 0;
      const step = 0.5;
      for (let r = step / 2; r < 400; r += step)
        lumens += luxPerLumen(source, r, 0, 0, UP) * 2 * Math.PI * r * step * 1e-6;
      expect(Math.abs(lumens - 1)).toBeLessThan(0.01);
    }
    expect(beamExponent(120)).toBeCloseTo(1, 12);
  });
  test('half the beam angle aside the intensity is half: the definition of the angle', () => {
    const source = { ...down(0, 0, 10), exponent: beamExponent(40) };
    const aside = 10 * Math.tan((20 * Math.PI) / 180);
    const r = Math.hypot(10, aside);
    const intensity = (x: number, dist: number) =>
      (luxPerLumen(source, x, 0, 0, UP) * dist ** 2) / (10 / dist);
    expect(intensity(aside, r) / intensity(0, 10)).toBeCloseTo(0.5, 9);
  });
  test('aimed to the far side it is brighter there, by the cosine of the turned angle', () => {
    const source = { ...down(0, 0, 10), aimDegrees: 45 };
    expect(luxPerLumen(source, 0, 10, 0, UP)).toBeGreaterThan(luxPerLumen(source, 0, -10, 0, UP));
    // Straight where it points: cos a = 1, cos b = cos 45.
    const r2 = 200e-6;
    expect(luxPerLumen(source, 0, 10, 0, UP)).toBeCloseTo(Math.SQRT1_2 / Math.PI / r2, 6);
    expect(luxPerLumen(source, 0, -10, 0, UP)).toBeCloseTo(0, 9);
  });
  test('no light from behind, none on a face turned away', () => {
    expect(luxPerLumen(down(0, 0, 10), 0, 5, 20, [0, 0, -1])).toBe(0);
    expect(luxPerLumen(down(0, 0, 10), 3, 0, 0, [0, 0, -1])).toBe(0);
  });
});

describe('shadows', () => {
  test('a seat-back shades as far as similar triangles say', () => {
    // Lamp 20 above the level, 10 before a back that rises 8 above it: the shade reaches 10 * 8 / 12 behind.
    const screens = [{ lies: 'across' as const, at: 60, from: 0, to: 30, top: 13 }];
    const shade = 60 + (10 * 8) / 12;
    const sees = (x: number): boolean => new Sight(screens).isClear(50, 15, 25, x, 15, 5);
    expect([60.1, shade - 0.05].map(sees)).toEqual([false, false]);
    expect([59.9, shade + 0.05, 90].map(sees)).toEqual([true, true, true]);
  });
  test('a back that ends beside the line does not shade it', () => {
    const screens = [{ lies: 'across' as const, at: 60, from: 0, to: 10, top: 28 }];
    expect(new Sight(screens).isClear(50, 20, 25, 70, 20, 5)).toBe(true);
    expect(new Sight(screens).isClear(50, 5, 25, 70, 5, 5)).toBe(false);
  });
  test('a corridor wall up to the ceiling leaves the corridor dark, one that stops short lets some over', () => {
    const wall = (top: number): number => {
      const screens = [{ lies: 'along' as const, at: 20, from: 0, to: 200, top }];
      const field = new LightField(room({ screens }), [{ x: 100, y: 25 }], 5);
      return field.perLumen(down(100, 15, 26))[0];
    };
    expect(wall(28)).toBe(0);
    expect(wall(10)).toBeGreaterThan(0);
  });
});

/**
 * Light on bins of the level by following a great many rays, with a code of its own: Lambertian
 * source, first surface met, thrown back at most once. Fixed seed.
 */
function byRays(
  interior: Interior,
  source: LightSource,
  level: number,
  bins: readonly { from: number; to: number; near: number; far: number }[],
  rays: number,
): number[] {
  let state = 12345;
  const random = (): number => {
    // A linear congruential generator (Park and Miller 1988).
    state = (state * 48271) % 2147483647;
    return state / 2147483647;
  };
  const landed = bins.map(() => 0);
  const follow = (p: number[], d: number[], weight: number, bounced: boolean): void => {
    let t = Infinity;
    let normal: number[] = [0, 0, 0];
    let glass = false;
    const meet = (axis: number, at: number, inside: (q: number[]) => boolean, pane = false): void => {
      if (d[axis] === 0) return;
      const hit = (at - p[axis]) / d[axis];
      if (hit < 1e-7 || hit >= t) return;
      const q = [0, 1, 2].map((i) => p[i] + hit * d[i]);
      if (!inside(q)) return;
      t = hit;
      normal = [0, 0, 0];
      normal[axis] = d[axis] > 0 ? -1 : 1;
      glass =
        pane && interior.openings.some((o) => q[0] > o.from && q[0] < o.to && q[2] > o.sill && q[2] < o.head);
    };
    const always = (): boolean => true;
    meet(0, 0, always);
    meet(0, interior.length, always);
    meet(1, 0, always, true);
    meet(1, interior.width, always, true);
    meet(2, level, always);
    meet(2, interior.ceiling, always);
    for (const s of interior.screens) {
      const axis = s.lies === 'across' ? 0 : 1;
      meet(axis, s.at, (q) => q[1 - axis] > s.from && q[1 - axis] < s.to && q[2] < s.top);
    }
    const q = [0, 1, 2].map((i) => p[i] + t * d[i]);
    if (normal[2] === 1) {
      bins.forEach((b, i) => {
        if (q[0] >= b.from && q[0] < b.to && q[1] >= b.near && q[1] < b.far) landed[i] += weight;
      });
      return;
    }
    if (bounced || normal[2] === -1 || glass) return;
    follow(q, matt(normal), weight * interior.reflectance, true);
  };
  const matt = (n: number[]): number[] => {
    const [r, turn] = [Math.sqrt(random()), 2 * Math.PI * random()];
    const [a, b, c] = [r * Math.cos(turn), r * Math.sin(turn), Math.sqrt(1 - r * r)];
    if (n[0] !== 0) return [c * n[0], a, b];
    if (n[1] !== 0) return [a, c * n[1], b];
    return [a, b, c * n[2]];
  };
  for (let i = 0; i < rays; i++) follow([source.x, source.y, source.z], matt([0, 0, -1]), 1 / rays, false);
  return bins.map((b, i) => landed[i] / ((b.to - b.from) * (b.far - b.near) * 1e-6));
}

describe('light thrown back once, against following a million and a half of rays', () => {
  const screens = [
    { lies: 'across' as const, at: 62, from: 0, to: 20, top: 28 },
    { lies: 'along' as const, at: 20, from: 0, to: 62, top: 22 },
    { lies: 'across' as const, at: 90, from: 0, to: 30, top: 13 },
  ];
  const openings = [
    { from: 12, to: 30, sill: 13, head: 23 },
    { from: 70, to: 86, sill: 13, head: 23 },
  ];
  const interior = room({ length: 120, screens, openings, reflectance: 0.7 });
  const level = 5;
  const bins = [
    { from: 20, to: 44, near: 2, far: 8 },
    { from: 24, to: 44, near: 21, far: 29 },
    { from: 64, to: 88, near: 2, far: 8 },
    { from: 92, to: 108, near: 20, far: 28 },
  ];
  const mean = (field: LightField, source: LightSource, from: number, to: number): number =>
    field
      .perLumen(source)
      .slice(from, to)
      .reduce((a, b) => a + b, 0) /
    (to - from);
  const GRID = 12;
  const points: Place[] = bins.flatMap((b) =>
    Array.from({ length: GRID * GRID }, (_, i) => ({
      x: b.from + (((i % GRID) + 0.5) * (b.to - b.from)) / GRID,
      y: b.near + ((Math.floor(i / GRID) + 0.5) * (b.far - b.near)) / GRID,
    })),
  );
  const field = new LightField(interior, points, level);
  test.each([
    ['over the compartment', down(32, 11, 26.5)],
    ['over the saloon', down(80, 15, 26.5)],
  ])(
    'a lamp %s: every well-lit bin within 1 %%, the dim ones within a five hundredth of the brightest',
    (_, source) => {
      const rays = byRays(interior, source, level, bins, 1_500_000);
      const ours = bins.map((_, i) => mean(field, source, i * GRID * GRID, (i + 1) * GRID * GRID));
      const brightest = Math.max(...rays);
      rays.forEach((lux, i) => {
        const allowed = lux > brightest / 10 ? 0.01 * lux : 0.002 * brightest;
        expect(Math.abs(ours[i] - lux)).toBeLessThan(allowed);
      });
      // What is thrown back is a good part of it, so that the comparison is about it.
      const bare = new LightField({ ...interior, reflectance: 0 }, points, level);
      const lit = ours.indexOf(Math.max(...ours));
      const direct = mean(bare, source, lit * GRID * GRID, (lit + 1) * GRID * GRID);
      expect(ours[lit] / direct).toBeGreaterThan(1.05);
    },
  );
});
