import { coachIn, coachesOf } from './jobs';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { boatTrain, demo, demoJob } from '../../../tests/generated';
import { scales, type ScaleName } from '../../quantity/scale';
import { coachInterior, roomBehind } from './interior';
import { checkLayout } from '../../document/file';
import { interiorRecord } from './interior-record';
import { lampDrop, roomKinds } from './room-kinds';
import { inOrder } from '../../document/in-order';
import {
  interiorAfter,
  interiorPlans,
  planOf,
  usualInterior,
  windowShape,
  type InteriorPlan,
} from './usual-interior';

const body = (over: Partial<ReturnType<typeof demo>['jobs'][string]['dimensions']> = {}) => ({
  ...coachIn(demo(), demoJob).dimensions,
  ...over,
});
const plans = Object.keys(interiorPlans) as InteriorPlan[];

describe('the inside of a coach as it commonly is', () => {
  test('is a valid record in every scale, its rooms one after another to the end, its windows inside a room', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...plans),
        fc.constantFrom(...(Object.keys(scales) as ScaleName[])),
        fc.integer({ min: 6, max: 26 }),
        fc.integer({ min: 1, max: 16 }),
        (plan, scale, metres, windowCount) => {
          const mm = (m: number): number => (m * 1000) / scales[scale];
          const dimensions = body({
            lengthMillimetres: mm(metres),
            widthMillimetres: mm(2.85),
            bodyHeightMillimetres: Math.max(8, mm(2.6)),
            windowCount,
          });
          const interior = usualInterior(plan, dimensions, scale);
          expect(interiorRecord.safeParse(interior).success).toBe(true);
          expect(lampDrop(interior)).toBeGreaterThan(interior.ceilingMillimetres / 2);
          const laid = coachInterior({ interior, dimensions });
          expect(laid.rooms[0].from).toBe(0);
          expect(laid.rooms[laid.rooms.length - 1].to).toBeCloseTo(dimensions.lengthMillimetres, 9);
          laid.rooms.slice(1).forEach((r, i) => expect(r.from).toBe(laid.rooms[i].to));
          for (const c of windowShape(dimensions).centres) {
            const behind = roomBehind(laid, c, 'near');
            expect(behind).not.toBeNull();
            if (plan === 'compartment') expect(behind).not.toBe('corridor');
          }
          // With few windows two plans can come to the same.
          expect(usualInterior(planOf(interior, dimensions, scale)!, dimensions, scale)).toEqual(interior);
        },
      ),
      { numRuns: 80 },
    );
  });
  test('a side corridor of 0.75 m and seats at 0.45 m in H0: 8.6 and 5.2 mm (common practice, no source)', () => {
    const interior = usualInterior('compartment', body(), 'H0');
    expect(interior.corridor!.widthMillimetres).toBeCloseTo(8.6, 1);
    expect(interior.seatMillimetres).toBeCloseTo(5.2, 1);
    expect(inOrder(interior.rooms).map((r) => r.kind)).toEqual([
      'vestibule',
      'toilet',
      ...Array<string>(6).fill('compartment'),
      'vestibule',
    ]);
  });
  test('a body of other dimensions: a usual plan is laid out anew, one changed by hand is stretched', () => {
    const before = body();
    const longer = body({ lengthMillimetres: 300, windowCount: 9, bodyHeightMillimetres: 34 });
    const usual = usualInterior('sleeping', before, 'H0');
    expect(interiorAfter(usual, before, longer, 'H0')).toEqual(usualInterior('sleeping', longer, 'H0'));
    const own = { ...usual, reflectance: 0.6 };
    const after = interiorAfter(own, before, longer, 'H0');
    expect(after.reflectance).toBe(0.6);
    expect(Object.keys(after.rooms)).toEqual(Object.keys(own.rooms));
    expect(after.rooms['room-2'].endMillimetres / own.rooms['room-2'].endMillimetres).toBeCloseTo(
      300 / 224,
      2,
    );
    // Partitions that reached the ceiling reach the higher one.
    expect(after.rooms['room-2'].partitionMillimetres).toBe(after.ceilingMillimetres);
    expect(after.ceilingMillimetres).toBeCloseTo(own.ceilingMillimetres + 4, 6);
  });
});

