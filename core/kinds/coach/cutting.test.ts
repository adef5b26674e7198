import { describe, expect, test } from 'vitest';
import { boatTrain, demoJob } from '../../../tests/generated';
import { change, patched } from '../../document/patch';
import { coachLight } from './light';
import { cuttingStudy, cuttables, CUT_STEP } from './cutting';
import { darkRooms } from './dark-rooms';
import { hangLamps } from './hang-lamps';
import { equalPlacing } from './equal-placing';
import { solvedCoach } from './solved-coach';
import { coachIn } from './jobs';
import type { Draft } from 'immer';
import type { CoachRecord as Job } from './record';
import type { Layout } from '../../document/layout';

const coach = (recipe: (job: Draft<Job>) => void, perRow: number[]): Layout => {
  const inside = change(boatTrain(), (draft) => recipe(coachIn(draft, demoJob))).layout;
  return change(inside, (draft) =>
    hangLamps(coachIn(draft, demoJob), 'roof', equalPlacing(coachIn(inside, demoJob), perRow)),
  ).layout;
};
const dark = (layout: Layout): string[] => {
  const { job, steady } = solvedCoach(layout, demoJob);
  return darkRooms(coachLight(job, steady!)).map((r) => r.name);
};

describe('the least irreversible cutting', () => {
  test('where every room is lit: none', () => {
    expect(cuttingStudy(boatTrain(), demoJob).least).toMatchObject({ way: 'as it is', patches: [] });
  });
  test('one row and a dark corridor: two rows, without a cut', () => {
    const layout = coach(() => undefined, [7]);
    expect(dark(layout)).toEqual(['Corridor']);
    const { least } = cuttingStudy(layout, demoJob);
    expect(least.way).toBe('two rows');
    expect(dark(patched(layout, least.patches))).toEqual([]);
    const after = coachIn(patched(layout, least.patches), demoJob);
    expect(after.interior).toBe(coachIn(layout, demoJob).interior);
  });
  test('six lamps that stay, walls half a millimetre below the ceiling: the shallowest cut that lights every room', () => {
    const layout = coach(
      (job) => {
        for (const r of Object.values(job.interior.rooms)) {
          r.kind = 'compartment';
          r.partitionAcross = 'full';
          r.partitionMillimetres = job.interior.ceilingMillimetres - 0.5;
        }
        job.interior.corridor = null;
      },
      [6],
    );
    expect(dark(layout)).toHaveLength(1);
    const { least, offers } = cuttingStudy(layout, demoJob, true);
    expect(least.way).toBe('cut');
    expect(dark(patched(layout, least.patches))).toEqual([]);
    const enough = offers.filter((o) => o.what === 'partitions' && o.stillDark.length === 0);
    expect(least.says).toContain(`${Math.min(...enough.map((o) => o.millimetres))} mm off lights every room`);
    // Half a millimetre less does not.
    const less = offers.find(
      (o) =>
        o.what === 'partitions' && o.millimetres === Math.min(...enough.map((e) => e.millimetres)) - CUT_STEP,
    )!;
    expect(dark(patched(layout, less.patches))).toHaveLength(1);
  });
  test('where no cut helps that is said, and a lamp advised', () => {
    const layout = coach((job) => void (job.interior.corridor!.side = 'far'), [7]);
    const { least } = cuttingStudy(layout, demoJob, true);
    if (least.way === 'none') expect(least.says).toMatch(/a lamp of their own does/);
    else expect(dark(patched(layout, least.patches))).toEqual([]);
  });
});

describe('what half a millimetre buys', () => {
  const layout = coach(
    (job) => {
      for (const r of Object.values(job.interior.rooms)) r.partitionMillimetres -= 1.5;
      job.interior.corridor!.wallMillimetres -= 5;
    },
    [7],
  );
  const { offers } = cuttingStudy(layout, demoJob);
  const of = (what: keyof typeof cuttables) => offers.filter((o) => o.what === what);
  test('goes in steps of half a millimetre, each as patches that make it so', () => {
    expect(of('corridor').map((o) => o.millimetres)).toEqual([0.5, 1, 1.5, 2, 2.5, 3, 3.5, 4]);
    const second = of('corridor')[1];
    expect(coachIn(patched(layout, second.patches), demoJob).interior.corridor!.wallMillimetres).toBeCloseTo(
      coachIn(layout, demoJob).interior.corridor!.wallMillimetres - 2 * CUT_STEP,
      6,
    );
  });
  test('a lower corridor wall gives the corridor light, more the lower it is', () => {
    const gain = (k: number): number =>
      of('corridor')[k].gains.find((g) => g.name === 'Corridor')?.share ?? 0;
    expect(gain(7)).toBeGreaterThan(gain(1));
    expect(gain(7)).toBeGreaterThan(0.1);
  });
  test('minutes grow with depth and with the number of pieces', () => {
    const [first, second] = of('partitions');
    expect(second.minutes).toBe(2 * first.minutes);
    // Eight partitions in nine rooms.
    expect(first.minutes).toBe(cuttables.partitions.minutesEach * 8);
  });
  test('can be stopped', () => {
    let told = 0;
    const stopped = cuttingStudy(layout, demoJob, false, () => ++told === 3);
    expect(stopped.offers.length).toBeLessThanOrEqual(3);
    expect(stopped.least.way).toBe('none');
  });
});
