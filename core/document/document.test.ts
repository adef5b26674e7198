import { condition, roofOf } from '../../tests/roof';
import { coachIn } from '../kinds/coach/jobs';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { demo, demoJob, generatedLayout } from '../../tests/generated';
import { checkLayout, readLayout, writeLayout } from './file';
import { jsonSchema, VERSION } from './layout';
import { inOrder } from './in-order';
import { stageOf } from './line-stages';
import { change, patched } from './patch';

const refusal = (text: string): string => {
  const read = readLayout(text);
  if (read.ok) throw new Error('it was read');
  return read.complaints.map((c) => `${c.path}: ${c.reason}`).join('\n');
};
const altered = (edit: (plain: ReturnType<typeof demo> & Record<string, unknown>) => void): string => {
  const plain = structuredClone(demo()) as ReturnType<typeof demo> & Record<string, unknown>;
  edit(plain);
  return JSON.stringify(plain);
};

describe('a name twice in one record of a file', () => {
  test.each([
    ['{"a": {"x": 1, "x": 2}}', /“x” stands in it twice/],
    ['{"a": 1, "b": [{"c": 1}, {"c": 2}], "a": 3}', /“a” stands in it twice/],
    ['{"caf\\u00e9": 1, "café": 2}', /“café” stands in it twice/],
  ])('%s is refused', (text, why) => expect(refusal(text)).toMatch(why));
  test.each([
    '{"a": {"a": 1}, "b": {"a": 2}}',
    '{"a": "\\": {\\"a\\":", "b": ["a", "a"], "c": "a"}',
    `{"a": "${'x'.repeat(12_000_000)}"}`,
  ])('what only looks like it is not', (text) => expect(refusal(text)).toMatch(/not a Hazel Spark layout/));
  test('a job twice is not the last one without a word', () => {
    const text = writeLayout(demo()).replace('"jobs": {', `"jobs": { "${demoJob}": {},`);
    expect(refusal(text)).toMatch(new RegExp(`“${demoJob}” stands in it twice`));
  });
});

describe('the file', () => {
  test('round trip without loss', () => {
    fc.assert(
      fc.property(generatedLayout, (layout) => {
        const read = readLayout(writeLayout(layout));
        expect(read.ok && read.layout).toEqual(layout);
      }),
      { numRuns: 100 },
    );
  });
  test('fields it does not know survive, at every level', () => {
    const text = altered((l) => {
      l.feeds = { bus: { metres: 4 } };
      (coachIn(l, demoJob) as Record<string, unknown>).sketch = [1, { two: 2 }];
      (coachIn(l, demoJob).lamps['lamp-1'] as Record<string, unknown>).bag = 'left drawer';
      (l.supplies.track as Record<string, unknown>).bought = '2024';
    });
    const read = readLayout(text);
    expect(read.ok && JSON.parse(writeLayout(read.layout))).toEqual(JSON.parse(text));
  });
  test.each([
    ['nothing', '', /empty/],
    ['words', 'hello', /not JSON/],
    ['cut off', writeLayout(demo()).slice(0, 700), /cut off/],
    ['a list', '[]', /does not hold a layout/],
    ['a number', '7', /does not hold a layout/],
    [
      'another format',
      '{"format":"something-else","version":1}',
      /format: this is not a Hazel Spark layout: its format is “"something-else"”/,
    ],
    ['no version', '{"format":"hazel-spark-layout"}', /version is missing/],
    ['a newer version', altered((l) => Object.assign(l, { version: 99 })), /newer Hazel Spark \(version 99/],
    [
      'a bad figure',
      altered((l) => Object.assign(coachIn(l, demoJob).circuits.roof, { ohms: -3 })),
      /jobs\.compartment-coach\.circuits\.roof\.ohms/,
    ],
    [
      'a figure as text',
      altered((l) => Object.assign(l.supplies.track, { amplitudeVolts: '15' })),
      /supplies\.track\.amplitudeVolts/,
    ],
    [
      'no such supply',
      altered((l) => Object.assign(coachIn(l, demoJob), { supplyId: 'ghost' })),
      /supplyId: there is no supply “ghost”/,
    ],
    [
      'no such group',
      altered((l) => Object.assign(coachIn(l, demoJob).lamps['lamp-2'], { circuitId: 'x' })),
      /lamps\.lamp-2\.circuitId/,
    ],
    [
      'no such lamp',
      altered((l) => Object.assign(coachIn(l, demoJob).lamps['lamp-2'], { part: 'toString' })),
      /no lamp type “toString”/,
    ],
    [
      'nested without end',
      `{"format":"hazel-spark-layout","version":1,"x":${'['.repeat(5000)}${']'.repeat(5000)}}`,
      /nested deeper/,
    ],
  ])('%s is refused whole, with path and reason', (_, text, why) => {
    expect(refusal(text)).toMatch(why);
  });
  test('one file may have several complaints', () => {
    expect(refusal(altered((l) => Object.assign(l, { name: '', scale: 'XX' }))).split('\n')).toHaveLength(2);
  });
  test('names of the language’s own do no harm', () => {
    const text = writeLayout(demo()).replace('"compartment-coach": {', '"__proto__": {');
    const read = readLayout(text);
    expect(({} as Record<string, unknown>).kind).toBeUndefined();
    const whole = Object.keys(demo().jobs).length;
    if (read.ok) expect(Object.keys(read.layout.jobs).length).toBeLessThanOrEqual(whole);
  });
  test('the published schema is the one in force', () => {
    const published = JSON.parse(
      readFileSync(new URL('../../docs/schema/layout.schema.json', import.meta.url), 'utf8'),
    );
    expect(jsonSchema()).toEqual(published);
  });
  test('what is stored by the browser is checked like a file', () => {
    expect(checkLayout({ ...demo(), version: VERSION + 1 }).ok).toBe(false);
  });
});

describe('changes', () => {
  test('the inverse takes a change back', () => {
    const before = demo();
    const made = change(before, (draft) => {
      condition(coachIn(draft, demoJob), { reservoir: null });
      delete coachIn(draft, demoJob).lamps['lamp-3'];
    });
    expect(made.layout).not.toEqual(before);
    expect(patched(made.layout, made.inverse)).toEqual(before);
    expect(patched(before, made.patches)).toEqual(made.layout);
  });
  test('a change whose path has gone says so', () => {
    const { patches } = change(
      demo(),
      (draft) => void (stageOf(roofOf(draft), 'reservoir')!.ratedVolts = 35),
    );
    const { layout } = change(demo(), (draft) => condition(coachIn(draft, demoJob), { reservoir: null }));
    expect(() => patched(layout, patches)).toThrow(/reservoir\.ratedVolts is no longer there/);
  });
  test('order is the person’s', () => {
    const { layout } = change(demo(), (draft) => void (coachIn(draft, demoJob).lamps['lamp-7'].order = 0));
    expect(inOrder(coachIn(layout, demoJob).lamps)[0].id).toBe('lamp-7');
  });
});
