import { converter } from 'culori';
import { describe, expect, test } from 'vitest';
import { tints } from '../part/tint';
import { mcCamyKelvin, planckianXy } from './colour';
import { mixedXy, tintedLight } from './tinted';

describe('tints', () => {
  test('a bare lamp keeps its light and colour', () => {
    const { x, y } = planckianXy(4000);
    const light = tintedLight({ kelvin: 4000 }, tints.none);
    expect(light.share).toBeCloseTo(1, 6);
    expect([light.x, light.y]).toEqual([expect.closeTo(x, 6), expect.closeTo(y, 6)]);
  });
  test('every tint costs light; amber makes white warmer, red and green make it red and green', () => {
    for (const t of Object.values(tints)) {
      if (t.id !== 'none') expect(tintedLight({ kelvin: 4000 }, t).share, t.id).toBeLessThan(0.9);
    }
    const amber = tintedLight({ kelvin: 6500 }, tints['amber-film']);
    expect(mcCamyKelvin(amber.x, amber.y)).toBeLessThan(5000);
    expect(tintedLight({ kelvin: 4000 }, tints['clear-red']).x).toBeGreaterThan(0.55);
    expect(tintedLight({ kelvin: 4000 }, tints['clear-green']).y).toBeGreaterThan(0.5);
  });
  test('the share is the luminance that is left, by the general-purpose colour library', () => {
    const [r, g, b] = tints['amber-film'].passes;
    const xyz = converter('xyz65');
    const white = xyz({ mode: 'lrgb', r: 1, g: 1, b: 1 });
    const left = xyz({ mode: 'lrgb', r, g, b });
    expect(tintedLight({ x: 0.31271, y: 0.32902 }, tints['amber-film']).share).toBeCloseTo(
      left.y / white.y,
      3,
    );
  });
});

test('behind every tint the colour is that of the library’s own way through linear sRGB', () => {
  const [xyz, linear] = [converter('xyz65'), converter('lrgb')];
  for (const tint of Object.values(tints))
    for (const kelvin of [2200, 2700, 4000, 6500]) {
      const { x, y } = planckianXy(kelvin);
      const bare = linear({ mode: 'xyz65', x: x / y, y: 1, z: (1 - x - y) / y });
      const [r, g, b] = tint.passes;
      const left = xyz({ mode: 'lrgb', r: bare.r * r, g: bare.g * g, b: bare.b * b });
      const sum = left.x + left.y + left.z;
      const light = tintedLight({ kelvin }, tint);
      expect(light.share, tint.id).toBeCloseTo(left.y, 9);
      expect(light.x, tint.id).toBeCloseTo(left.x / sum, 9);
      expect(light.y, tint.id).toBeCloseTo(left.y / sum, 9);
    }
});

describe('mixed light adds as XYZ', () => {
  test('two alike make the same, and the brighter pulls', () => {
    const warm = planckianXy(2700);
    const cool = planckianXy(6500);
    const same = mixedXy([
      { lumens: 1, ...warm },
      { lumens: 5, ...warm },
    ])!;
    expect(same.x).toBeCloseTo(warm.x, 9);
    const even = mixedXy([
      { lumens: 1, ...warm },
      { lumens: 1, ...cool },
    ])!;
    const warmer = mixedXy([
      { lumens: 3, ...warm },
      { lumens: 1, ...cool },
    ])!;
    expect(even.x).toBeGreaterThan(cool.x);
    expect(even.x).toBeLessThan(warm.x);
    expect(warmer.x).toBeGreaterThan(even.x);
    expect(mixedXy([])).toBeNull();
  });
});
