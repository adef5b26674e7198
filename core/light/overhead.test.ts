import { converter } from 'culori';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { bandsOf, bounceOnto } from './bounce';
import { planckianXy } from './colour';
import { luxPerLumen } from './illuminance';
import { lineLux, type LineSource } from './line-source';
import { shadowOf } from './penumbra';
import { blackBody, ledSpectrum, paintShifts, whiteOfSpectrum } from './spectra';
import { chromaticityOf, duvWords, mixed, tristimulus, uv1960, whiteOf, whiteXy } from './white';

const UP = [0, 0, 1] as const;
const line = (more: Partial<LineSource> = {}): LineSource => ({
  from: -500,
  to: 500,
  y: 0,
  z: 400,
  tiltDegrees: 0,
  beamDegrees: 120,
  lumensPerMetre: 1000,
  ...more,
});

describe('illuminance against closed forms', () => {
  test('an endless Lambertian line: E = Phi’ / (2 h) straight below', () => {
    const endless = line({ from: -1e7, to: 1e7 });
    for (const h of [0.2, 0.4, 1])
      expect(lineLux({ ...endless, z: 1000 * h }, 0, 0, 0, UP) / (1000 / (2 * h))).toBeCloseTo(1, 5);
  });
  test('a finite one below its middle: Phi’/pi (L/(2(L²/4+h²)) + atan(L/2h)/h)', () => {
    // Int h²/(x²+h²)² dx from -L/2 to L/2.
    for (const [length, h] of [
      [1, 0.4],
      [0.5, 0.6],
      [3, 0.3],
    ]) {
      const half = length / 2;
      const closed = (1000 / Math.PI) * (half / (half ** 2 + h ** 2) + Math.atan(half / h) / h);
      const got = lineLux(line({ from: -1000 * half, to: 1000 * half, z: 1000 * h }), 0, 0, 0, UP);
      expect(got / closed).toBeCloseTo(1, 5);
    }
  });
  test('a short one far away is a point: E = (flux/pi) cos a cos b / r²', () => {
    const short = line({ from: -1, to: 1 });
    for (const [x, y] of [
      [0, 0],
      [300, 100],
      [-200, 500],
    ]) {
      const point = 2 * luxPerLumen({ x: 0, y: 0, z: 400, aimDegrees: 0, exponent: 1 }, x, y, 0, UP);
      expect(lineLux(short, x, y, 0, UP) / point).toBeCloseTo(1, 3);
    }
  });
  test('a disc of rows below its middle: E = M r² / (r² + h²)', () => {
    const [radius, h, rows] = [300, 400, 400];
    let sum = 0;
    for (let k = 0; k < rows; k++) {
      const y = -radius + ((k + 0.5) * 2 * radius) / rows;
      const half = Math.sqrt(radius ** 2 - y ** 2);
      // A square metre of it throws 1000 lumens.
      sum += lineLux(line({ from: -half, to: half, y, lumensPerMetre: (2 * radius) / rows }), 0, 0, 0, UP);
    }
    expect(sum / ((1000 * radius ** 2) / (radius ** 2 + h ** 2))).toBeCloseTo(1, 2);
  });
  test('any beam, tilt and place is the sum of its points', () => {
    const arb = fc.record({
      x: fc.integer({ min: -900, max: 900 }),
      y: fc.integer({ min: -400, max: 400 }),
      tilt: fc.integer({ min: -40, max: 40 }),
      beam: fc.integer({ min: 30, max: 150 }),
    });
    fc.assert(
      fc.property(arb, ({ x, y, tilt, beam }) => {
        const own = line({ tiltDegrees: tilt, beamDegrees: beam });
        const exponent = Math.log(0.5) / Math.log(Math.cos((beam * Math.PI) / 360));
        let points = 0;
        const count = 2000;
        for (let k = 0; k < count; k++) {
          const at = own.from + ((k + 0.5) * (own.to - own.from)) / count;
          points += luxPerLumen({ x: at, y: 0, z: 400, aimDegrees: -tilt, exponent }, x, y, 0, UP) / count;
        }
        const got = lineLux(own, x, y, 0, UP);
        if (points * 1000 > 1) expect(got / (points * 1000)).toBeCloseTo(1, 2);
        else expect(got).toBeLessThan(1.1);
      }),
      { numRuns: 60, seed: 3 },
    );
  });
  test('an independent count of rays is within a hundredth', () => {
    // Rays leave at random places of the row, Lambertian, and are counted where they meet a patch.
    let seed = 12_345;
    const random = (): number => {
      seed = (Math.imul(seed, 1_664_525) + 1_013_904_223) >>> 0;
      return seed / 2 ** 32;
    };
    const [rays, half] = [1_500_000, 100];
    let hits = 0;
    for (let i = 0; i < rays; i++) {
      const from = -500 + 1000 * random();
      const sine = Math.sqrt(random());
      const turn = 2 * Math.PI * random();
      const reach = (400 * sine) / Math.sqrt(1 - sine * sine);
      const [x, y] = [from + reach * Math.cos(turn), reach * Math.sin(turn)];
      if (Math.abs(x - 150) < half && Math.abs(y - 120) < half) hits++;
    }
    const counted = (1000 * hits) / rays / (2 * half * 2 * half * 1e-6);
    let mean = 0;
    for (let a = 0; a < 20; a++)
      for (let b = 0; b < 20; b++)
        mean += lineLux(line(), 150 - half + 10 * a + 5, 120 - half + 10 * b + 5, 0, UP) / 400;
    expect(Math.abs(counted / mean - 1)).toBeLessThan(0.01);
  });
});

