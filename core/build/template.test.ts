// @vitest-environment happy-dom
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { boatTrain } from '../../tests/generated';
import { generatedJobs, generatedKinds } from '../../tests/kinds';
import { coachIn } from '../kinds/coach/jobs';
import { lampRoles } from '../document/lamp-roles';
import { locomotiveIn } from '../kinds/locomotive/jobs';
import { templatesOf as ofKind } from '../kinds/templates';
import { change } from '../document/patch';
import { usualBoard, usualTabs } from '../kinds/coach/usual-fit';
import { BAR_MILLIMETRES, templatePapers, templateSvg, type Template } from './template';
import type { Layout } from '../document/layout';

const templatesOf = (layout: Layout, id: string): readonly Template[] => ofKind(layout, layout.jobs[id]);
/** The SVG as a printer gets it, with how many millimetres one of its units is. */
function printed(template: Template): { svg: Element; scale: number; all: (of: string) => Element[] } {
  const svg = new DOMParser().parseFromString(templateSvg(template), 'image/svg+xml').documentElement;
  const [, , width] = svg.getAttribute('viewBox')!.split(' ').map(Number);
  expect(svg.getAttribute('width')).toMatch(/mm$/);
  const scale = parseFloat(svg.getAttribute('width')!) / width;
  return { svg, scale, all: (of) => [...svg.getElementsByClassName(of)] };
}
const at = (e: Element, name: string): number => Number(e.getAttribute(name));
const NEAR = 0.05;

