import { describe, expect, test } from 'vitest';
import { boatTrain } from '../../../../tests/generated';
import { change, patched } from '../../../document/patch';
import { orderOf } from '../../../build/order/order';
import { checkJob } from '../../../finding/check';
import { benchOf } from '../../../study/bench';
import { setHinge } from '../hinge';
import { coachIn } from '../jobs';
import type { Draft } from 'immer';
import type { Finding } from '../../../finding/finding';
import type { CoachRecord as Job } from '../record';
import type { Layout } from '../../../document/layout';

const id = 'compartment-coach';
const laid = (recipe: (job: Draft<Job>) => void, jobId = id): Layout =>
  change(boatTrain(), (draft) => recipe(coachIn(draft, jobId))).layout;
const find = (layout: Layout, rule: string, jobId = id): Finding[] =>
  checkJob(layout, jobId, {}, 'quick').filter((f) => f.rule === rule);
const cures = (layout: Layout, rule: string, jobId = id): void => {
  const [found] = find(layout, rule, jobId);
  expect(found.remedies.length).toBeGreaterThan(0);
  for (const remedy of found.remedies) {
    const after = patched(layout, remedy.patches);
    expect(find(after, rule, jobId).map((f) => f.id)).not.toContain(found.id);
  }
};
const box = {
  order: 1,
  kind: 'reservoir' as const,
  placeMillimetres: 112,
  acrossMillimetres: -6,
  bottomMillimetres: 6,
  lengthMillimetres: 8,
  widthMillimetres: 8,
  heightMillimetres: 8,
  reach: 'roof-off' as const,
};

describe('does not fit', () => {
  test('the saloon’s board: notches told with depth, length and places; a narrower board needs none', () => {
    const [found] = find(boatTrain(), 'does-not-fit', 'open-saloon');
    expect(found.severity).toBe('note');
    expect(found.sentence).toMatch(
      /needs 11\.5 mm and has 10\.5 mm, 1 mm too little: notches 0\.5 mm deep and 5 mm long in both edges, at 38, 116 and 194 mm/,
    );
    cures(boatTrain(), 'does-not-fit', 'open-saloon');
  });
  test('a board longer than the coach is cut to length', () => {
    const layout = laid((j) => {
      j.fit.board = {
        startMillimetres: 20,
        lengthMillimetres: 230,
        widthMillimetres: 8,
        thicknessMillimetres: 1,
        tallest: null,
      };
      for (const r of Object.values(j.interior.rooms)) r.partitionCutMillimetres = 2;
      j.interior.corridor!.wallMillimetres -= 2;
    });
    const [found] = find(layout, 'does-not-fit');
    expect(found.severity).toBe('mind');
    expect(found.title).toMatch(/end to end/);
    cures(layout, 'does-not-fit');
  });
});

describe('shows through', () => {
  const seen = laid((j) => void (j.fit.things = { box }));
  test('a pack above the seats, with the heights of eye; in the toilet or below the floor it is hidden', () => {
    expect(find(seen, 'shows-through')[0].sentence).toMatch(
      /by an eye between .* mm and .* mm above the rail, 500 mm away; yours is at 250 mm/,
    );
    cures(seen, 'shows-through');
  });
  test('the demo’s pack stands in the toilet, and shows nowhere', () => {
    expect(find(boatTrain(), 'shows-through')).toEqual([]);
  });
});

describe('light through the shell', () => {
  const thin = laid((j) => {
    j.fit.shell = 'thin-plastic';
    Object.values(j.lamps)[0].placeMillimetres = 5;
    j.circuits.roof.ohms = 1000;
  });
  test('a bright lamp near an end of thin plastic; blacked out it is gone; an opaque shell has none', () => {
    expect(find(thin, 'light-leak')[0].sentence).toMatch(/end glows like a window of .* lx/);
    cures(thin, 'light-leak');
    expect(find(boatTrain(), 'light-leak')).toEqual([]);
  });
});

describe('reach and hinge', () => {
  test('a cell that is sealed in, or under a glued roof', () => {
    const cell = { ...box, kind: 'cell' as const, bottomMillimetres: -8 };
    const sealed = laid((j) => void (j.fit.things = { cell: { ...cell, reach: 'sealed' } }));
    expect(find(sealed, 'out-of-reach')[0].title).toBe('Cell cannot be reached');
    cures(sealed, 'out-of-reach');
    const roofOff = (how: 'clips' | 'glued'): Layout =>
      laid((j) => {
        j.fit.things = { cell };
        j.fit.opening.how = how;
      });
    expect(find(roofOff('clips'), 'out-of-reach')).toEqual([]);
    cures(roofOff('glued'), 'out-of-reach');
  });
  test('a reservoir need not be reached', () => {
    expect(
      find(
        laid((j) => void (j.fit.things = { box: { ...box, reach: 'sealed' } })),
        'out-of-reach',
      ),
    ).toEqual([]);
  });
  test('leads at the end away from the hinge hold the roof shut; at the hinge they do not', () => {
    const at = (hinge: 'left' | 'right' | 'none'): Layout =>
      laid((j) => Object.assign(j.fit.opening, { hinge, leadsEnd: 'right' }));
    expect(find(at('left'), 'leads-at-hinge')[0].figures[0].is).toBe(224);
    cures(at('left'), 'leads-at-hinge');
    expect(find(at('right'), 'leads-at-hinge')).toEqual([]);
    expect(find(at('none'), 'leads-at-hinge')).toEqual([]);
  });
  test('where the roof hinges its leads go through the gap there, threaded in the order of work; lifted off they do not', () => {
    const hinged = laid((j) => setHinge(j, 'left'));
    const through = (layout: Layout, passage: string): number =>
      benchOf(layout, id).assembly.leads.filter((l) => l.through.includes(passage)).length;
    expect(through(hinged, 'hinge')).toBe(2);
    expect(through(boatTrain(), 'hinge')).toBe(0);
    const made = orderOf(benchOf(hinged, id));
    expect(made.ok && made.order.tasks.some((t) => t.threads.includes('hinge'))).toBe(true);
    // A gap that is too narrow for them is found like any other passage.
    const narrow = change(hinged, (draft) => {
      coachIn(draft, id).passages.hinge.boreMillimetres = 0.4;
    }).layout;
    expect(find(narrow, 'does-not-pass')[0].title).toMatch(/gap at the hinge/);
    expect(
      coachIn(change(hinged, (draft) => setHinge(coachIn(draft, id), 'none')).layout, id).passages,
    ).toEqual(coachIn(boatTrain(), id).passages);
  });
});
