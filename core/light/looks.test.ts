import Color from 'colorjs.io';
import { describe, expect, test } from 'vitest';
import { leds } from '../part/led';
import { mcCamyKelvin } from './colour';
import { looks, matchLook } from './looks';

const single = Object.values(leds).filter((l) => l.form === 'led');
const look = (id: string) => looks.find((l) => l.id === id)!;

describe('looks', () => {
  test('CIE F2 is about 4230 K, D65 6504 K, high-pressure sodium 2000 K (McCamy 1992, within its error)', () => {
    expect(mcCamyKelvin(look('fluorescent').xy.x, look('fluorescent').xy.y)).toBeCloseTo(4230, -2);
    expect(mcCamyKelvin(look('daylight').xy.x, look('daylight').xy.y)).toBeCloseTo(6504, -2);
    const sodium = mcCamyKelvin(look('high-sodium').xy.x, look('high-sodium').xy.y);
    expect(sodium).toBeGreaterThan(1700);
    expect(sodium).toBeLessThan(2200);
  });
  test('D65 is that of the general-purpose colour library', () => {
    const [x, y, z] = new Color('white').to('xyz-d65').coords as [number, number, number];
    expect(look('daylight').xy.x).toBeCloseTo(x / (x + y + z), 3);
    expect(look('daylight').xy.y).toBeCloseTo(y / (x + y + z), 3);
  });
  test('gas is matched by a warm white so near that no eye sees it, most of the light left', () => {
    const gas = matchLook(look('gas'), single);
    expect(gas.seen).toBe(false);
    expect(gas.share).toBeGreaterThan(0.6);
  });
  test('a lamp of just that colour is matched bare', () => {
    const own = { ...leds['white-warm'], colour: { kelvin: 2850 } };
    expect(matchLook(look('gas'), [own])).toMatchObject({ tint: 'none', seen: false });
    expect(matchLook(look('gas'), [own]).share).toBeCloseTo(1, 6);
  });
  test('no other lamp and tint is nearer by more than half of what is seen', () => {
    for (const l of looks) {
      const match = matchLook(l, single);
      for (const type of single) {
        const other = matchLook(l, [type]);
        expect(match.difference).toBeLessThanOrEqual(Math.max(other.difference + 0.0055 / 2, 0.0055));
      }
      expect(match.share).toBeGreaterThan(0);
      expect(match.share).toBeLessThanOrEqual(1 + 1e-9);
    }
  });
  test('without a lamp to choose from there is no match', () => {
    expect(() => matchLook(look('oil'), [])).toThrow(RangeError);
  });
});
