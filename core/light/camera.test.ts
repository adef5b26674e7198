import { describe, expect, test } from 'vitest';
import { compareCards, linearLevel, type CardPhoto, type Exposure } from './camera';
import { planckianXy } from './colour';
import { colourDifference, type Chromaticity } from './difference';

const settings: Exposure = { seconds: 1 / 60, fNumber: 4, iso: 200, fixedWhite: true };
let seed = 1;
const random = (): number => {
  seed = (Math.imul(seed, 1_664_525) + 1_013_904_223) >>> 0;
  return seed / 2 ** 32;
};
/** Standard deviation 1, by twelve uniform ones. */
const gauss = (): number => Array.from({ length: 12 }, random).reduce((a, b) => a + b, 0) - 6;
const gamma = (v: number): number => (v <= 0.003_130_8 ? 12.92 * v : 1.055 * v ** (1 / 2.4) - 0.055);

/** A card of some light and white, with noise and rounding as a camera has them. */
function card(
  light: number,
  xy: Chromaticity,
  {
    noise = 0.01,
    exposure = settings,
    slope = 0,
  }: { noise?: number; exposure?: Exposure; slope?: number } = {},
): CardPhoto {
  const [width, height] = [80, 60];
  const [X, Y, Z] = [(xy.x / xy.y) * light, light, ((1 - xy.x - xy.y) / xy.y) * light];
  // To linear sRGB (IEC 61966-2-1).
  const linear = [
    3.2406 * X - 1.5372 * Y - 0.4986 * Z,
    -0.9689 * X + 1.8758 * Y + 0.0415 * Z,
    0.0557 * X - 0.204 * Y + 1.057 * Z,
  ];
  const data = new Uint8ClampedArray(4 * width * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++)
      linear.forEach((l, k) => {
        const level = l * (1 + slope * (x / width - 0.5)) + noise * Math.sqrt(Math.max(0, l)) * gauss();
        data[4 * (y * width + x) + k] = 255 * gamma(Math.max(0, level));
      });
  return { width, height, data, exposure };
}

test('sRGB there and back', () => {
  for (const v of [0.001, 0.02, 0.2, 0.7]) expect(linearLevel(255 * gamma(v))).toBeCloseTo(v, 6);
});

describe('two cards of known light, with noise', () => {
  test.each([
    [0.3, 0.3, 4000, 5000],
    [0.4, 0.1, 3500, 4000],
    [0.1, 0.35, 5000, 6500],
    [0.25, 0.5, 4200, 4200],
  ])('%d against %d, %d K against %d K', (a, b, warm, cool) => {
    const [p, q] = [planckianXy(warm), planckianXy(cool)];
    const compared = compareCards(card(a, p), card(b, q));
    if (!compared.ok) throw new Error(compared.reason);
    const { comparison } = compared;
    expect(Math.abs(comparison.light / (b / a) - 1)).toBeLessThan(0.05);
    expect(Math.abs(comparison.difference - colourDifference(p, q))).toBeLessThan(0.004);
    // What it says it may be off covers what it is off.
    expect(Math.abs(comparison.light / (b / a) - 1)).toBeLessThan(comparison.lightError);
    expect(Math.abs(comparison.difference - colourDifference(p, q))).toBeLessThan(comparison.differenceError);
    if (cool > warm) expect(comparison.second.kelvin).toBeGreaterThan(comparison.first.kelvin);
  });
});

describe('what cannot tell is refused with the reason', () => {
  const good = card(0.3, planckianXy(4500));
  test.each([
    ['burnt out', card(1.3, planckianXy(4500)), /burnt out/],
    ['too dark', card(0.001, planckianXy(4500)), /too dark/],
    ['uneven', card(0.3, planckianXy(4500), { slope: 0.8 }), /unevenly/],
    ['of another time', { ...good, exposure: { ...settings, seconds: 1 / 30 } }, /unlike settings \(time\)/],
    ['of a white of its own', { ...good, exposure: { ...settings, fixedWhite: false } }, /its white was set/],
    ['of no camera', { ...good, exposure: { ...settings, iso: 0 } }, /ISO is none/],
    [
      'typed otherwise than its file says',
      { ...good, typed: { ...settings, seconds: 1 / 250 } },
      /not what its file says/,
    ],
  ])('%s', (_, second, why) => {
    const compared = compareCards(good, second);
    expect(compared.ok ? '' : compared.reason).toMatch(why);
  });
});