describe('a layout of version 2', () => {
  const read = checkLayout(
    JSON.parse(
      readFileSync(new URL('../../../tests/layouts/quay-version-2.hazel.json', import.meta.url), 'utf8'),
    ) as unknown,
  );
  test('opens with one room a coach, and the lamps as high above the seats as before', () => {
    if (!read.ok) throw new Error(JSON.stringify(read.complaints));
    expect(read.migratedFrom).toBe(2);
    const drops: Record<string, number> = {
      'compartment-coach': 24,
      'open-saloon': 23.6,
      'luggage-van': 23.6,
      'heritage-coach': 23.6,
    };
    for (const job of coachesOf(read.layout)) {
      expect(lampDrop(job.interior)).toBeCloseTo(drops[job.id], 9);
      expect(Object.keys(job.interior.rooms)).toHaveLength(1);
      expect(job.interior.ceilingMillimetres).toBeLessThan(job.dimensions.bodyHeightMillimetres);
      for (const lamp of Object.values(job.lamps)) expect(lamp.role).toBe('room');
    }
    expect(read.layout.trains).toEqual({});
  });
  test('its variants are brought up to date where they speak of lamps, groups or the drop', () => {
    const old = JSON.parse(
      readFileSync(new URL('../../../tests/layouts/quay-version-2.hazel.json', import.meta.url), 'utf8'),
    ) as { jobs: Record<string, { lamps: object; groups: object; variants: Record<string, unknown> }> };
    const job = old.jobs['compartment-coach'];
    const path = ['jobs', 'compartment-coach'];
    job.variants.tried = {
      order: 1,
      name: 'Tried',
      patches: [
        { op: 'replace', path: [...path, 'lamps'], value: job.lamps },
        { op: 'replace', path: [...path, 'groups'], value: job.groups },
        { op: 'replace', path: [...path, 'dimensions', 'lampDropMillimetres'], value: 20 },
      ],
    };
    const opened = checkLayout(old);
    if (!opened.ok) throw new Error(JSON.stringify(opened.complaints));
    const own = coachIn(opened.layout, 'compartment-coach');
    // Lamps and groups are as the job has them: only the drop is another.
    const [drop, ...rest] = own.variants.tried.patches;
    expect(rest).toEqual([]);
    expect(drop.path).toEqual([...path, 'interior', 'ceilingMillimetres']);
    const { seatMillimetres, lampsBelowCeilingMillimetres } = own.interior;
    expect(Number(drop.value) - seatMillimetres - lampsBelowCeilingMillimetres).toBeCloseTo(20, 9);
  });
  test('a number of windows that no coach has is refused, and does not stop the program', () => {
    const old = { ...(structuredClone(demo()) as object), version: 2 } as Record<string, unknown>;
    (old.jobs as Record<string, { dimensions: { windowCount: number } }>)[demoJob].dimensions.windowCount =
      1e9;
    const opened = checkLayout(old);
    expect(opened.ok).toBe(false);
  });
});

describe('references of version 3', () => {
  const broken = (edit: (layout: ReturnType<typeof boatTrain>) => void): string => {
    const layout = structuredClone(boatTrain());
    edit(layout);
    const read = checkLayout(layout);
    return read.ok ? '' : read.complaints.map((c) => `${c.path}: ${c.reason}`).join('\n');
  };
  test('a train with a coach that is not there is refused with its path', () => {
    expect(broken((l) => (l.trains['boat-train'].cars['car-1'].jobId = 'ghost'))).toMatch(
      /trains\.boat-train\.cars\.car-1\.jobId: there is nothing on rails called “ghost”/,
    );
  });
  test('a coach without rooms is refused', () => {
    expect(broken((l) => (coachIn(l, demoJob).interior.rooms = {}))).toMatch(
      /interior\.rooms: a coach has at least/,
    );
  });
  test('rooms of every kind have a name', () => {
    for (const kind of Object.values(roomKinds)) expect(kind.name.length).toBeGreaterThan(3);
  });
});
