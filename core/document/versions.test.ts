import { condition } from '../../tests/roof';
import { describe, expect, test } from 'vitest';
import { boatTrain, demoJob } from '../../tests/generated';
import { change } from './patch';
import { coachIn } from '../kinds/coach/jobs';
import { differences } from './differences';
import { labelsOf, versionsOf } from './versions';
import { thinnedOut } from './thinning';

const MINUTE = 60_000;
const layout = boatTrain();
const step = (seq: number, at: number, label = 'Light', entryId = `e${seq}`) => ({
  seq,
  at,
  label,
  kind: 'edit' as const,
  entryId,
  patches: [{ op: 'replace' as const, path: ['name'], value: label }],
});
const state = (seq: number, at: number, origin: string | null = null, name: string | null = null) => ({
  seq,
  at,
  origin,
  name,
  says: ['before it was thinned'],
});

describe('versions', () => {
  test('steps close to one another are one line, a pause begins another, the newest first', () => {
    const lines = versionsOf(
      [state(0, 0, 'The demo')],
      [step(1, MINUTE), step(2, 2 * MINUTE, 'Name'), step(3, 40 * MINUTE, 'Name')],
      layout,
    );
    expect(lines.map((l) => [l.seq, l.says, l.steps])).toEqual([
      [3, ['Name'], 1],
      [2, ['Light', 'Name'], 2],
      [0, ['The demo'], 0],
    ]);
    expect(lines[1]).toMatchObject({ from: MINUTE, to: 2 * MINUTE });
  });
  test('a named state ends its line; one kept in passing among steps is no line of its own', () => {
    const lines = versionsOf(
      [state(0, 0, 'The demo'), state(1, MINUTE, null, 'before the roof'), state(2, 2 * MINUTE)],
      [step(1, MINUTE), step(2, 2 * MINUTE), step(3, 3 * MINUTE)],
      layout,
    );
    expect(lines.map((l) => [l.seq, l.name])).toEqual([
      [3, null],
      [1, 'before the roof'],
      [0, null],
    ]);
  });
  test('where steps have been thinned out their states tell what was done', () => {
    const [line] = versionsOf([state(7, 5)], [], layout);
    expect(line).toMatchObject({ seq: 7, says: ['before it was thinned'], steps: 0 });
  });
  test('labels come once, with how often; a drag counts as one', () => {
    const drag = [1, 2, 3].map((n) => step(n, n, 'Light', 'drag'));
    const back = { ...step(5, 5, 'Light', 'drag'), kind: 'undo' as const };
    expect(labelsOf([...drag, step(4, 4), back], layout)).toEqual(['Light (2 times)', 'taken back: Light']);
    const path = ['jobs', demoJob, 'wantedLux'];
    const about = { ...step(6, 6), patches: [{ op: 'replace' as const, path, value: 3 }] };
    const gone = { ...about, patches: [{ ...about.patches[0], path: ['jobs', 'gone', 'name'] }] };
    expect(labelsOf([about, gone], layout)).toEqual(['Compartment coach 14: light', 'Light']);
  });
  test('a long sitting is cut into lines that can be told apart', () => {
    const lines = versionsOf(
      [],
      Array.from({ length: 200 }, (_, i) => step(i + 1, i * 1000)),
      layout,
    );
    expect(lines.length).toBe(5);
  });
});

describe('thinning by age', () => {
  const HOUR = 60 * MINUTE;
  const DAY = 24 * HOUR;
  const now = 400 * DAY;
  const left = (states: { seq: number; at: number; forGood: boolean }[]): number[] => {
    const gone = thinnedOut(states, now);
    return states.map((s) => s.seq).filter((s) => !gone.includes(s));
  };
  test.each([
    ['a day', 0, DAY, 10 * MINUTE, 144],
    ['a week', DAY, 7 * DAY, 10 * MINUTE, 144],
    ['two months', 7 * DAY, 60 * DAY, HOUR, 53],
    ['a year', 60 * DAY, 360 * DAY, DAY, 43],
  ])('within %s', (_, from, to, every, about) => {
    const states = [];
    for (let age = to - every; age >= from; age -= every)
      states.push({ seq: states.length, at: now - age, forGood: false });
    const kept = left(states);
    expect(kept.length).toBeGreaterThanOrEqual(about - 1);
    expect(kept.length).toBeLessThanOrEqual(about + 2);
    expect(kept).toContain(states.length - 1);
  });
  test('what is kept for good stays, however old and near to others', () => {
    const states = [0, 1, 2, 3].map((seq) => ({ seq, at: DAY + seq * MINUTE, forGood: seq === 1 }));
    expect(left(states)).toEqual([1, 3]);
  });
});

describe('differences', () => {
  test('are told by what the person calls things, with units', () => {
    const after = change(boatTrain(), (d) => {
      const job = coachIn(d, demoJob);
      job.wantedLux = 80;
      condition(job, { reservoir: null });
      delete job.lamps['lamp-3'];
      d.jobs['luggage-van'].name = 'Van';
      job.fit.blackedOut.roof = !job.fit.blackedOut.roof;
    }).layout;
    const told = differences(boatTrain(), after).map((d) => `${d.what}: ${d.before} → ${d.after}`);
    expect(told).toHaveLength(5);
    expect(told.some((t) => /^“Compartment coach 14”, wanted: \d+ lx → 80 lx$/.test(t))).toBe(true);
    expect(told.some((t) => /^“Roof”, stages: kind “reservoir”, .*V → not there$/.test(t))).toBe(true);
    expect(told.some((t) => /“Compartment coach 14”, lamps: .* → not there$/.test(t))).toBe(true);
    expect(told.some((t) => /→ “Van”$/.test(t))).toBe(true);
    expect(told.some((t) => /roof: (yes → no|no → yes)$/.test(t))).toBe(true);
  });
  test('none between a layout and itself, and never more than asked for', () => {
    expect(differences(boatTrain(), structuredClone(boatTrain()))).toEqual([]);
    const other = { ...boatTrain(), jobs: {}, supplies: {}, name: 'x', currency: 'y' };
    expect(differences(boatTrain(), other, 3)).toHaveLength(3);
  });
});