describe('light thrown back', () => {
  /** Form factor of two rectangles at a right angle with a common edge (Howell, configuration C-14; from memory). */
  const formFactor = (deep: number, high: number, wide: number): number => {
    const [h, w] = [high / wide, deep / wide];
    const [hh, ww] = [h * h, w * w];
    const a = ((1 + ww) * (1 + hh)) / (1 + ww + hh);
    const b = ((ww * (1 + ww + hh)) / ((1 + ww) * (ww + hh))) ** ww;
    const c = ((hh * (1 + hh + ww)) / ((1 + hh) * (hh + ww))) ** hh;
    return (
      (w * Math.atan(1 / w) +
        h * Math.atan(1 / h) -
        Math.hypot(h, w) * Math.atan(1 / Math.hypot(h, w)) +
        0.25 * Math.log(a * b * c)) /
      (Math.PI * w)
    );
  };
  test.each([
    [450, 300, 1000],
    [600, 200, 2000],
    [450, 450, 450],
  ])(
    'boards %d mm deep before a backscene %d mm high and %d mm wide get the form factor’s share',
    (deep, high, wide) => {
      const bands = bandsOf({ y: 0, fromZ: 0, toZ: high, fromX: 0, toX: wide, faces: 1, reflectance: 1 });
      const lux = new Float64Array(bands.length);
      let mean = 0;
      const [nx, ny] = [40, 60];
      for (let i = 0; i < nx; i++)
        for (let k = 0; k < ny; k++) {
          bounceOnto(bands, ((i + 0.5) * wide) / nx, ((k + 0.5) * deep) / ny, 0, UP, lux);
          mean += lux.reduce((a, b) => a + b, 0) / (nx * ny);
        }
      // Of what the backscene throws, the share that meets the boards, over their area: by reciprocity F from the boards.
      expect(mean / formFactor(deep, high, wide)).toBeCloseTo(1, 1);
      expect(Math.abs(mean / formFactor(deep, high, wide) - 1)).toBeLessThan(0.03);
    },
  );
});

describe('whites', () => {
  test('a Duv is told with its sign, and as nothing where it rounds to nothing', () => {
    expect([0.00312, -0.00312, -0.00004, 0].map(duvWords)).toEqual([
      '+0.0031',
      '−0.0031',
      '0.0000',
      '0.0000',
    ]);
  });
  test('illuminant A and D65 (CIE 15) have their colour temperatures', () => {
    expect(whiteOf({ x: 0.447_57, y: 0.407_45 }).kelvin).toBeCloseTo(2856, -1);
    expect(Math.abs(whiteOf({ x: 0.447_57, y: 0.407_45 }).duv)).toBeLessThan(0.0005);
    expect(Math.abs(whiteOf({ x: 0.312_71, y: 0.329_02 }).kelvin - 6504)).toBeLessThan(12);
  });
  // Duv of CIE illuminants, as published with ANSI C78.377 tools (from memory, to the fourth place).
  test.each([
    ['D65', 0.312_71, 0.329_02, 0.0032],
    ['D50', 0.345_67, 0.3585, 0.0032],
    ['D55', 0.332_42, 0.347_43, 0.0033],
    ['A', 0.447_57, 0.407_45, 0],
    ['E', 0.333_33, 0.333_33, -0.0044],
  ])('Duv of %s', (_, x, y, duv) => expect(Math.abs(whiteOf({ x, y }).duv - duv)).toBeLessThan(0.0006));
  test('a white by its temperature and Duv comes back', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2000, max: 9000 }),
        fc.integer({ min: -15, max: 15 }),
        (kelvin, thousandths) => {
          const back = whiteOf(whiteXy({ kelvin, duv: thousandths / 1000 }));
          expect(Math.abs(back.kelvin / kelvin - 1)).toBeLessThan(0.003);
          expect(back.duv).toBeCloseTo(thousandths / 1000, 4);
        },
      ),
      { numRuns: 100, seed: 4 },
    );
  });
  test('two lights mix on the straight line between, by their amounts', () => {
    const [warm, cool] = [planckianXy(2700), planckianXy(6500)];
    const mix = chromaticityOf(mixed([tristimulus(warm, 300), tristimulus(cool, 300)]))!;
    const share = (mix.x - warm.x) / (cool.x - warm.x);
    expect((mix.y - warm.y) / (cool.y - warm.y)).toBeCloseTo(share, 9);
    // Weights Y/y of each.
    expect(share).toBeCloseTo(1 / cool.y / (1 / cool.y + 1 / warm.y), 9);
    // A mix of two whites lies on the chord, below the curve: magenta.
    expect(whiteOf(mix).duv).toBeLessThan(0);
    expect(uv1960(mix).u).toBeGreaterThan(uv1960(cool).u);
  });
});

