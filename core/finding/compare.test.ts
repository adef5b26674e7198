import { describe, expect, test } from 'vitest';
import { boatTrain } from '../../tests/generated';
import { emptyLayout } from '../document/empty-layout';
import { change } from '../document/patch';
import { freshJob } from '../kinds/fresh';
import { coachIn } from '../kinds/coach/jobs';
import { offerCells } from '../kinds/coach/on-cells';
import { offerSchool, schools } from '../kinds/coach/schools';
import { keptAsItStands } from '../study/other-ways';
import { benchOf } from '../study/bench';
import { throttleSweep } from '../study/throttle-sweep';
import { checkJob } from './check';
import { causes } from './follows';
import { compareStudy, type ComparedWay } from './compare';
import type { Patch } from '../document/patch';
import type { Layout } from '../document/layout';

/** A layout with variants of one job beside it. */
const beside = (layout: Layout, jobId: string, ways: Readonly<Record<string, readonly Patch[]>>): Layout =>
  change(layout, (draft) => {
    draft.jobs[jobId].variants = Object.fromEntries(
      Object.entries(ways).map(([name, patches], i) => [
        `way-${i}`,
        { order: i + 1, name, patches: patches.map((p) => ({ ...p })) },
      ]),
    );
  }).layout;
const waysOf = (layout: Layout, jobId: string): ComparedWay[] =>
  compareStudy(layout, jobId).map((way) => {
    if ('failure' in way) throw new Error(`${way.name}: ${way.failure}`);
    return way;
  });
const onDc = () => freshJob(emptyLayout('Saltmarsh Halt'), 'coach', { kind: 'dc-track' });
const school = (layout: Layout, jobId: string, id: string): readonly Patch[] =>
  offerSchool(
    layout,
    jobId,
    schools.find((s) => s.id === id)!,
  ).patches!;

describe('ways of one coach side by side', () => {
  const { layout, jobId } = onDc();
  const there = beside(layout, jobId, { Strings: school(layout, jobId, 'strings') });

  test('each says at which throttle it stands, and from which on it shows: lamps in series later', () => {
    const [each, strings] = waysOf(there, jobId);
    expect(each.setting).toContain('throttle 70 %');
    expect(strings.setting).toBe(each.setting);
    const swept = throttleSweep(benchOf(layout, jobId))!.lamps.map((l) => l.showsAt!);
    expect(each.showsFrom).toEqual({ first: Math.min(...swept), all: Math.max(...swept) });
    // Two lamps in series ask for twice the volts.
    expect(strings.showsFrom!.all).toBeGreaterThan(each.showsFrom!.all + 0.1);
  });
  test('each counts the findings its bench has', () => {
    const [now] = waysOf(there, jobId);
    const found = causes(checkJob(there, jobId));
    for (const severity of ['stop', 'mind', 'note'] as const)
      expect(now.findings[severity]).toBe(found.filter((f) => f.severity === severity).length);
    const bare = change(there, (draft) => {
      for (const c of Object.values(draft.jobs[jobId].circuits)) c.limit = 'none';
    }).layout;
    expect(waysOf(bare, jobId)[0].findings.stop).toBeGreaterThan(0);
  });
});

test('a shunter whose lamps lie backwards shows wrongly in every state; another way is told for itself', () => {
  const layout = boatTrain();
  const [now] = waysOf(layout, 'diesel-shunter');
  expect(now.states).toBe(2);
  expect(now.wrong.map((w) => w.says).sort()).toEqual(['forward', 'reverse']);
  expect(now.wrong[0].lamps.length).toBeGreaterThan(1);
  const [railcar] = waysOf(layout, 'railcar-tern');
  expect(railcar.wrong).toEqual([]);
});

describe('a cell beside the track', () => {
  test('as few as give the light; its supply comes with it, and it tells hours, not seconds', () => {
    const { layout, jobId } = onDc();
    const { patches, supplies } = offerCells(layout, jobId);
    const [[supplyId, supply]] = Object.entries(supplies);
    if (supply.kind !== 'cell') throw new Error('it is a cell');
    // White lamps ask for some 3 V: two cells of 1.5 V are not enough, four are never needed.
    expect(supply.inSeries).toBe(3);
    const on = change(layout, (draft) => void (draft.supplies[supplyId] = supply)).layout;
    const [track, cells] = waysOf(beside(on, jobId, { Cells: patches! }), jobId);
    expect(track.lastsHours).toBeNull();
    expect(cells.lastsHours).toBeGreaterThan(1);
    expect(cells.showsFrom).toBeNull();
    expect(cells.lux! / coachIn(layout, jobId).wantedLux).toBeGreaterThan(0.9);
    expect(cells.findings.stop).toBe(0);
  });
  test('cells that the layout has are taken, and the way back is kept', () => {
    const { layout, jobId } = onDc();
    const first = offerCells(layout, jobId);
    const on = change(layout, (draft) => void Object.assign(draft.supplies, first.supplies)).layout;
    const second = offerCells(on, jobId);
    expect(second.supplies).toEqual({});
    const there = beside(on, jobId, { Cells: second.patches!, Kept: keptAsItStands(on, jobId) });
    const [now, , kept] = waysOf(there, jobId);
    expect(kept.lux).toBe(now.lux);
  });
});
