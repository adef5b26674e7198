import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { candelaToViewer, groundLux, hoodShare, poolLux, poolOf, type ShiningLamp } from './pool';

const bare = (along: number, height = 50, lumens = 1): ShiningLamp => ({
  lampId: `l${along}`,
  along,
  across: 0,
  heightMillimetres: height,
  aimDegrees: 0,
  hood: null,
  lumens,
  beamDegrees: 120,
});

describe('light on the ground', () => {
  test('one matt lamp: E = (flux/pi) h^2/(h^2 + d^2)^2 (closed form of a Lambertian point)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 10, max: 300, noNaN: true }),
        fc.double({ min: 0, max: 600, noNaN: true }),
        fc.double({ min: 0, max: 600, noNaN: true }),
        (h, x, y) => {
          const expected = ((1e6 / Math.PI) * (h * h)) / (h * h + x * x + y * y) ** 2;
          expect(groundLux(bare(0, h), x, y) / expected).toBeCloseTo(1, 9);
        },
      ),
    );
  });
  test('an endless row of matt lamps (closed form: the sum of 1/(a^2 + (n + b)^2)^2 by the cotangent series)', () => {
    // With S(a) = sum 1/(a^2 + (n+b)^2) = (pi/a) sinh 2 pi a/(cosh 2 pi a - cos 2 pi b), the sum of the squares is -S'(a)/(2a).
    const S = (a: number, b: number): number =>
      ((Math.PI / a) * Math.sinh(2 * Math.PI * a)) / (Math.cosh(2 * Math.PI * a) - Math.cos(2 * Math.PI * b));
    for (const [height, spacing, at] of [
      [50, 120, 0],
      [50, 120, 60],
      [80, 60, 17],
    ]) {
      const [a, b] = [height / spacing, at / spacing];
      const d = 1e-5;
      const squares = -(S(a + d, b) - S(a - d, b)) / (2 * d) / (2 * a);
      const expected = ((1e6 / Math.PI) * height ** 2 * squares) / spacing ** 4;
      const row = Array.from({ length: 801 }, (_, i) => bare((i - 400) * spacing, height));
      expect(poolLux(row, at, 0) / expected).toBeCloseTo(1, 4);
    }
  });
  test('lamps close together are a line: E = (flux per metre)/(2 h) below (closed form)', () => {
    const row = Array.from({ length: 4001 }, (_, i) => bare(i - 2000, 50, 0.001));
    // 0.001 lm every millimetre is 1 lm a metre.
    expect(poolLux(row, 0, 0) / (1 / (2 * 0.05))).toBeCloseTo(1, 3);
  });
  test('the sum over a row is the sum of its lamps', () => {
    const row = [
      bare(0),
      bare(100, 60, 2),
      { ...bare(180, 40), hood: { depthMillimetres: 3, mouthMillimetres: 8 } },
    ];
    const sum = row.reduce((s, l) => s + groundLux(l, 77, 12), 0);
    expect(poolLux(row, 77, 12)).toBeCloseTo(sum, 9);
  });
  test('all of the flux that goes down arrives on an endless ground (flux balance)', () => {
    const lamp = bare(0, 30);
    let flux = 0;
    const step = 5;
    for (let x = -1500; x <= 1500; x += step)
      for (let y = -1500; y <= 1500; y += step) flux += groundLux(lamp, x, y) * step * step * 1e-6;
    expect(flux).toBeCloseTo(1, 2);
  });
  test('a hood cuts the light where its rim hides the lamp, and nothing inside', () => {
    const hood = { depthMillimetres: 4, mouthMillimetres: 8 };
    const lamp = { ...bare(0, 50), hood };
    expect(groundLux(lamp, 20, 0)).toBeCloseTo(groundLux(bare(0, 50), 20, 0), 12);
    // The rim is seen at 45 degrees.
    expect(hoodShare(hood, 1)).toBeCloseTo(0.5, 9);
    expect(groundLux(lamp, 80, 0)).toBe(0);
  });
  test('a lamp turned to the viewer is seen, one that faces down is not; a deep hood hides it', () => {
    const out = { ...bare(0), aimDegrees: 90 };
    // On its axis a matt lamp has flux/pi.
    expect(candelaToViewer(out)).toBeCloseTo(1 / Math.PI, 9);
    expect(candelaToViewer(bare(0))).toBe(0);
    const half = { ...bare(0), aimDegrees: 45 };
    expect(candelaToViewer(half)).toBeCloseTo(Math.SQRT1_2 / Math.PI, 9);
    expect(candelaToViewer({ ...half, hood: { depthMillimetres: 20, mouthMillimetres: 6 } })).toBe(0);
  });
});

describe('a row', () => {
  test('between lamps far apart it is dark, between near ones even', () => {
    const far = poolOf([bare(0, 50), bare(600, 50)], 0, 600)!;
    expect(far.gaps).toHaveLength(1);
    expect(far.gaps[0].at).toBeGreaterThan(250);
    expect(far.gaps[0].at).toBeLessThan(350);
    expect(far.gaps[0].lightness).toBeLessThan(20);
    const near = poolOf([bare(0, 50), bare(50, 50)], 0, 50)!;
    expect(near.gaps[0].lightness).toBeGreaterThan(95);
  });
  test('a matt lamp’s light is half of its most at h sqrt(sqrt 2 - 1) (closed form)', () => {
    expect(poolOf([bare(0, 60)], -200, 200)!.halfMillimetres).toBeCloseTo(
      2 * 60 * Math.sqrt(Math.SQRT2 - 1),
      3,
    );
  });
  test('in the dark there is none', () => {
    expect(poolOf([bare(0, 50, 0)], 0, 100)).toBeNull();
  });
});
