import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { boatTrain } from '../../../tests/generated';
import { coachIn } from './jobs';
import type { FitRecord, ThingRecord } from './fit-record';
import { usualFit } from './usual-fit';
import { usualInterior } from './usual-interior';
import { fitAnswers, lacking, type FitAnswer } from './fit';
import { floorAboveRail, showingThrough, sightLine } from './showing';
import type { CoachRecord as Job } from './record';

const coach = (plan: 'open' | 'compartment' | 'bare', fit: Partial<FitRecord>): Job => {
  const job = structuredClone(coachIn(boatTrain(), 'open-saloon'));
  job.interior = usualInterior(plan, job.dimensions, 'H0');
  job.fit = structuredClone({ ...usualFit(), ...fit });
  return job;
};
const board = {
  startMillimetres: 14,
  lengthMillimetres: 204,
  widthMillimetres: 11.5,
  thicknessMillimetres: 1,
  tallest: null,
};
const tabs = { apartMillimetres: 10.5, lengthMillimetres: 4, placesMillimetres: [38, 116, 194] };
const of = (job: Job, id: FitAnswer['id']): FitAnswer | undefined => fitAnswers(job).find((a) => a.id === id);

describe('a board between roof tabs', () => {
  test('11.5 mm wide between tabs 10.5 mm apart: notches of 0.5 mm in both edges where the tabs stand', () => {
    const answer = of(coach('bare', { board, tabs }), 'board-tabs')!;
    expect(answer.spareMillimetres).toBeCloseTo(-1, 9);
    expect(answer.notches.map((n) => n.placeMillimetres)).toEqual([38, 116, 194]);
    for (const n of answer.notches) {
      expect(n.depthMillimetres).toBeCloseTo(0.5, 9);
      expect(n.into).toBe('board');
      expect(n.lengthMillimetres).toBeGreaterThan(tabs.lengthMillimetres);
    }
  });
  test('as wide as the tabs are apart it goes in; a tab beside the board’s end needs no notch', () => {
    expect(
      of(coach('bare', { board: { ...board, widthMillimetres: 10.5 }, tabs }), 'board-tabs')!.notches,
    ).toEqual([]);
    const short = { ...board, startMillimetres: 50, lengthMillimetres: 100 };
    expect(
      of(coach('bare', { board: short, tabs }), 'board-tabs')!.notches.map((n) => n.placeMillimetres),
    ).toEqual([116]);
  });
  test('for any width and distance: two notches and the distance make the width', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 2, max: 29, noNaN: true }),
        fc.double({ min: 2, max: 29, noNaN: true }),
        (widthMillimetres, apartMillimetres) => {
          const job = coach('bare', {
            board: { ...board, widthMillimetres },
            tabs: { ...tabs, apartMillimetres },
          });
          const { notches, spareMillimetres } = of(job, 'board-tabs')!;
          expect(spareMillimetres).toBeCloseTo(apartMillimetres - widthMillimetres, 9);
          if (widthMillimetres > apartMillimetres + 1e-5)
            expect(2 * notches[0].depthMillimetres + apartMillimetres).toBeCloseTo(widthMillimetres, 9);
          else expect(notches).toEqual([]);
        },
      ),
    );
  });
});

describe('below the board', () => {
  test('partitions up to the ceiling get a notch each, as deep as the board is thick', () => {
    const job = coach('compartment', { board });
    const answer = of(job, 'board-under')!;
    const partitions = answer.notches.filter((n) => n.into === 'partition');
    // All partitions between the board's ends.
    const between = Object.values(job.interior.rooms).filter(
      (r) => r.endMillimetres > 14 && r.endMillimetres < 218,
    );
    expect(partitions).toHaveLength(between.length);
    for (const n of partitions) expect(n.depthMillimetres).toBeCloseTo(1, 9);
  });
  test('under the tallest part the notch is as much deeper', () => {
    const job = coach('compartment', { board });
    const wall = Object.values(job.interior.rooms)[3].endMillimetres;
    job.fit.board!.tallest = { heightMillimetres: 2.5, placeMillimetres: wall, lengthMillimetres: 6 };
    const notch = of(job, 'board-under')!.notches.find((n) => Math.abs(n.placeMillimetres - wall) < 1e-9)!;
    expect(notch.depthMillimetres).toBeCloseTo(3.5, 9);
    expect(of(job, 'board-under')!.spareMillimetres).toBeCloseTo(-3.5, 9);
  });
  test('partitions cut by the board’s thickness need none', () => {
    const job = coach('compartment', { board });
    for (const r of Object.values(job.interior.rooms)) r.partitionCutMillimetres = 1;
    expect(lacking(fitAnswers(job)).map((a) => a.id)).toEqual([]);
  });
  test('seat-backs are far below', () => {
    const answer = of(
      coach('open', { board: { ...board, startMillimetres: 20, lengthMillimetres: 190 } }),
      'board-under',
    )!;
    expect(answer.spareMillimetres).toBeGreaterThan(10);
  });
  test('light nearer to the ceiling than the board is thick cannot be', () => {
    const job = coach('bare', { board: { ...board, thicknessMillimetres: 3 } });
    expect(of(job, 'lamps-clear')!.spareMillimetres).toBeCloseTo(1.5 - 3, 9);
  });
});