describe('mixing against a general colour library', () => {
  // Lights as linear red, green and blue add; the library takes sums and parts to XYZ by its own matrices.
  const toXyz = converter('xyz65');
  const light = fc.record({
    r: fc.double({ min: 0.01, max: 1, noNaN: true }),
    g: fc.double({ min: 0.01, max: 1, noNaN: true }),
    b: fc.double({ min: 0.01, max: 1, noNaN: true }),
  });
  const xyOf = ({ x, y, z }: { x: number; y: number; z: number }) => ({
    x: x / (x + y + z),
    y: y / (x + y + z),
  });
  test('the chromaticity of a mix, to four decimals', () => {
    fc.assert(
      fc.property(fc.array(light, { minLength: 2, maxLength: 6 }), (lights) => {
        const parts = lights.map((l) => toXyz({ mode: 'lrgb', ...l }));
        const ours = chromaticityOf(mixed(parts.map((p) => tristimulus(xyOf(p), p.y))))!;
        const sum = lights.reduce((s, l) => ({ r: s.r + l.r, g: s.g + l.g, b: s.b + l.b }), {
          r: 0,
          g: 0,
          b: 0,
        });
        const theirs = xyOf(toXyz({ mode: 'lrgb', ...sum }));
        expect(ours.x).toBeCloseTo(theirs.x, 4);
        expect(ours.y).toBeCloseTo(theirs.y, 4);
      }),
      { numRuns: 200, seed: 8 },
    );
  });
});

describe('spectra', () => {
  test('Planck’s law seen by the fitted observer is near Krystek’s locus', () => {
    for (const kelvin of [2700, 4000, 6500]) {
      const white = whiteOfSpectrum(blackBody(kelvin))!;
      expect(Math.abs(white.kelvin / kelvin - 1)).toBeLessThan(0.02);
      expect(Math.abs(white.duv)).toBeLessThan(0.003);
    }
  });
  test('a white LED has the chromaticity it is made for; no green or pink is one', () => {
    for (const kelvin of [2700, 4000, 5000, 6500]) {
      const white = whiteOfSpectrum(ledSpectrum(planckianXy(kelvin))!)!;
      expect(Math.abs(white.kelvin / kelvin - 1)).toBeLessThan(0.005);
    }
    expect(ledSpectrum({ x: 0.2, y: 0.7 })).toBeNull();
  });
  test('from 4000 to 5000 K all goes bluer; the same light changes nothing; back is the other way', () => {
    const [a, b] = [planckianXy(4000), planckianXy(5000)];
    for (const s of paintShifts(a, b)) {
      expect(s.after.b).toBeLessThan(s.before.b);
      expect(s.words).toMatch(/bluer/);
    }
    for (const s of paintShifts(a, a)) expect([s.words, s.usedWords]).toEqual(['the same', 'the same']);
    // An eye that is used to the light takes most of it back.
    for (const s of paintShifts(a, b))
      expect(Number.parseInt(s.usedWords) || 0).toBeLessThan(Number.parseInt(s.words));
    for (const s of paintShifts(b, a)) expect(s.words).toMatch(/yellower|redder/);
  });
});

describe('shadows', () => {
  const row = { y: 250, z: 450, shinesMillimetres: 3, lumens: 1000 };
  test('one narrow row throws a crisp edge, by similar triangles', () => {
    const { penumbraMillimetres, words } = shadowOf([row])!;
    // 20 mm before the wall, 230 mm from the row: 3 mm shine as 3 · 400/230 · 20/230 mm down the wall, four fifths of it counted.
    expect(penumbraMillimetres).toBeLessThan(0.8);
    expect(words).toBe('crisp');
  });
  test('a cover softens it, rows far apart more', () => {
    const soft = shadowOf([{ ...row, shinesMillimetres: 15 }])!;
    const wide = shadowOf([100, 250, 400].map((y) => ({ ...row, y })))!;
    expect(soft.penumbraMillimetres).toBeGreaterThan(shadowOf([row])!.penumbraMillimetres);
    expect(wide.penumbraMillimetres).toBeGreaterThan(4 * soft.penumbraMillimetres);
  });
  test('nothing lit, no shadow', () => expect(shadowOf([{ ...row, lumens: 0 }])).toBeNull());
});
