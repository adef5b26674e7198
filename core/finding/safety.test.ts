import { condition } from '../../tests/roof';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { demo, demoJob, generatedLayout } from '../../tests/generated';
import { usualSupply } from '../document/usual-supply';
import { change } from '../document/patch';
import { withFault } from '../assembly/fault';
import { benchOf } from '../study/bench';
import { layLamps } from '../kinds/coach/schools';
import { checkJob } from './check';
import { gravestFirst } from './gravest-first';
import { coachIn } from '../kinds/coach/jobs';
import type { Finding } from './finding';
import type { Layout } from '../document/layout';

describe('every finding of generated jobs', () => {
  const all: Finding[] = fc
    .sample(generatedLayout, { numRuns: 12, seed: 77 })
    .flatMap((l) => checkJob(l, demoJob));
  test('has a sentence with a figure, a reason, and figures that are numbers', () => {
    expect(all.length).toBeGreaterThan(10);
    for (const f of all) {
      expect(f.sentence, f.id).toMatch(/\d/);
      expect(f.reason.length, f.id).toBeGreaterThan(30);
      expect(f.figures.length, f.id).toBeGreaterThan(0);
      for (const { is, limit, unit } of f.figures) {
        expect(Number.isFinite(is), f.id).toBe(true);
        expect(limit === null || Number.isFinite(limit), f.id).toBe(true);
        expect(unit).not.toBe('');
      }
    }
  });
  test('never shows what no person should read', () => {
    for (const f of all)
      expect(`${f.title} ${f.sentence} ${f.reason}`).not.toMatch(/NaN|undefined|null|Infinity|\[object|_/);
  });
  test('is about paths that are there', () => {
    for (const layout of fc.sample(generatedLayout, { numRuns: 8, seed: 78 })) {
      for (const f of checkJob(layout, demoJob)) {
        for (const path of f.paths) {
          const parent = path
            .slice(0, -1)
            .reduce<unknown>((at, step) => (at as Record<string, unknown> | undefined)?.[step], layout);
          expect(parent, `${f.id}: ${path.join('.')}`).toBeDefined();
        }
      }
    }
  });
  test('the gravest come first', () => {
    const weight = { stop: 0, mind: 1, note: 2 };
    const sorted = gravestFirst(all).map((f) => weight[f.severity]);
    expect(sorted).toEqual([...sorted].sort((a, b) => a - b));
  });
});

describe('faults on the bench are judged like any job', () => {
  const on = (kind: 'layout-bus' | 'cell', recipe: Parameters<typeof change>[1] = () => undefined): Layout =>
    change(demo(), (draft) => {
      draft.supplies.track = usualSupply(kind, 'H0', 1) as Layout['supplies'][string];
      condition(coachIn(draft, demoJob), { rectifier: 'none', chargeResistor: null });
      recipe(draft);
    }).layout;
  test('a bus plugged in the wrong way round drives a reservoir backwards', () => {
    const findings = checkJob(on('layout-bus'), demoJob, { faults: [{ kind: 'reversed', part: 'rails' }] });
    const f = findings.find((x) => x.rule === 'reservoir-backwards')!;
    expect(f.severity).toBe('stop');
    expect(f.figures[0].is).toBeGreaterThan(11);
    expect(checkJob(on('layout-bus'), demoJob).find((x) => x.rule === 'reservoir-backwards')).toBeUndefined();
  });
  test('a limiter put in backwards blocks, and its lamps are said to stay dark', () => {
    const layout = on('layout-bus', (draft) => {
      const job = coachIn(draft, demoJob);
      condition(job, { reservoir: null });
      layLamps(job, 'strip-warm', 2);
      Object.assign(job.circuits.roof, { limit: 'limiter', limiterAmps: 0.01 });
    });
    const whole = benchOf(layout, demoJob);
    expect(checkJob(layout, demoJob).find((f) => f.rule === 'never-lit')).toBeUndefined();
    const turned = withFault(whole.assembly, { kind: 'reversed', part: 'limiter-roof' });
    expect(turned.leads).not.toEqual(whole.assembly.leads);
    const findings = checkJob(layout, demoJob, { faults: [{ kind: 'reversed', part: 'limiter-roof' }] });
    expect(findings.find((f) => f.rule === 'never-lit')).toBeDefined();
  });
  test('where a supply cannot light what hangs on it, the reason has its volts', () => {
    const layout = on('cell', (draft) => {
      condition(coachIn(draft, demoJob), { reservoir: null });
      layLamps(coachIn(draft, demoJob), 'strip-warm', 3);
      coachIn(draft, demoJob).circuits.roof.limit = 'shared';
    });
    const f = checkJob(layout, demoJob).find((x) => x.rule === 'never-lit')!;
    expect(f.reason).toMatch(/Cell gives 3\.1 V at most; .* take \d\.\d+ V/);
    expect(f.remedies).toEqual([]);
  });
});
