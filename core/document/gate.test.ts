import { describe, expect, test } from 'vitest';
import { boatTrain, demo, demoJob } from '../../tests/generated';
import { attempt, attemptPatches } from './gate';
import { checkLayout } from './file';
import { coachIn } from '../kinds/coach/jobs';
import { repaired } from './repair';
import { complaintsOf } from './sound';
import { VERSION } from './layout';
import type { Layout } from './layout';

const refusal = (recipe: Parameters<typeof attempt>[1]): string => {
  const made = attempt(demo(), recipe);
  return made.ok ? '' : made.reason;
};

describe('the gate', () => {
  test('a change that leaves a valid layout passes, whatever it is about', () => {
    const made = attempt(boatTrain(), (d) => void (d.jobs['diesel-shunter'].name = 'Shunter'));
    expect(made.ok && made.change.patches).toEqual([
      { op: 'replace', path: ['jobs', 'diesel-shunter', 'name'], value: 'Shunter' },
    ]);
  });
  test.each([
    [
      'a figure beyond its limit',
      (d) => void (coachIn(d, demoJob).wantedLux = 1e6),
      /“Compartment coach.*”: wanted is 1000000 lx; allowed is at most 100000 lx/,
    ],
    [
      'a name too long',
      (d) => void (d.name = 'x'.repeat(121)),
      /name is 121 long; allowed is at most 120 characters/,
    ],
    ['no name', (d) => void (d.name = ''), /at least 1 characters/],
    ['a reference to nothing', (d) => void (coachIn(d, demoJob).supplyId = 'ghost'), /no supply “ghost”/],
    ['not a number', (d) => void (coachIn(d, demoJob).wantedLux = NaN), /wanted is NaN.*a number/],
    [
      'an unknown word',
      (d) => Object.assign(coachIn(d, demoJob).lamps['lamp-1'], { tint: 'mauve' }),
      /tint is “mauve”; allowed is one of “none”/,
    ],
    [
      'something left out',
      (d) => Reflect.deleteProperty(coachIn(d, demoJob), 'ride'),
      /ride is missing; allowed is a group of values/,
    ],
    ['a recipe that fails', (d) => void coachIn(d, 'ghost'), /no job ghost/],
  ] as [string, Parameters<typeof attempt>[1], RegExp][])(
    '%s changes nothing and says why',
    (_, recipe, why) => {
      expect(refusal(recipe)).toMatch(why);
      // Never in the words of the schema library.
      expect(refusal(recipe)).not.toMatch(/Invalid|expected/);
    },
  );
  test('patches whose path has gone are refused with it', () => {
    const made = attemptPatches(demo(), [{ op: 'replace', path: ['jobs', 'ghost', 'name'], value: 'x' }]);
    expect(made).toEqual({ ok: false, reason: 'jobs.ghost.name is no longer there' });
  });
  test('what it lets through is what a file lets through', () => {
    const alter: ((d: Record<string, unknown>) => unknown)[] = [
      (d) => (d.scale = 'XX'),
      (d) => delete d.trains,
      (d) => (d.drawer = {}),
      (d) => (d.jobs = []),
      (d) => (d.feeds = { unknown: 'survives' }),
      (d) => (d.jobs = { ...(d.jobs as object), constructor: 5 }),
    ];
    for (const recipe of alter) {
      const plain = structuredClone(demo()) as unknown as Record<string, unknown>;
      recipe(plain);
      expect(complaintsOf(plain as unknown as Layout).length === 0).toBe(checkLayout(plain).ok);
    }
  });
});

describe('repair', () => {
  const broken = (alter: (d: Record<string, never> & Layout) => unknown): unknown => {
    const plain = structuredClone(boatTrain()) as Record<string, never> & Layout;
    alter(plain);
    return plain;
  };
  test('a valid layout needs none', () => {
    expect(repaired(boatTrain())).toEqual({ ok: true, layout: boatTrain(), repairs: [] });
  });
  test('figures go to their limits, references are left open, the rest is taken out, all of it listed', () => {
    const raw = broken((d) => {
      Object.assign(d.supplies.track, { amplitudeVolts: 150 });
      const coach = coachIn(d, demoJob);
      const [first, second, third] = Object.values(coach.lamps) as unknown as Record<string, unknown>[];
      first.circuitId = 'ghost';
      second.part = 'own:gone';
      third.tint = 7;
      Object.assign(coach, { wantedLux: '55', name: 'n'.repeat(90) });
    });
    const before = JSON.stringify(raw);
    const read = repaired(raw);
    if (!read.ok) throw new Error(JSON.stringify(read.complaints));
    expect(JSON.stringify(raw)).toBe(before);
    const coach = coachIn(read.layout, demoJob);
    expect((read.layout.supplies.track as { amplitudeVolts: number }).amplitudeVolts).toBe(22);
    expect(coach).toMatchObject({ wantedLux: 55, name: 'n'.repeat(80) });
    expect(Object.keys(coach.lamps)).toHaveLength(
      Object.keys(coachIn(boatTrain(), demoJob).lamps).length - 1,
    );
    expect(read.repairs.map((r) => r.becomes)).toEqual(
      expect.arrayContaining(['22', '55', 'left open', null, '“white-warm”']),
    );
    expect(read.repairs).toHaveLength(6);
  });
  test('a job is taken out where nothing smaller will do', () => {
    const read = repaired(broken((d) => Object.assign(d.jobs[demoJob], { kind: 'balloon' })));
    expect(read.ok && read.layout.jobs[demoJob]).toBeUndefined();
    expect(read.ok && read.repairs[0]).toMatchObject({ path: `jobs.${demoJob}`, becomes: null });
    // A train that had it has lost the car, and says so.
    expect(read.ok && read.repairs.some((r) => r.path.startsWith('trains.'))).toBe(true);
  });
  test.each([
    ['nothing', null],
    ['another format', { format: 'list', version: 1 }],
    ['the future', { ...boatTrain(), version: VERSION + 1 }],
    ['no scale to guess', broken((d) => Object.assign(d, { scale: 3 }))],
  ])('%s is not repaired, with the reason', (_, raw) => {
    const read = repaired(raw);
    expect(read.ok).toBe(false);
    expect(!read.ok && read.complaints.length).toBeGreaterThan(0);
  });
});