describe('things', () => {
  const cell: ThingRecord = {
    order: 1,
    kind: 'cell',
    placeMillimetres: 116,
    acrossMillimetres: 0,
    bottomMillimetres: 0,
    lengthMillimetres: 22,
    widthMillimetres: 22,
    heightMillimetres: 4,
    reach: 'underside',
  };
  test('a cell of 20.0 mm and its holder (CR2032, IEC 60086) lies on a saloon’s floor, not in a compartment', () => {
    expect(of(coach('bare', { things: { cell } }), 'thing-cell')!.spareMillimetres).toBeGreaterThan(0);
    const tight = of(coach('compartment', { things: { cell } }), 'thing-cell')!;
    expect(tight.spareMillimetres).toBeLessThan(0);
    expect(tight.question).toMatch(/^Cell, a(cross|long)$/);
  });
  test('below the floor the rooms do not matter', () => {
    const under = { ...cell, bottomMillimetres: -4 };
    expect(
      of(coach('compartment', { things: { cell: under } }), 'thing-cell')!.spareMillimetres,
    ).toBeGreaterThan(100);
  });
});

describe('what shows through a window', () => {
  const thing = (over: Partial<ThingRecord>): Record<string, ThingRecord> => ({
    box: {
      order: 1,
      kind: 'reservoir',
      placeMillimetres: 116,
      acrossMillimetres: 0,
      bottomMillimetres: 6,
      lengthMillimetres: 8,
      widthMillimetres: 8,
      heightMillimetres: 8,
      reach: 'roof-off',
      ...over,
    },
  });
  const shows = (job: Job, id = 'box') => showingThrough(job).filter((s) => s.id === id && s.side === 'near');
  test('the heights of the eye are those of similar triangles', () => {
    const job = coach('bare', { things: thing({}) });
    job.fit.eye = { aboveRailMillimetres: 250, awayMillimetres: 500 };
    const [box] = shows(job);
    // Body of 29.9 mm: sill at 42 %, head at 76 % above the floor; the floor 11.55 mm above the rail.
    const floor = 10.5 * 1.1;
    expect(floorAboveRail(job.dimensions)).toBeCloseTo(floor, 9);
    const head = 0.76 * 29.9;
    const middle = job.interior.widthMillimetres / 2;
    // The highest eye sees the lowest point that is not covered, of the far edge or the near one.
    const highest = Math.max(
      ...[middle - 4, middle + 4].flatMap((d) => [6, 10, 14].map((z) => z + ((head - z) * (500 + d)) / d)),
    );
    expect(box.between![1]).toBeCloseTo(highest + floor, 6);
    expect(box.shows).toBe(true);
    // The line drawn ends in the eye, passes through the window, and ends on the thing.
    expect(sightLine(job, box.point, -500)).toBeCloseTo(250 - floor, 9);
    expect(sightLine(job, box.point, box.point.y)).toBeCloseTo(box.point.z, 9);
    expect(sightLine(job, box.point, 0)).toBeGreaterThan(0.42 * 29.9);
    expect(sightLine(job, box.point, 0)).toBeLessThan(head);
  });
  test('below the seats, below the floor and behind the frosted pane of a toilet nothing shows', () => {
    expect(shows(coach('bare', { things: thing({ bottomMillimetres: 0, heightMillimetres: 5 }) }))).toEqual(
      [],
    );
    expect(shows(coach('bare', { things: thing({ bottomMillimetres: -9 }) }))).toEqual([]);
    const job = coach('compartment', { things: thing({ placeMillimetres: 24, acrossMillimetres: -4 }) });
    expect(Object.values(job.interior.rooms)[1].kind).toBe('toilet');
    expect(shows(job)[0]).toMatchObject({ shows: false, between: null });
  });
  test('behind the corridor’s wall it shows from neither room side, where the wall reaches the ceiling', () => {
    const inCorridor = thing({ placeMillimetres: 130, acrossMillimetres: 11, widthMillimetres: 4 });
    const job = coach('compartment', { things: inCorridor });
    expect(shows(job)[0].between).toBeNull();
    expect(showingThrough(job).find((s) => s.id === 'box' && s.side === 'far')!.between).not.toBeNull();
    const low = structuredClone(job);
    low.interior.corridor!.wallMillimetres = 8;
    expect(shows(low)[0].between).not.toBeNull();
  });
  test('a lamp under the roof shows only to an eye far below the window’s head', () => {
    const job = coach('bare', {});
    const lamp = showingThrough(job).find((s) => s.kind === 'lamp' && s.side === 'near')!;
    expect(lamp.shows).toBe(false);
    expect(lamp.between![1]).toBeLessThan(0);
    job.fit.eye = { aboveRailMillimetres: (lamp.between![0] + lamp.between![1]) / 2, awayMillimetres: 500 };
    expect(showingThrough(job).find((s) => s.kind === 'lamp' && s.side === 'near')!.shows).toBe(true);
  });
});
