import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { demo, demoJob } from '../../tests/generated';
import { onDecoder, vehicleId } from '../../tests/vehicles';
import { change } from '../document/patch';
import { coachIn } from '../kinds/coach/jobs';
import { benchOf } from '../study/bench';
import { usualReadings } from '../study/solver';
import { truthTable } from '../study/truth-table';
import { plainName, elementId } from './element-id';
import type { Layout } from '../document/layout';

const awkward = fc.oneof(
  fc.stringMatching(/^[ab_-]{0,5}$/),
  fc.constantFrom('é', 'ü', 'A', 'a', 'a_b', 'a-b', 'a--b', 'a__b', 'a 2', 'a-2', '__2d_', ''),
  fc.string({ maxLength: 6 }),
);

describe('names of elements', () => {
  test('two names are never written alike, and a deck can carry them', () => {
    fc.assert(
      fc.property(awkward, awkward, (a, b) => {
        expect(plainName(a) === plainName(b)).toBe(a === b);
        expect(plainName(a)).toMatch(/^[a-z0-9_]*$/);
      }),
      { numRuns: 2000 },
    );
  });
  test('a usual name is written as it always was', () => {
    expect(elementId('d', 'lamp-headlight-a')).toBe('d_lamp_headlight_a');
  });
  test('the second junction of a strip is not the next lamp', () => {
    expect(elementId('d', 'lamp-l', 2)).not.toBe(elementId('d', 'lamp-l-2'));
  });

  const pairs = [
    ['a-b', 'a_b'],
    ['é', 'ü'],
    ['l', 'l-2'],
    ['x', 'x-second'],
    ['roof', 'Roof'],
  ];
  test.each(pairs)('a coach with the lamps “%s” and “%s”, strips of three, is solved', (one, other) => {
    const { layout } = change(demo(), (d) => {
      const job = coachIn(d, demoJob);
      const [lamp] = Object.values(job.lamps);
      job.lamps = {
        [one]: { ...lamp, part: 'strip-warm' },
        [other]: { ...lamp, part: 'strip-warm', order: 2 },
      };
    });
    const { dies } = usualReadings(benchOf(layout, demoJob));
    expect(dies.map((l) => l.lampId).sort()).toEqual([one, other].sort());
    expect(dies[0].amps.mean).toBeCloseTo(dies[1].amps.mean, 9);
  });
  test.each(pairs)('so is a locomotive with “%s” and “%s”, as lamps and as circuits', (one, other) => {
    const layout: Layout = onDecoder((job) => {
      const [lamp] = Object.values(job.lamps);
      const circuit = job.circuits[lamp.circuitId!];
      job.circuits = { [one]: circuit, [other]: { ...circuit, order: 2 } };
      job.lamps = {
        [one]: { ...lamp, circuitId: one, secondPart: 'red' },
        [other]: { ...lamp, circuitId: other, order: 2, part: 'strip-warm' },
      };
    });
    const { rows, unsolved } = truthTable(benchOf(layout, vehicleId));
    expect(unsolved).toEqual([]);
    expect(new Set(rows[0].dies.map((l) => l.lampId))).toEqual(new Set([one, other]));
  });
});
