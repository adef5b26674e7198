import { describe, expect, test } from 'vitest';
import { boatTrain, demo, demoJob } from '../../tests/generated';
import { condition } from '../../tests/roof';
import { eachLine, onDecoder, onRails, vehicleId, wireAll } from '../../tests/vehicles';
import { putStage } from '../document/line-stages';
import { change, patched } from '../document/patch';
import { attemptPatches } from '../document/gate';
import { coachIn } from '../kinds/coach/jobs';
import { rulesOf } from '../kinds/rules';
import { benchOf } from '../study/bench';
import { checkBench, checkJob, judge } from './check';
import { checkBenchInSteps } from './judging';
import { rules } from './rules';
import { paceOf, StudyDesk } from './studies';
import type { Layout } from '../document/layout';
import type { Finding } from './finding';

const ids = (layout: Layout, id: string, asked?: 'quick' | 'slow' | 'all'): string[] =>
  checkJob(layout, id, {}, asked).map((f) => f.id);

describe('the scheduler of rules', () => {
  test('what is quick and what is slow are together all, and nothing twice', () => {
    for (const id of Object.keys(boatTrain().jobs)) {
      const layout = boatTrain();
      const [quick, slow, all] = (['quick', 'slow', 'all'] as const).map((asked) => ids(layout, id, asked));
      expect([...quick, ...slow].sort()).toEqual([...all].sort());
      expect(new Set(all).size).toBe(all.length);
    }
  });
  test('every rule has an id of its own, and names studies there are', () => {
    const known = [...rules, ...rulesOf('coach'), ...rulesOf('locomotive')];
    for (const r of known) for (const need of r.needs) expect(Object.keys(paceOf)).toContain(need);
    for (const kind of ['coach', 'locomotive'] as const) {
      const own = [...rules, ...rulesOf(kind)].map((r) => r.id);
      expect(new Set(own).size).toBe(own.length);
    }
  });
  test('a study is made once, however many rules ask for it', () => {
    const desk = new StudyDesk(benchOf(demo(), demoJob));
    expect(desk.get('usual')).toBe(desk.get('usual'));
    expect(desk.get('now')).toBe(desk.get('now'));
  });
  test('a state without an answer is told, and what could be solved is judged all the same', () => {
    const layout = onDecoder((job) => {
      wireAll(job, 'own-bridge');
      // No real part: a nanofarad and a tenth of an ohm behind a bridge.
      eachLine(job, (line) => putStage(line, 'reservoir', { farads: 1e-9, ratedVolts: 25 }));
      for (const l of Object.values(job.lamps)) l.ohms = 0.1;
    });
    const findings = checkJob(layout, vehicleId);
    const told = findings.filter((f) => f.rule === 'no-answer' || f.rule === 'not-judged');
    expect(told).toHaveLength(1);
    expect(findings.length).toBeGreaterThan(told.length);
  });
  test('what is wrong is told before its cures are tried: the same findings, in the same order', () => {
    for (const jobId of Object.keys(demo().jobs).slice(0, 6)) {
      const steps = checkBenchInSteps(
        new StudyDesk(benchOf(demo(), jobId)),
        rulesOf(demo().jobs[jobId].kind),
        'quick',
      );
      const early: Finding[][] = [];
      let step = steps.next();
      for (; !step.done; step = steps.next()) if (step.value) early.push(step.value);
      expect(early, jobId).toHaveLength(1);
      const bare = (of: readonly Finding[]) =>
        of.map(({ id, severity, sentence }) => [id, severity, sentence]);
      // What is worth a word only where a cure holds comes with it.
      const certain = step.value.filter((f) => early[0].some((e) => e.id === f.id));
      expect(bare(early[0]), jobId).toEqual(bare(certain));
      expect(early[0].every((f) => f.remedies.length === 0)).toBe(true);
      for (const late of step.value.filter((f) => !certain.includes(f)))
        expect(late.remedies.length).toBeGreaterThan(0);
    }
  });
  test('the gravest come first, and of one cause only the cause is told', () => {
    const layout = onRails('shared-both-ways', (job) => void (job.lines['end-a'].swapped = true));
    const found = checkJob(layout, vehicleId);
    const weight = { stop: 0, mind: 1, note: 2 };
    const order = found.map((f) => weight[f.severity]);
    expect([...order].sort()).toEqual(order);
    expect(found.map((f) => f.rule)).toContain('head-and-tail-exchanged');
    expect(found.filter((f) => f.subject.end === 'A').map((f) => f.rule)).not.toContain('no-tail');
  });
  test('findings stay under their ids when something else changes', () => {
    const before = ids(boatTrain(), demoJob);
    const after = change(boatTrain(), (d) => void (coachIn(d, demoJob).note = 'oiled')).layout;
    expect(ids(after, demoJob)).toEqual(before);
  });
});

describe('cures', () => {
  test('mend what they newly break: a reservoir fitted against flicker is rated for what it sees', () => {
    const layout = change(demo(), (draft) => {
      draft.supplies.track = {
        kind: 'ac-track',
        order: 1,
        name: 'Loop',
        rmsVolts: 16,
        highestRmsVolts: 20,
        hertz: 50,
        limitAmps: 3,
        tripSeconds: 0.1,
        trackOhms: 0.5,
        reversingPulseVolts: 0,
      };
      condition(coachIn(draft, demoJob), { reservoir: null, chargeResistor: null });
    }).layout;
    const flicker = checkJob(layout, demoJob).find((f) => f.rule === 'flicker')!;
    expect(flicker.remedies.length).toBeGreaterThan(0);
    for (const { patches } of flicker.remedies) {
      const after = judge(new StudyDesk(benchOf(patched(layout, patches), demoJob)));
      expect(after.filter((f) => f.severity === 'stop')).toEqual([]);
      expect(after.map((f) => f.rule)).not.toContain('flicker');
    }
  });
  test('are offered as patches of the job alone, each of which passes the gate', () => {
    for (const [id, job] of Object.entries(boatTrain().jobs)) {
      const layout = boatTrain();
      expect(job.name).not.toBe('');
      for (const { remedies } of checkJob(layout, id))
        for (const { patches } of remedies) {
          expect(attemptPatches(layout, patches).ok).toBe(true);
          for (const p of patches) expect(p.path.slice(0, 2)).toEqual(['jobs', id]);
        }
    }
  });
  test('are judged on the supply that is looked at, not on the job’s own', () => {
    const layout = onRails('own-bridge', (job) =>
      eachLine(job, (line) => putStage(line, 'reservoir', { farads: 1e-4, ratedVolts: 15 })),
    );
    const there = (supplyId: string) =>
      checkBench(new StudyDesk(benchOf(layout, vehicleId, { supplyId }))).filter(
        (f) => f.rule === 'reservoir-rating',
      );
    const [onDc, onDcc] = [there('dc'), there('dcc')];
    expect(onDcc[0].figures[0].is).toBeGreaterThan(onDc[0]?.figures[0].is ?? 0);
    const [remedy] = onDcc[0].remedies;
    const after = checkBench(
      new StudyDesk(benchOf(patched(layout, remedy.patches), vehicleId, { supplyId: 'dcc' })),
    );
    expect(after.map((f) => f.id)).not.toContain(onDcc[0].id);
  });
});
