// @vitest-environment happy-dom
import { describe, expect, test } from 'vitest';
import { boatTrain } from '../../../tests/generated';
import { plugs } from '../../part/plug';
import { benchOf } from '../../study/bench';
import { plugSvg, usedOfDecoder } from './plug-svg';

const pinsOf = (svg: string) =>
  [...new DOMParser().parseFromString(svg, 'image/svg+xml').querySelectorAll('.pin')].map((g) => {
    const circles = [...g.querySelectorAll('circle')];
    return {
      pin: Number(g.getAttribute('data-pin')),
      x: Number(circles[0].getAttribute('cx')),
      y: Number(circles[0].getAttribute('cy')),
      used: circles.some((c) => c.getAttribute('class') === 'in-use'),
      says: g.querySelector('title')!.textContent,
    };
  });

describe('a plug from both its sides', () => {
  test.each(Object.values(plugs).map((p) => [p.name, p] as const))(
    '%s: the solder side is the mirror of the other, row by row',
    (_, plug) => {
      const [above, solder] = (['above', 'solder'] as const).map((s) => pinsOf(plugSvg(plug, s, new Set())));
      expect(above.map((p) => p.pin).sort((a, b) => a - b)).toEqual(
        plug.pins.map((p) => p.pin).sort((a, b) => a - b),
      );
      const width = plug.columns * 46;
      for (const pin of above) {
        const other = solder.find((p) => p.pin === pin.pin)!;
        expect(other.x).toBeCloseTo(width - pin.x, 6);
        expect(other.y).toBe(pin.y);
      }
    },
  );
  test('pins 1 to 4 of the 8-pin plug are orange, yellow, green, black; 5 lies across from 4 (NEM 652)', () => {
    const pins = pinsOf(plugSvg(plugs['8-pin'], 'above', new Set()));
    const says = (n: number): string => pins.find((p) => p.pin === n)!.says;
    expect([1, 2, 3, 4].map((n) => says(n).split(' ')[2])).toEqual(['orange', 'yellow', 'green', 'black']);
    expect(pins.find((p) => p.pin === 5)!.x).toBe(pins.find((p) => p.pin === 4)!.x);
    expect(pins.find((p) => p.pin === 8)!.x).toBe(pins.find((p) => p.pin === 1)!.x);
  });
  test('pins that the railcar’s leads end at are ringed, and no others', () => {
    const { assembly } = benchOf(boatTrain(), 'railcar-tern');
    const pins = pinsOf(plugSvg(plugs['8-pin'], 'solder', usedOfDecoder(assembly)));
    expect(
      pins
        .filter((p) => p.used)
        .map((p) => p.pin)
        .sort(),
    ).toEqual([2, 3, 4, 6, 7, 8]);
  });
});
