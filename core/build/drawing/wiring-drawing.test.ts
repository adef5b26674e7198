// @vitest-environment happy-dom
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { boatTrain } from '../../../tests/generated';
import { generatedJobs, generatedKinds } from '../../../tests/kinds';
import { bandsOf } from '../../part/colour-bands';
import { asWired } from '../../study/wired';
import { benchOf } from '../../study/bench';
import { partPicture } from './part-picture';
import { wiringDrawing, wiringSvg, type WiringDrawing } from './wiring-drawing';
import type { Part } from '../../assembly/assembly';

const all = new Set(['one', 'two', 'anode', 'cathode', 'plus', 'minus']);
const parse = (svg: string): Element =>
  new DOMParser().parseFromString(`<svg xmlns="http://www.w3.org/2000/svg">${svg}</svg>`, 'image/svg+xml')
    .documentElement;
const base = {
  label: 'R',
  path: [],
  line: null,
  circuit: null,
  lamp: null,
  place: null,
  board: null,
  decides: {},
};

/** Every wire begins and ends on the leg its lead does. */
function agrees(
  drawing: WiringDrawing,
  leads: readonly { id: string; from: Part['id']; to: Part['id'] }[],
): void {
  expect(drawing.wires.map((w) => w.lead)).toEqual(leads.map((l) => l.id));
  for (const wire of drawing.wires)
    for (const [key, leg] of [
      [wire.ends[0], wire.from],
      [wire.ends[1], wire.to],
    ] as const) {
      const [id, terminal] = key.split('.');
      const { part, picture, x, y } = drawing.parts.find((p) => p.part.id === id)!;
      const own = picture.legs.get(terminal);
      expect(own, `${part.kind} ${terminal}`).toBeDefined();
      // A long wire or rail is tapped anywhere along it.
      if (part.kind === 'junction' && (part.form === 'wire' || part.form === 'rail')) {
        expect(Math.abs(leg.x - x)).toBeLessThanOrEqual(picture.width / 2);
        expect(leg.y).toBeCloseTo(y, 6);
        continue;
      }
      expect([leg.x - x, leg.y - y]).toEqual([expect.closeTo(own!.x, 6), expect.closeTo(own!.y, 6)]);
    }
}

describe('the wiring as it looks', () => {
  test('every lead runs from leg to leg, no part covers another, for every job of the demo and generated ones', () => {
    const cases = [
      ...Object.keys(boatTrain().jobs).map((jobId) => ({ layout: boatTrain(), jobId })),
      ...generatedKinds.flatMap((k) => fc.sample(generatedJobs[k], { numRuns: 30, seed: 14 })),
    ];
    for (const { layout, jobId } of cases) {
      const bench = asWired(benchOf(layout, jobId));
      for (const width of [560, 900]) {
        const drawing = wiringDrawing(bench, width);
        agrees(
          drawing,
          bench.assembly.leads.map((l) => ({ id: l.id, from: l.from.part, to: l.to.part })),
        );
        expect(drawing.parts).toHaveLength(bench.assembly.parts.length);
        drawing.parts.forEach((a, i) => {
          expect(a.x).toBeGreaterThan(0);
          expect(a.x).toBeLessThan(drawing.width);
          expect(a.y + a.picture.height / 2).toBeLessThanOrEqual(drawing.height);
          for (const b of drawing.parts.slice(i + 1)) {
            const apart =
              Math.abs(a.x - b.x) >= (a.picture.width + b.picture.width) / 2 - 1e-6 ||
              Math.abs(a.y - b.y) >= (a.picture.height + b.picture.height) / 2 - 1e-6;
            expect(apart, `${a.part.id} and ${b.part.id} at ${width}`).toBe(true);
          }
        });
      }
    }
  });
  test('a resistor wears the bands of its value, in their order (IEC 60062)', () => {
    for (const ohms of [27, 470, 1000, 4700, 49.9]) {
      const part = { ...base, id: 'r', kind: 'resistor', ohms, ratedWatts: 0.25, role: 'each' } as Part;
      const rects = [...parse(partPicture(part, all).svg).getElementsByClassName('band')];
      const worn = rects
        .map((r) => ({ x: Number(r.getAttribute('x')), colour: r.getAttribute('class')!.split(' ')[1] }))
        .sort((a, b) => a.x - b.x)
        .map((r) => r.colour);
      expect(worn).toEqual(bandsOf(ohms, ohms === 49.9 ? 0.01 : 0.05));
    }
  });
  test('the long leg is plus, the stripe minus, the band the cathode (common practice, no source)', () => {
    const drawn = wiringDrawing(benchOf(boatTrain(), 'compartment-coach'));
    const of = (kind: Part['kind']) => drawn.parts.find((p) => p.part.kind === kind)!.picture;
    const lamp = of('lamp');
    expect(lamp.legs.get('anode')!.y).toBeGreaterThan(lamp.legs.get('cathode')!.y);
    const can = of('electrolytic');
    expect(can.legs.get('plus')!.y).toBeGreaterThan(can.legs.get('minus')!.y);
    const [stripe] = parse(can.svg).getElementsByClassName('stripe');
    expect(Math.sign(Number(stripe.getAttribute('x')))).toBe(Math.sign(can.legs.get('minus')!.x));
    const diode = partPicture(
      { ...base, id: 'd', kind: 'diode', diode: 'silicon', role: 'rectifier' } as Part,
      all,
    );
    const [band] = parse(diode.svg).getElementsByClassName('band');
    expect(Math.sign(Number(band.getAttribute('x')))).toBe(Math.sign(diode.legs.get('cathode')!.x));
  });
  test('on a chip the foot of the T lies towards minus (common practice, no source)', () => {
    const drawn = wiringDrawing(benchOf(boatTrain(), 'diesel-shunter'));
    const chip = drawn.parts.find((p) => p.part.label.startsWith('Tail lamp'))!.picture;
    const [foot] = parse(chip.svg).getElementsByClassName('foot-of-t');
    // Its stem ends at the bar, which stands on the side of minus.
    const bar = Number(/M(-?\d+) -6V2/.exec(foot.getAttribute('d')!)![1]);
    expect(Math.sign(bar)).toBe(Math.sign(chip.legs.get('cathode')!.x));
  });
  test('lit parts stand out, names do no harm, and it is well-formed', () => {
    const drawing = wiringDrawing(benchOf(boatTrain(), 'diesel-shunter'));
    const lit = new Set([drawing.parts[0].part.id]);
    const svg = parse(wiringSvg(drawing, { title: '<b>"x"</b>', lit }));
    expect(svg.getElementsByTagName('parsererror')).toHaveLength(0);
    expect(svg.querySelector('b')).toBeNull();
    const dimmed = [...svg.querySelectorAll('g[opacity]')];
    expect(dimmed.length).toBeGreaterThan(drawing.parts.length / 2);
  });
});
