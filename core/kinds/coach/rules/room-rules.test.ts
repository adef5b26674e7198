import { describe, expect, test } from 'vitest';
import { boatTrain, demoJob } from '../../../../tests/generated';
import { change, patched } from '../../../document/patch';
import { usualInterior } from '../usual-interior';
import { coachInterior } from '../interior';
import { hangLamps } from '../hang-lamps';
import { equalPlacing } from '../equal-placing';
import { checkJob } from '../../../finding/check';
import { coachIn, coachesOf } from '../jobs';
import type { Finding } from '../../../finding/finding';
import type { Layout } from '../../../document/layout';

const find = (layout: Layout, rule: string): Finding | undefined =>
  checkJob(layout, demoJob, {}, 'quick').find((f) => f.rule === rule);
const hung = (perRow: number[]): Layout => {
  const layout = boatTrain();
  return change(layout, (draft) => {
    hangLamps(coachIn(draft, demoJob), 'roof', equalPlacing(coachIn(layout, demoJob), perRow));
  }).layout;
};

test('the boat train has one fault, on purpose', () => {
  const layout = boatTrain();
  const stops = coachesOf(layout).flatMap(({ id }) =>
    checkJob(layout, id)
      .filter((f) => f.severity !== 'note')
      .map((f) => `${id} ${f.rule}`),
  );
  expect(stops).toEqual(['compartment-coach reservoir-rating']);
});

describe('dark rooms', () => {
  test('one centre row and a side corridor: the corridor, with its lux, and lamps over it cure it', () => {
    const layout = hung([7]);
    const found = find(layout, 'dark-room')!;
    expect(found.title).toBe('Corridor stays dark');
    expect(found.figures[0].is).toBeLessThan(found.figures[0].limit!);
    const after = patched(layout, found.remedies[0].patches);
    expect(find(after, 'dark-room')).toBeUndefined();
    const { corridor } = coachInterior(coachIn(layout, demoJob));
    const added = Object.values(coachIn(after, demoJob).lamps).filter((l) => l.acrossMillimetres > 0);
    expect(added.length).toBeGreaterThan(2);
    for (const l of added)
      expect(l.acrossMillimetres + coachIn(layout, demoJob).interior.widthMillimetres / 2).toBeGreaterThan(
        corridor!.nearest,
      );
  });
  test('a compartment without a lamp can be lit, or left dark on purpose', () => {
    const layout = change(boatTrain(), (draft) => {
      const job = coachIn(draft, demoJob);
      job.interior = usualInterior('divided', job.dimensions, 'H0');
      const plain = coachIn(boatTrain(), demoJob);
      hangLamps(
        job,
        'roof',
        equalPlacing({ ...plain, interior: job.interior as typeof plain.interior }, [7]),
      );
      Reflect.deleteProperty(job.lamps, 'lamp-3');
    }).layout;
    const found = find(layout, 'dark-room')!;
    expect(found.title).toBe('Compartment 3 stays dark');
    expect(found.remedies).toHaveLength(2);
    for (const remedy of found.remedies)
      expect(find(patched(layout, remedy.patches), 'dark-room')).toBeUndefined();
  });
  test('two rows: none', () => expect(find(hung([7, 5]), 'dark-room')).toBeUndefined());
});

describe('patchy light', () => {
  test('two lamps for seven windows of an open coach are told apart, seven are not', () => {
    const open = (count: number): Layout =>
      change(boatTrain(), (draft) => {
        const job = coachIn(draft, demoJob);
        job.interior = { ...usualInterior('bare', job.dimensions, 'H0') };
        const plain = coachIn(boatTrain(), demoJob);
        hangLamps(
          job,
          'roof',
          equalPlacing({ ...plain, interior: job.interior as typeof plain.interior }, [count]),
        );
      }).layout;
    const found = find(open(2), 'uneven-light')!;
    expect(found.figures[0].is).toBeLessThan(40);
    expect(found.sentence).toMatch(/% of the mean of/);
    expect(find(open(7), 'uneven-light')).toBeUndefined();
  });
});

describe('a lamp on a partition', () => {
  test('1.4 mm from it is one, 1.6 mm is not; moved aside it is none', () => {
    const at = (by: number): Layout => {
      const layout = boatTrain();
      const wall = coachInterior(coachIn(layout, demoJob)).rooms[3].to;
      return change(layout, (draft) => {
        const near = Object.values(coachIn(draft, demoJob).lamps).filter((l) => l.acrossMillimetres < 0);
        near[0].placeMillimetres = wall + by;
      }).layout;
    };
    expect(find(at(1.6), 'lamp-on-partition')).toBeUndefined();
    const found = find(at(1.4), 'lamp-on-partition')!;
    expect(found.sentence).toMatch(/Lamp 1 is within 1.5 mm of a partition/);
    expect(find(patched(at(1.4), found.remedies[0].patches), 'lamp-on-partition')).toBeUndefined();
  });
  test('a lamp over the corridor stands on none: the partitions stop there', () => {
    expect(find(hung([7, 5]), 'lamp-on-partition')?.sentence ?? '').not.toMatch(/Lamps? (8|9|10|11|12)/);
  });
});