describe('templates at full size, to 0.05 mm', () => {
  test('one unit is one millimetre, and the bar is as long as it says', () => {
    for (const id of ['diesel-shunter', 'railcar-tern', 'luggage-van', 'tug-dunlin']) {
      const templates = templatesOf(boatTrain(), id);
      expect(templates.length, id).toBeGreaterThan(0);
      for (const template of templates) {
        const { scale, all } = printed(template);
        expect(scale).toBeCloseTo(1, 9);
        const [bar] = all('bar');
        expect((at(bar, 'x2') - at(bar, 'x1')) * scale).toBeCloseTo(BAR_MILLIMETRES, 6);
        const [outline] = all('outline');
        expect(at(outline, 'width')).toBeCloseTo(template.widthMillimetres, 3);
      }
    }
  });
  test('every lamp hole of a locomotive lies where the document says, and is as wide as it is drilled', () => {
    let holes = 0;
    fc.assert(
      fc.property(generatedJobs.locomotive, ({ layout, jobId }) => {
        const job = locomotiveIn(layout, jobId);
        const templates = templatesOf(layout, jobId);
        for (const end of ['A', 'B'] as const) {
          const drilled = Object.values(job.lamps).filter(
            (l) => l.end === end && l.way === 'drill' && !lampRoles[l.role].inside,
          );
          const template = templates.find((t) => t.id === `end-${end}`);
          const circles = template ? printed(template).all('hole') : [];
          expect(circles).toHaveLength(drilled.length);
          const wanted = drilled.map((l) => ({
            x: job.body.widthMillimetres / 2 + l.acrossMillimetres,
            y: job.body.wheelMillimetres + job.body.heightMillimetres - l.heightMillimetres,
          }));
          for (const { x, y } of wanted)
            expect(
              circles.some((c) => Math.abs(at(c, 'cx') - x) < NEAR && Math.abs(at(c, 'cy') - y) < NEAR),
              `${x} ${y}`,
            ).toBe(true);
          for (const c of circles) expect(at(c, 'r')).toBeGreaterThan(0);
          holes += circles.length;
        }
      }),
      { numRuns: 60, seed: 12 },
    );
    expect(holes).toBeGreaterThan(50);
  });
  test('notches of a board lie at its tabs, as deep as half of what it is too wide', () => {
    const layout = change(boatTrain(), (draft) => {
      const job = coachIn(draft, 'compartment-coach');
      job.fit.board = { ...usualBoard(job.dimensions.lengthMillimetres), widthMillimetres: 12 };
      job.fit.tabs = { ...usualTabs(job.dimensions.lengthMillimetres), apartMillimetres: 11 };
    }).layout;
    const { fit } = coachIn(layout, 'compartment-coach');
    const { all } = printed(templatesOf(layout, 'compartment-coach').find((t) => t.id === 'board')!);
    const notches = all('notch');
    expect(notches).toHaveLength(2 * fit.tabs!.placesMillimetres.length);
    for (const place of fit.tabs!.placesMillimetres) {
      const here = notches.filter(
        (r) => Math.abs(at(r, 'x') + at(r, 'width') / 2 - (place - fit.board!.startMillimetres)) < NEAR,
      );
      expect(here).toHaveLength(2);
      for (const r of here) expect(Math.abs(at(r, 'height') - 0.5)).toBeLessThan(NEAR);
      expect(here.map((r) => at(r, 'y')).sort((a, b) => a - b)).toEqual([0, 11.5]);
    }
  });
  test('cut lines of a strip lie half a unit to either side of each of its units', () => {
    const { lamps } = coachIn(boatTrain(), 'luggage-van');
    const { all } = printed(templatesOf(boatTrain(), 'luggage-van').find((t) => t.id === 'strip')!);
    const cuts = all('cut').map((c) => at(c, 'x1'));
    const strip = Object.values(lamps).filter((l) => l.part.startsWith('strip'));
    expect(strip.length).toBeGreaterThan(0);
    // A unit of 12 V strip is 50 mm between its cut marks (the table of lamp types).
    for (const l of strip)
      for (const edge of [l.placeMillimetres - 25, l.placeMillimetres + 25])
        expect(cuts.some((x) => Math.abs(x - edge) < NEAR)).toBe(true);
  });
  test('one wider than a paper comes on several, none wider than A4 or Letter has room for, each mark at full size on one of them', () => {
    const wide: Template = {
      id: 'wide',
      name: 'Wide',
      says: '',
      widthMillimetres: 420,
      heightMillimetres: 300,
      marks: [10, 175, 210, 415].map((x) => ({ kind: 'hole', x, y: x / 2, millimetres: 2, label: '' })),
    };
    const papers = templatePapers(wide).map(
      (svg) => new DOMParser().parseFromString(svg, 'image/svg+xml').documentElement,
    );
    expect(papers).toHaveLength(6);
    const shown = new Set<number>();
    for (const paper of papers) {
      const [x, y, w, h] = paper.getAttribute('viewBox')!.split(' ').map(Number);
      const width = parseFloat(paper.getAttribute('width')!);
      expect(width / w).toBeCloseTo(1, 9);
      // A4 is 210 mm wide, Letter 279 mm high (ISO 216, ANSI Y14.1), less margins of 12 mm.
      expect(width).toBeLessThanOrEqual(186);
      expect(parseFloat(paper.getAttribute('height')!)).toBeLessThanOrEqual(255);
      for (const c of paper.getElementsByClassName('hole')) {
        const [cx, cy] = [at(c, 'cx'), at(c, 'cy')];
        if (cx > x + 1 && cx < x + w - 1 && cy > y + 1 && cy < y + h - 36) shown.add(cx);
      }
    }
    expect([...shown].sort((a, b) => a - b)).toEqual([10, 175, 210, 415]);
    for (const id of ['diesel-shunter'])
      for (const t of templatesOf(boatTrain(), id)) expect(templatePapers(t)).toHaveLength(1);
    expect(templatePapers(templatesOf(boatTrain(), 'tug-dunlin')[0]).length).toBeGreaterThan(1);
  });
  test('it carries no style sheet, which would be the whole page’s where it is shown', () => {
    for (const id of ['diesel-shunter', 'luggage-van'])
      for (const t of templatesOf(boatTrain(), id)) expect(templateSvg(t)).not.toMatch(/<style/);
  });
  test('names do no harm in it, and every kind’s templates can be read', () => {
    fc.assert(
      fc.property(fc.oneof(...generatedKinds.map((k) => generatedJobs[k])), ({ layout, jobId }) => {
        for (const t of templatesOf(layout, jobId)) {
          const svg = templateSvg({ ...t, name: '<script>alert("x")</script> & co' });
          expect(svg).not.toContain('<script>');
          expect(printed(t).all('outline')).toHaveLength(1);
        }
      }),
      { numRuns: 40, seed: 13 },
    );
  });
});
