import { describe, expect, test } from 'vitest';
import { quayside, sceneryId } from '../../../tests/scenery';
import { assemble } from '../../assembly/assemble';
import { change, patched } from '../../document/patch';
import { checkJob } from '../../finding/check';
import { benchOf } from '../../study/bench';
import { cellLifeStudy } from '../../study/cell-life';
import { groundPool } from '../../study/pools';
import { Solver } from '../../study/solver';
import { usualState } from '../../study/states';
import { canopyIn } from './jobs';
import { newCanopy } from './make';
import { placesOfString } from './string';
import type { CanopyRecord } from './record';
import type { Layout } from '../../document/layout';

const { canopy: jobId } = sceneryId;
const roofOf = (recipe: (job: CanopyRecord) => void = () => undefined, supply = 'pack', far = 10): Layout => {
  const { layout } = newCanopy(quayside(), {
    name: 'Ferry terminal',
    lengthMillimetres: 400,
    near: 10,
    far,
    part: 'white-warm',
    supply: { id: supply },
    hookUp: 'strip',
  });
  return change(layout, (draft) => recipe(canopyIn(draft, jobId) as CanopyRecord)).layout;
};
const solve = (layout: Layout) => {
  const bench = benchOf(layout, jobId);
  return { bench, readings: new Solver(bench).at(usualState(bench)) };
};

describe('ten lamps on each side, on three penlight cells', () => {
  test('all of them are lit alike, and the pack lasts an evening', () => {
    const { bench, readings } = solve(roofOf());
    const amps = readings.dies.map((d) => d.amps.mean);
    expect(amps).toHaveLength(20);
    expect(Math.min(...amps) / Math.max(...amps)).toBeGreaterThan(0.95);
    // Some 2.4 Ah at the sum of the currents (closed form), cut short as the volts fall.
    const life = cellLifeStudy(bench)!;
    expect(life.lastHours).toBeGreaterThan(4);
    expect(life.lastHours).toBeLessThan((6 * 2.6) / (20 * Math.min(...amps)));
    expect(checkJob(roofOf(), jobId).some((f) => f.rule === 'show-hours')).toBe(false);
  });
  test('what goes to the far side goes through the hidden link, what is near does not', () => {
    const { leads, parts } = assemble(roofOf(), jobId);
    const place = new Map(parts.map((p) => [p.id, p.place]));
    const linked = leads.filter((l) => l.through.includes('link'));
    expect(linked.length).toBeGreaterThan(0);
    for (const l of linked) expect([place.get(l.from.part), place.get(l.to.part)]).toContain('far');
  });
  test('one side alone has no far circuit', () => {
    expect(Object.keys(canopyIn(roofOf(undefined, 'bus-12', 0), jobId).circuits)).toEqual(['near']);
  });
});

test('lamps hang at trusses where there are enough of them, else evenly', () => {
  const { roof } = canopyIn(roofOf(), jobId);
  const trusses = placesOfString({ ...roof, lengthMillimetres: 300, trussMillimetres: 30 }, 5);
  for (const x of trusses) expect((x - 15) % 30).toBeCloseTo(0, 6);
  const even = placesOfString({ ...roof, lengthMillimetres: 300, trussMillimetres: 100 }, 6);
  expect(even[1] - even[0]).toBeCloseTo(50, 6);
  for (const x of [...trusses, ...even]) {
    expect(x).toBeGreaterThan(0);
    expect(x).toBeLessThan(300);
  }
});

describe('what is found', () => {
  test('lamps that were not twisted look out and leave the platform dark; twisting cures it', () => {
    const layout = roofOf((c) => void (c.roof.twisted = false), 'bus-12');
    const found = checkJob(layout, jobId).find((f) => f.rule === 'untwisted')!;
    const cured = patched(layout, found.remedies[0].patches);
    expect(checkJob(cured, jobId).some((f) => f.rule === 'untwisted')).toBe(false);
    const lux = (of: Layout): number => {
      const { bench, readings } = solve(of);
      return groundPool(bench, readings)?.mostLux ?? 0;
    };
    expect(lux(cured)).toBeGreaterThan(1.5 * lux(layout));
  });
  test('unpainted backs of bright lamps shine through the roof', () => {
    const layout = roofOf((c) => {
      c.roof.backsPainted = false;
      for (const circuit of Object.values(c.circuits)) circuit.ohms = 470;
    }, 'bus-12');
    const found = checkJob(layout, jobId).find((f) => f.rule === 'light-upwards')!;
    expect(found.sentence).toMatch(/lightness \d+/);
    expect(
      checkJob(patched(layout, found.remedies[0].patches), jobId).some((f) => f.rule === 'light-upwards'),
    ).toBe(false);
  });
});
