import Color from 'colorjs.io';
import { describe, expect, test } from 'vitest';
import { leds } from '../part/led';
import { tints } from '../part/tint';
import { planckianXy } from './colour';
import {
  colourDifference,
  colourWord,
  lightnessDifference,
  uniformChromaticity,
  type Chromaticity,
} from './difference';
import { lightness } from './lightness';
import { tintedLight } from './tinted';
import { FULL_LUX } from './wanted';

/** u', v' by the colour library: from XYZ by its own Luv, whose u and v are 13 L (u' - u'n). */
function byLibrary({ x, y }: Chromaticity): { u: number; v: number } {
  const xyz = [x / y, 1, (1 - x - y) / y] as [number, number, number];
  const [l, u, v] = new Color('xyz-d65', xyz).to('luv').coords as [number, number, number];
  const white = new Color('xyz-d65', [0.3127 / 0.329, 1, (1 - 0.3127 - 0.329) / 0.329]);
  const w = white.to('xyz-d65').coords as [number, number, number];
  const d = w[0] + 15 * w[1] + 3 * w[2];
  return { u: u / (13 * l) + (4 * w[0]) / d, v: v / (13 * l) + (9 * w[1]) / d };
}

describe('chromaticity differences, against a general-purpose colour library', () => {
  const lights: Chromaticity[] = [
    ...[1800, 2200, 2700, 3000, 4000, 6500].map(planckianXy),
    ...Object.values(tints).map((t) => tintedLight(leds['white-warm'].colour, t)),
    ...Object.values(tints).map((t) => tintedLight(leds['white-neutral'].colour, t)),
  ];
  test('u’ and v’ of every colour temperature and tint', () => {
    for (const light of lights) {
      const ours = uniformChromaticity(light);
      const theirs = byLibrary(light);
      expect(ours.u).toBeCloseTo(theirs.u, 4);
      expect(ours.v).toBeCloseTo(theirs.v, 4);
    }
  });
  test('the difference of every pair', () => {
    for (const a of lights) {
      for (const b of lights) {
        const [p, q] = [byLibrary(a), byLibrary(b)];
        expect(colourDifference(a, b)).toBeCloseTo(Math.hypot(p.u - q.u, p.v - q.v), 4);
      }
    }
  });
  test('illuminant A to D65: u’ 0.2560, v’ 0.5243 and 0.1978, 0.4683 (CIE 15, from memory)', () => {
    const a = uniformChromaticity({ x: 0.44757, y: 0.40745 });
    const d65 = uniformChromaticity({ x: 0.31271, y: 0.32902 });
    expect(a.u).toBeCloseTo(0.256, 3);
    expect(a.v).toBeCloseTo(0.5243, 3);
    expect(d65.u).toBeCloseTo(0.1978, 3);
    expect(d65.v).toBeCloseTo(0.4683, 3);
  });
});

test('words: 4000 K beside 2700 K is bluer, 2700 K beside 4000 K warmer, 2700 K beside 2720 K alike', () => {
  expect(colourWord(planckianXy(4000), planckianXy(2700))).toBe('bluer');
  expect(colourWord(planckianXy(2700), planckianXy(4000))).toBe('warmer');
  expect(colourWord(planckianXy(2700), planckianXy(2720))).toBe('alike');
});

test('brightness is told by lightness: half the light is 24 of 100, from below and from above', () => {
  expect(lightnessDifference(FULL_LUX, FULL_LUX / 2)).toBeCloseTo(lightness(1) - lightness(0.5), 9);
  expect(lightnessDifference(FULL_LUX / 2, FULL_LUX)).toBeCloseTo(24, 0);
});
